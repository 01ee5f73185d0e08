import { useState } from 'react';
import { Button as AriaButton, Disclosure, DisclosurePanel } from 'react-aria-components';
import styled from 'styled-components';
import { Button, buttonLook } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { space } from '../ui/theme';
import type { Hand } from './reviewQueries';
import { Sign } from '../ui/Sign';

const Opener = styled(AriaButton)`
    ${buttonLook}
`;

const Row = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: ${space.s};
    margin-top: ${space.s};
`;

const HANDS: { id: Hand; name: string }[] = [
    { id: 'true', name: 'True' },
    { id: 'heavy', name: 'Heavy' },
    { id: 'light', name: 'Light' },
    { id: 'drifting', name: 'Drifting' },
    { id: 'careless', name: 'Careless' },
];

interface Props {
    isDisabled: boolean;
    onSimulate: (hand: Hand) => void;
}

/** Without paper at hand: the simulated studio draws what is ticked in Draw, and photographs it. */
export function Simulated({ isDisabled, onSimulate }: Props) {
    const [hand, setHand] = useState<Hand>('heavy');

    return (
        <Disclosure>
            <Opener slot="trigger">
                No drawing at hand <Sign of="more" />
            </Opener>
            <DisclosurePanel>
                <p>The simulated studio draws what is ticked in Draw, and photographs it. It is marked as simulated.</p>
                <Row>
                    <Choice label="Its hand" value={hand} options={HANDS} onChange={setHand} />
                    <Button isDisabled={isDisabled} onPress={() => onSimulate(hand)}>
                        Have it drawn
                    </Button>
                </Row>
            </DisclosurePanel>
        </Disclosure>
    );
}
