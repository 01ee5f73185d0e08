import { memo } from 'react';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import { messageOf, type PlanStep } from '../api/client';
import { usePlan } from '../api/queries';
import { useDesk } from '../desk/DeskContext';
import { AdvicePanel } from './AdvicePanel';
import { FittedLine } from './FittedLine';
import { DrawingPanel } from './DrawingPanel';
import { JoinsPanel } from './JoinsPanel';
import { LimitedPanel } from './LimitedPanel';
import { NeighboursPanel } from './NeighboursPanel';
import { PalettePanel } from './PalettePanel';
import { SchedulePanel } from './SchedulePanel';
import { SchoolsPanel } from './SchoolsPanel';
import { useProof } from './planQueries';
import { notify } from '../ui/Notices';
import { Button, buttonLook } from '../ui/Button';
import { pressureText } from '../ui/Pressure';
import { Loading, Problem } from '../ui/States';
import { RestsOnLine } from '../ui/RestsOnLine';
import { Swatch } from '../ui/Swatch';
import { space, type } from '../ui/theme';

const Page = styled.div`
    display: grid;
    gap: ${space.l};
    padding: ${space.m} ${space.l} ${space.l};
`;

const Head = styled.div`
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: ${space.m};
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
    & li::before {
        content: '□ ';
    }
`;

const Steps = styled.ol`
    & li {
        display: grid;
        grid-template-columns: 26px 92px minmax(0, 1fr) 34px 34px 22px;
        gap: 0 ${space.s};
        align-items: center;
        padding: ${space.xs} 0;
        border-top: 1px solid ${({ theme }) => theme.line};
    }
    & li[data-state='done'] b::after {
        content: ' ✓';
    }
    & li[data-state='skipped'] b {
        text-decoration: line-through;
    }
    & b {
        font-size: 20px;
        line-height: 1.1;
    }
    & small {
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
    & p {
        line-height: 1.3;
    }
`;

type Choose = (zone: string, target: string) => void;

function StepRow({ step, begins, onChoose }: { step: PlanStep; begins: boolean; onChoose: Choose }) {
    return (
        <li data-state={step.state} data-testid="plan-step">
            <span>{step.number}</span>
            <div>
                <b>{step.step?.pencil?.number ?? step.role}</b>
                <br />
                <small>{step.step?.pencil?.range ?? ''}</small>
            </div>
            <div>
                <p>
                    <button
                        type="button"
                        onClick={() => onChoose(step.zone.id, step.zone.target)}
                        style={{
                            border: 0,
                            background: 'none',
                            padding: 0,
                            fontWeight: 600,
                            cursor: 'pointer',
                            textAlign: 'start',
                        }}
                    >
                        {step.zone.name}
                    </button>
                </p>
                <small>
                    {begins && <strong>Session {step.session}. </strong>}
                    {step.step?.pencil ? pressureText(step.step.pressurePercent, step.step.passes) : step.why}
                    {step.because.length > 0 && `; ${step.because[0]}`}
                </small>
            </div>
            <Swatch colour={step.before} label="Before" width="34px" height="40px" />
            <Swatch colour={step.after} label="After" width="34px" height="40px" />
            <Swatch colour={step.target} label="Target" width="22px" height="40px" />
        </li>
    );
}

interface StepListProps {
    steps: PlanStep[];
    sessions: number;
    onChoose: Choose;
}

/** Hundreds of rows: not rendered anew for a change of the piece, nor while it is planned anew. */
const StepList = memo(function StepList({ steps, sessions, onChoose }: StepListProps) {
    return (
        <Steps>
            {steps.map((step, index) => (
                <StepRow
                    key={step.key}
                    step={step}
                    begins={step.session !== steps[index - 1]?.session && sessions > 1}
                    onChoose={onChoose}
                />
            ))}
        </Steps>
    );
});

/** Which pencils to take out, what to mind, every step in order; and the sheet of it. */
export function PlanStage() {
    const { piece, selected, selection } = useDesk();
    const plan = usePlan(piece.id);
    const proof = useProof(piece.id);
    const navigate = useNavigate();

    if (plan.isError) return <Problem message={messageOf(plan.error)} retry={() => void plan.refetch()} />;
    if (!plan.data) return <Loading what="Ordering the steps" />;
    const { cautions, steps, zonesWithoutRecipe } = plan.data;
    if (steps.length === 0) {
        return (
            <Page>
                <h1 className="visually-hidden">Plan</h1>
                <PalettePanel plan={plan.data} />
                <SchoolsPanel planned={plan.data.palette !== null} />
                <LimitedPanel />
                <p>
                    Nothing to plan yet? Find zones in Look, plan the picture here, or keep a recipe in{' '}
                    <Link to={`/pieces/${piece.id}/match`}>Match</Link>.
                </p>
            </Page>
        );
    }

    return (
        <Page>
            <h1 className="visually-hidden">Plan</h1>
            <PalettePanel plan={plan.data} />
            {plan.data.palette !== null && <FittedLine />}
            <DrawingPanel plan={plan.data} />
            <SchoolsPanel planned={plan.data.palette !== null} />
            <LimitedPanel />
            <SchedulePanel plan={plan.data} />
            <Ready aria-labelledby="ready">
                <h2 id="ready">Have ready</h2>
                <ul data-testid="prep">
                    {plan.data.prep.map((thing) => (
                        <li key={thing}>{thing}</li>
                    ))}
                </ul>
            </Ready>
            <Cautions aria-label="Cautions">
                {cautions.map((caution) => (
                    <li key={caution}>{caution}</li>
                ))}
            </Cautions>
            {zonesWithoutRecipe.length > 0 && <p>No recipe yet: {zonesWithoutRecipe.join(', ')}.</p>}
            {selected?.zone && <JoinsPanel plan={plan.data} zone={selected.zone} />}
            <AdvicePanel plan={plan.data} />
            <NeighboursPanel />
            <section aria-labelledby="order">
                <Head>
                    <h2 id="order">{steps.length} steps</h2>
                    <span>
                        <Button
                            isDisabled={proof.isPending}
                            onPress={() =>
                                proof.mutate(undefined, {
                                    onSuccess: ({ id }) => void navigate(`/swatches/charts/${id}`),
                                    onError: (error) => notify(messageOf(error)),
                                })
                            }
                        >
                            Prove this plan
                        </Button>{' '}
                        <a href={`/api/pieces/${piece.id}/plan.pdf`} target="_blank" rel="noreferrer">
                            Plan sheet, PDF
                        </a>
                    </span>
                </Head>
                <RestsOnLine calibration={plan.data.calibration} />
                <StepList steps={steps} sessions={plan.data.sessions} onChoose={selection.selectZone} />
            </section>
        </Page>
    );
}
