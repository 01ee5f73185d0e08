import styled from 'styled-components';
import { messageOf } from '../api/client';
import { useDeskPiece, useHands } from '../desk/DeskContext';
import { Button } from '../ui/Button';
import { Problem } from '../ui/States';
import { space, target, type } from '../ui/theme';
import { FollowAdvice } from './FollowAdvice';
import { useNeighbours } from './planQueries';

const MOST = 8;

const Box = styled.section`
    & h2 {
        font-size: ${type.title};
    }
`;

const Alike = styled.ul`
    display: grid;
    gap: ${space.xs};
    margin-top: ${space.s};
    & > li {
        display: grid;
        grid-template-columns: 110px minmax(0, 1fr);
        gap: ${space.s};
        align-items: center;
    }
    & button {
        min-height: ${target.usual};
    }
`;

/** Touching zones that will merge: which of them to push, how far, with what. */
export function NeighboursPanel() {
    const piece = useDeskPiece();
    const { selectZone } = useHands();
    const pairs = useNeighbours(piece.id);
    const numberOf = (id: string) => 1 + piece.zones.findIndex((zone) => zone.id === id);

    if (pairs.isError) return <Problem message={messageOf(pairs.error)} retry={() => void pairs.refetch()} />;
    if (!pairs.data || pairs.data.length === 0) return null;

    return (
        <Box aria-labelledby="alike">
            <h2 id="alike">Neighbours too alike</h2>
            <Alike data-testid="alike">
                {pairs.data.slice(0, MOST).map((pair) => (
                    <li key={`${pair.one} ${pair.other}`}>
                        <Button onPress={() => selectZone(pair.pushed)}>
                            {numberOf(pair.one)} and {numberOf(pair.other)}
                        </Button>
                        <span>
                            dE00 {pair.dE00.toFixed(1)} apart. {pair.sentence}
                            <FollowAdvice wanted={{ zone: pair.pushed, kind: 'push' }} name={pair.sentence} />
                        </span>
                    </li>
                ))}
            </Alike>
        </Box>
    );
}
