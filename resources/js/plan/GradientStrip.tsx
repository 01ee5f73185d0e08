import { useState } from 'react';
import styled from 'styled-components';
import type { Designation } from '../api/client';
import { calledOut } from '../ui/notation';
import { Field } from '../ui/Field';
import { Swatch } from '../ui/Swatch';
import { space, type } from '../ui/theme';

const USUAL_MM = 60;

const Box = styled.div`
    display: grid;
    gap: ${space.s};
    & > div:first-child {
        display: flex;
        align-items: end;
        justify-content: space-between;
        gap: ${space.m};
    }
    & > div:first-child > div {
        width: 130px;
    }
    & li {
        font-size: ${type.small};
        line-height: 1.5;
    }
`;

/** Side by side without a gap: what is compared. */
const Strip = styled.div`
    display: flex;
`;

const lengthOf = (typed: string) => {
    const mm = Number(typed.replace(',', '.'));

    return Number.isFinite(mm) && mm >= 5 && mm <= 2000 ? mm : null;
};

const across = (share: number, mm: number) => (share * mm).toFixed(mm < 30 ? 1 : 0);

/** Given pencils feathered into one another, light to dark: where each step starts and ends on a form of some length. */
export function GradientStrip({ gradient }: { gradient: Designation['gradient'] }) {
    const [typed, setTyped] = useState(String(USUAL_MM));
    const mm = lengthOf(typed);

    return (
        <Box>
            <div>
                <b>Feathered into one another: {gradient.length} steps</b>
                <div>
                    <Field
                        label="Length, mm"
                        value={typed}
                        onChange={setTyped}
                        problem={mm === null ? 'A number from 5 to 2000.' : undefined}
                    />
                </div>
            </div>
            <Strip>
                {gradient.map((step) => (
                    <span key={step.from} style={{ width: `${100 * (step.to - step.from)}%` }}>
                        <Swatch colour={step.colour} label={calledOut(step.stack)} width="100%" height="56px" />
                    </span>
                ))}
            </Strip>
            <ul data-testid="gradient">
                {gradient.map((step) => (
                    <li key={step.from}>
                        {across(step.from, mm ?? USUAL_MM)} to {across(step.to, mm ?? USUAL_MM)} mm,{' '}
                        {Math.round(100 * step.from)} to {Math.round(100 * step.to)} %: {calledOut(step.stack)}
                        {!step.toldApart && ', hardly told from the step before'}
                    </li>
                ))}
            </ul>
        </Box>
    );
}
