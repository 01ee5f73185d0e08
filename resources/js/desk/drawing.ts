import type { Plan } from '../api/client';

/** A number that changes with what the plan lays. */
function digest(plan: Plan): string {
    let sum = 5381;
    for (const { key } of plan.steps) {
        for (let i = 0; i < key.length; i++) sum = ((sum << 5) + sum + key.charCodeAt(i)) >>> 0;
    }

    return sum.toString(36);
}

/** Address of the simulated drawing after so many steps of a plan. */
export const drawingUrl = (piece: string, plan: Plan, steps: number) =>
    `/api/pieces/${piece}/simulation.png?steps=${steps}&v=${digest(plan)}`;
