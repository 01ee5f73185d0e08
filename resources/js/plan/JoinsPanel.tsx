import styled from 'styled-components';
import type { Plan, Zone } from '../api/client';
import { space, type } from '../ui/theme';
import { GradientStrip } from './GradientStrip';

const Box = styled.section`
    display: grid;
    gap: ${space.xs};
    & h2 {
        font-size: ${type.title};
    }
    & small {
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
`;

const Row = styled.li`
    display: grid;
    grid-template-columns: minmax(0, 1fr) 232px;
    gap: ${space.s};
    align-items: center;
    & > span {
        position: relative;
        height: 26px;
        background: ${({ theme }) => theme.surround};
    }
    & i {
        position: absolute;
        top: 0;
        bottom: 0;
    }
`;

/** How the values of a zone are feathered into one another: where each starts and ends, and where two lie together. */
export function JoinsPanel({ plan, zone }: { plan: Plan; zone: Zone }) {
    const join = plan.joins.find((candidate) => candidate.zone === zone.id);
    if (!join) return null;

    return (
        <Box aria-labelledby="joins">
            <h2 id="joins">Joins in {zone.name}</h2>
            <small>
                From light to dark{join.towards && `, towards the ${join.towards}`}, over about{' '}
                {join.lengthMm.toFixed(0)} mm, each lightly over the end of the one before: {join.steps} steps.
            </small>
            <ul data-testid="joins">
                {join.spans.map((span) => {
                    const target = zone.targets.find(({ id }) => id === span.target);

                    return (
                        <Row key={span.target}>
                            <span>
                                <i
                                    aria-hidden
                                    style={{
                                        left: `${100 * span.from}%`,
                                        width: `${100 * (span.to - span.from)}%`,
                                        background: target?.recipe?.predicted.hex ?? target?.colour.hex,
                                    }}
                                />
                            </span>
                            <span style={{ background: 'none', height: 'auto' }}>
                                {target?.role} {span.fromMm.toFixed(0)} to {span.toMm.toFixed(0)} mm,{' '}
                                {Math.round(100 * span.from)} to {Math.round(100 * span.to)} %
                            </span>
                        </Row>
                    );
                })}
            </ul>
            <GradientStrip key={zone.id} of={{ zone: zone.id }} />
        </Box>
    );
}
