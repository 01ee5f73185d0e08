import type { CSSProperties } from 'react';
import { useParams } from 'react-router';
import styled from 'styled-components';
import { messageOf, type Shared } from '../api/client';
import { Button } from '../ui/Button';
import { Page, Row, Table } from '../ui/Page';
import { PencilShares } from '../ui/PencilShares';
import { pressureText } from '../ui/Pressure';
import { Loading, Missing } from '../ui/States';
import { ROLES, STAGES } from '../ui/turns';
import { space, type } from '../ui/theme';
import { counted, spokenMinutes } from '../ui/words';
import { useShared } from './shareQueries';

const Sheet = styled(Page)`
    height: 100vh;
    & > * {
        max-width: 1180px;
        margin-inline: auto;
    }
    & figure {
        display: grid;
        gap: ${space.xs};
        margin: 0;
        font-size: ${type.small};
    }
    & img {
        display: block;
        width: 100%;
        aspect-ratio: var(--shape);
        background: ${({ theme }) => theme.surround};
    }
    @media print {
        height: auto;
        overflow: visible;
        padding: 0;
        background: #fff;
        color: #000;
        & tr,
        & figure {
            break-inside: avoid;
        }
        & button {
            display: none;
        }
    }
`;

const Pictures = styled.div`
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(340px, 100%), 1fr));
    gap: ${space.l};
    margin-top: ${space.m};
`;

const Chip = styled.i`
    display: inline-block;
    width: 14px;
    height: 24px;
    border: 1px solid ${({ theme }) => theme.line};
    print-color-adjust: exact;
`;

const Turns = styled(Table)`
    & td {
        vertical-align: top;
    }
    & b {
        font-size: ${type.lead};
        font-variant-numeric: tabular-nums;
    }
    & small {
        display: block;
    }
    & td:nth-child(2) {
        min-width: 230px;
    }
`;

const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
const INCH_MM = 25.4;

const sizeOf = ({ widthMm, heightMm, unit }: Shared) =>
    unit === 'in'
        ? `${(widthMm / INCH_MM).toFixed(1)} × ${(heightMm / INCH_MM).toFixed(1)} in`
        : `${Math.round(widthMm)} × ${Math.round(heightMm)} mm`;

/** A plan or a record, as somebody without a studio here sees it by a link. */
export function SharedPage() {
    const { token = '' } = useParams();
    const shared = useShared(token);
    if (shared.isError) return <Missing title="This link leads nowhere">{messageOf(shared.error)}</Missing>;
    if (!shared.data) return <Loading what="Opening what was shared" />;
    const { title, paper, until, withPhoto, plan, record } = shared.data;
    const picture = (what: string) => `/api/shared/${token}/${what}`;

    return (
        <Sheet tabIndex={0} aria-label={title}>
            <title>{`${title} – Knotty Prism`}</title>
            <Row style={{ justifyContent: 'space-between' }}>
                <h1>{title}</h1>
                <Button onPress={() => window.print()}>Print</Button>
            </Row>
            <p>
                Coloured pencil on {paper}, {sizeOf(shared.data)}.{' '}
                {plan &&
                    `${counted(plan.pencils.length, 'pencil')}, ${counted(plan.turns.length, 'turn')}, about ${spokenMinutes(plan.minutes)}.`}
                {record &&
                    record.turns > 0 &&
                    `${spokenMinutes(record.minutes)} in ${counted(record.sittings, 'sitting')}, ${counted(record.turns, 'turn')}.`}{' '}
                <small>This link holds until {day.format(new Date(until))}.</small>
            </p>
            {/* A picture that is still to come keeps its place. */}
            <Pictures style={{ '--shape': shared.data.widthMm / shared.data.heightMm } as CSSProperties}>
                {withPhoto && (
                    <figure>
                        <img src={picture('photo')} alt={`What ${title} is drawn from`} />
                        <figcaption>The reference</figcaption>
                    </figure>
                )}
                {plan && (
                    <figure>
                        <img src={picture('preview')} alt={`${title} as it is planned`} />
                        <figcaption>The drawing to be, as it is computed</figcaption>
                    </figure>
                )}
                {record?.checks.map(({ photo, at, words }) => (
                    <figure key={photo}>
                        <img src={picture(`checks/${photo}`)} alt={`The drawing on ${day.format(new Date(at))}`} />
                        <figcaption>
                            {day.format(new Date(at))}: {words}
                        </figcaption>
                    </figure>
                ))}
            </Pictures>
            {shared.data.kind === 'plan' && plan === null && <p>Nothing is planned yet.</p>}
            {record && <p data-testid="caption">{record.caption}</p>}
            <PencilShares pencils={(plan ?? record)?.pencils ?? []} />
            {plan && <Order turns={plan.turns} />}
        </Sheet>
    );
}

function Order({ turns }: Pick<NonNullable<Shared['plan']>, 'turns'>) {
    return (
        <section aria-labelledby="order">
            <h2 id="order">In this order</h2>
            <Turns>
                <thead>
                    <tr>
                        <th>Turn</th>
                        <th>Take</th>
                        <th>Where</th>
                    </tr>
                </thead>
                <tbody>
                    {turns.map(({ number, stage, role, pencil, pressurePercent, places, why }) => (
                        <tr key={number} data-testid="turn">
                            <td>
                                {number}
                                <small>{STAGES[stage]}</small>
                            </td>
                            <td>
                                {pencil ? (
                                    <>
                                        <Chip style={{ background: pencil.hex ?? undefined }} aria-hidden />{' '}
                                        <b>{pencil.number}</b> {pencil.name}
                                    </>
                                ) : (
                                    ROLES[role]
                                )}
                                <small>{pressurePercent !== null && pressureText(pressurePercent, 1)}</small>
                            </td>
                            <td>
                                {places
                                    .map(
                                        ({ name, part, coats }) =>
                                            `${name}${part === 'all' ? '' : `, ${part}`}${coats > 1 ? `, ${coats} coats` : ''}`,
                                    )
                                    .join('; ')}
                                <small>{why}</small>
                            </td>
                        </tr>
                    ))}
                </tbody>
            </Turns>
        </section>
    );
}
