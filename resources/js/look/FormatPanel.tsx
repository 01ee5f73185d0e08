import { useState } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import type { Crop, Piece } from '../api/client';
import { useChangePiece } from '../api/kept';
import { usePapers } from '../api/queries';
import { cropOf } from '../desk/CropFrame';
import { useView } from '../desk/address';
import { useDeskPiece, useHands, useTool } from '../desk/DeskContext';
import { squareOf } from '../desk/Grid';
import { Measure } from '../desk/Measure';
import { WHOLE } from '../desk/zoom';
import { Button, StrongButton, buttonLook } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { Quantity } from '../ui/Quantity';
import { Segments } from '../ui/Segments';
import { space } from '../ui/theme';
import { Halves, Line, Part, Thirds } from './parts';
import { tell } from './words';

const MM_PER_INCH = 25.4;

/** Sheets, in millimetres, long side first; a drawing on one may lie or stand. */
const SHEETS = [
    { id: 'photo', name: 'As the photo', size: null },
    { id: 'a5', name: 'A5', size: [210, 148] },
    { id: 'a4', name: 'A4', size: [297, 210] },
    { id: 'a3', name: 'A3', size: [420, 297] },
    { id: 'a2', name: 'A2', size: [594, 420] },
    { id: 'in12', name: '12 × 9 in', size: [304.8, 228.6] },
    { id: 'in10', name: '10 × 8 in', size: [254, 203.2] },
    { id: 'square', name: 'Square, 200 mm', size: [200, 200] },
] as const;

const Sizes = styled(Form)`
    display: grid;
    grid-template-columns: 1fr 1fr auto;
    gap: ${space.s};
    align-items: end;
`;

const Links = styled.div`
    display: flex;
    flex-wrap: wrap;
    gap: ${space.s};
    & a {
        ${buttonLook}
    }
`;

const shown = (mm: number, unit: Piece['format']['unit']) =>
    String(Math.round((unit === 'in' ? mm / MM_PER_INCH : mm) * 100) / 100);

/** The largest crop of this ratio, in the middle of the photo. Ratio: width by height of the paper. */
export function middleCrop(photo: { width: number; height: number }, ratio: number): Crop {
    const shares = (ratio * photo.height) / photo.width;
    const width = Math.min(1, shares);

    return cropOf((1 - width) / 2, (1 - width / shares) / 2, width, width / shares, shares);
}

/** The sheet: its paper, which part of the photo is drawn and how large, the grid, the print to transfer it by. */
export function FormatPanel() {
    const piece = useDeskPiece();
    const tool = useTool();
    const { take } = useHands();
    const view = useView();
    const papers = usePapers();
    const change = useChangePiece(piece.id);
    const { format, photo } = piece;
    const [crop, setCrop] = useState<Crop | null>(null);
    const [widthMm, setWidthMm] = useState<number | null>(null);
    const [sheet, setSheet] = useState<(typeof SHEETS)[number]['id']>('photo');
    const ratio = format.widthMm / format.heightMm;
    const square = squareOf(format);

    const begin = (from: Crop, held: number | null) => {
        const show = (next: Crop) => {
            setCrop(next);
            take({
                kind: 'crop',
                title: 'Drag the frame; pull its corner to make it larger or smaller.',
                ratio: held,
                crop: next,
                change: show,
            });
        };
        show(from);
    };
    const chooseSheet = (id: (typeof SHEETS)[number]['id']) => {
        setSheet(id);
        const size = SHEETS.find((candidate) => candidate.id === id)?.size;
        if (!size) {
            take(null);
            setCrop(null);
            change.mutate({ crop: null }, tell);

            return;
        }
        const [long, short] = size;
        const [width, height] = photo.width >= photo.height ? [long, short] : [short, long];
        setWidthMm(width);
        begin(middleCrop(photo, width / height), width / height);
    };
    const cropping = tool?.kind === 'crop' && crop !== null;

    return (
        <div>
            <Part>
                <Choice
                    label="Paper"
                    value={piece.paper.id}
                    options={(papers.data ?? [piece.paper]).map((paper) => ({ id: paper.id, name: paper.name }))}
                    onChange={(paper) => change.mutate({ paper }, tell)}
                />
            </Part>
            <Part aria-labelledby="crop">
                <h2 id="crop">What is drawn, and how large</h2>
                <Halves>
                    <Choice
                        label="Crop to the format of"
                        value={sheet}
                        options={SHEETS.map(({ id, name }) => ({ id, name }))}
                        onChange={chooseSheet}
                    />
                    <Segments
                        label="Unit"
                        value={format.unit}
                        options={[
                            { id: 'mm', name: 'mm' },
                            { id: 'in', name: 'inch' },
                        ]}
                        onChange={(unit) => change.mutate({ unit }, tell)}
                    />
                </Halves>
                <Line>
                    {cropping ? (
                        <>
                            <StrongButton
                                onPress={() =>
                                    change.mutate(
                                        { crop, ...(widthMm === null ? {} : { widthMm }) },
                                        {
                                            ...tell,
                                            onSuccess: () => {
                                                take(null);
                                                setCrop(null);
                                                setWidthMm(null);
                                            },
                                        },
                                    )
                                }
                                isDisabled={change.isPending}
                            >
                                Crop here
                            </StrongButton>
                            <Button
                                onPress={() => {
                                    take(null);
                                    setCrop(null);
                                    setWidthMm(null);
                                    setSheet(format.crop === null ? 'photo' : sheet);
                                }}
                            >
                                Leave it as it was
                            </Button>
                        </>
                    ) : (
                        <>
                            <Button onPress={() => begin(format.crop ?? WHOLE, ratio)}>Move the crop</Button>
                            <Button
                                isDisabled={format.crop === null}
                                onPress={() => {
                                    setSheet('photo');
                                    chooseSheet('photo');
                                }}
                            >
                                The whole photo
                            </Button>
                        </>
                    )}
                </Line>
                {cropping && <CropFields crop={crop} ratio={tool.ratio} photo={photo} onChange={tool.change} />}
                <SizeForm key={`${format.widthMm} ${format.heightMm} ${format.unit}`} />
                <small data-testid="size">
                    {shown(format.widthMm, format.unit)} × {shown(format.heightMm, format.unit)} {format.unit} on the
                    paper
                    {format.crop ? ', cropped' : ', the whole photo'}.
                </small>
            </Part>
            <Part aria-labelledby="measure">
                <h2 id="measure">Measure</h2>
                <Measure />
            </Part>
            <Part aria-labelledby="transfer">
                <h2 id="transfer">Transfer</h2>
                <p>
                    The grid has squares of {square} {format.unit === 'in' ? 'inch' : 'mm'}. The print has the borders
                    of the zones in true size, in the middle of the page with the middle marked, each line in the colour
                    of the paler zone beside it, so that it does not stain.
                </p>
                <Links>
                    <a href={`/api/pieces/${piece.id}/transfer.pdf?page=a4`} target="_blank" rel="noreferrer">
                        Transfer print, A4
                    </a>
                    <a href={`/api/pieces/${piece.id}/transfer.pdf?page=letter`} target="_blank" rel="noreferrer">
                        Transfer print, Letter
                    </a>
                    <Button onPress={() => view.toggle('grid', !view.grid)}>
                        {view.grid ? 'Hide the grid' : 'Show the grid'}
                    </Button>
                    <Button onPress={() => view.toggle('centre', !view.centre)}>
                        {view.centre ? 'Hide the centre lines' : 'Show the centre lines'}
                    </Button>
                </Links>
            </Part>
        </div>
    );
}

interface CropFieldsProps {
    crop: Crop;
    /** Width by height of the paper; null for any. */
    ratio: number | null;
    photo: { width: number; height: number };
    onChange: (crop: Crop) => void;
}

const PERCENT = 100;

/** The frame by numbers, for who cannot or does not want to drag it. */
function CropFields({ crop, ratio, photo, onChange }: CropFieldsProps) {
    const shares = ratio === null ? null : (ratio * photo.height) / photo.width;
    const fields = [
        { name: 'From the left, %', of: 'x' },
        { name: 'From the top, %', of: 'y' },
        { name: 'Wide, %', of: 'width' },
        ...(shares === null ? [{ name: 'High, %', of: 'height' } as const] : []),
    ] as const;

    return (
        <Thirds role="group" aria-label="The crop, in percent of the photo">
            {fields.map(({ name, of }) => (
                <Quantity
                    key={`${of} ${crop[of].toFixed(3)}`}
                    label={name}
                    value={Math.round(PERCENT * crop[of])}
                    onChange={(percent) => {
                        if (percent === null) return;
                        const next = { ...crop, [of]: percent / PERCENT };
                        onChange(cropOf(next.x, next.y, next.width, next.height, shares));
                    }}
                />
            ))}
        </Thirds>
    );
}

/** Width and height of the drawing; one follows the other, so that nothing is stretched. */
function SizeForm() {
    const piece = useDeskPiece();
    const { format } = piece;
    const change = useChangePiece(piece.id);
    const [width, setWidth] = useState(shown(format.widthMm, format.unit));
    const [height, setHeight] = useState(shown(format.heightMm, format.unit));
    const [problem, setProblem] = useState<string | undefined>();
    const ratio = format.widthMm / format.heightMm;
    const number = (text: string) => Number(text.replace(',', '.'));
    const follow = (text: string, by: number, set: (text: string) => void) => {
        const value = number(text) * by;
        if (Number.isFinite(value) && value > 0) set(String(Math.round(value * 100) / 100));
    };

    return (
        <Sizes
            onSubmit={(event) => {
                event.preventDefault();
                const mm = number(width) * (format.unit === 'in' ? MM_PER_INCH : 1);
                if (!Number.isFinite(mm) || mm <= 0) {
                    setProblem('A length, such as 240');

                    return;
                }
                change.mutate(
                    { widthMm: mm },
                    { onError: (error) => setProblem(error.message), onSuccess: () => setProblem(undefined) },
                );
            }}
        >
            <Field
                label={`Width, ${format.unit}`}
                value={width}
                problem={problem}
                onChange={(text) => {
                    setWidth(text);
                    follow(text, 1 / ratio, setHeight);
                }}
            />
            <Field
                label={`Height, ${format.unit}`}
                value={height}
                onChange={(text) => {
                    setHeight(text);
                    follow(text, ratio, setWidth);
                }}
            />
            <Button type="submit" isDisabled={change.isPending}>
                Set
            </Button>
        </Sizes>
    );
}
