import styled from 'styled-components';
import { useBeside } from '../api/lookQueries';
import type { Spot } from '../api/queries';
import { useChosen, useDeskPiece, useHands } from '../desk/DeskContext';
import { Button } from '../ui/Button';
import { SwatchPair } from '../ui/Swatch';
import { space, type } from '../ui/theme';

const Row = styled.div`
    display: flex;
    align-items: center;
    gap: ${space.m};
    min-height: 52px;
    & small {
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
`;

/** Two patches side by side: one is pinned, the other is wherever one samples next. */
export function Beside({ spot }: { spot: Spot }) {
    const piece = useDeskPiece();
    const { pin } = useHands();
    const { pinned } = useChosen();
    const same = pinned !== null && pinned.x === spot.x && pinned.y === spot.y && pinned.radius === spot.radius;
    const beside = useBeside(piece.id, piece.photo.url, pinned, same ? null : spot);

    if (!pinned) {
        return (
            <Row>
                <Button onPress={() => pin(spot)}>Pin this patch</Button>
                <small>Then sample another, to see both side by side.</small>
            </Row>
        );
    }

    return (
        <Row data-testid="beside">
            {beside.data ? (
                <>
                    <SwatchPair
                        target={beside.data.first.colour}
                        predicted={beside.data.second.colour}
                        names={['Pinned', 'Here']}
                        width="180px"
                        height="52px"
                    />
                    <span>
                        Against the pinned one: <b>{beside.data.difference.words}</b>
                        <br />
                        <small>dE00 {beside.data.difference.dE00.toFixed(1)}</small>
                    </span>
                </>
            ) : (
                <small>{same ? 'Pinned. Sample another spot to see both side by side.' : '\u00a0'}</small>
            )}
            <Button onPress={() => pin(null)}>Unpin</Button>
        </Row>
    );
}
