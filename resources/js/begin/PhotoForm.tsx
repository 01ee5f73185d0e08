import { useState } from 'react';
import quay from '../../../database/demo/quay.png';
import { Button as AriaButton, DropZone, FileTrigger, Form, Text, type FileDropItem } from 'react-aria-components';
import styled from 'styled-components';
import { Refusal } from '../api/client';
import { type PieceFrom, useAddPiece, usePapers, useUsualPaper } from '../api/queries';
import { Button, buttonLook, StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { Segments } from '../ui/Segments';
import { Loading } from '../ui/States';
import { radius, space } from '../ui/theme';

const Columns = styled(Form)`
    display: grid;
    grid-template-columns: minmax(0, 1.4fr) minmax(260px, 1fr);
    gap: ${space.xl};
    max-width: 980px;
    & > div:last-child {
        display: grid;
        align-content: start;
        gap: ${space.m};
    }
`;

const Drop = styled(DropZone)`
    display: grid;
    place-items: center;
    align-content: center;
    gap: ${space.m};
    min-height: 380px;
    padding: ${space.l};
    border: 2px dashed ${({ theme }) => theme.quiet};
    border-radius: ${radius};
    background: ${({ theme }) => theme.panel};
    text-align: center;
    &[data-drop-target] {
        border-style: solid;
    }
    & img {
        max-width: 100%;
        max-height: 420px;
    }
`;

const Pick = styled(AriaButton)`
    ${buttonLook}
`;

const Refused = styled.p`
    font-weight: 600;
    &::before {
        content: '! ';
        font-weight: 800;
    }
`;

const FROM: { id: PieceFrom; name: string }[] = [
    { id: 'photo', name: 'A photo' },
    { id: 'lines', name: 'A line drawing' },
];

const WHAT = {
    photo: { name: 'photo', one: 'a photo', says: 'Its zones and colours are read.' },
    lines: {
        name: 'line drawing',
        one: 'a line drawing',
        says: 'The areas that its lines close are coloured by you: pencil, ladder or trio. Light and shadow follow the form.',
    },
};

interface Props {
    onBegun: (piece: string) => void;
}

/** A new piece: photo, title, paper. */
export function PhotoForm({ onBegun }: Props) {
    const papers = usePapers();
    const add = useAddPiece();
    const usual = useUsualPaper();
    const [photo, setPhoto] = useState<File | null>(null);
    const [preview, setPreview] = useState<string | null>(null);
    const [from, setFrom] = useState<PieceFrom>('photo');
    const [title, setTitle] = useState('');
    const [paper, setPaper] = useState<string | null>(null);
    const refusal = add.error instanceof Refusal ? add.error : null;
    const first = papers.data?.find(({ id }) => id === usual);

    const take = (file: File | undefined) => {
        if (!file) return;
        if (preview) URL.revokeObjectURL(preview);
        setPhoto(file);
        setPreview(URL.createObjectURL(file));
        add.reset();
        if (title === '') setTitle(file.name.replace(/\.\w+$/, '').replace(/[-_]+/g, ' '));
    };
    const submit = async () => {
        if (!photo || !first) return;
        const piece = await add.mutateAsync({ title, paper: paper ?? first.id, from, photo });
        onBegun(piece.id);
    };

    return (
        <>
            {!first ? (
                <Loading what="Fetching papers" />
            ) : (
                <Columns
                    onSubmit={(event) => {
                        event.preventDefault();
                        submit().catch(() => undefined);
                    }}
                >
                    <Drop
                        aria-label="Photo"
                        onDrop={(event) => {
                            const dropped = event.items.find((item): item is FileDropItem => item.kind === 'file');
                            void dropped?.getFile().then(take);
                        }}
                    >
                        {preview && <img src={preview} alt="What is to be drawn" onError={() => setPreview(null)} />}
                        {!preview && (
                            <Text slot="label">
                                {photo ? photo.name : `Drop ${WHAT[from].one} here: JPEG, PNG or WebP, up to 40 MB`}
                            </Text>
                        )}
                        <FileTrigger acceptedFileTypes={['image/*']} onSelect={(files) => take(files?.[0])}>
                            <Pick>{photo ? `Choose another ${WHAT[from].name}` : `Choose ${WHAT[from].one}`}</Pick>
                        </FileTrigger>
                        {from === 'lines' && !photo && (
                            <Button
                                onPress={() =>
                                    void fetch(quay)
                                        .then((answer) => answer.blob())
                                        .then((blob) =>
                                            take(new File([blob], 'Quay in lines.png', { type: 'image/png' })),
                                        )
                                }
                            >
                                Take the demo’s
                            </Button>
                        )}
                        {refusal?.fields.photo && <Refused role="alert">{refusal.fields.photo}</Refused>}
                    </Drop>
                    <div>
                        <Segments
                            label="Begin from"
                            options={FROM}
                            value={from}
                            onChange={(chosen) => {
                                setFrom(chosen);
                                add.reset();
                            }}
                        />
                        <p>{WHAT[from].says}</p>
                        <Field
                            label="Title"
                            value={title}
                            onChange={setTitle}
                            problem={refusal?.fields.title}
                            maxLength={120}
                        />
                        <Choice
                            label="Paper"
                            value={paper ?? first.id}
                            options={papers.data?.map(({ id, name }) => ({ id, name })) ?? []}
                            onChange={setPaper}
                        />
                        <StrongButton type="submit" isDisabled={!photo || add.isPending}>
                            {add.isPending ? `Reading the ${WHAT[from].name}` : 'Start'}
                        </StrongButton>
                        {refusal && Object.keys(refusal.fields).length === 0 && (
                            <Refused role="alert">{refusal.message}</Refused>
                        )}
                    </div>
                </Columns>
            )}
        </>
    );
}
