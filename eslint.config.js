import js from '@eslint/js';
import query from '@tanstack/eslint-plugin-query';
import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
    { ignores: ['resources/js/api/schema.d.ts'] },
    js.configs.recommended,
    ...tseslint.configs.strict,
    ...query.configs['flat/recommended'],
    {
        files: ['**/*.{ts,tsx}'],
        plugins: { 'react-hooks': hooks },
        // The rules of hooks themselves; those of the compiler, which is not used here, take longer than all else together.
        rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
    },
    { files: ['resources/js/**/*.tsx'], ...a11y.flatConfigs.recommended },
    {
        // A promise that nobody waits for fails unseen.
        files: ['resources/js/**/*.{ts,tsx}', 'tests/{Browser,Unit}/**/*.{ts,tsx}'],
        languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
        rules: {
            '@typescript-eslint/no-floating-promises': 'error',
            '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
            '@typescript-eslint/await-thenable': 'error',
            '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
        },
    },
);
