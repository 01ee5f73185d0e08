import styled from 'styled-components';
import type { Turn } from '../api/client';
import { pressureWord } from '../ui/Pressure';
import { space, type } from '../ui/theme';
import { ROLES } from '../ui/turns';

const Now = styled.section`
    display: grid;
    gap: ${space.s};
    & > p {
        font-size: ${type.lead};
        max-width: 46ch;
    }
    & small {
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
`;

/** Pressure beside the number where there is room, as on a tablet held upright; else below it. */
const InHand = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: stretch;
    gap: ${space.s} ${space.m};
    & > i {
        flex: none;
        width: 72px;
    }
`;

const Number = styled.p<{ $word: boolean }>`
    && {
        /* Words have tails below the line; numbers have none. */
        font-size: ${({ $word }) => ($word ? type.word : type.huge)};
        font-weight: 720;
        line-height: ${({ $word }) => ($word ? 1.25 : 0.95)};
        letter-spacing: -0.03em;
        max-width: none;
    }
`;

const Force = styled.p`
    && {
        font-size: ${type.far};
        font-weight: 560;
        line-height: 1.15;
        align-self: center;
    }
`;

/** Coats of the turn, where it is laid in all its places alike. */
function coatsOf({ places }: Turn): string {
    const coats = [...new Set(places.map((place) => place.coats))];

    return coats.length === 1 && (coats[0] ?? 1) > 1 ? `, ${coats[0]} coats` : '';
}

/** What is in the hand now, to be read from a metre away: number, pressure, point. */
export function TurnNow({ turn }: { turn: Turn }) {
    const pencil = turn.step?.pencil ?? null;
    const [because] = turn.because;

    return (
        <Now aria-live="polite" data-testid="turn-now">
            {pencil && (
                <small>
                    {pencil.range} {pencil.name}, {pencil.binder}
                    {turn.round > 1 ? `, round ${turn.round}` : ''}
                </small>
            )}
            <InHand>
                {pencil && <i style={{ background: pencil.hex }} aria-hidden />}
                <Number $word={!pencil}>{pencil?.number ?? ROLES[turn.role]}</Number>
                {turn.step && pencil && (
                    <Force>
                        {turn.step.pressurePercent} % {pressureWord(turn.step.pressurePercent)}
                        {coatsOf(turn)}
                    </Force>
                )}
            </InHand>
            {turn.point && (
                <p data-testid="point">
                    {[`${turn.point[0]?.toUpperCase()}${turn.point.slice(1)}.`, ...turn.reminders].join(' ')}
                </p>
            )}
            <p>
                {!turn.point && turn.reminders.length > 0 ? `${turn.reminders.join(' ')} ` : ''}
                {turn.why} {because ? `Now, since ${because}.` : ''}
            </p>
        </Now>
    );
}
