import { parseAsInteger, useQueryState } from 'nuqs';
import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, type AuditResult } from '../api/client';
import { useBox, usePapers, useUsualPaper } from '../api/queries';
import { useWork } from '../api/works';
import { StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Columns, Page, Row, Table } from '../ui/Page';
import { CurvePlot } from '../ui/plots/CurvePlot';
import { LadderPlot } from '../ui/plots/LadderPlot';
import { WheelPlot } from '../ui/plots/WheelPlot';
import { RestsOnLine } from '../ui/RestsOnLine';
import { Empty, Problem } from '../ui/States';
import { WorkProgress } from '../ui/WorkProgress';
import { GapRow, Mix, PencilLink } from './GapRow';
import { NextPencil } from './NextPencil';
import { type } from '../ui/theme';

const Sizes = styled.div`
    display: flex;
    flex-wrap: wrap;
    gap: 4px 10px;
    & a {
        font-size: ${type.lead};
        font-weight: 680;
        font-variant-numeric: tabular-nums;
    }
`;

const percent = (part: number, whole: number) => `${Math.round((100 * part) / Math.max(1, whole))} %`;

function Found({ audit }: { audit: AuditResult }) {
    const [asked, ask] = useQueryState('best', parseAsInteger);
    const cells = audit.cells.map(([position = 0, chroma = 0, step = 0, reached = 0]) => ({
        position,
        chroma,
        step,
        reached: reached === 1,
    }));
    const size = asked ?? audit.curve.find((point) => point.size === 12)?.size ?? audit.curve[0]?.size ?? 0;
    const best = audit.curve.find((point) => point.size === size);
    const ownBest = audit.ownCurve.find((point) => point.size === size);
    const whole = audit.curve.at(-1);

    return (
        <>
            <p>
                On {audit.paper} your {audit.box} pencils, alone and in pairs, make{' '}
                <strong data-testid="reached">{audit.reached}</strong> of {audit.reachable} colours that{' '}
                {audit.compared} pencils spread over all ranges make: {percent(audit.reached, audit.reachable)}.
            </p>
            <Columns>
                <section>
                    <h2>
                        Holes on the wheel{' '}
                        <small>
                            inner ring dull, outer ring clean; how many colours are missing, the denser the larger their
                            share
                        </small>
                    </h2>
                    <WheelPlot
                        cells={cells}
                        label={`Holes of the box on the wheel: ${audit.reachable - audit.reached} colours missing`}
                    />
                </section>
                <section>
                    <h2>
                        Holes on the value ladder <small>colours by step; hatched: missing</small>
                    </h2>
                    <LadderPlot
                        rungs={audit.ladder}
                        label={audit.ladder
                            .map((rung) => `step ${rung.step}: ${rung.reached} made, ${rung.missing} missing`)
                            .join('; ')}
                    />
                </section>
            </Columns>
            <h2>
                Largest holes <small>what would fill them, and how near your box comes meanwhile</small>
            </h2>
            <Table data-testid="holes">
                <tbody>
                    {audit.holes.map((hole) => (
                        <GapRow
                            key={`${hole.family}${hole.character}${hole.valueStep}`}
                            name={`${hole.family}, ${hole.character}, step ${hole.valueStep}`}
                            gap={hole}
                        />
                    ))}
                </tbody>
            </Table>
            <RestsOnLine calibration={audit.calibration} />
            <h2>Light, middle, dark</h2>
            <Table>
                <tbody>
                    {audit.cover.map((row) => (
                        <tr key={row.family}>
                            <th scope="row">{row.family === 'ends' ? 'white and black' : row.family}</th>
                            <td>
                                {Object.entries(row.counts)
                                    .map(([kind, count]) => `${count} ${kind}`)
                                    .join(', ')}
                            </td>
                            <td>
                                {row.missing.length === 0 && 'complete'}
                                {row.missing.map(({ kind, gap }) => (
                                    <p key={kind}>
                                        <strong>! no {kind}</strong>
                                        {gap?.buy && (
                                            <>
                                                : buy <PencilLink id={gap.buy} />, or <Mix gap={gap} />
                                            </>
                                        )}
                                    </p>
                                ))}
                            </td>
                        </tr>
                    ))}
                </tbody>
            </Table>
            <Columns>
                <section>
                    <h2>
                        Worth buying next, in general <small>by colours gained</small>
                    </h2>
                    {audit.nextInGeneral.length === 0 && <p>No pencil of the ranges you know would add a colour.</p>}
                    <ol>
                        {audit.nextInGeneral.map((next) => (
                            <li key={next.pencil}>
                                <NextPencil
                                    id={next.pencil}
                                    gain={`${next.gained} colours more`}
                                    fills={next.fills
                                        .map((hole) => `${hole.family}, step ${hole.valueStep}`)
                                        .join('; ')}
                                />
                            </li>
                        ))}
                    </ol>
                </section>
                <section>
                    <h2>
                        Worth buying for your pieces <small>{audit.targets} colours of your zones</small>
                    </h2>
                    {audit.nextForPieces.length === 0 && (
                        <p>
                            {audit.targets < 3
                                ? 'Mark zones in a piece; then this tells what they want.'
                                : 'No other pencil would bring your zones noticeably nearer.'}
                        </p>
                    )}
                    <ol>
                        {audit.nextForPieces.map((next) => (
                            <li key={next.pencil}>
                                <NextPencil
                                    id={next.pencil}
                                    gain={`dE00 ${next.gained.toFixed(2)} nearer on average`}
                                    fills={`helps ${next.targets} zones`}
                                />
                            </li>
                        ))}
                    </ol>
                </section>
            </Columns>
            <Columns>
                <section>
                    <h2>
                        How few would do <small>mean dE00 of recipes</small>
                    </h2>
                    <CurvePlot
                        curves={[
                            {
                                name: 'in general',
                                points: audit.curve.map((point) => ({ x: point.size, y: point.dE00 })),
                            },
                            ...(audit.ownCurve.length > 0
                                ? [
                                      {
                                          name: 'your pieces',
                                          points: audit.ownCurve.map((point) => ({ x: point.size, y: point.dE00 })),
                                      },
                                  ]
                                : []),
                        ]}
                        x="pencils of your box"
                        y="mean dE00"
                        marked={size}
                        label={audit.curve.map((point) => `${point.size} pencils: ${point.dE00}`).join('; ')}
                    />
                </section>
                <section>
                    <Row style={{ marginTop: 20 }}>
                        <Choice
                            label="The best"
                            value={String(size)}
                            options={audit.curve.map((point) => ({
                                id: String(point.size),
                                name: `${point.size} of your box`,
                            }))}
                            onChange={(best) => void ask(Number(best))}
                        />
                        {best && whole && (
                            <p>
                                Costs dE00 {(best.dE00 - whole.dE00).toFixed(2)} against all {whole.size}
                            </p>
                        )}
                    </Row>
                    {best && (
                        <Sizes data-testid="best" style={{ marginTop: 12 }}>
                            {best.pencils.map((id) => (
                                <Link key={id} to={`/pencils/${id}`}>
                                    {id}
                                </Link>
                            ))}
                        </Sizes>
                    )}
                    {ownBest && (
                        <>
                            <h2>For your own pieces</h2>
                            <Sizes>
                                {ownBest.pencils.map((id) => (
                                    <Link key={id} to={`/pencils/${id}`}>
                                        {id}
                                    </Link>
                                ))}
                            </Sizes>
                        </>
                    )}
                </section>
            </Columns>
        </>
    );
}

/** Looks the box through: what it covers, its holes, what would help, how few would do. */
export function AuditPage() {
    const papers = usePapers();
    const box = useBox();
    const [chosen, choose] = useQueryState('paper');
    const audit = useWork('audit');
    const usual = useUsualPaper();
    const paper = chosen ?? usual;
    if (box.data?.length === 0) {
        return (
            <Page>
                <Empty title="Your box is empty">
                    <p>Tick the pencils you own; then there is something to look through.</p>
                    <Link to="/pencils">To the pencils</Link>
                </Empty>
            </Page>
        );
    }
    const result = audit.work?.result;

    return (
        <Page>
            <title>What the box lacks – Knotty Prism</title>
            <Row>
                <h1 style={{ flex: 1 }}>What the box lacks</h1>
                <Choice
                    label="Paper"
                    value={paper}
                    options={(papers.data ?? []).map(({ id, name }) => ({ id, name }))}
                    onChange={(id) => void choose(id)}
                />
                <StrongButton isDisabled={audit.open || paper === ''} onPress={() => audit.start.mutate({ paper })}>
                    {result ? 'Check the box again' : 'Check the box'}
                </StrongButton>
            </Row>
            {audit.start.isError && <Problem message={messageOf(audit.start.error)} />}
            {audit.work && audit.open && (
                <WorkProgress work={audit.work} onCancel={() => audit.work && audit.cancel.mutate(audit.work.id)} />
            )}
            {audit.work?.state === 'failed' && <Problem message={audit.work.problem} />}
            {audit.work?.state === 'cancelled' && <p>Cancelled.</p>}
            {!audit.isPending && !audit.work && (
                <p>
                    Every pair of your pencils is mixed on paper, and compared with what all ranges you know could make.
                    It takes some seconds.
                </p>
            )}
            {result && 'cells' in result && <Found audit={result} />}
        </Page>
    );
}
