import { useEffect, useState, type FormEvent } from 'react';
import { FileTrigger, Form } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, Refusal, type Paper, type PaperForm } from '../api/client';
import { useWords } from '../api/queries';
import { Button, StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { Row } from '../ui/Page';
import { PointPicture, type Place } from '../ui/PointPicture';
import { Quantity } from '../ui/Quantity';
import { Sheet } from '../ui/Sheet';
import { Loading, Problem } from '../ui/States';
import { space } from '../ui/theme';
import { usePaperColour, useWritePaper } from './studioQueries';

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
    const reading = usePaperColour();
    const [name, setName] = useState(paper?.name ?? '');
    const [kind, setKind] = useState<PaperForm['kind']>(paper?.kind ?? 'cartridge');
    const [tone, setTone] = useState<string>(paper ? TYPED : 'white');
    const [typed, setTyped] = useState(
        paper ? [paper.colour.L, paper.colour.a, paper.colour.b].map((value) => value.toFixed(1)).join(' ') : '',
    );
    const [size, setSize] = useState({ widthMm: paper?.widthMm ?? null, heightMm: paper?.heightMm ?? null });
    const [photo, setPhoto] = useState<{ file: File; address: string } | null>(null);
    const [places, setPlaces] = useState<Place[]>([]);
    useEffect(() => () => (photo ? URL.revokeObjectURL(photo.address) : undefined), [photo]);
    if (!words.data)
        return (
            <Sheet title="A paper of my own" isOpen onClose={onClose}>
                <Loading what="Opening" />
            </Sheet>
        );
    const { kinds, tones } = words.data;
    const problems = writing.error instanceof Refusal ? writing.error.fields : {};
    const chosen = kinds.find(({ id }) => id === kind);
    const shown =
        tone === 'white'
            ? chosen?.white
            : tone === TYPED
              ? (reading.data?.hex ?? paper?.colour.hex)
              : tones.find(({ id }) => id === tone)?.hex;
    const point = (place: Place) => {
        const next = places.length >= 2 ? [place] : [...places, place];
        setPlaces(next);
        const [white, own] = next;
        if (!photo || !white || !own) return;
        reading.mutate(
            { picture: photo.file, white, paper: own },
            {
                onSuccess: (colour) => {
                    setTone(TYPED);
                    setTyped([colour.L, colour.a, colour.b].map((value) => value.toFixed(1)).join(' '));
                },
            },
        );
    };
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
                <Row>
                    <FileTrigger
                        acceptedFileTypes={['image/jpeg', 'image/png', 'image/webp']}
                        onSelect={(files) => {
                            const file = files?.[0];
                            if (!file) return;
                            setPhoto({ file, address: URL.createObjectURL(file) });
                            setPlaces([]);
                            reading.reset();
                        }}
                    >
                        <Button>Read it from a photo</Button>
                    </FileTrigger>
                    <small style={{ flex: 1 }}>
                        Lay the paper beside a sheet of plain white printing paper, both in the same light.
                    </small>
                </Row>
                {photo && (
                    <>
                        <p role="status">
                            {reading.isPending
                                ? 'Reading the colour'
                                : reading.isSuccess
                                  ? `Read: ${reading.data.appearance.sentence}. Click again to point anew.`
                                  : places.length === 0
                                    ? 'Click on the white sheet.'
                                    : 'Click on your paper.'}
                        </p>
                        {reading.isError && <Problem message={messageOf(reading.error)} />}
                        <PointPicture
                            src={photo.address}
                            alt="Photo of the paper beside a white sheet"
                            asks={places.length === 1 ? 'your paper' : 'the white sheet'}
                            marks={places.map((at, index) => ({ label: index === 0 ? 'white' : 'paper', at }))}
                            onPoint={point}
                        />
                    </>
                )}
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
                <StrongButton type="submit" isDisabled={writing.isPending || reading.isPending}>
                    Save
                </StrongButton>
            </Fields>
        </Sheet>
    );
}
