import { useState } from 'react';
import styled from 'styled-components';
import type { Plan } from '../api/client';
import { useChosen, useDeskPiece, useHands } from '../desk/DeskContext';
import { Button } from '../ui/Button';
import { space, target, type } from '../ui/theme';
import { FollowAdvice } from './FollowAdvice';

const Box = styled.section`
    display: grid;
    gap: ${space.s};
    & h2 {
        font-size: ${type.title};
    }
    & > div {
        display: flex;
        justify-content: space-between;
        align-items: center;
    }
    & li {
        display: grid;
        grid-template-columns: 92px minmax(0, 1fr);
        gap: ${space.xs} ${space.s};
        align-items: baseline;
        padding: ${space.xs} 0;
        border-top: 1px solid ${({ theme }) => theme.line};
    }
    & li button {
        min-height: ${target.usual};
        padding: 0 8px;
    }
    & small {
        color: ${({ theme }) => theme.quiet};
    }
`;

const Told = styled.div<{ $rows: boolean }>`
    display: ${({ $rows }) => ($rows ? 'block' : 'inline')};
    padding-top: ${({ $rows }) => ($rows ? space.xs : 0)};
`;

/** What every surface is told at its end; it is shown for the chosen zone only. */
const FINISH = 'Finish';

interface Said {
    kind: string;
    id: Plan['advice'][number]['id'];
    zones: string[];
    canApply: boolean;
}

/** What is said of several zones is said once. */
function alike(advice: Plan['advice']): Map<string, Said> {
    const said = new Map<string, Said>();
    for (const { kind, id, sentence, zone, canApply } of advice) {
        const known = said.get(sentence);
        if (known) known.zones.push(zone);
        else said.set(sentence, { kind, id, zones: [zone], canApply });
    }

    return said;
}

/** What brings the picture together: near and far, edges, cast shadows, what makes a zone sing; the finish of the chosen one. */
export function AdvicePanel({ plan }: { plan: Plan }) {
    const piece = useDeskPiece();
    const { selected } = useChosen();
    const { selectZone } = useHands();
    const [all, setAll] = useState(false);
    const zone = selected?.zone ?? null;
    const said = plan.advice.filter((one) => (zone && !all ? one.zone === zone.id : one.kind !== FINISH));
    if (plan.advice.length === 0) return null;

    return (
        <Box aria-labelledby="advice">
            <div>
                <h2 id="advice">Edges, depth, finish</h2>
                {zone && (
                    <Button aria-pressed={all} onPress={() => setAll(!all)}>
                        {all ? `Only ${zone.name}` : 'All zones'}
                    </Button>
                )}
            </div>
            {said.length === 0 && <p>Nothing to add.</p>}
            <ul data-testid="advice">
                {[...alike(said)].map(([sentence, { kind, id, zones, canApply }]) => (
                    <li key={`${kind} ${sentence}`}>
                        <small>{kind}</small>
                        <div>
                            {sentence}{' '}
                            {zones.map((zone) => {
                                const number = 1 + piece.zones.findIndex((other) => other.id === zone);

                                return (
                                    <Told key={zone} $rows={canApply && zones.length > 1}>
                                        <Button aria-label={`Zone ${number}`} onPress={() => selectZone(zone)}>
                                            {number}
                                        </Button>{' '}
                                        {canApply && (
                                            <FollowAdvice
                                                wanted={{ zone, kind: id }}
                                                name={zones.length > 1 ? `${sentence} On ${number}` : sentence}
                                            />
                                        )}
                                    </Told>
                                );
                            })}
                        </div>
                    </li>
                ))}
            </ul>
        </Box>
    );
}
