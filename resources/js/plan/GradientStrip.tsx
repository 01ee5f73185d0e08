import { useState } from 'react';
import styled from 'styled-components';
import { messageOf, type Designation } from '../api/client';
import { useDeskPiece } from '../desk/DeskContext';
import { calledOut } from '../ui/notation';
import { Field } from '../ui/Field';
import { Segments } from '../ui/Segments';
import { Swatch } from '../ui/Swatch';
import { space, type } from '../ui/theme';
import { FINISHES, useGradient, type Finish } from './planQueries';

const USUAL_MM = 60;

const Box = styled.div`
    display: grid;
    gap: ${space.s};
    & > div:first-child {
        display: flex;
        flex-wrap: wrap;
        align-items: end;
        justify-content: space-between;
        gap: ${space.s} ${space.m};
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

interface Props {
    /** Pencils that are given, or the zone that has its own. */
    of: { pencils: string[] } | { zone: string };
    /** What is known of it already, finished by layers. */
    known?: Designation['gradient'];
}

/** Pencils feathered into one another, light to dark: in how many rounds, where each step starts and ends on the form, how hard. */
export function GradientStrip({ of, known }: Props) {
    const piece = useDeskPiece();
    const [typed, setTyped] = useState(String(USUAL_MM));
    const [finish, setFinish] = useState<Finish>('layers');
    const found = useGradient(piece.id, { ...of, finish }, known === undefined || finish !== 'layers');
    const gradient = finish === 'layers' && known ? known : found.data?.gradient;
    const ofZone = found.data?.lengthMm ?? null;
    const mm = ofZone ?? lengthOf(typed);

    return (
        <Box>
            <div>
                <b>
                    {gradient
                        ? `Feathered into one another: ${gradient.steps.length} steps${gradient.rounds === null ? '' : `, ${gradient.rounds} ${gradient.rounds === 1 ? 'round' : 'rounds'}`}`
                        : 'Feathered into one another'}
                </b>
                {'pencils' in of && (
                    <div>
                        <Field
                            label="Length, mm"
                            value={typed}
                            onChange={setTyped}
                            problem={mm === null ? 'A number from 5 to 2000.' : undefined}
                        />
                    </div>
                )}
            </div>
            <Segments label="Evened at the end by" options={FINISHES} value={finish} onChange={setFinish} />
            {found.isError && <p role="alert">{messageOf(found.error)}</p>}
            {gradient && (
                <>
                    <Strip>
                        {gradient.steps.map((step) => (
                            <span key={step.from} style={{ width: `${100 * (step.to - step.from)}%` }}>
                                <Swatch colour={step.colour} label={calledOut(step.stack)} width="100%" height="56px" />
                            </span>
                        ))}
                    </Strip>
                    <ul data-testid="gradient">
                        {gradient.steps.map((step) => (
                            <li key={step.from}>
                                {across(step.from, mm ?? USUAL_MM)} to {across(step.to, mm ?? USUAL_MM)} mm,{' '}
                                {Math.round(100 * step.from)} to {Math.round(100 * step.to)} %: {calledOut(step.stack)}
                                {!step.toldApart && ', hardly told from the step before'}
                            </li>
                        ))}
                    </ul>
                </>
            )}
        </Box>
    );
}
