import { useRef, useState, type FormEvent } from 'react';
import { Form } from 'react-aria-components';
import { Refusal, type PencilForm, type PencilPage } from '../api/client';
import { BesideWhite } from '../ui/BesideWhite';
import { Button, StrongButton } from '../ui/Button';
import { useChangeBox } from '../api/queries';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { Row } from '../ui/Page';
import { Problem } from '../ui/States';
import { Sheet } from '../ui/Sheet';
import { Tick } from '../ui/Tick';
import { numbersOf } from '../ui/words';
import { useAddPencil, useChangePencil } from './pencilQueries';

const option = <T extends string>(id: T) => ({ id, name: id });

const BLANK: PencilForm & { colour: string } = {
    range: '',
    rangeName: '',
    maker: '',
    number: '',
    name: '',
    aliases: [],
    binder: 'wax',
    opacity: 'semi',
    core: null,
    stains: false,
    lightfastness: null,
    status: 'current',
    replacedBy: null,
    colour: '',
};

const from = (page: PencilPage): typeof BLANK => ({
    range: page.pencil.range,
    rangeName: page.rangeName,
    maker: page.maker,
    number: page.pencil.number,
    name: page.pencil.name,
    aliases: page.pencil.aliases,
    binder: page.pencil.binder,
    opacity: page.opacity,
    core: page.core,
    stains: page.stains,
    lightfastness: page.lightfastness,
    status: page.pencil.status,
    replacedBy: page.pencil.replacedBy,
    colour: page.colour ? numbersOf(page.colour) : '',
});

interface Props {
    page?: PencilPage;
    onClose: () => void;
    onWritten: (id: string) => void;
}

/** A pencil of one's own range, written down or changed. */
export function PencilSheet({ page, onClose, onWritten }: Props) {
    const [form, setForm] = useState(page ? from(page) : BLANK);
    const [aliases, setAliases] = useState(form.aliases.join(' | '));
    const add = useAddPencil();
    const changed = useChangePencil(page?.pencil.id ?? '');
    const box = useChangeBox();
    const [last, setLast] = useState<string | null>(null);
    const number = useRef<HTMLInputElement>(null);
    const saving = page ? changed : add;
    const problems = saving.error instanceof Refusal ? saving.error.fields : {};
    const set = (part: Partial<typeof BLANK>) => setForm({ ...form, ...part });
    const save = (event: FormEvent) => {
        event.preventDefault();
        const { colour, ...rest } = form;
        const body: PencilForm = {
            ...rest,
            aliases: aliases
                .split('|')
                .map((alias) => alias.trim())
                .filter((alias) => alias !== ''),
            ...((!page || colour !== from(page).colour) && { colour: colour || null }),
        };
        saving.mutate(body, {
            onSuccess: (pencil) => {
                if (page) {
                    onWritten(pencil.id);

                    return;
                }
                // Whoever writes one down has it, and has another in hand: the range stays, and so do its binder and maker.
                box.mutate({ add: [pencil.id] });
                setLast(pencil.number);
                setForm({
                    ...BLANK,
                    range: form.range,
                    rangeName: form.rangeName,
                    maker: form.maker,
                    binder: form.binder,
                });
                setAliases('');
                number.current?.focus();
            },
        });
    };

    return (
        <Sheet title={page ? `Pencil ${page.pencil.id}` : 'New pencil'} isOpen onClose={onClose}>
            <Form onSubmit={save} validationErrors={problems} style={{ display: 'grid', gap: 12 }}>
                <Row>
                    {!page && (
                        <Field
                            label="Range code"
                            value={form.range}
                            onChange={(range) => set({ range })}
                            problem={problems.range}
                            placeholder="HS"
                        />
                    )}
                    <Field
                        label="Range name"
                        value={form.rangeName ?? ''}
                        onChange={(rangeName) => set({ rangeName })}
                    />
                    <Field label="Maker" value={form.maker ?? ''} onChange={(maker) => set({ maker })} />
                </Row>
                <Row>
                    {!page && (
                        <Field
                            label="Number on the barrel"
                            inputRef={number}
                            value={form.number}
                            onChange={(number) => set({ number })}
                            problem={problems.number}
                        />
                    )}
                    <Field label="Name" value={form.name} onChange={(name) => set({ name })} problem={problems.name} />
                    <Field label="Former names, with | between" value={aliases} onChange={setAliases} />
                </Row>
                <Field
                    label="Colour of a heavy coat: hex, or L* a* b*"
                    value={form.colour}
                    onChange={(colour) => set({ colour })}
                    problem={problems.colour}
                    placeholder="52.5 18 -30"
                />
                <BesideWhite
                    key={last}
                    what="the coat"
                    of="coat"
                    hint="A heavy coat on white paper, beside a sheet of plain white printing paper, both in the same light."
                    onRead={(colour) => set({ colour: numbersOf(colour) })}
                />
                <Row>
                    <Choice
                        label="Binder"
                        value={form.binder}
                        options={[option('wax'), option('oil')]}
                        onChange={(binder) => set({ binder })}
                    />
                    <Choice
                        label="Opacity"
                        value={form.opacity}
                        options={[option('transparent'), option('semi'), option('opaque')]}
                        onChange={(opacity) => set({ opacity })}
                    />
                    <Choice
                        label="Core"
                        value={form.core ?? ''}
                        options={[{ id: '', name: 'not known' }, option('hard'), option('soft')]}
                        onChange={(core) => set({ core: core || null })}
                    />
                    <Tick isSelected={form.stains ?? false} onChange={(stains) => set({ stains })}>
                        Stains: leaves a trace when erased
                    </Tick>
                    <Choice
                        label="Lightfastness"
                        value={form.lightfastness ?? ''}
                        options={[
                            { id: '', name: 'not known' },
                            ...['I', 'II', 'III', 'IV', 'V'].map((id) => ({ id, name: id })),
                        ]}
                        onChange={(value) => set({ lightfastness: value || null })}
                    />
                    <Choice
                        label="Status"
                        value={form.status}
                        options={[option('current'), option('renamed'), option('discontinued'), option('replaced')]}
                        onChange={(status) => set({ status })}
                    />
                    <Field
                        label="Replaced by"
                        value={form.replacedBy ?? ''}
                        onChange={(value) => set({ replacedBy: value || null })}
                        problem={problems.replacedBy}
                        placeholder="HS:120"
                    />
                </Row>
                {saving.error && Object.keys(problems).length === 0 && <Problem message={saving.error.message} />}
                {last !== null && (
                    <p role="status">
                        {last} is in your box. The next one, or <Button onPress={onClose}>Done</Button>
                    </p>
                )}
                <StrongButton type="submit" isDisabled={saving.isPending}>
                    {page ? 'Save' : 'Save, and the next one'}
                </StrongButton>
            </Form>
        </Sheet>
    );
}
