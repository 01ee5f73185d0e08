import { useQueryClient } from '@tanstack/react-query';
import { parseAsInteger, useQueryStates } from 'nuqs';
import { Link } from 'react-router';
import { usePaperName, usePutInForce } from '../api/queries';
import { messageOf, type CalibrationReview } from '../api/client';
import { useWork } from '../api/works';
import { Button, StrongButton } from '../ui/Button';
import { CalledOut } from '../ui/CalledOut';
import { Choice } from '../ui/Choice';
import { calledOut } from '../ui/notation';
import { notify } from '../ui/Notices';
import { Columns, Page, Row, Table } from '../ui/Page';
import { ErrorPlot } from '../ui/plots/ErrorPlot';
import { Empty, Loading, Problem } from '../ui/States';
import { SwatchPair } from '../ui/Swatch';
import { WorkProgress } from '../ui/WorkProgress';
import { useCalibration, useCalibrations, useRemoveSwatch, useRestoreSwatch } from './swatchQueries';
import { counted } from '../ui/words';

const WORST = 24;

function Recipes({ review }: { review: CalibrationReview }) {
    const client = useQueryClient();
    const again = useWork('search-again', () => void client.invalidateQueries());
    const shifted = review.recipes.filter((recipe) => recipe.shift > review.noticed);
    const result = again.work?.result && 'changed' in again.work.result ? again.work.result : null;

    return (
        <section>
            <h2>
                Your recipes, old and new{' '}
                <small>
                    {review.against
                        ? `calibration ${review.against.number} against ${review.calibration.number}`
                        : `the pencils' own colours against calibration ${review.calibration.number}`}
                </small>
            </h2>
            <Row style={{ alignItems: 'center' }}>
                <p data-testid="shifted">
                    <strong>{review.shifted}</strong> of your {review.recipes.length} recipes{' '}
                    {review.shifted === 1 ? 'shifts' : 'shift'} by more than dE00 {review.noticed}
                    {review.shifted > 0 ? '. Search for them again?' : '.'}
                </p>
                {shifted.length > 0 && (
                    <Button
                        isDisabled={again.open}
                        onPress={() => again.start.mutate({ targets: shifted.map(({ target }) => target) })}
                    >
                        Search {shifted.length} again
                    </Button>
                )}
            </Row>
            {again.work && again.open && (
                <WorkProgress work={again.work} onCancel={() => again.work && again.cancel.mutate(again.work.id)} />
            )}
            {again.work?.state === 'failed' && <Problem message={again.work.problem} />}
            {result && !again.open && (
                <p role="status">
                    Searched {result.searched}; {result.changed.length} have another recipe now
                    {result.changed.length > 0 && `: ${result.changed.map((change) => change.name).join(', ')}`}.
                </p>
            )}
            <Table>
                <thead>
                    <tr>
                        <th>Old, new</th>
                        <th>Zone</th>
                        <th className="number">Shift</th>
                        <th className="number">Misses by, old</th>
                        <th className="number">new</th>
                        <th>Recipe</th>
                    </tr>
                </thead>
                <tbody>
                    {review.recipes.map((recipe) => (
                        <tr key={recipe.target}>
                            <td>
                                <SwatchPair target={recipe.old} predicted={recipe.new} width="88px" height="30px" />
                            </td>
                            <td>
                                <Link to={`/pieces/${recipe.piece}/match?zone=${recipe.zone}&target=${recipe.target}`}>
                                    {recipe.name}
                                </Link>{' '}
                                <small>{recipe.title}</small>
                            </td>
                            <td className="number">
                                {recipe.shift > review.noticed ? (
                                    <strong>! {recipe.shift.toFixed(1)}</strong>
                                ) : (
                                    recipe.shift.toFixed(1)
                                )}
                            </td>
                            <td className="number">{recipe.oldMiss.toFixed(1)}</td>
                            <td className="number">{recipe.newMiss.toFixed(1)}</td>
                            <td>
                                <CalledOut stack={recipe.stack} />
                            </td>
                        </tr>
                    ))}
                </tbody>
            </Table>
        </section>
    );
}

function Outliers({ review }: { review: CalibrationReview }) {
    const remove = useRemoveSwatch();
    const restore = useRestoreSwatch();
    const paperName = usePaperName();
    const stacks = review.outliers.map((outlier) => outlier.swatch.stack).join('\n');

    return (
        <section>
            <h2>
                Swatches to do again <small>they do not fit what the others say</small>
            </h2>
            {review.outliers.length === 0 && <p>None.</p>}
            {review.outliers.length > 0 && (
                <Link to={`/swatches/charts?text=${encodeURIComponent(stacks)}`}>Lay out a chart of them</Link>
            )}
            <Table>
                <tbody>
                    {review.outliers.map((outlier) => (
                        <tr key={outlier.swatch.id}>
                            <td>
                                <SwatchPair
                                    target={outlier.swatch.colour}
                                    predicted={outlier.predicted}
                                    width="88px"
                                    height="30px"
                                />
                            </td>
                            <td>
                                <CalledOut stack={outlier.swatch.stack} />{' '}
                                <small>{paperName(outlier.swatch.paper)}</small>
                            </td>
                            <td className="number">{outlier.dE00.toFixed(1)}</td>
                            <td>
                                <Button
                                    onPress={() =>
                                        remove.mutate(outlier.swatch.id, {
                                            onSuccess: () =>
                                                notify(
                                                    `Taken out of the book: ${calledOut(outlier.swatch.stack)}`,
                                                    () => restore.mutate(outlier.swatch.id),
                                                ),
                                        })
                                    }
                                >
                                    Take out
                                </Button>
                            </td>
                        </tr>
                    ))}
                </tbody>
            </Table>
        </section>
    );
}

const handWords = (weight: number) =>
    `hand ${Math.round(100 * Math.abs(weight - 1))} % ${weight > 1 ? 'heavier' : 'lighter'}`;

/** Which calibration is looked at, and beside which other. */
const SHOWN = { of: parseAsInteger, against: parseAsInteger };

/** What the swatches have taught the engine, what changed by it, and the way back. */
export function CalibrationPage() {
    const client = useQueryClient();
    const [{ of, against }, choose] = useQueryStates(SHOWN);
    const all = useCalibrations();
    const work = useWork('calibration', () => {
        void choose(null);
        void client.invalidateQueries();
    });
    const put = usePutInForce();
    const shownId = of ?? all.data?.inForce ?? all.data?.calibrations[0]?.id;
    const review = useCalibration(shownId, against ?? undefined);
    if (all.isError) return <Problem message={messageOf(all.error)} retry={() => void all.refetch()} />;
    if (!all.data) return <Loading what="Fetching calibrations" />;
    const { inForce, calibrations, swatches, newer } = all.data;
    const shown = review.data;
    const current = calibrations.find((calibration) => calibration.id === inForce);
    const pencils = [...(shown?.pencils ?? [])].sort((a, b) => b.after - a.after);

    return (
        <Page>
            <title>Calibration – Knotty Prism</title>
            <Row>
                <h1 style={{ flex: 1 }} data-testid="in-force">
                    {current
                        ? `Calibration ${current.number} is in use`
                        : 'Not calibrated yet: predictions rest on the pencils’ own colours'}
                </h1>
                <StrongButton isDisabled={work.open || swatches === 0} onPress={() => work.start.mutate({})}>
                    {swatches === 0
                        ? 'No swatches to calibrate on'
                        : `Calibrate on ${counted(swatches, 'swatch', 'swatches')}`}
                </StrongButton>
                {current && newer > 0 && (
                    <Button isDisabled={work.open} onPress={() => work.start.mutate({ onlyNew: true })}>
                        Take in the {newer} new ones
                    </Button>
                )}
            </Row>
            <p>
                {newer > 0
                    ? `${counted(newer, 'swatch was', 'swatches were')} written since the latest calibration.`
                    : 'No swatch was written since the latest calibration.'}{' '}
                <Link to="/swatches/charts">Which ten would teach most next?</Link>
            </p>
            {work.start.isError && <Problem message={messageOf(work.start.error)} />}
            {work.work && work.open && (
                <WorkProgress work={work.work} onCancel={() => work.work && work.cancel.mutate(work.work.id)} />
            )}
            {work.work?.state === 'failed' && <Problem message={work.work.problem} />}
            {work.work?.state === 'cancelled' && <p role="status">Cancelled; nothing was changed.</p>}
            {calibrations.length === 0 && !work.open && (
                <Empty title="No calibration yet">
                    <p>Swatch your pencils on your paper; then the engine learns from them how you draw.</p>
                    <Link to="/swatches/charts">Lay out a chart</Link>
                </Empty>
            )}
            {calibrations.length > 0 && (
                <>
                    <h2>All calibrations</h2>
                    <Table data-testid="calibrations">
                        <thead>
                            <tr>
                                <th>No.</th>
                                <th>Made</th>
                                <th className="number">Swatches</th>
                                <th className="number">Mean dE00 before</th>
                                <th className="number">after</th>
                                <th />
                            </tr>
                        </thead>
                        <tbody>
                            {calibrations.map((calibration) => (
                                <tr key={calibration.id}>
                                    <td>
                                        <b>{calibration.number}</b>
                                        {calibration.weight !== 1 && (
                                            <>
                                                {' '}
                                                <small>{handWords(calibration.weight)}, from drawings</small>
                                            </>
                                        )}
                                    </td>
                                    <td>{calibration.madeAt.slice(0, 16).replace('T', ' ')}</td>
                                    <td className="number">{calibration.swatches}</td>
                                    <td className="number">{calibration.before.toFixed(2)}</td>
                                    <td className="number">{calibration.after.toFixed(2)}</td>
                                    <td>
                                        {calibration.id === inForce ? (
                                            <strong>in use</strong>
                                        ) : (
                                            <Button
                                                onPress={() =>
                                                    put.mutate(calibration.id, {
                                                        onSuccess: () =>
                                                            notify(`Calibration ${calibration.number} is in use`, () =>
                                                                put.mutate(inForce),
                                                            ),
                                                        onError: (error) => notify(messageOf(error)),
                                                    })
                                                }
                                            >
                                                Go back to {calibration.number}
                                            </Button>
                                        )}
                                    </td>
                                </tr>
                            ))}
                            <tr>
                                <td colSpan={5}>Without swatches: the pencils&rsquo; own colours</td>
                                <td>
                                    {inForce === null ? (
                                        <strong>in use</strong>
                                    ) : (
                                        <Button
                                            onPress={() =>
                                                put.mutate(null, {
                                                    onSuccess: () =>
                                                        notify('Nothing is calibrated now', () => put.mutate(inForce)),
                                                })
                                            }
                                        >
                                            Go back to these
                                        </Button>
                                    )}
                                </td>
                            </tr>
                        </tbody>
                    </Table>
                </>
            )}
            {review.isError && <Problem message={messageOf(review.error)} />}
            {shown && calibrations.length > 0 && (
                <>
                    <Row style={{ marginTop: 20 }}>
                        <Choice
                            label="Look at"
                            value={String(shown.calibration.id)}
                            options={calibrations.map((calibration) => ({
                                id: String(calibration.id),
                                name: `calibration ${calibration.number}`,
                            }))}
                            onChange={(id) => void choose({ of: Number(id), against: null })}
                        />
                        <Choice
                            label="Against"
                            value={String(shown.against?.id ?? '')}
                            options={[
                                { id: '', name: shown.against ? 'the one before' : 'the pencils’ own colours' },
                                ...calibrations
                                    .filter((calibration) => calibration.id !== shown.calibration.id)
                                    .map((calibration) => ({
                                        id: String(calibration.id),
                                        name: `calibration ${calibration.number}`,
                                    })),
                            ]}
                            onChange={(id) =>
                                void choose({ of: shown.calibration.id, against: id === '' ? null : Number(id) })
                            }
                        />
                    </Row>
                    <Recipes review={shown} />
                    <Columns>
                        <section>
                            <h2>
                                Error by pencil{' '}
                                <small>
                                    worst {Math.min(WORST, pencils.length)} of {pencils.length}; in all{' '}
                                    {shown.calibration.before.toFixed(2)} before, {shown.calibration.after.toFixed(2)}{' '}
                                    after
                                </small>
                            </h2>
                            <ErrorPlot
                                rows={pencils.slice(0, WORST).map((row) => ({
                                    name: row.pencil.id,
                                    before: row.before,
                                    after: row.after,
                                    count: row.swatches,
                                }))}
                                label={pencils
                                    .slice(0, WORST)
                                    .map(
                                        (row) =>
                                            `${row.pencil.id}: ${row.before.toFixed(1)} before, ${row.after.toFixed(1)} after`,
                                    )
                                    .join('; ')}
                            />
                        </section>
                        <Outliers review={shown} />
                    </Columns>
                </>
            )}
        </Page>
    );
}
