import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import { messageOf } from '../api/client';
import { usePapers, useUsualPaper } from '../api/queries';
import { useAddChart } from '../swatches/swatchQueries';
import { buttonLook, StrongButton } from '../ui/Button';
import { Problem } from '../ui/States';
import { space, type } from '../ui/theme';
import { nextOf, saidOf, STEPS, useRoad, type StepId } from './wayIn';
import { Sign } from '../ui/Sign';

const Aside = styled.aside`
    display: grid;
    align-content: start;
    gap: ${space.l};
    padding: ${space.l};
    background: ${({ theme }) => theme.panel};
    & ol {
        display: grid;
        gap: ${space.m};
    }
    & li {
        display: grid;
        grid-template-columns: 28px minmax(0, 1fr);
        gap: 0 ${space.s};
        & > b {
            font-size: ${type.lead};
        }
        & > small {
            grid-column: 2;
            font-size: ${type.body};
            color: ${({ theme }) => theme.quiet};
        }
    }
    & li[aria-current] a {
        font-weight: 700;
    }
    & h2 {
        margin: 0 0 ${space.xs};
        font-size: ${type.lead};
    }
`;

const NextStep = styled.section`
    display: grid;
    gap: ${space.s};
    padding-top: ${space.l};
    border-top: 1px solid ${({ theme }) => theme.line};
    & > a,
    & > button {
        justify-self: start;
    }
`;

const Go = styled(Link)`
    ${buttonLook}
`;

const NAMES: Record<StepId, string> = { pencils: 'Pencils', paper: 'Paper', photo: 'Photo' };

/** What is done on the way into the studio, and what the next step would bring. */
export function Road({ at }: { at: StepId | null }) {
    const known = useRoad();
    const usual = useUsualPaper();
    const papers = usePapers();
    // A card gives colours: on a toned paper that would show through them.
    const white = papers.data?.filter(({ toned }) => !toned) ?? [];
    const on = (white.find(({ id }) => id === usual) ?? white[0])?.id ?? '';
    const card = useAddChart();
    const navigate = useNavigate();
    if (!known) return <Aside aria-label="Your way in" />;
    const next = nextOf(known);

    return (
        <Aside aria-label="Your way in" data-testid="road">
            <ol>
                {STEPS.map(({ id }) => {
                    const said = saidOf(id, known);

                    return (
                        <li key={id} {...(id === at && { 'aria-current': 'step' as const })}>
                            <b aria-hidden>
                                <Sign of={said === null ? 'open' : 'done'} />
                            </b>
                            <Link to={`/begin/${id}`}>{NAMES[id]}</Link>
                            <small>{said ?? 'not yet'}</small>
                        </li>
                    );
                })}
            </ol>
            <NextStep aria-label="Next">
                <h2>Next: {next.what}</h2>
                <p>{next.brings}</p>
                {'card' in next.to && (
                    <StrongButton
                        isDisabled={card.isPending || on === ''}
                        onPress={() =>
                            'card' in next.to &&
                            card.mutate(
                                { kind: 'card', paper: on, page: 'a4', pencils: next.to.card },
                                { onSuccess: (chart) => void navigate(`/swatches/charts/${chart.id}`) },
                            )
                        }
                    >
                        Make the card
                    </StrongButton>
                )}
                {'step' in next.to && next.to.step !== at && (
                    <Go to={`/begin/${next.to.step}`}>{NAMES[next.to.step]}</Go>
                )}
                {'address' in next.to && <Go to={next.to.address}>{next.what}</Go>}
                {card.isError && <Problem message={messageOf(card.error)} />}
            </NextStep>
        </Aside>
    );
}
