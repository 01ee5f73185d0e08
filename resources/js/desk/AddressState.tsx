import { useLayoutEffect, useRef, type ReactNode } from 'react';
import {
    AddressChoosesContext,
    AddressChosenContext,
    AddressNowContext,
    LampContext,
    LinesContext,
    PartsContext,
    SquintContext,
    useAddress,
    ViewContext,
} from './address';

/** What the address tells, for all that stands on the desk. */
export function AddressState({ children }: { children: ReactNode }) {
    const address = useAddress();
    const { chosen, chooses, view, lines, parts, squint } = address;
    const now = useRef(address);
    useLayoutEffect(() => {
        now.current = address;
    }, [address]);

    return (
        <AddressNowContext value={now}>
            <AddressChoosesContext value={chooses}>
                <AddressChosenContext value={chosen}>
                    <PartsContext value={parts}>
                        <ViewContext value={view}>
                            <LampContext value={view.lamp}>
                                <LinesContext value={lines}>
                                    <SquintContext value={squint}>{children}</SquintContext>
                                </LinesContext>
                            </LampContext>
                        </ViewContext>
                    </PartsContext>
                </AddressChosenContext>
            </AddressChoosesContext>
        </AddressNowContext>
    );
}
