import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
    { ignores: ['resources/js/api/schema.d.ts'] },
    js.configs.recommended,
    ...tseslint.configs.strict,
    {
        files: ['**/*.{ts,tsx}'],
        plugins: { 'react-hooks': hooks },
        rules: { ...hooks.configs.recommended.rules },
    },
);
