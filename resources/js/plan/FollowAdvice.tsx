import styled from 'styled-components';
import { messageOf, type Plan } from '../api/client';
import { useDeskPiece } from '../desk/DeskContext';
import { Button, StrongButton } from '../ui/Button';
import { CalledOut } from '../ui/CalledOut';
import { notify } from '../ui/Notices';
import { Swatch } from '../ui/Swatch';
import { space, type } from '../ui/theme';
import { useAdvice, useApplyAdvice, useTakeAdviceBack, type AdviceWanted } from './planQueries';

const Shown = styled.div`
    display: grid;
    gap: ${space.s};
    padding: ${space.s} 0;
    & dl {
        display: flex;
        flex-wrap: wrap;
        gap: ${space.s};
    }
    & dt {
        font-size: ${type.small};
    }
    & dd {
        display: flex;
    }
    & > div {
        display: flex;
        gap: ${space.s};
    }
`;

/** An advice that can be followed by a press: first what it comes to, with the colours before and after, then the press. */
export function FollowAdvice({ wanted, name }: { wanted: AdviceWanted; name: string }) {
    const piece = useDeskPiece();
    const seen = useAdvice(piece.id);
    const apply = useApplyAdvice(piece.id);
    const back = useTakeAdviceBack(piece.id);
    const failed = { onError: (error: Error) => notify(messageOf(error)) };
    const follow = () =>
        apply.mutate(wanted, {
            ...failed,
            onSuccess: ({ advised }) => {
                const last = advised.at(-1);
                seen.reset();
                notify('It is in the plan now', last && (() => back.mutate(last.id, failed)));
            },
        });

    if (!seen.data) {
        return (
            <Button
                aria-label={`Show what it takes: ${name}`}
                isDisabled={seen.isPending}
                onPress={() => seen.mutate(wanted, failed)}
            >
                {seen.isPending ? 'Trying…' : 'Show what it takes'}
            </Button>
        );
    }
    const { step, turn, crisp, colours } = seen.data;

    return (
        <Shown role="group" aria-label={`What it takes: ${name}`}>
            {step ? (
                <p>
                    <CalledOut stack={step.notation} />
                    {turn !== null && `, in turn ${turn}`}.
                </p>
            ) : (
                <p>{crisp ? 'The edge becomes sharp' : 'The edge becomes soft'}; the drawing shows it.</p>
            )}
            {colours.length > 0 && (
                <dl>
                    {colours.map(({ target, name: colour, before, after }) => (
                        <div key={target}>
                            <dt>{colour}</dt>
                            <dd>
                                <Swatch colour={before} label={`${colour}, now`} width="44px" height="32px" />
                                <Swatch colour={after} label={`${colour}, then`} width="44px" height="32px" />
                            </dd>
                        </div>
                    ))}
                </dl>
            )}
            <div>
                <StrongButton isDisabled={apply.isPending} onPress={follow}>
                    Put it in the plan
                </StrongButton>
                <Button onPress={() => seen.reset()}>Leave it</Button>
            </div>
        </Shown>
    );
}

const List = styled.section`
    & h2 {
        font-size: ${type.title};
    }
    & li {
        display: flex;
        justify-content: space-between;
        gap: ${space.s};
        align-items: center;
        padding: ${space.xs} 0;
        border-top: 1px solid ${({ theme }) => theme.line};
    }
`;

/** What was followed, each to be taken back. */
export function Followed({ plan }: { plan: Plan }) {
    const piece = useDeskPiece();
    const back = useTakeAdviceBack(piece.id);
    if (plan.advised.length === 0) return null;

    return (
        <List aria-labelledby="followed">
            <h2 id="followed">In the plan</h2>
            <ul data-testid="followed">
                {plan.advised.map(({ id, zone, sentence, layer }) => {
                    const at = piece.zones.findIndex((one) => one.id === zone);

                    return (
                        <li key={id}>
                            <span>
                                {sentence}{' '}
                                {layer !== null && (
                                    <>
                                        <CalledOut stack={layer} />
                                        {at >= 0 && `, on ${at + 1}`}.
                                    </>
                                )}
                            </span>
                            <Button
                                isDisabled={back.isPending}
                                aria-label={`Take back: ${sentence}`}
                                onPress={() => back.mutate(id, { onError: (error: Error) => notify(messageOf(error)) })}
                            >
                                Take back
                            </Button>
                        </li>
                    );
                })}
            </ul>
        </List>
    );
}
