import { memo } from 'react';
import styled from 'styled-components';
import type { Piece, Turn } from '../api/client';
import { Sign } from '../ui/Sign';
import { Swatch } from '../ui/Swatch';
import { pressureWord } from '../ui/Pressure';
import { space, type } from '../ui/theme';
import { placeWords, ROLES, STAGES } from '../ui/turns';
import { spokenMinutes } from '../ui/words';

const Turns = styled.ol`
    & > li {
        display: grid;
        grid-template-columns: 34px 10px 78px minmax(0, 1fr);
        gap: 0 ${space.s};
        align-items: start;
        padding: ${space.s} 0;
        border-top: 1px solid ${({ theme }) => theme.line};
    }
    & > li[data-state='skipped'] b {
        text-decoration: line-through;
    }
    & > li > i {
        align-self: stretch;
        min-height: 40px;
    }
    & b {
        font-size: ${type.title};
        line-height: 1.1;
        font-variant-numeric: tabular-nums;
    }
    & > li[data-word] b {
        font-size: ${type.lead};
    }
    & small {
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
`;

const Stage = styled.h3`
    padding-top: ${space.m};
    font-size: ${type.lead};
    & small {
        font-weight: 400;
        color: ${({ theme }) => theme.quiet};
    }
`;

const Places = styled.ul`
    display: grid;
    gap: 2px;
    & > li {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 56px;
        gap: ${space.s};
        align-items: center;
    }
    & button {
        padding: 0;
        border: 0;
        background: none;
        font-weight: 600;
        text-align: start;
        cursor: pointer;
    }
`;

/** The number of a turn: pressed, the picture shows where it goes. */
const Where = styled.button`
    min-height: 32px;
    padding: 0;
    border: 1px solid ${({ theme }) => theme.line};
    background: none;
    font-variant-numeric: tabular-nums;
    cursor: pointer;
    &[aria-pressed='true'] {
        border-color: ${({ theme }) => theme.strong};
        background: ${({ theme }) => theme.strong};
        color: ${({ theme }) => theme.onStrong};
    }
`;

const DONE = (
    <>
        {' '}
        <Sign of="done" />
        <span className="visually-hidden">done</span>
    </>
);

type Choose = (zone: string, target: string) => void;
type Show = (turn: number | null) => void;

interface RowProps {
    turn: Turn;
    /** Of zones, as in the list below the picture. */
    numbers: Map<string, number>;
    begins: boolean;
    /** Whether the picture shows where it goes. */
    shown: boolean;
    onShow: Show;
    onChoose: Choose;
}

function TurnRow({ turn, numbers, begins, shown, onShow, onChoose }: RowProps) {
    const pencil = turn.step?.pencil;

    return (
        <li data-state={turn.state} data-testid="turn" data-word={pencil ? undefined : ''}>
            <Where
                type="button"
                aria-pressed={shown}
                aria-label={`Show where turn ${turn.number} goes`}
                onClick={() => onShow(shown ? null : turn.number)}
            >
                {turn.number}
            </Where>
            <i style={{ background: pencil?.hex }} aria-hidden />
            <div>
                <b>
                    {pencil?.number ?? ROLES[turn.role]}
                    {turn.state === 'done' && DONE}
                </b>
                {turn.step?.pencil && (
                    <small>
                        <br />
                        {turn.step.pressurePercent} % {pressureWord(turn.step.pressurePercent)}
                        {turn.round > 1 && (
                            <>
                                <br />
                                round {turn.round}
                            </>
                        )}
                    </small>
                )}
            </div>
            <div>
                <Places>
                    {turn.places.map((place) => (
                        <li key={place.keys.join()} data-state={place.state}>
                            <span>
                                <button type="button" onClick={() => onChoose(place.zone, place.target)}>
                                    {numbers.get(place.zone)} {place.name}
                                    {place.state === 'done' && DONE}
                                </button>
                                {placeWords(place) === '' ? '' : `: ${placeWords(place)}`}
                                {place.coats > 1 && `, ${place.coats} coats`}
                                {place.onlyIf && (
                                    <small>
                                        <br />
                                        Look first: only if it is still off ({place.onlyIf})
                                    </small>
                                )}
                            </span>
                            <Swatch
                                colour={place.after}
                                label={`${place.name}, ${place.part}, after`}
                                width="56px"
                                height="26px"
                            />
                        </li>
                    ))}
                </Places>
                <small>
                    {begins && <strong>Session {turn.session}. </strong>}
                    {turn.step?.pencil ? '' : `${turn.why} `}
                    {turn.because[0] ? `Now, since ${turn.because[0]}.` : ''}
                </small>
            </div>
        </li>
    );
}

interface Props {
    turns: Turn[];
    zones: Piece['zones'];
    sessions: number;
    /** The turn of which the picture shows where it goes. */
    shown: number | null;
    onShow: Show;
    onChoose: Choose;
}

/** Turns that follow one another in one stage of the work. */
function inStages(turns: Turn[]): Turn[][] {
    const runs: Turn[][] = [];
    for (const turn of turns) {
        const last = runs.at(-1);
        if (last?.[0]?.stage === turn.stage) last.push(turn);
        else runs.push([turn]);
    }

    return runs;
}

/** Every turn in order, grouped by stage: the pencil, and all the places it goes to while it is in the hand. */
export const TurnList = memo(function TurnList({ turns, zones, sessions, shown, onShow, onChoose }: Props) {
    const numbers = new Map(zones.map(({ id }, index) => [id, index + 1]));

    return (
        <>
            {inStages(turns).map((run) => (
                <section key={run[0]?.number}>
                    <Stage>
                        {STAGES[run[0]?.stage ?? 'build']}{' '}
                        <small>{spokenMinutes(run.reduce((sum, turn) => sum + turn.minutes, 0))}</small>
                    </Stage>
                    <Turns start={run[0]?.number}>
                        {run.map((turn) => (
                            <TurnRow
                                key={turn.number}
                                turn={turn}
                                numbers={numbers}
                                begins={sessions > 1 && turn.session !== turns[turn.number - 2]?.session}
                                shown={turn.number === shown}
                                onShow={onShow}
                                onChoose={onChoose}
                            />
                        ))}
                    </Turns>
                </section>
            ))}
        </>
    );
});
