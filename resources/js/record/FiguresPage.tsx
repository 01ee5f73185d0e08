import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import styled from 'styled-components';
import { answered, api, messageOf, type Figures } from '../api/client';
import { Columns, Page, Table } from '../ui/Page';
import { Loading, Problem } from '../ui/States';
import { spokenMinutes } from '../ui/words';

/** A length beside its number: the longest is all of it. */
const Bar = styled.i`
    display: block;
    height: 14px;
    background: ${({ theme }) => theme.ink};
`;

const Number = styled.td`
    white-space: nowrap;
`;

const Wide = styled.td`
    width: 40%;
`;

const month = new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric' });
const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });

const useFigures = () => useQuery({ queryKey: ['figures'], queryFn: () => answered(api.GET('/api/figures')) });

/** A hand against its swatches. */
export function handWords(percent: number) {
    if (percent === 100) return 'as the swatches say';

    return percent > 100
        ? `${percent - 100} % heavier than the swatches`
        : `${100 - percent} % lighter than the swatches`;
}

/** What one's work comes to over the months. */
export function FiguresPage() {
    const figures = useFigures();

    return (
        // Nothing in it takes the focus: it does itself, so that keys scroll it.
        <Page tabIndex={0} aria-label="Figures">
            <title>Figures – Knotty Prism</title>
            <h1>Figures</h1>
            {figures.isPending && <Loading what="Counting" />}
            {figures.isError && <Problem message={messageOf(figures.error)} retry={() => void figures.refetch()} />}
            {figures.data && (
                <>
                    <Months months={figures.data.months} />
                    <Columns>
                        <Checks checks={figures.data.checks} />
                        <Pencils pencils={figures.data.pencils} />
                        <Hand hand={figures.data.hand} />
                        <Schools schools={figures.data.schools} />
                    </Columns>
                </>
            )}
        </Page>
    );
}

function Months({ months }: { months: Figures['months'] }) {
    const most = Math.max(1, ...months.map(({ minutes }) => minutes));
    // Before the first there is nothing to be seen; this month is always there.
    const first = months.findIndex(({ turns }) => turns > 0);
    const shown = months.slice(first < 0 ? -1 : first);

    return (
        <section aria-labelledby="months">
            <h2 id="months">At the desk</h2>
            <Table>
                <thead>
                    <tr>
                        <th>Month</th>
                        <th>Time</th>
                        <th>
                            <span className="visually-hidden">As a bar</span>
                        </th>
                        <th>Sittings</th>
                        <th>Turns</th>
                        <th>Pieces</th>
                    </tr>
                </thead>
                <tbody>
                    {shown.map((of) => (
                        <tr key={of.month}>
                            <th scope="row">{month.format(new Date(`${of.month}-15`))}</th>
                            <td>{of.minutes === 0 ? '–' : spokenMinutes(of.minutes)}</td>
                            <Wide>
                                <Bar style={{ width: `${(100 * of.minutes) / most}%` }} aria-hidden />
                            </Wide>
                            <td>{of.sittings || '–'}</td>
                            <td>{of.turns || '–'}</td>
                            <td>{of.pieces || '–'}</td>
                        </tr>
                    ))}
                </tbody>
            </Table>
        </section>
    );
}

function Checks({ checks }: { checks: Figures['checks'] }) {
    return (
        <section aria-labelledby="figures-checks">
            <h2 id="figures-checks">Off in value, first check and last</h2>
            {checks.length === 0 ? (
                <p>No drawing was compared yet. Photograph one in Compare.</p>
            ) : (
                <Table>
                    <tbody>
                        {checks.map(({ piece, title, first, last, count }) => (
                            <tr key={piece}>
                                <th scope="row">
                                    <Link to={`/pieces/${piece}/record`}>{title}</Link>
                                </th>
                                <td>
                                    {count === 1
                                        ? `${first.toFixed(1)} steps`
                                        : `${first.toFixed(1)} to ${last.toFixed(1)} steps in ${count} checks`}
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </Table>
            )}
        </section>
    );
}

function Pencils({ pencils }: { pencils: Figures['pencils'] }) {
    const most = Math.max(1, ...pencils.map(({ usedMm }) => usedMm));

    return (
        <section aria-labelledby="figures-pencils">
            <h2 id="figures-pencils">Pencils used</h2>
            {pencils.length === 0 ? (
                <p>Nothing is drawn yet.</p>
            ) : (
                <Table>
                    <tbody>
                        {pencils.map(({ id, number, name, usedMm, leftMm, isShort }) => (
                            <tr key={id}>
                                <th scope="row">
                                    <Link to={`/pencils/${id}`}>
                                        <b>{number}</b> {name}
                                    </Link>
                                </th>
                                <Number>{usedMm < 1 ? 'under 1 mm' : `${usedMm.toFixed(0)} mm`}</Number>
                                <Wide>
                                    <Bar style={{ width: `${(100 * usedMm) / most}%` }} aria-hidden />
                                </Wide>
                                <td>
                                    {isShort && '! '}
                                    {leftMm === null ? '' : `${leftMm.toFixed(0)} mm left`}
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </Table>
            )}
        </section>
    );
}

function Hand({ hand }: { hand: Figures['hand'] }) {
    return (
        <section aria-labelledby="hand">
            <h2 id="hand">Your hand, by calibrations</h2>
            {hand.length === 0 ? (
                <p>Not calibrated yet.</p>
            ) : (
                <Table>
                    <tbody>
                        {hand.map(({ at, percent }) => (
                            <tr key={at}>
                                <th scope="row">{day.format(new Date(at))}</th>
                                <td>{handWords(percent)}</td>
                            </tr>
                        ))}
                    </tbody>
                </Table>
            )}
        </section>
    );
}

function Schools({ schools }: { schools: Figures['schools'] }) {
    return (
        <section aria-labelledby="schools">
            <h2 id="schools">Ways of working</h2>
            <Table>
                <tbody>
                    {schools.map(({ question, answer, pieces }) => (
                        <tr key={question}>
                            <th scope="row">{question}</th>
                            <td>{answer}</td>
                            <td>
                                {pieces} {pieces === 1 ? 'piece' : 'pieces'}
                            </td>
                        </tr>
                    ))}
                </tbody>
            </Table>
        </section>
    );
}
