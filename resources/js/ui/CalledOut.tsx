import { Fragment } from 'react';
import styled from 'styled-components';
import { numberOf, OPERATIONS, readNotation } from './notation';
import { pressureText } from './Pressure';

const Line = styled.span`
    & b {
        font-weight: 680;
        font-variant-numeric: tabular-nums;
    }
`;

/** A stack in a line of text, as it is called out: **201** 75 % firm, 3 coats, then **722** 35 % light. */
export function CalledOut({ stack }: { stack: string }) {
    const steps = readNotation(stack) ?? [];
    if (steps.length === 0) return <Line>bare paper</Line>;

    return (
        <Line>
            {steps.map(({ kind, pencil, pressure, passes }, index) => (
                <Fragment key={index}>
                    {index > 0 && ', then '}
                    {kind === 'layer' ? (
                        <>
                            <b>{numberOf(pencil)}</b> {pressureText(pressure, passes)}
                        </>
                    ) : (
                        OPERATIONS[kind]
                    )}
                </Fragment>
            ))}
        </Line>
    );
}
