import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { messageOf, Refusal } from '../api/client';
import { useBox, usePapers, useUsualPaper } from '../api/queries';
import { SignButton, StrongButton } from '../ui/Button';
import { CalledOut } from '../ui/CalledOut';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { LinesField } from '../ui/LinesField';
import { notify } from '../ui/Notices';
import { Columns, Page, Row, Table } from '../ui/Page';
import { BadRows, Problem } from '../ui/States';
import { useAddChart, useCharts, useLessons, useRemoveChart, useRestoreChart, type ChartWish } from './swatchQueries';
import { counted } from '../ui/words';

const KINDS: { id: ChartWish['kind']; name: string }[] = [
    { id: 'card', name: 'a swatch card: colours of new pencils' },
    { id: 'singles', name: 'every pencil at three pressures' },
    { id: 'pairs', name: 'all pairs, both orders' },
    { id: 'triples', name: 'three over one another' },
    { id: 'stacks', name: 'chosen stacks' },
    { id: 'lessons', name: 'ten that would teach most' },
];

/** What is laid is a line of text, and may be a long one. */
const Lessons = styled(Table)`
    & td:first-child {
        width: auto;
        white-space: normal;
    }
`;

/** How many fields a chart would have, so that one sees it before it is laid out. */
const fields = (kind: ChartWish['kind'], pencils: number) =>
    kind === 'card'
        ? 3 * pencils
        : kind === 'singles'
          ? 1 + 3 * pencils
          : kind === 'pairs'
            ? 1 + pencils * (pencils - 1)
            : kind === 'triples'
              ? 1 + (pencils * (pencils - 1) * (pencils - 2)) / 3
              : null;

/** RANGE:NUMBER of a number that one pencil of the box alone has; what is no such number stays as it was typed. */
function idOf(typed: string, box: { id: string; number: string }[]) {
    const [first, ...others] = box.filter(({ number }) => number === typed);

    return first && others.length === 0 ? first.id : typed;
}

/** Charts laid out so far, and the next one. */
export function ChartsPage() {
    const [params] = useSearchParams();
    const [picked, setKind] = useState<ChartWish['kind'] | null>(params.get('text') ? 'stacks' : null);
    const [page, setPage] = useState<ChartWish['page']>('a4');
    const [on, setOn] = useState('');
    const [pencils, setPencils] = useState('');
    const [text, setText] = useState(params.get('text') ?? '');
    const papers = usePapers();
    const box = useBox();
    const charts = useCharts();
    const add = useAddChart();
    const remove = useRemoveChart();
    const restore = useRestoreChart();
    const navigate = useNavigate();
    const usual = useUsualPaper();
    const paper = on || usual;
    const lessons = useLessons(paper);
    const colourless = box.data?.filter(({ hex }) => hex === null).map(({ id }) => id) ?? [];
    const typed = pencils
        .split(/[\s,;]+/)
        .filter((id) => id !== '')
        .map((id) => idOf(id, box.data ?? []));
    // While there are pencils without a colour, that is what is missing: a card of them.
    const kind = picked ?? (colourless.length > 0 ? 'card' : 'singles');
    const chosen = typed.length === 0 && kind === 'card' ? colourless : typed;
    const count = fields(kind, chosen.length > 0 ? chosen.length : (box.data?.length ?? 0));
    // All but pasted stacks follows from the box: what is offered first, and which pencil a number is. Not from one that is still on its way.
    const waits = kind !== 'stacks' && box.isFetching;
    const lay = () =>
        add.mutate(
            { kind, paper, page, pencils: chosen, text },
            { onSuccess: (chart) => void navigate(`/swatches/charts/${chart.id}`) },
        );

    return (
        <Page>
            <title>Charts – Knotty Prism</title>
            <h1>Charts to draw</h1>
            <Columns>
                <section>
                    <h2>Lay out a chart</h2>
                    <Row>
                        <Choice label="What is on it" value={kind} options={KINDS} onChange={setKind} />
                        <Choice
                            label="Drawn on"
                            value={paper}
                            options={(papers.data ?? []).map(({ id, name }) => ({ id, name }))}
                            onChange={setOn}
                        />
                        <Choice
                            label="Page"
                            value={page}
                            options={[
                                { id: 'a4', name: 'A4' },
                                { id: 'letter', name: 'Letter' },
                            ]}
                            onChange={setPage}
                        />
                    </Row>
                    {kind === 'stacks' && (
                        <div style={{ marginTop: 12 }}>
                            <LinesField
                                label="Stacks, one on a line"
                                value={text}
                                onChange={setText}
                                placeholder={'QW:6858@40 > QW:5892@55\nQW:6858@30 > wash > LO:3512@50'}
                            />
                        </div>
                    )}
                    {count !== null && (
                        <div style={{ marginTop: 12 }}>
                            <Field
                                label={
                                    kind === 'card'
                                        ? `Pencils, in your order; ${
                                              colourless.length > 0
                                                  ? `the ${counted(colourless.length, 'pencil')} without a colour`
                                                  : 'the whole box'
                                          } if empty`
                                        : kind === 'singles'
                                          ? 'Pencils; the whole box if empty'
                                          : 'Pencils, a few: QW:6858 LO:3512 QW:5892'
                                }
                                value={pencils}
                                onChange={setPencils}
                                placeholder="QW:6858 LO:3512"
                            />
                        </div>
                    )}
                    <Row style={{ marginTop: 12, alignItems: 'center' }}>
                        <StrongButton isDisabled={add.isPending || paper === '' || waits} onPress={lay}>
                            Lay it out
                        </StrongButton>
                        {count !== null && <small>{counted(count, 'field')}</small>}
                    </Row>
                    {add.error instanceof Refusal && add.error.rows.length > 0 ? (
                        <BadRows message={add.error.message} rows={add.error.rows} what="Line" />
                    ) : (
                        add.isError && <Problem message={messageOf(add.error)} />
                    )}
                </section>
                <section>
                    <h2>
                        Ten swatches that would teach most <small>by doubt taken from your recipes</small>
                    </h2>
                    {lessons.isError && <p>{messageOf(lessons.error)}</p>}
                    {lessons.data?.length === 0 && (
                        <p>Nothing: every pencil and every pair of your recipes has its swatches.</p>
                    )}
                    <Lessons data-testid="lessons">
                        <tbody>
                            {lessons.data?.map((lesson) => (
                                <tr key={lesson.stack}>
                                    <td>
                                        <CalledOut stack={lesson.stack} />
                                    </td>
                                    <td>
                                        <small>{lesson.why}</small>
                                    </td>
                                    <td className="number">{lesson.worth.toFixed(1)}</td>
                                </tr>
                            ))}
                        </tbody>
                    </Lessons>
                </section>
            </Columns>
            <h2>Laid out so far</h2>
            {charts.data?.length === 0 && <p>None yet.</p>}
            <Table>
                <tbody>
                    {charts.data?.map((chart) => (
                        <tr key={chart.id}>
                            <td>
                                <Link to={`/swatches/charts/${chart.id}`}>{chart.title}</Link>
                            </td>
                            <td>{chart.paperName}</td>
                            <td>
                                {counted(chart.fields.length, 'field')}, {counted(chart.sheets, 'sheet')} of{' '}
                                {chart.page === 'a4' ? 'A4' : 'Letter'}
                            </td>
                            <td>{chart.read > 0 ? `${chart.read} read` : 'not read yet'}</td>
                            <td>{chart.madeAt.slice(0, 10)}</td>
                            <td>
                                <SignButton
                                    aria-label={`Take away ${chart.title}`}
                                    onPress={() =>
                                        remove.mutate(chart.id, {
                                            onSuccess: () =>
                                                notify(`${chart.title} taken away`, () => restore.mutate(chart.id)),
                                        })
                                    }
                                >
                                    ×
                                </SignButton>
                            </td>
                        </tr>
                    ))}
                </tbody>
            </Table>
        </Page>
    );
}
