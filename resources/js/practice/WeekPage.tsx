import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, type WeekPalette } from '../api/client';
import { layer, writeStack } from '../match/draft';
import { StackRows } from '../match/StackRows';
import { useDraft } from '../match/useDraft';
import { Button, StrongButton } from '../ui/Button';
import { Page, Row } from '../ui/Page';
import { RecipeBuild } from '../ui/RecipeBuild';
import { Loading, Problem } from '../ui/States';
import { Swatch } from '../ui/Swatch';
import { space, type } from '../ui/theme';
import { usePlanWeek, useWeek } from './practiceQueries';
import { PhotoAsked } from './PhotoAsked';

const Above = styled.div`
    display: flex;
    flex-wrap: wrap;
    gap: ${space.l};
    margin-top: ${space.m};
    & img {
        max-height: 260px;
    }
`;

const Six = styled.ul`
    display: grid;
    grid-template-columns: repeat(3, auto);
    align-content: start;
    gap: ${space.m};
    padding: ${space.m};
    background: ${({ theme }) => theme.surround};
    & small {
        color: ${({ theme }) => theme.ink};
    }
    & i {
        display: block;
        width: 104px;
        height: 64px;
    }
    & b {
        font-size: ${type.lead};
        font-variant-numeric: tabular-nums;
    }
`;

const Part = styled.section`
    display: grid;
    grid-template-columns: 140px minmax(0, 1fr);
    gap: ${space.m};
    align-items: start;
    padding: ${space.m} 0;
    border-top: 1px solid ${({ theme }) => theme.line};
    & h2 {
        margin: 0 0 ${space.s};
        text-transform: capitalize;
    }
    & [role='group'] > button {
        margin-top: ${space.s};
    }
`;

const Laid = styled.div`
    display: grid;
    grid-template-columns: 240px minmax(0, 1fr);
    gap: ${space.s} ${space.m};
    align-items: center;
`;

/** The wanted colour and what is laid for it touch. */
const Pair = styled.span`
    display: flex;
`;

const ROLES = ['light', 'middle', 'dark'] as const;
type Role = (typeof ROLES)[number];

/** Six pencils and a zone: what one would lay, and then what the engine lays with the same. */
export function WeekPage() {
    const week = useWeek();
    if (week.isError) return <Problem message={messageOf(week.error)} retry={() => void week.refetch()} />;
    if (!week.data) return <Loading what="Choosing six pencils" />;
    const { data } = week;

    return (
        <Page tabIndex={-1}>
            <title>Palette of the week – Knotty Prism</title>
            <p>
                <Link to="/practice">Practice</Link> · palette of the week
            </p>
            <h1>{data.says}</h1>
            <p>
                Six pencils of your box for one zone, {data.zone}. Say what you would lay for its light, its middle and
                its dark; then see what the engine lays with the same six.
            </p>
            <Above>
                <PhotoAsked url={data.picture.url} spots={data.picture.spots} />
                <Six aria-label="The six pencils, lightest first">
                    {data.pencils.map(({ id, number, name, hex }) => (
                        <li key={id}>
                            <i style={{ background: hex ?? undefined }} aria-hidden />
                            <b>{number}</b>
                            <br />
                            <small>{name}</small>
                        </li>
                    ))}
                </Six>
            </Above>
            {data.isDone ? <Compared week={data} /> : <Planning week={data} />}
        </Page>
    );
}

function Planning({ week }: { week: WeekPalette }) {
    const plan = usePlanWeek();
    const drafts = { light: useDraft(''), middle: useDraft(''), dark: useDraft('') };
    const isWhole = ROLES.every((role) => drafts[role].live.length > 0);
    const stacks = () => ({
        light: writeStack(drafts.light.live),
        middle: writeStack(drafts.middle.live),
        dark: writeStack(drafts.dark.live),
    });

    return (
        <>
            {week.parts.map(({ role, colour }) => (
                <Part key={role} aria-labelledby={`part-${role}`}>
                    <div>
                        <h2 id={`part-${role}`}>{role}</h2>
                        <Swatch colour={colour} label={`The ${role} of the zone`} width="120px" height="72px" />
                        <small>{colour.appearance.sentence}</small>
                    </div>
                    <Draft pencils={week.pencils} role={role} draft={drafts[role]} />
                </Part>
            ))}
            {plan.isError && <Problem message={messageOf(plan.error)} />}
            <Row style={{ marginTop: 12 }}>
                <StrongButton isDisabled={plan.isPending || !isWhole} onPress={() => plan.mutate(stacks())}>
                    Compare with the engine
                </StrongButton>
                {!isWhole && <small>Each of the three takes a layer at least.</small>}
            </Row>
        </>
    );
}

interface DraftProps {
    pencils: WeekPalette['pencils'];
    role: Role;
    draft: ReturnType<typeof useDraft>;
}

/** What one would lay for one value; what it comes to is not told yet. */
function Draft({ pencils, role, draft: { steps, change, press } }: DraftProps) {
    return (
        <div role="group" aria-label={`What you lay for the ${role}`}>
            <StackRows steps={steps} box={pencils} onChange={change} onPress={press} />
            <Button onPress={() => change((now) => [...now, layer(now.at(-1)?.pencil || (pencils[0]?.id ?? ''))])}>
                Add layer<span className="visually-hidden"> to the {role}</span>
            </Button>
        </div>
    );
}

function Compared({ week }: { week: WeekPalette }) {
    return (
        <>
            <div role="status">
                <h2>
                    {week.right} of {week.parts.length} as near as the engine
                </h2>
            </div>
            {week.parts.map(({ role, colour, mine, engine }) => (
                <Part key={role} aria-labelledby={`part-${role}`}>
                    <h2 id={`part-${role}`}>{role}</h2>
                    <Laid>
                        {(
                            [
                                ['You', mine],
                                ['The engine', engine],
                            ] as const
                        ).map(
                            ([who, recipe]) =>
                                recipe && (
                                    <div key={who} style={{ display: 'contents' }}>
                                        <Pair>
                                            <Swatch
                                                colour={colour}
                                                label={`The ${role} of the zone`}
                                                width="120px"
                                                height="72px"
                                            />
                                            <Swatch
                                                colour={recipe.predicted}
                                                label={`${who}, ${role}`}
                                                width="120px"
                                                height="72px"
                                            />
                                        </Pair>
                                        <div>
                                            <strong>{who}</strong>: {recipe.difference.words}
                                            <RecipeBuild recipe={recipe} />
                                        </div>
                                    </div>
                                ),
                        )}
                    </Laid>
                </Part>
            ))}
            <p>Another six come on Monday.</p>
        </>
    );
}
