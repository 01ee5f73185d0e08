import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, type Turn } from '../api/client';
import { usePlan } from '../api/queries';
import { useDeskPiece, useHands } from '../desk/DeskContext';
import { useZoom } from '../desk/zoom';
import { Button, StrongButton } from '../ui/Button';
import { pressureWord } from '../ui/Pressure';
import { RestsOnLine } from '../ui/RestsOnLine';
import { Empty, Loading, Problem } from '../ui/States';
import { space, target, type } from '../ui/theme';
import { ROLES, STAGES } from '../ui/turns';
import { useKeys } from '../ui/useKeys';
import { counted } from '../ui/words';
import { Diary } from './Diary';
import { Drying } from './Drying';
import { LastCheck } from './LastCheck';
import { Otherwise } from './Otherwise';
import { PlaceList } from './PlaceList';
import { ReplanCards } from './ReplanCards';
import { SessionClock } from './SessionClock';
import { StepBack } from './StepBack';
import { TurnNow } from './TurnNow';
import { TurnSheet, useTurnedSheet } from './TurnSheet';
import { litBy, paperBy } from './lit';
import { useKeptState } from '../ui/useKeptState';
import { usePresses } from './usePresses';
import { useWakeLock } from './useWakeLock';

const Page = styled.div`
    /* A pencil is in the hand, and a little finger presses. */
    --least: 48px;
    display: grid;
    align-content: start;
    gap: ${space.m};
    padding: ${space.m} ${space.l} 0;
    min-height: 100%;
`;

const Progress = styled.div`
    display: grid;
    gap: ${space.xs};
    & > header {
        display: flex;
        flex-wrap: wrap;
        align-items: center;
        gap: 0 ${space.m};
        /* What is said may take two lines beside the button; nothing below moves for it. */
        & > span {
            flex: 1 1 24ch;
        }
    }
    & > div {
        height: 6px;
        background: ${({ theme }) => theme.line};
    }
    & > div > i {
        display: block;
        height: 100%;
        background: ${({ theme }) => theme.ink};
    }
`;

const Next = styled.p`
    color: ${({ theme }) => theme.quiet};
    font-variant-numeric: tabular-nums;
`;

const Done = styled.section`
    display: grid;
    gap: ${space.s};
    & > p:first-child {
        font-size: ${type.far};
        font-weight: 560;
    }
`;

/** Under the hand, however far one has scrolled. */
const Actions = styled.div`
    position: sticky;
    z-index: 3;
    bottom: 0;
    display: grid;
    grid-template-columns: 2fr repeat(3, 1fr);
    gap: ${space.s};
    padding-block: ${space.s};
    background: ${({ theme }) => theme.panel};
    --least: ${target.draw};
    & button {
        min-height: ${target.draw};
        font-size: ${type.lead};
    }
    & small {
        opacity: 0.75;
    }
`;

type Place = Turn['places'][number];

/** The next turn in short. */
function shortly({ step, role, places }: Turn): string {
    const what = step?.pencil
        ? `${step.pencil.number}, ${step.pressurePercent} % ${pressureWord(step.pressurePercent)}`
        : ROLES[role];

    return `${what}, ${counted(places.length, 'place')}`;
}

/** So near that the place fills about half of the picture. */
const nearTo = (share: number) => Math.min(8, Math.max(1, 0.7 / Math.sqrt(Math.max(share, 0.002))));

/** One pencil in the hand, with all the places it goes to: ticked one by one or all at once. */
export function DrawStage() {
    const piece = useDeskPiece();
    const { light } = useHands();
    const zoom = useZoom();
    const plan = usePlan(piece.id);
    const { wet, dry, put, decide, write, photograph, undo, redo, canRedo } = usePresses(piece.id, plan.data);
    const [seen, setSeen] = useKeptState<number>(`prism.stepped-back.${piece.id}`, 0);
    const [shown, setShown] = useState<string | null>(null);
    useWakeLock();

    const turn = plan.data?.turns.find(({ state }) => state === 'open') ?? null;
    const before = turn ? plan.data?.turns[turn.number - 2] : undefined;
    const next = turn ? plan.data?.turns[turn.number] : undefined;
    const open = useMemo(() => turn?.places.filter(({ state }) => state === 'open') ?? [], [turn]);
    const lit = open.find(({ keys }) => keys[0] === shown) ?? null;
    const { turnedBy, naturally, setTurned } = useTurnedSheet(lit ?? open[0]);
    useEffect(() => {
        const places = lit ? [lit] : open;
        light(
            places.length === 0 ? null : { ...litBy(places), paper: paperBy(places, plan.data?.turns ?? []), turnedBy },
        );

        return () => light(null);
    }, [lit, open, plan.data?.turns, turnedBy, light]);
    const numbers = useMemo(() => new Map(piece.zones.map(({ id }, index) => [id, index + 1])), [piece.zones]);

    const finish = (state: 'done' | 'skipped') => {
        if (!turn || open.length === 0) return;
        put(turn, open, state, 'open');
        setShown(null);
        zoom.fit();
    };
    const look = (place: Place) => {
        const zone = piece.zones.find(({ id }) => id === place.zone);
        const again = shown === place.keys[0];
        setShown(again ? null : (place.keys[0] ?? null));
        if (again || !zone) zoom.fit();
        else zoom.showAt(zone.x, zone.y, nearTo(zone.share));
    };
    useKeys({ done: () => finish('done'), skip: () => finish('skipped'), undo, redo });

    if (plan.isError && !plan.data)
        return <Problem message={messageOf(plan.error)} retry={() => void plan.refetch()} />;
    if (!plan.data) return <Loading what="Laying out the turns" />;
    const { turns, lastMarked, total } = plan.data;
    if (total === 0) {
        return (
            <Empty title="Nothing to draw yet" level={1}>
                <p>Keep a recipe for at least one zone first.</p>
                <Link to={`/pieces/${piece.id}/match`}>Match a colour</Link>
            </Empty>
        );
    }
    const behind = turns.filter(({ state }) => state !== 'open').length;
    const stepsBack = turn && before?.endsRound && before.state !== 'open' && seen < turn.number;
    const coats = new Set(turn?.places.map((place) => place.coats));

    return (
        <Page>
            <h1 className="visually-hidden">Draw</h1>
            <Progress>
                <header>
                    <span data-testid="turn-of">
                        {turn ? (
                            <>
                                Turn <b>{turn.number}</b> of {turns.length}: {STAGES[turn.stage].toLowerCase()}
                            </>
                        ) : (
                            `All ${turns.length} turns`
                        )}
                        , {behind} behind you
                    </span>
                    <SessionClock
                        piece={piece.id}
                        minutes={piece.planning.sessionMinutes}
                        cautions={plan.data.cautions}
                    />
                </header>
                <div aria-hidden>
                    <i style={{ width: `${(100 * behind) / turns.length}%` }} />
                </div>
            </Progress>
            <Drying wet={wet} onDry={dry} />
            <ReplanCards piece={piece.id} onDecide={decide} />
            {stepsBack && <StepBack ahead={STAGES[turn.stage]} onSeen={() => setSeen(turn.number)} />}
            {turn ? (
                <>
                    <TurnNow turn={turn} />
                    {naturally !== null && <TurnSheet by={naturally} isTurned={turnedBy !== 0} onChange={setTurned} />}
                    <PlaceList
                        places={turn.places}
                        numbers={numbers}
                        saysCoats={coats.size > 1}
                        onMark={(place, done) => put(turn, [place], done ? 'done' : 'open', undefined)}
                        onLook={look}
                    />
                    <Otherwise
                        plan={plan.data}
                        turn={turn}
                        open={open}
                        onHappened={({ turn: of, places, otherwise }) => put(of, places, 'done', undefined, otherwise)}
                    />
                    {next && <Next>Next: {shortly(next)}</Next>}
                </>
            ) : (
                <Done data-testid="turn-now">
                    <p>The plan is drawn.</p>
                    <p>
                        Look at the drawing from across the room, beside the photo and mirrored, before you call it
                        finished.
                    </p>
                </Done>
            )}
            <LastCheck piece={piece.id} />
            <Diary
                piece={piece.id}
                plan={plan.data}
                turn={turn?.number ?? null}
                zone={lit?.name ?? null}
                onWrite={write}
                onPhotograph={photograph}
            />
            <RestsOnLine calibration={plan.data.calibration} />
            <Actions>
                <StrongButton isDisabled={!turn} onPress={() => finish('done')}>
                    {open.length > 1 ? `Done in all ${open.length}` : 'Done'} <small>D</small>
                </StrongButton>
                <Button isDisabled={!turn} onPress={() => finish('skipped')}>
                    Skip <small>S</small>
                </Button>
                <Button isDisabled={lastMarked === null} onPress={undo}>
                    Undo <small>U</small>
                </Button>
                <Button isDisabled={!canRedo} onPress={redo}>
                    Redo
                </Button>
            </Actions>
        </Page>
    );
}
