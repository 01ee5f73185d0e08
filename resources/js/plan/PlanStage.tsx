import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, type PlanStep } from '../api/client';
import { usePlan } from '../api/queries';
import { useDesk } from '../desk/DeskContext';
import { buttonLook } from '../ui/Button';
import { pressureText } from '../ui/Pressure';
import { Empty, Loading, Problem } from '../ui/States';
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

const Pull = styled.ul`
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
    gap: ${space.s};
    margin-top: ${space.m};
    & li {
        display: grid;
        grid-template-columns: 34px minmax(0, 1fr);
        gap: 0 ${space.s};
        align-items: center;
    }
    & li > span:first-child {
        grid-row: 1 / 3;
    }
    & b {
        font-size: 20px;
        line-height: 1.1;
    }
    & small {
        font-size: 11px;
        line-height: 1.2;
        color: ${({ theme }) => theme.quiet};
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
    }
`;

const Cautions = styled.ul`
    display: grid;
    gap: ${space.xs};
    padding: ${space.m};
    border: 1px solid ${({ theme }) => theme.quiet};
    font-size: ${type.small};
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

function StepRow({ step }: { step: PlanStep }) {
    const { selection } = useDesk();

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
                        onClick={() => selection.selectZone(step.zone.id, step.zone.target)}
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
                    {step.step?.pencil ? pressureText(step.step.pressurePercent, step.step.passes) : step.why}
                </small>
            </div>
            <Swatch colour={step.before} label="Before" width="34px" height="40px" />
            <Swatch colour={step.after} label="After" width="34px" height="40px" />
            <Swatch colour={step.target} label="Target" width="22px" height="40px" />
        </li>
    );
}

/** Which pencils to take out, what to mind, every step in order; and the sheet of it. */
export function PlanStage() {
    const { piece } = useDesk();
    const plan = usePlan(piece.id);

    if (plan.isError) return <Problem message={messageOf(plan.error)} retry={() => void plan.refetch()} />;
    if (!plan.data) return <Loading what="Ordering the steps" />;
    const { pullList, cautions, steps, zonesWithoutRecipe } = plan.data;
    if (steps.length === 0) {
        return (
            <Empty title="No recipes to plan yet">
                <p>
                    Keep a recipe for at least one zone. The plan then says which pencils to take out and in which
                    order.
                </p>
                <Link to={`/pieces/${piece.id}/match`}>Match a colour</Link>
            </Empty>
        );
    }

    return (
        <Page>
            <h1 className="visually-hidden">Plan</h1>
            <section aria-labelledby="pull">
                <Head>
                    <h2 id="pull">Take out {pullList.length === 1 ? '1 pencil' : `${pullList.length} pencils`}</h2>
                    <a href={`/api/pieces/${piece.id}/plan.pdf`} target="_blank" rel="noreferrer">
                        Plan sheet, PDF
                    </a>
                </Head>
                <Pull>
                    {pullList.map((entry) => (
                        <li key={entry.id}>
                            <Swatch
                                colour={entry.colour}
                                label={`${entry.range} ${entry.number}`}
                                width="34px"
                                height="40px"
                            />
                            <b>{entry.number}</b>
                            <small title={entry.name}>
                                {entry.range} {entry.name}
                                {entry.owned ? '' : ', not in the box'}
                            </small>
                        </li>
                    ))}
                </Pull>
            </section>
            <Cautions aria-label="Cautions">
                {cautions.map((caution) => (
                    <li key={caution}>{caution}</li>
                ))}
            </Cautions>
            {zonesWithoutRecipe.length > 0 && <p>No recipe yet: {zonesWithoutRecipe.join(', ')}.</p>}
            <section aria-labelledby="order">
                <Head>
                    <h2 id="order">{steps.length} steps</h2>
                    <small>before, after, target</small>
                </Head>
                <p>{piece.school.sentence}</p>
                <RestsOnLine calibration={plan.data.calibration} />
                <Steps>
                    {steps.map((step) => (
                        <StepRow key={step.key} step={step} />
                    ))}
                </Steps>
            </section>
        </Page>
    );
}
