import styled from 'styled-components';
import { changePiece } from '../api/kept';
import { useDeskPiece } from '../desk/DeskContext';
import { Segments } from '../ui/Segments';
import { space } from '../ui/theme';
import { useReplan } from './planQueries';

const Line = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.s} ${space.m};
    & > p {
        flex: 1;
        min-width: 240px;
    }
`;

const WAYS = [
    { id: 'compress', name: 'Fitted' },
    { id: 'as-is', name: 'As read' },
] as const;

/** Whether the plan follows the photo's own values or those that box and paper reach. */
export function FittedLine() {
    const piece = useDeskPiece();
    const replan = useReplan(piece);
    const fitted = piece.tone !== 'as-is';

    return (
        <Line data-testid="fitted">
            <p>
                {fitted
                    ? 'The photo is darker or lighter than box and paper reach: its values are fitted, in their order.'
                    : 'Values are taken as the photo has them; what is out of reach comes as near as it can.'}
            </p>
            <Segments
                label="Values"
                options={[...WAYS]}
                value={fitted ? 'compress' : 'as-is'}
                onChange={(tone) => replan(() => changePiece(piece.id, { tone }))}
            />
        </Line>
    );
}
