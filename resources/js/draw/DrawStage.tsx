import { useEffect } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, type PlanStep } from '../api/client';
import { useMarkStep, usePlan, useUndoStep } from '../api/queries';
import { useDesk } from '../desk/DeskContext';
import { Button, StrongButton } from '../ui/Button';
import { notify } from '../ui/Notices';
import { pressureWord } from '../ui/Pressure';
import { Empty, Loading, Problem } from '../ui/States';
import { RestsOnLine } from '../ui/RestsOnLine';
import { Swatch } from '../ui/Swatch';
import { space, target, type, UPRIGHT } from '../ui/theme';
import { useKeys } from '../ui/useKeys';
import { useWakeLock } from './useWakeLock';

const Page = styled.div`
    display: grid;
    grid-template-rows: auto 1fr auto;
    gap: ${space.m};
    min-height: 100%;
    padding: ${space.m} ${space.l} ${space.l};
`;

const Progress = styled.div`
    display: grid;
    gap: ${space.xs};
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

const Now = styled.section`
    display: grid;
    align-content: center;
    gap: ${space.s};
    & h2 {
        font-size: ${type.title};
    }
    & > p {
        font-size: ${type.lead};
        max-width: 46ch;
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
    }
`;

const Looks = styled.dl`
    display: flex;
    & > div {
        flex: 1;
        max-width: 150px;
    }
    & dt {
        font-size: ${type.small};
        text-transform: capitalize;
        color: ${({ theme }) => theme.quiet};
    }
`;

const Actions = styled.div`
    display: grid;
    grid-template-columns: 2fr 1fr 1fr;
    gap: ${space.s};
    /* Under the hand, however far one has scrolled. */
    @media ${UPRIGHT} {
        position: sticky;
        bottom: 0;
        padding-block: ${space.s};
        background: ${({ theme }) => theme.panel};
    }
    & button {
        min-height: ${target.draw};
        font-size: ${type.lead};
    }
    & small {
        opacity: 0.75;
    }
`;

const heading = (step: PlanStep) =>
    step.step?.pencil
        ? step.step.pencil.number
        : step.role === 'reserve'
          ? 'Paper'
          : (step.role[0] ?? '').toUpperCase() + step.role.slice(1);

/** The step at hand, to be read at arm's length. */
export function DrawStage() {
    const { piece, light } = useDesk();
    const plan = usePlan(piece.id);
    const mark = useMarkStep(piece.id);
    const undo = useUndoStep(piece.id);
    useWakeLock();

    const now = plan.data?.steps.find((step) => step.key === plan.data.currentKey) ?? null;
    const zone = now?.zone.id ?? null;
    const target = now?.zone.target ?? null;
    useEffect(() => {
        light(zone !== null && target !== null ? { zone, target } : null);

        return () => light(null);
    }, [zone, target, light]);

    const busy = mark.isPending || undo.isPending;
    const tell = { onError: (error: Error) => notify(messageOf(error)) };
    const set = (state: 'done' | 'skipped') =>
        now && !busy && mark.mutate({ key: now.key, state, was: now.state }, tell);
    const back = () => !busy && undo.mutate(plan.data?.lastMarked ?? undefined, tell);
    useKeys({ done: () => set('done'), skip: () => set('skipped'), undo: back });

    if (plan.isError) return <Problem message={messageOf(plan.error)} retry={() => void plan.refetch()} />;
    if (!plan.data) return <Loading what="Laying out the steps" />;
    const { done, total } = plan.data;
    if (total === 0) {
        return (
            <Empty title="Nothing to draw yet">
                <p>Keep a recipe for at least one zone first.</p>
                <Link to={`/pieces/${piece.id}/match`}>Match a colour</Link>
            </Empty>
        );
    }

    return (
        <Page>
            <h1 className="visually-hidden">Draw</h1>
            <Progress>
                <span>
                    {now ? (
                        <>
                            Step <b>{now.number}</b> of {total}, in turn {now.turn} of {plan.data.turns.length}
                        </>
                    ) : (
                        `All ${total} steps`
                    )}
                    , {done} behind you
                </span>
                <div aria-hidden>
                    <i style={{ width: `${(100 * done) / total}%` }} />
                </div>
            </Progress>
            {now ? (
                <Now aria-live="polite" data-testid="step-now">
                    <h2>{now.zone.name}</h2>
                    <div>
                        {now.step?.pencil && (
                            <span>
                                {now.step.pencil.range} {now.step.pencil.name}, {now.step.pencil.binder}
                                {now.role === 'underlayer' ? ', underlayer' : ''}
                            </span>
                        )}
                        <Number $word={!now.step?.pencil}>{heading(now)}</Number>
                    </div>
                    {now.step?.pencil && (
                        <Force>
                            {now.step.pressurePercent} % {pressureWord(now.step.pressurePercent)}
                            {now.step.passes > 1 ? `, ${now.step.passes} coats` : ''}
                        </Force>
                    )}
                    {now.onlyIf && (
                        <p>
                            <b>Look first.</b> Lay it only if, beside the photo, it is still off: {now.onlyIf}. Else
                            skip it.
                        </p>
                    )}
                    <p>{now.why}</p>
                    <Looks>
                        {(['before', 'after', 'target'] as const).map((which) => (
                            <div key={which}>
                                <dt>
                                    {which}
                                    {which === 'after' && ` ± ${now.sigma.toFixed(1)}`}
                                </dt>
                                <dd>
                                    <Swatch colour={now[which]} label={which} width="100%" height="84px" />
                                </dd>
                            </div>
                        ))}
                    </Looks>
                    <RestsOnLine calibration={plan.data.calibration} />
                </Now>
            ) : (
                <Now data-testid="step-now">
                    <Force>The plan is drawn.</Force>
                    <p>
                        Look at the drawing from across the room, beside the photo and mirrored, before you call it
                        finished.
                    </p>
                </Now>
            )}
            <Actions>
                <StrongButton isDisabled={!now} onPress={() => set('done')}>
                    Done <small>D</small>
                </StrongButton>
                <Button isDisabled={!now} onPress={() => set('skipped')}>
                    Skip <small>S</small>
                </Button>
                <Button isDisabled={done === 0} onPress={back}>
                    Undo <small>U</small>
                </Button>
            </Actions>
        </Page>
    );
}
