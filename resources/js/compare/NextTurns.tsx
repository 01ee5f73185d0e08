import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, type Review } from '../api/client';
import { useCorrect } from '../api/kept';
import { useDeskPiece, useHands } from '../desk/DeskContext';
import { Button, StrongButton } from '../ui/Button';
import { notify } from '../ui/Notices';
import { StepsOnTop } from '../ui/RecipeBuild';
import { Swatch } from '../ui/Swatch';
import { space, type } from '../ui/theme';
import { counted } from '../ui/words';
import { Sign } from '../ui/Sign';

const Head = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: ${space.s} ${space.m};
`;

const List = styled.ol`
    display: grid;
    & > li {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 168px;
        gap: ${space.s} ${space.m};
        align-items: start;
        padding: ${space.m} 0;
        border-top: 1px solid ${({ theme }) => theme.line};
    }
    & h4 button {
        padding: 0;
        border: 0;
        background: none;
        font: inherit;
        font-weight: 640;
        cursor: pointer;
        text-align: start;
        min-height: 24px;
    }
    & p {
        margin-top: ${space.xs};
    }
`;

const Looks = styled.div`
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    & small {
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
    & + div {
        margin-top: ${space.s};
    }
`;

const NAMES = { before: 'now', after: 'then', wanted: 'wanted' } as const;
const WHICH = ['before', 'after', 'wanted'] as const;

const named = (which: (typeof WHICH)[number], { isSeen }: { isSeen: boolean }) =>
    which === 'before' && !isSeen ? 'likely' : NAMES[which];

const takes = (seen: number, open: number) =>
    seen < open
        ? `Take the ${seen} that ${seen === 1 ? 'is' : 'are'} seen into Draw`
        : seen === 1
          ? 'Take it into Draw'
          : `Take all ${seen} into Draw`;

/** What to lay next where the drawing is off: taken over into Draw one by one, or all at once. */
export function NextTurns({ review }: { review: Review }) {
    const piece = useDeskPiece();
    const { selectZone } = useHands();
    const correct = useCorrect(piece.id);
    const { corrections, goneOn } = review;
    const open = corrections.filter(({ isTaken }) => !isTaken);
    // What nobody saw is taken one by one, by who has looked.
    const seen = open.filter(({ isSeen }) => isSeen);
    const take = (targets: string[]) =>
        correct(review.photo, targets, {
            onError: (error) => notify(messageOf(error)),
        });

    if (corrections.length === 0) return null;
    if (goneOn && open.length === corrections.length)
        return <p>You have drawn on since this photo. Photograph the drawing again to see what to lay next.</p>;

    return (
        <section aria-labelledby="next-turns" data-testid="next-turns">
            <Head>
                <h3 id="next-turns">What to lay next</h3>
                {seen.length === 0 && open.length < corrections.length ? (
                    <Link to={`/pieces/${piece.id}/draw`}>Taken over; draw on</Link>
                ) : (
                    !goneOn &&
                    seen.length > 0 && (
                        <StrongButton onPress={() => take(seen.map(({ target }) => target))}>
                            {takes(seen.length, open.length)}
                        </StrongButton>
                    )
                )}
            </Head>
            <p>
                From what the log says lies there and what the photo shows, within the tooth that is left;{' '}
                {counted(corrections.length, 'place')}.
            </p>
            <List>
                {corrections.map((next) => (
                    <li key={next.target}>
                        <div>
                            <h4>
                                <button type="button" onClick={() => selectZone(next.zone, next.target)}>
                                    {next.name}
                                </button>
                            </h4>
                            <StepsOnTop steps={next.steps} />
                            <p>{next.sentence}</p>
                        </div>
                        <div>
                            <Looks>
                                {WHICH.map((which) => (
                                    <div key={which}>
                                        <small>{named(which, next)}</small>
                                        <Swatch
                                            colour={next[which]}
                                            label={`${next.name}, ${named(which, next)}`}
                                            width="56px"
                                            height="56px"
                                        />
                                    </div>
                                ))}
                            </Looks>
                            <div>
                                {next.isTaken ? (
                                    <span>
                                        <Sign of="done" /> Taken over
                                    </span>
                                ) : (
                                    !goneOn && (
                                        <Button
                                            aria-label={`Take what is next in ${next.name}`}
                                            onPress={() => take([next.target])}
                                        >
                                            Take it
                                        </Button>
                                    )
                                )}
                            </div>
                        </div>
                    </li>
                ))}
            </List>
        </section>
    );
}
