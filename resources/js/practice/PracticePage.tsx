import { useNavigate, useParams, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { messageOf, type DrillKind, type Skill } from '../api/client';
import { Button, LinkButton, StrongButton } from '../ui/Button';
import { notify } from '../ui/Notices';
import { Page, Row } from '../ui/Page';
import { Loading, Problem } from '../ui/States';
import { space, type } from '../ui/theme';
import { counted } from '../ui/words';
import { Curve } from './Curve';
import { Round } from './Round';
import { useBeginRound, usePractice } from './practiceQueries';

const Skills = styled.ul`
    display: grid;
    margin-top: ${space.m};
`;

const Line = styled.li`
    display: grid;
    grid-template-columns: minmax(0, 1fr) 130px 240px 120px;
    align-items: center;
    gap: ${space.m};
    min-height: 68px;
    padding: ${space.s} 0;
    border-top: 1px solid ${({ theme }) => theme.line};
    & h2 {
        margin: 0;
        font-size: ${type.lead};
    }
    @media (max-width: 900px) {
        grid-template-columns: minmax(0, 1fr) 130px 120px;
        & > :nth-child(3) {
            display: none;
        }
    }
`;

const LEVELS = 5;

/** Level as rungs: those that are reached are filled. */
const Rungs = styled.span`
    display: flex;
    gap: 2px;
    & > i {
        width: 18px;
        height: 10px;
        border: 1px solid ${({ theme }) => theme.ink};
    }
    & > i[data-reached] {
        background: ${({ theme }) => theme.ink};
    }
`;

const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long' });

function when({ isDue, dueAt }: Skill) {
    if (dueAt === null) return 'not practised yet';

    return isDue ? 'due' : `again on ${day.format(new Date(dueAt))}`;
}

/** Drills on one's own box and photos: what is due, how far one has come, and a round at a press. */
export function PracticePage() {
    const { round } = useParams();
    const [params] = useSearchParams();
    const practice = usePractice();
    const begin = useBeginRound();
    const navigate = useNavigate();
    const start = (kind: DrillKind) =>
        begin.mutate(kind, {
            onSuccess: ({ id }) => void navigate(`/practice/${id}`),
            onError: (error) => notify(messageOf(error)),
        });
    if (round !== undefined) return <Round key={round} id={round} onAgain={start} />;
    const due = practice.data?.skills.filter(({ isDue, dueAt }) => isDue && dueAt !== null) ?? [];
    // A mistake in a drawing may have led here: its drill stands first.
    const asked = practice.data?.skills.find(({ kind }) => kind === params.get('drill'));
    const first = asked ?? practice.data?.skills[0];

    return (
        <Page>
            <title>Practice – Knotty Prism</title>
            <Row style={{ justifyContent: 'space-between' }}>
                <h1>Practice</h1>
                {practice.data && practice.data.streak > 1 && <p>{practice.data.streak} days on end</p>}
            </Row>
            <p>
                Five questions at a time, made of your pencils on your paper and of your photos. A good round makes the
                next one harder, and later.
            </p>
            {practice.isPending && <Loading what="Opening practice" />}
            {practice.isError && <Problem message={messageOf(practice.error)} retry={() => void practice.refetch()} />}
            {first && (
                <p style={{ marginTop: 12 }}>
                    <StrongButton isDisabled={begin.isPending} onPress={() => start(first.kind)}>
                        {due.length > 0 && !asked ? `Begin with what is due: ${first.name}` : `Begin: ${first.name}`}
                    </StrongButton>{' '}
                    {due.length > 1 && <small>{counted(due.length, 'drill')} due</small>}
                </p>
            )}
            <p style={{ marginTop: 12 }}>
                <LinkButton to="/practice/week">Palette of the week</LinkButton>{' '}
                <small>Six of your pencils, one zone: plan it, then compare with the engine.</small>
            </p>
            <Skills>
                {practice.data?.skills.map((skill) => (
                    <Line key={skill.kind} data-testid="skill">
                        <div>
                            <h2>{skill.name}</h2>
                            <small>{skill.says}</small>
                        </div>
                        <div>
                            <Rungs role="img" aria-label={`level ${skill.level} of ${LEVELS}`}>
                                {Array.from({ length: LEVELS }, (_, i) => (
                                    <i key={i} data-reached={i < skill.level || undefined} />
                                ))}
                            </Rungs>
                            <small>{when(skill)}</small>
                        </div>
                        <div>
                            <Curve name={skill.name} rounds={skill.rounds} />
                        </div>
                        <Button
                            isDisabled={begin.isPending}
                            onPress={() => start(skill.kind)}
                            aria-label={`Practise: ${skill.name}`}
                        >
                            Practise
                        </Button>
                    </Line>
                ))}
            </Skills>
        </Page>
    );
}
