import { TabPanel } from 'react-aria-components';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import { messageOf, type Plan } from '../api/client';
import { usePlan } from '../api/queries';
import { useChosen, useDeskPiece, useHands } from '../desk/DeskContext';
import { type PlanPart, useParts, useView } from '../desk/address';
import { Button, buttonLook } from '../ui/Button';
import { notify } from '../ui/Notices';
import { Parts } from '../ui/Parts';
import { RestsOnLine } from '../ui/RestsOnLine';
import { Loading, Problem } from '../ui/States';
import { Sign } from '../ui/Sign';
import { space, type } from '../ui/theme';
import { spokenMinutes } from '../ui/words';
import { AdvicePanel } from './AdvicePanel';
import { BeginningsPanel } from './BeginningsPanel';
import { DrawingPanel } from './DrawingPanel';
import { FittedLine } from './FittedLine';
import { Followed } from './FollowAdvice';
import { GroundPanel } from './GroundPanel';
import { InterpretationPanel } from './InterpretationPanel';
import { JoinsPanel } from './JoinsPanel';
import { LimitedPanel } from './LimitedPanel';
import { NeighboursPanel } from './NeighboursPanel';
import { PalettePanel } from './PalettePanel';
import { PlanningProgress } from './PlanningProgress';
import { SchedulePanel } from './SchedulePanel';
import { SchoolsPanel } from './SchoolsPanel';
import { TurnList } from './TurnList';
import { useProof } from './planQueries';

const Page = styled.div`
    display: grid;
    gap: ${space.m};
    padding: ${space.m} ${space.l} ${space.l};
`;

const Panel = styled(TabPanel)`
    display: grid;
    gap: ${space.l};
`;

const Head = styled.header`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: ${space.s} ${space.m};
    & > p {
        font-size: ${type.lead};
        font-weight: 600;
    }
    & h2 {
        font-size: ${type.title};
    }
    & a {
        ${buttonLook}
    }
`;

const Cautions = styled.ul`
    display: grid;
    gap: ${space.xs};
    padding: ${space.m};
    border: 1px solid ${({ theme }) => theme.quiet};
    font-size: ${type.small};
`;

const Ready = styled.section`
    & h2 {
        margin-bottom: ${space.s};
        font-size: ${type.title};
    }
`;

const PARTS: { id: PlanPart; name: string }[] = [
    { id: 'palette', name: 'Palette' },
    { id: 'order', name: 'Order' },
    { id: 'preview', name: 'Preview' },
    { id: 'advice', name: 'Advice' },
    { id: 'ways', name: 'Ways of working' },
];

/** All of it in one line. */
function saidInShort({ pullList, minutes, turns, built }: Plan): string {
    const pencils = `${pullList.length} ${pullList.length === 1 ? 'pencil' : 'pencils'}`;
    const misses = built === null ? '' : `, misses by ${built.toFixed(1)}`;

    return `${pencils}, ${turns.length} ${turns.length === 1 ? 'turn' : 'turns'}, ${spokenMinutes(minutes)}${misses}`;
}

function PlanHead({ plan }: { plan: Plan }) {
    const piece = useDeskPiece();

    return (
        <Head>
            <p role="status" data-testid="plan-head">
                {saidInShort(plan)}
            </p>
            <a href={`/api/pieces/${piece.id}/plan.pdf`} target="_blank" rel="noreferrer">
                Plan sheet, PDF
            </a>
        </Head>
    );
}

/** A chart of all recipes, to be drawn on scrap before the drawing is. */
function TestSheet() {
    const piece = useDeskPiece();
    const proof = useProof(piece.id);
    const navigate = useNavigate();

    return (
        <Button
            isDisabled={proof.isPending}
            onPress={() =>
                proof.mutate(undefined, {
                    onSuccess: ({ id }) => void navigate(`/swatches/charts/${id}`),
                    onError: (error) => notify(messageOf(error)),
                })
            }
        >
            Test sheet
        </Button>
    );
}

function OrderPart({ plan }: { plan: Plan }) {
    const piece = useDeskPiece();
    const { selectZone } = useHands();
    const view = useView();

    return (
        <>
            <SchedulePanel plan={plan} />
            <Ready aria-labelledby="ready">
                <h2 id="ready">Have ready</h2>
                <ul data-testid="prep">
                    {plan.prep.map((thing) => (
                        <li key={thing}>
                            <Sign of="box" /> {thing}
                        </li>
                    ))}
                </ul>
            </Ready>
            <Cautions aria-label="Cautions">
                {plan.cautions.map((caution) => (
                    <li key={caution}>{caution}</li>
                ))}
            </Cautions>
            {plan.zonesWithoutRecipe.length > 0 && <p>No recipe yet: {plan.zonesWithoutRecipe.join(', ')}.</p>}
            <section aria-labelledby="turns">
                <Head>
                    <h2 id="turns">{plan.turns.length === 1 ? '1 turn' : `${plan.turns.length} turns`}</h2>
                    <TestSheet />
                </Head>
                <RestsOnLine calibration={plan.calibration} />
                <BeginningsPanel beginnings={plan.beginnings} zones={piece.zones} onChoose={selectZone} />
                <TurnList
                    turns={plan.turns}
                    zones={piece.zones}
                    sessions={plan.sessions}
                    shown={view.places}
                    onShow={view.showPlaces}
                    onChoose={selectZone}
                />
            </section>
        </>
    );
}

function ChosenJoins({ plan }: { plan: Plan }) {
    const { selected } = useChosen();

    return selected?.zone ? <JoinsPanel plan={plan} zone={selected.zone} /> : null;
}

/** Which pencils to lay out, in which turns they are used, what comes of it; and the sheet of it. */
export function PlanStage() {
    const piece = useDeskPiece();
    const parts = useParts();
    const plan = usePlan(piece.id);

    if (plan.isError) return <Problem message={messageOf(plan.error)} retry={() => void plan.refetch()} />;
    if (!plan.data) return <Loading what="Ordering the turns" />;
    const planned = plan.data.steps.length > 0;

    return (
        <Page>
            <h1 className="visually-hidden">Plan</h1>
            {planned ? (
                <PlanHead plan={plan.data} />
            ) : (
                <p>
                    Nothing to plan yet? Find zones in Look, plan the picture here, or keep a recipe in{' '}
                    <Link to={`/pieces/${piece.id}/match`}>Match</Link>.
                </p>
            )}
            <PlanningProgress />
            <Parts
                label="Parts of Plan"
                parts={planned ? PARTS : PARTS.filter(({ id }) => id === 'palette' || id === 'ways')}
                open={planned || parts.plan === 'ways' ? parts.plan : 'palette'}
                onOpen={parts.openPlan}
            >
                <Panel id="palette">
                    <PalettePanel plan={plan.data} />
                    {plan.data.palette !== null && planned && <FittedLine />}
                </Panel>
                <Panel id="ways">
                    <SchoolsPanel planned={plan.data.palette !== null} />
                    <InterpretationPanel planned={plan.data.palette !== null} />
                    <GroundPanel planned={plan.data.palette !== null} />
                    <LimitedPanel />
                </Panel>
                {planned && (
                    <>
                        <Panel id="order">
                            <OrderPart plan={plan.data} />
                        </Panel>
                        <Panel id="preview">
                            <DrawingPanel plan={plan.data} />
                        </Panel>
                        <Panel id="advice">
                            <ChosenJoins plan={plan.data} />
                            <Followed plan={plan.data} />
                            <AdvicePanel plan={plan.data} />
                            <NeighboursPanel />
                        </Panel>
                    </>
                )}
            </Parts>
        </Page>
    );
}
