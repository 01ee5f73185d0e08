import { useEffect, useEffectEvent, useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { Link, useLocation, useParams } from 'react-router';
import styled from 'styled-components';
import { messageOf } from '../api/client';
import { useWork } from '../api/works';
import { Button, DownloadLink, StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Page, Row } from '../ui/Page';
import { Loading, Problem } from '../ui/States';
import { WorkProgress } from '../ui/WorkProgress';
import { CardView } from './CardView';
import { PlainSheet } from './PlainSheet';
import { ReadingView } from './ReadingView';
import { useChart, useReadChart } from './swatchQueries';
import { counted } from '../ui/words';

const Sheets = styled.div`
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
    gap: 16px;
    margin-top: 16px;
    & img {
        width: 100%;
        border: 1px solid ${({ theme }) => theme.line};
    }
`;

interface Picture {
    blob: Blob;
    address: string;
    simulated: boolean;
}

/** One chart: printed, filled, read from a picture. */
export function ChartPage() {
    const { chart: id = '' } = useParams();
    const chart = useChart(id);
    const [sheet, setSheet] = useState('1');
    const [picture, setPicture] = useState<Picture | null>(null);
    const [pointed, setPointed] = useState(false);
    const reading = useReadChart(id);
    const filling = useWork('filling');
    useEffect(() => () => (picture ? URL.revokeObjectURL(picture.address) : undefined), [picture]);
    const show = (blob: Blob, simulated: boolean) => {
        setPicture({ blob, address: URL.createObjectURL(blob), simulated });
        reading.reset();
    };
    const begin = useEffectEvent((blob: Blob) => {
        show(blob, false);
        // Without our marks it is a plain sheet: its rows are pointed out.
        reading.mutate({ picture: blob }, { onError: () => setPointed(true) });
    });
    const { state } = useLocation() as { state: { picture?: unknown } | null };
    const brought = state?.picture instanceof Blob ? state.picture : null;
    const isThere = chart.data !== undefined;
    useEffect(() => {
        if (brought && isThere) begin(brought);
    }, [brought, isThere]);
    if (chart.isError) return <Problem message={messageOf(chart.error)} retry={() => void chart.refetch()} />;
    if (!chart.data) return <Loading what="Fetching the chart" />;
    const { data } = chart;
    const isCard = data.kind === 'card';
    const read = (blob: Blob, simulated: boolean) => {
        show(blob, simulated);
        setPointed(false);
        reading.mutate({ picture: blob });
    };
    const done = () => {
        setPicture(null);
        setPointed(false);
        reading.reset();
    };
    const filled = filling.work?.result && 'picture' in filling.work.result ? filling.work.result : null;
    const ownFilled = filled?.chart === id ? filled : null;

    return (
        <Page>
            <title>{`${data.title} – Knotty Prism`}</title>
            <Row>
                <h1 style={{ flex: 1 }}>
                    {data.title}{' '}
                    <small>
                        {counted(data.fields.length, 'field')} on {data.paperName}, {counted(data.sheets, 'sheet')} of{' '}
                        {data.page === 'a4' ? 'A4' : 'Letter'}
                    </small>
                </h1>
                <DownloadLink href={`/api/charts/${id}/chart.pdf`} target="_blank">
                    Print (PDF)
                </DownloadLink>
                <DownloadLink href={`/api/charts/${id}/sheets/${sheet}.svg`} download={`chart-${sheet}.svg`}>
                    Sheet {sheet} (SVG)
                </DownloadLink>
            </Row>
            <ol style={{ margin: '12px 0', paddingInlineStart: 18, listStyle: 'decimal' }}>
                <li>
                    Print it at 100 % on {data.paperName}, or on thin paper and trace the fields; the line at the foot
                    must be 100 mm long.
                </li>
                <li>
                    {isCard
                        ? 'Fill the three fields of each pencil: light, medium, heavy, the heavy one over the black bar as well. '
                        : 'Fill each field as it says under it. '}
                    Leave the four black squares and the paper between the fields clean.
                </li>
                <li>
                    Photograph or scan each sheet whole. An angle and uneven light do no harm; a hard shadow and glare
                    do.
                </li>
                {isCard && (
                    <li>
                        Or draw three fields a pencil on any sheet of {data.paperName}, in this order, with paper
                        between them, and point out its rows. One photo holds all of it: make a card for each page of a
                        book.
                    </li>
                )}
            </ol>
            <Row>
                <FileTrigger
                    acceptedFileTypes={['image/jpeg', 'image/png', 'image/webp']}
                    onSelect={(files) => {
                        const chosen = files?.[0];
                        if (chosen) read(chosen, false);
                    }}
                >
                    <StrongButton>Read a picture of it</StrongButton>
                </FileTrigger>
                {isCard && (
                    <FileTrigger
                        acceptedFileTypes={['image/jpeg', 'image/png', 'image/webp']}
                        onSelect={(files) => {
                            const chosen = files?.[0];
                            if (!chosen) return;
                            show(chosen, false);
                            setPointed(true);
                        }}
                    >
                        <Button>Read a plain sheet</Button>
                    </FileTrigger>
                )}
                {data.sheets > 1 && (
                    <Choice
                        label="Sheet"
                        value={sheet}
                        options={Array.from({ length: data.sheets }, (_, i) => ({
                            id: String(i + 1),
                            name: String(i + 1),
                        }))}
                        onChange={setSheet}
                    />
                )}
                <Button
                    isDisabled={filling.open}
                    onPress={() => filling.start.mutate({ chart: id, sheet: Number(sheet) })}
                >
                    Have the simulated studio fill sheet {sheet}
                </Button>
                {ownFilled && !filling.open && (
                    <Button
                        onPress={() =>
                            void fetch(ownFilled.picture, { cache: 'no-store' })
                                .then((answer) => answer.blob())
                                .then((blob) => read(blob, true))
                        }
                    >
                        Read the simulated picture of sheet {ownFilled.sheet}
                    </Button>
                )}
                {data.read > 0 && (
                    <Link to={isCard ? '/pencils?box=1' : '/swatches'}>
                        {isCard
                            ? `${counted(Math.round(data.read / 3), 'pencil')} read from it: see them laid out`
                            : `${data.read} swatches came from it`}
                    </Link>
                )}
            </Row>
            {filling.work && filling.open && (
                <WorkProgress
                    work={filling.work}
                    onCancel={() => filling.work && filling.cancel.mutate(filling.work.id)}
                />
            )}
            {filling.work?.state === 'failed' && <Problem message={filling.work.problem} />}
            {filling.start.isError && <Problem message={messageOf(filling.start.error)} />}
            {reading.isPending && <p role="status">Reading the picture</p>}
            {reading.isError && <Problem message={messageOf(reading.error)} />}
            {pointed && picture && !reading.data ? (
                <PlainSheet
                    key={picture.address}
                    stacks={data.fields}
                    picture={picture.address}
                    isReading={reading.isPending}
                    onRead={(rows) => reading.mutate({ picture: picture.blob, rows })}
                    onCancel={done}
                />
            ) : reading.data && picture && isCard ? (
                <CardView
                    key={picture.address}
                    chart={id}
                    reading={reading.data}
                    simulated={picture.simulated}
                    sheets={data.sheets}
                    onDone={done}
                />
            ) : reading.data && picture ? (
                <ReadingView
                    key={picture.address}
                    chart={id}
                    reading={reading.data}
                    picture={picture.address}
                    simulated={picture.simulated}
                    onDone={done}
                />
            ) : (
                <Sheets>
                    {Array.from({ length: data.sheets }, (_, i) => (
                        <img
                            key={i}
                            src={`/api/charts/${id}/sheets/${i + 1}.svg`}
                            alt={`Sheet ${i + 1} as it is printed`}
                        />
                    ))}
                </Sheets>
            )}
        </Page>
    );
}
