import { Field } from '../ui/Field';
import { Row } from '../ui/Page';

export interface Called {
    name: string;
    purpose: string;
    tags: string;
    note: string;
}

export const BLANK: Called = { name: '', purpose: '', tags: '', note: '' };

/** As it is sent: tags by commas. */
export const formOfCalled = ({ name, purpose, tags, note }: Called) => ({
    name: name.trim(),
    purpose: purpose.trim(),
    tags: tags
        .split(',')
        .map((tag) => tag.trim())
        .filter((tag) => tag !== ''),
    note: note.trim(),
});

interface Props {
    value: Called;
    onChange: (value: Called) => void;
    problems: Record<string, string>;
}

/** What a recipe is called and for. */
export function RecipeFields({ value, onChange, problems }: Props) {
    const set = (part: Partial<Called>) => onChange({ ...value, ...part });
    const tags = Object.entries(problems).find(([name]) => name.startsWith('tags'))?.[1];

    return (
        <>
            <Field
                label="Name"
                value={value.name}
                onChange={(name) => set({ name })}
                problem={problems.name ?? problems.stack}
                placeholder="Rope in shade"
                maxLength={80}
            />
            <Row>
                <Field
                    label="What it is for"
                    value={value.purpose}
                    onChange={(purpose) => set({ purpose })}
                    problem={problems.purpose}
                    placeholder="rope, wood, sky"
                    maxLength={120}
                />
                <Field
                    label="Tags, with commas between"
                    value={value.tags}
                    onChange={(text) => set({ tags: text })}
                    problem={tags}
                    placeholder="warm, shade"
                />
            </Row>
            <Field
                label="Note"
                value={value.note}
                onChange={(note) => set({ note })}
                problem={problems.note}
                maxLength={2000}
            />
        </>
    );
}
