import { useState, type FormEvent } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, Refusal, type Paper, type PaperForm } from '../api/client';
import { useWords } from '../api/queries';
import { BesideWhite } from '../ui/BesideWhite';
import { StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { Row } from '../ui/Page';
import { Quantity } from '../ui/Quantity';
import { Sheet } from '../ui/Sheet';
import { Loading, Problem } from '../ui/States';
import { numbersOf } from '../ui/words';
import { space } from '../ui/theme';
import { useWritePaper } from './studioQueries';

const Fields = styled(Form)`
    display: grid;
    gap: ${space.m};
`;

const Shown = styled.span`
    display: block;
    width: 120px;
    height: 72px;
    outline: 8px solid ${({ theme }) => theme.surround};
    margin: 8px;
`;

/** Neither a tone in one word nor read: typed. */
const TYPED = 'typed';

interface Props {
    paper: Paper | null;
    onClose: () => void;
    onWritten: (paper: Paper) => void;
}

/** A paper of one's own: what it is called in the shop, and its colour in words, typed, or from a photo. */
export function PaperSheet({ paper, onClose, onWritten }: Props) {
    const words = useWords();
    const writing = useWritePaper(paper?.id ?? null);
    const [name, setName] = useState(paper?.name ?? '');
    const [kind, setKind] = useState<PaperForm['kind']>(paper?.kind ?? 'cartridge');
    const [tone, setTone] = useState<string>(paper ? TYPED : 'white');
    const [typed, setTyped] = useState(paper ? numbersOf(paper.colour) : '');
    const [size, setSize] = useState({ widthMm: paper?.widthMm ?? null, heightMm: paper?.heightMm ?? null });
    const [read, setRead] = useState(paper?.colour.hex);
    if (!words.data)
        return (
            <Sheet title="A paper of my own" isOpen onClose={onClose}>
                <Loading what="Opening" />
            </Sheet>
        );
    const { kinds, tones } = words.data;
    const problems = writing.error instanceof Refusal ? writing.error.fields : {};
    const chosen = kinds.find(({ id }) => id === kind);
    const shown = tone === 'white' ? chosen?.white : tone === TYPED ? read : tones.find(({ id }) => id === tone)?.hex;
    const save = (event: FormEvent) => {
        event.preventDefault();
        writing.mutate(
            { name: name.trim(), kind, colour: tone === TYPED ? typed : tone, ...size },
            { onSuccess: onWritten },
        );
    };

    return (
        <Sheet title={paper ? paper.name : 'A paper of my own'} isOpen onClose={onClose}>
            <Fields onSubmit={save}>
                <Field
                    label="Name, as on the pad"
                    value={name}
                    onChange={setName}
                    problem={problems.name}
                    maxLength={80}
                />
                <Choice label="Surface" value={kind} options={kinds} onChange={setKind} />
                <p>{chosen?.sentence} Swatches on it will say more.</p>
                <Row>
                    <Choice
                        label="Colour"
                        value={tone}
                        options={[
                            ...tones.map(({ id, name: called }) => ({ id: String(id), name: called })),
                            { id: TYPED, name: 'measured' },
                        ]}
                        onChange={setTone}
                    />
                    {tone === TYPED && (
                        <Field
                            label="hex, or L* a* b*"
                            value={typed}
                            onChange={setTyped}
                            problem={problems.colour}
                            placeholder="78 3 15"
                        />
                    )}
                    {shown && <Shown style={{ background: shown }} role="img" aria-label="About this colour" />}
                </Row>
                <BesideWhite
                    what="your paper"
                    of="paper"
                    hint="Lay the paper beside a sheet of plain white printing paper, both in the same light."
                    onRead={(colour) => {
                        setTone(TYPED);
                        setTyped(numbersOf(colour));
                        setRead(colour.hex);
                    }}
                />
                <Row>
                    <Quantity
                        label="Sheet, width"
                        unit="millimeter"
                        value={size.widthMm}
                        onChange={(widthMm) => setSize({ ...size, widthMm })}
                        problem={problems.widthMm}
                    />
                    <Quantity
                        label="Sheet, height"
                        unit="millimeter"
                        value={size.heightMm}
                        onChange={(heightMm) => setSize({ ...size, heightMm })}
                        problem={problems.heightMm}
                    />
                </Row>
                {writing.error && Object.keys(problems).length === 0 && <Problem message={messageOf(writing.error)} />}
                <StrongButton type="submit" isDisabled={writing.isPending}>
                    Save
                </StrongButton>
            </Fields>
        </Sheet>
    );
}
