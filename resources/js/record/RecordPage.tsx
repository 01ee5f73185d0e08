import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { answered, api, messageOf, type DrawingEntry, type PieceRecord } from '../api/client';
import { usePlan } from '../api/queries';
import { SaveArchive } from '../archive/SaveArchive';
import { saidOf } from '../draw/Diary';
import { ShareSheet } from '../share/ShareSheet';
import { Button } from '../ui/Button';
import { notify } from '../ui/Notices';
import { Columns, Page, Row, Table } from '../ui/Page';
import { PencilShares } from '../ui/PencilShares';
import { Loading, Problem } from '../ui/States';
import { space, type } from '../ui/theme';
import { counted, spokenMinutes } from '../ui/words';

const Sheet = styled(Page)`
    & figure {
        display: grid;
        gap: ${space.xs};
        margin: 0;
        font-size: ${type.small};
    }
    & img {
        display: block;
        max-width: 100%;
        max-height: 300px;
    }
    @media print {
        height: auto;
        overflow: visible;
        padding: 0;
        background: white;
        color: black;
        & button,
        & nav {
            display: none;
        }
    }
`;

const Caption = styled.blockquote`
    max-width: 72ch;
    margin: ${space.s} 0;
    padding: ${space.m};
    background: ${({ theme }) => theme.panel};
    user-select: all;
`;

const Pictures = styled.div`
    display: flex;
    flex-wrap: wrap;
    gap: ${space.m};
    & figure {
        width: 240px;
    }
`;

const Day = styled.section`
    & ol {
        display: grid;
        gap: 4px;
        max-width: 80ch;
    }
    & li {
        display: grid;
        grid-template-columns: 56px minmax(0, 1fr);
        gap: ${space.s};
    }
    & time {
        font-variant-numeric: tabular-nums;
        color: ${({ theme }) => theme.quiet};
    }
`;

const day = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' });
const shortDay = new Intl.DateTimeFormat('en-GB', {
    weekday: 'short',
    day: 'numeric',
    month: 'short',
    year: 'numeric',
});
const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** The log day by day, in order. */
export function byDay(entries: readonly DrawingEntry[]): [string, DrawingEntry[]][] {
    const days = new Map<string, DrawingEntry[]>();
    for (const entry of entries) {
        const name = day.format(new Date(entry.madeAt));
        days.set(name, [...(days.get(name) ?? []), entry]);
    }

    return [...days];
}

const useRecord = (piece: string) =>
    useQuery({
        queryKey: ['piece', piece, 'drawing', 'record'],
        queryFn: () => answered(api.GET('/api/pieces/{piece}/record', { params: { path: { piece } } })),
    });

/** What a drawing took and what became of it: to read, to print, and to publish it with. */
export function RecordPage() {
    const { piece = '' } = useParams();
    const record = useRecord(piece);
    const [sharing, setSharing] = useState(false);
    if (record.isError) return <Problem message={messageOf(record.error)} retry={() => void record.refetch()} />;
    if (!record.data) return <Loading what="Opening the record" />;
    const { title, minutes, sittings, turns, otherwise, pencils, checks, entries } = record.data;

    return (
        <Sheet>
            <title>{`Record: ${title} – Knotty Prism`}</title>
            <Row style={{ justifyContent: 'space-between' }}>
                <h1>{title}</h1>
                <Row as="nav" aria-label="The piece">
                    <Link to={`/pieces/${piece}/draw`}>To the drawing</Link>
                    <Button onPress={() => window.print()}>Print</Button>
                    <Button onPress={() => setSharing(true)}>Share</Button>
                    <SaveArchive piece={piece}>Save as archive</SaveArchive>
                </Row>
            </Row>
            {sharing && (
                <ShareSheet
                    piece={piece}
                    title={title}
                    kind={turns === 0 ? 'plan' : 'record'}
                    onClose={() => setSharing(false)}
                />
            )}
            <p data-testid="took">
                {turns === 0
                    ? 'Nothing is drawn yet; each press in Draw is written down here.'
                    : `${spokenMinutes(minutes)} in ${counted(sittings.length, 'sitting')}, ${counted(turns, 'turn')}, ${counted(pencils.length, 'pencil')}` +
                      (otherwise > 0 ? `; ${counted(otherwise, 'press', 'presses')} otherwise than planned.` : '.')}
            </p>
            <ToPublish caption={record.data.caption} />
            <Columns>
                <PencilShares pencils={pencils} />
                <section aria-labelledby="sittings">
                    <h2 id="sittings">Sittings</h2>
                    <Table>
                        <tbody>
                            {sittings.map(({ from, to, minutes: long, presses }) => (
                                <tr key={from}>
                                    <td>{shortDay.format(new Date(from))}</td>
                                    <td className="number">
                                        {clock.format(new Date(from))} to {clock.format(new Date(to))}
                                    </td>
                                    <td className="number">{spokenMinutes(long)}</td>
                                    <td className="number">{counted(presses, 'press', 'presses')}</td>
                                </tr>
                            ))}
                        </tbody>
                    </Table>
                </section>
            </Columns>
            <Checks record={record.data} checks={checks} />
            <Log piece={piece} entries={entries} />
        </Sheet>
    );
}

function ToPublish({ caption }: { caption: string }) {
    return (
        <section aria-labelledby="publish">
            <h2 id="publish">To publish it with</h2>
            <Caption data-testid="caption">{caption}</Caption>
            <Button
                onPress={() => {
                    navigator.clipboard.writeText(caption).then(
                        () => notify('Copied'),
                        () => notify('This browser does not let it be copied. Select the text and copy it.'),
                    );
                }}
            >
                Copy
            </Button>
        </section>
    );
}

function Checks({ record, checks }: { record: PieceRecord; checks: PieceRecord['checks'] }) {
    return (
        <section aria-labelledby="checks">
            <h2 id="checks">How it came along</h2>
            <Pictures>
                <figure>
                    <img src={record.photoUrl} alt={`What ${record.title} is drawn from`} />
                    <figcaption>The reference</figcaption>
                </figure>
                {/* What was photographed and not compared, too. */}
                {record.entries
                    .filter(({ mark, photo }) => photo && !checks.some((check) => check.photo === mark))
                    .map(({ mark, photo, madeAt, note }) => (
                        <figure key={mark}>
                            <img
                                src={photo?.url}
                                alt={`The drawing on ${day.format(new Date(madeAt))}`}
                                loading="lazy"
                            />
                            <figcaption>
                                {day.format(new Date(madeAt))}
                                {note && `: ${note}`}
                            </figcaption>
                        </figure>
                    ))}
                {checks.map(({ at, picture, words, rangeSteps }) => (
                    <figure key={at}>
                        <img src={picture} alt={`The drawing on ${day.format(new Date(at))}, set straight`} />
                        <figcaption>
                            {day.format(new Date(at))}: {words}; a range of {rangeSteps.toFixed(1)} steps
                        </figcaption>
                    </figure>
                ))}
            </Pictures>
        </section>
    );
}

function Log({ piece, entries }: { piece: string; entries: DrawingEntry[] }) {
    const plan = usePlan(piece);
    if (entries.length === 0) return null;

    return (
        <>
            <h2>Diary</h2>
            {byDay(entries).map(([name, of]) => (
                <Day key={name}>
                    <h3>{name}</h3>
                    <ol>
                        {of.map((entry) => (
                            <li key={entry.mark}>
                                <time dateTime={entry.madeAt}>{clock.format(new Date(entry.madeAt))}</time>
                                <span>{saidOf(entry, plan.data ?? { steps: [] })}</span>
                            </li>
                        ))}
                    </ol>
                </Day>
            ))}
        </>
    );
}
