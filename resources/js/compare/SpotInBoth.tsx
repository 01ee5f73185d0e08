import styled from 'styled-components';
import { useChosen, useDeskPiece } from '../desk/DeskContext';
import { SwatchPair } from '../ui/Swatch';
import { space, type } from '../ui/theme';
import { useSpotInBoth } from './reviewQueries';

const Row = styled.div`
    display: flex;
    align-items: center;
    gap: ${space.m};
    min-height: 64px;
    & small {
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
`;

/** What a click in the picture asks: the same spot of the photo and of the drawing. */
export function SpotInBoth({ photo }: { photo: string }) {
    const piece = useDeskPiece();
    const { selected, spot: chosen } = useChosen();
    // A zone is told by all of it, not by one spot.
    const spot = selected?.zone ? null : chosen;
    const { data, isError } = useSpotInBoth(piece.id, photo, spot);

    return (
        <Row data-testid="both" aria-live="polite">
            {data && spot && !isError ? (
                <>
                    <SwatchPair
                        target={data.reference}
                        predicted={data.drawing}
                        names={['Photo', 'Yours']}
                        width="168px"
                        height="88px"
                        judged
                        captioned
                    />
                    <p>
                        This spot: <b>{data.words}</b> <small>dE00 {data.dE00.toFixed(1)}</small>
                    </p>
                </>
            ) : (
                <small>
                    {isError
                        ? 'The drawing does not reach this spot.'
                        : 'Sample a spot of the photo to see the same in both; N and P go through the zones.'}
                </small>
            )}
        </Row>
    );
}
