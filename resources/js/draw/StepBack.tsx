import styled from 'styled-components';
import { useView, useSquint } from '../desk/address';
import { StrongButton } from '../ui/Button';
import { space, type } from '../ui/theme';
import { Toggle } from '../ui/Toggle';
import { Asked } from './Asked';

const SQUINTED = 12;

const Card = styled(Asked)`
    & > p {
        font-size: ${type.lead};
        max-width: 46ch;
    }
    & > div {
        display: flex;
        flex-wrap: wrap;
        gap: ${space.s};
    }
    & button {
        min-height: 60px;
    }
`;

/** At the end of a round: look at the whole before going on, mirrored and squinted as the drawing is. */
export function StepBack({ ahead, onSeen }: { ahead: string; onSeen: () => void }) {
    const view = useView();
    const [squint, setSquint] = useSquint();

    return (
        <Card aria-labelledby="step-back" data-testid="step-back">
            <h2 id="step-back">Step back</h2>
            <p>
                A round is done. Look at the drawing from the door, in a mirror and with eyes half shut, and at the
                photo the same way. Early layers look rough; that is no reason to press harder. Next:{' '}
                {ahead.toLowerCase()}.
            </p>
            <div>
                <Toggle isSelected={view.mirror} onChange={(on) => view.toggle('mirror', on)}>
                    Photo mirrored
                </Toggle>
                <Toggle isSelected={squint > 0} onChange={(on) => setSquint(on ? SQUINTED : 0)}>
                    Photo squinted
                </Toggle>
                <StrongButton
                    onPress={() => {
                        view.toggle('mirror', false);
                        setSquint(0);
                        onSeen();
                    }}
                >
                    Go on
                </StrongButton>
            </div>
        </Card>
    );
}
