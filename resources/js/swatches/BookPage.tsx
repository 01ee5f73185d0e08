import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, type SwatchEntry } from '../api/client';
import { usePaperName, usePapers } from '../api/queries';
import { Button, DownloadLink, SignButton, StrongButton } from '../ui/Button';
import { CalledOut } from '../ui/CalledOut';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { FilterField } from '../ui/FilterField';
import { calledOut } from '../ui/notation';
import { notify } from '../ui/Notices';
import { Page, Row, Table } from '../ui/Page';
import { Empty, Loading, Problem } from '../ui/States';
import { spoken, Swatch } from '../ui/Swatch';
import { useFilters } from '../ui/useFilters';
import { SwatchFileSheet } from './SwatchFileSheet';
import { SwatchSheet } from './SwatchSheet';
import { SOURCES, useNoteSwatch, useRemoveSwatch, useRestoreSwatch, useSwatches } from './swatchQueries';
import { space, type } from '../ui/theme';

const Grid = styled.ul`
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    gap: 12px 0;
    margin-top: ${space.s};
    & li > div {
        padding: 4px 8px 0 0;
        font-size: ${type.small};
        overflow-wrap: anywhere;
        line-height: 1.3;
    }
    & li strong {
        font-variant-numeric: tabular-nums;
    }
`;

const Paper = styled.h2`
    margin-top: ${space.l};
    font-size: ${type.lead};
`;

/** The swatches of each paper together, papers as they come. */
function byPaper(swatches: SwatchEntry[]): [string, SwatchEntry[]][] {
    const papers = new Map<string, SwatchEntry[]>();
    for (const swatch of swatches) papers.set(swatch.paper, [...(papers.get(swatch.paper) ?? []), swatch]);

    return [...papers];
}

/** What was laid on which paper, and the colour that was read. */
export function BookPage() {
    const { of, choose } = useFilters();
    const [open, setOpen] = useState<'swatch' | 'file' | null>(null);
    const papers = usePapers();
    const found = useSwatches({
        ...(of('pencil') && { pencil: of('pencil') }),
        ...(of('paper') && { paper: of('paper') }),
        ...(of('technique') && { technique: of('technique') }),
        ...(of('source') && { source: of('source') }),
        page: Number(of('page') || 1),
    });
    const remove = useRemoveSwatch();
    const restore = useRestoreSwatch();
    const note = useNoteSwatch();
    const paperName = usePaperName();
    if (found.isError) return <Problem message={messageOf(found.error)} retry={() => void found.refetch()} />;
    if (!found.data || !papers.data) return <Loading what="Opening the swatch book" />;
    const { swatches, count, page, pages, techniques } = found.data;
    const filtered = ['pencil', 'paper', 'technique', 'source'].some((name) => of(name) !== '');
    const takeOut = (swatch: SwatchEntry) =>
        remove.mutate(swatch.id, {
            onSuccess: () =>
                notify(`Taken out of the book: ${calledOut(swatch.stack)}`, () => restore.mutate(swatch.id)),
            onError: (error) => notify(messageOf(error)),
        });
    const any = { id: '', name: 'Any' };

    return (
        <Page>
            <title>Swatch book – Knotty Prism</title>
            <Row>
                <h1 style={{ flex: 1 }} data-testid="count">
                    {count} {count === 1 ? 'swatch' : 'swatches'}
                    {filtered && ' found'}
                </h1>
                <StrongButton onPress={() => setOpen('swatch')}>New swatch</StrongButton>
                <Button onPress={() => setOpen('file')}>From a file</Button>
                <DownloadLink href="/api/swatches.csv" download>
                    Table (CSV)
                </DownloadLink>
                <DownloadLink href="/api/swatches.txt" download>
                    CGATS
                </DownloadLink>
            </Row>
            <Row role="search" aria-label="Find swatches" style={{ marginTop: 12 }}>
                <div style={{ width: 150 }}>
                    <FilterField
                        label="With pencil"
                        value={of('pencil')}
                        onChange={(pencil) => choose('pencil', pencil)}
                        placeholder="6858 or QW:6858"
                    />
                </div>
                <Choice
                    label="Paper"
                    value={of('paper')}
                    options={[any, ...papers.data.map(({ id, name }) => ({ id, name }))]}
                    onChange={(paper) => choose('paper', paper)}
                />
                <Choice
                    label="Technique"
                    value={of('technique')}
                    options={[any, ...techniques]}
                    onChange={(technique) => choose('technique', technique)}
                />
                <Choice
                    label="How it was read"
                    value={of('source')}
                    options={[any, ...Object.entries(SOURCES).map(([id, name]) => ({ id, name }))]}
                    onChange={(source) => choose('source', source)}
                />
                <Choice
                    label="View"
                    value={of('view') === 'page' ? 'page' : ''}
                    options={[
                        { id: '', name: 'grid' },
                        { id: 'page', name: 'page' },
                    ]}
                    onChange={(view) => choose('view', view)}
                />
            </Row>
            {count === 0 && !filtered && (
                <Empty title="The book is empty">
                    <p>Print a chart, fill it and read it from a picture; or write a swatch down by hand.</p>
                    <Link to="/swatches/charts">Lay out a chart</Link>
                </Empty>
            )}
            {count === 0 && filtered && <p style={{ marginTop: 16 }}>No swatch answers to that.</p>}
            {of('view') === 'page' ? (
                <Table style={{ marginTop: 16 }}>
                    <thead>
                        <tr>
                            <th>Read</th>
                            <th>What was laid</th>
                            <th>Paper</th>
                            <th>L a b</th>
                            <th>Look</th>
                            <th>How, when</th>
                            <th>Note</th>
                            <th aria-label="Take out" />
                        </tr>
                    </thead>
                    <tbody>
                        {swatches.map((swatch) => (
                            <tr key={swatch.id}>
                                <td>
                                    <Swatch
                                        colour={swatch.colour}
                                        label={calledOut(swatch.stack)}
                                        width="72px"
                                        height="36px"
                                    />
                                </td>
                                <td>
                                    <CalledOut stack={swatch.stack} />
                                </td>
                                <td>{paperName(swatch.paper)}</td>
                                <td className="number">
                                    {swatch.colour.L.toFixed(1)} {swatch.colour.a.toFixed(1)}{' '}
                                    {swatch.colour.b.toFixed(1)}
                                </td>
                                <td>
                                    <small>{swatch.colour.appearance.sentence}</small>
                                </td>
                                <td>
                                    <small>
                                        {SOURCES[swatch.source]}, {swatch.drawnOn ?? swatch.writtenAt.slice(0, 10)}
                                        {swatch.spread !== null && `, spread ${swatch.spread.toFixed(1)}`}
                                    </small>
                                </td>
                                <td>
                                    <Field
                                        label={`Note to ${calledOut(swatch.stack)}`}
                                        hideLabel
                                        defaultValue={swatch.note}
                                        onBlur={(event) => {
                                            const text = (event.target as HTMLInputElement).value;
                                            if (text !== swatch.note)
                                                note.mutate(
                                                    { swatch: swatch.id, note: text },
                                                    { onError: (error) => notify(messageOf(error)) },
                                                );
                                        }}
                                    />
                                </td>
                                <td>
                                    <SignButton
                                        aria-label={`Take out ${calledOut(swatch.stack)}`}
                                        onPress={() => takeOut(swatch)}
                                    >
                                        ×
                                    </SignButton>
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </Table>
            ) : (
                // A colour on grey paper beside one on white would be judged wrongly.
                byPaper(swatches).map(([paper, laid]) => (
                    <section key={paper} aria-label={`On ${paperName(paper)}`}>
                        <Paper>{paperName(paper)}</Paper>
                        <Grid>
                            {laid.map((swatch) => (
                                <li key={swatch.id}>
                                    <Swatch
                                        colour={swatch.colour}
                                        label={calledOut(swatch.stack)}
                                        width="100%"
                                        height="74px"
                                    />
                                    <div title={spoken(swatch.colour)}>
                                        <CalledOut stack={swatch.stack} />
                                        <br />
                                        {SOURCES[swatch.source]}
                                    </div>
                                </li>
                            ))}
                        </Grid>
                    </section>
                ))
            )}
            {pages > 1 && (
                <Row style={{ marginTop: 16, alignItems: 'center' }} role="group" aria-label="Pages">
                    <Button isDisabled={page <= 1} onPress={() => choose('page', String(page - 1))}>
                        Newer
                    </Button>
                    <span>
                        {page} of {pages}
                    </span>
                    <Button isDisabled={page >= pages} onPress={() => choose('page', String(page + 1))}>
                        Older
                    </Button>
                </Row>
            )}
            {open === 'swatch' && <SwatchSheet papers={papers.data} onClose={() => setOpen(null)} />}
            {open === 'file' && <SwatchFileSheet papers={papers.data} onClose={() => setOpen(null)} />}
        </Page>
    );
}
