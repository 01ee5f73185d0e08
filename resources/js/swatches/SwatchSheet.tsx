import { useState, type FormEvent } from 'react';
import { Form } from 'react-aria-components';
import { Refusal, type Paper } from '../api/client';
import { Button, StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { calledOut } from '../ui/notation';
import { notify } from '../ui/Notices';
import { Row } from '../ui/Page';
import { Problem } from '../ui/States';
import { Sheet } from '../ui/Sheet';
import { useAddSwatch } from './swatchQueries';

interface Props {
    papers: Paper[];
    onClose: () => void;
}

/** A swatch written down by hand; the sheet stays open for the next one. */
export function SwatchSheet({ papers, onClose }: Props) {
    const [form, setForm] = useState({ paper: papers[0]?.id ?? '', stack: '', colour: '', note: '', drawnOn: '' });
    const add = useAddSwatch();
    const problems = add.error instanceof Refusal ? add.error.fields : {};
    const set = (part: Partial<typeof form>) => setForm({ ...form, ...part });
    const write = (simulated: boolean) =>
        add.mutate(
            { ...form, drawnOn: form.drawnOn || null, simulated, colour: simulated ? null : form.colour },
            {
                onSuccess: () => {
                    notify(`In the book: ${calledOut(form.stack)}`);
                    set({ stack: '', colour: '', note: '' });
                },
            },
        );
    const save = (event: FormEvent) => {
        event.preventDefault();
        write(false);
    };

    return (
        <Sheet title="New swatch" isOpen onClose={onClose}>
            <Form onSubmit={save} validationErrors={problems} style={{ display: 'grid', gap: 12 }}>
                <Row>
                    <Choice
                        label="Paper"
                        value={form.paper}
                        options={papers.map(({ id, name }) => ({ id, name }))}
                        onChange={(paper) => set({ paper })}
                    />
                    <Field
                        label="Drawn on"
                        value={form.drawnOn}
                        onChange={(drawnOn) => set({ drawnOn })}
                        problem={problems.drawnOn}
                        placeholder="2026-11-24"
                    />
                </Row>
                <Field
                    label="What was laid, bottom to top; empty for the bare paper"
                    value={form.stack}
                    onChange={(stack) => set({ stack })}
                    placeholder="QW:5892@40 > LO:3512@60"
                />
                <Field
                    label="Colour that was read: hex, or L* a* b*"
                    value={form.colour}
                    onChange={(colour) => set({ colour })}
                    problem={problems.colour}
                    placeholder="62.1 20.4 -8"
                />
                <Field label="Note" value={form.note} onChange={(note) => set({ note })} />
                {add.error && Object.keys(problems).length === 0 && <Problem message={add.error.message} />}
                <Row>
                    <StrongButton type="submit" isDisabled={add.isPending}>
                        Save
                    </StrongButton>
                    <Button isDisabled={add.isPending} onPress={() => write(true)}>
                        Have the simulated studio draw and read it
                    </Button>
                </Row>
            </Form>
        </Sheet>
    );
}
