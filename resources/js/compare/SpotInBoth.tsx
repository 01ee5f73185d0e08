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
    const { selected, spot } = useChosen();
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
                        {selected?.target ? `${selected.target.name}, at its spot` : 'This spot'}: <b>{data.words}</b>{' '}
                        <small>dE00 {data.dE00.toFixed(1)}</small>
                    </p>
                </>
            ) : (
                <small>
                    {isError
                        ? 'The drawing does not reach this spot.'
                        : 'Click the photo, or step through the zones with N and P, to see the same spot in both.'}
                </small>
            )}
        </Row>
    );
}
