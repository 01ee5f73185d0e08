import styled from 'styled-components';
import { useSquint, useView } from '../desk/address';
import { Dial } from '../ui/Dial';
import { space } from '../ui/theme';
import { Toggle } from '../ui/Toggle';

const Row = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: ${space.s};
    & > div {
        flex: 1 1 120px;
    }
`;

/** As one squints at a drawing across the room, thousandths of its width. */
const SQUINTS = 10;

/** The drawing in the photo's place: laid over it, from the side, or taking turns; both mirrored, both squinted. */
export function BothTools() {
    const view = useView();
    const [squint, setSquint] = useSquint();

    return (
        <Row role="group" aria-label="Photo and drawing in one place">
            <Toggle isSelected={view.own} onChange={(on) => view.toggle('own', on)}>
                Yours in its place
            </Toggle>
            <Toggle isSelected={view.flicker} onChange={(on) => view.toggle('flicker', on)}>
                Take turns
            </Toggle>
            <Toggle isSelected={squint > 0} onChange={(on) => setSquint(on ? SQUINTS : 0)}>
                Squint
            </Toggle>
            <Toggle isSelected={view.mirror} onChange={(on) => view.toggle('mirror', on)}>
                Mirror
            </Toggle>
            <div>
                <Dial
                    label="Slide yours over it"
                    value={100 - (view.wipe ?? 100)}
                    from={0}
                    to={100}
                    step={2}
                    say={(share) => `${share} %`}
                    onChange={(share) => view.setWipe(share === 0 ? null : 100 - share)}
                />
            </div>
        </Row>
    );
}
