import styled from 'styled-components';
import { messageOf } from '../api/client';
import { useMeasuredLine } from '../api/lookQueries';
import { Button } from '../ui/Button';
import { space } from '../ui/theme';
import { useLines, useView, type Ends } from './address';
import { useDeskAbout, useHands } from './DeskContext';

const Box = styled.div`
    display: grid;
    gap: ${space.s};
`;

const Row = styled.div`
    display: flex;
    flex-wrap: wrap;
    gap: ${space.s};
`;

/** Two places are clicked one after the other. */
function useEnds() {
    const { take } = useHands();

    return (what: string, done: (ends: Ends) => void) =>
        take({
            kind: 'spot',
            title: `Click one end of the line in ${what}.`,
            done: (from) =>
                take({
                    kind: 'spot',
                    title: `Click its other end in ${what}.`,
                    done: (to) => done([from.x, from.y, to.x, to.y]),
                }),
        });
}

/** A line between two places, as long and as slanting as it is on the paper; with a drawing beside, against the same in that. */
export function Measure({ hasDrawing = false }: { hasDrawing?: boolean }) {
    const piece = useDeskAbout();
    const view = useView();
    const { take } = useHands();
    const { line, mine, plumb, setLine, setMine, setPlumb } = useLines();
    const measured = useMeasuredLine(piece, line, hasDrawing ? mine : null);
    const ends = useEnds();

    return (
        <Box data-testid="measure">
            <Row role="group" aria-label="Lines over the picture">
                <Button
                    onPress={() => {
                        if (hasDrawing) view.toggle('own', false);
                        ends(hasDrawing ? 'the photo' : 'the picture', setLine);
                    }}
                >
                    Line between two points
                </Button>
                {hasDrawing && line && (
                    <Button
                        onPress={() => {
                            view.toggle('own', true);
                            ends('your drawing', setMine);
                        }}
                    >
                        The same in yours
                    </Button>
                )}
                <Button
                    onPress={() =>
                        take({
                            kind: 'spot',
                            title: 'Click what the plumb line hangs from.',
                            done: ({ x }) => setPlumb(x),
                        })
                    }
                >
                    Plumb line
                </Button>
                {(line || plumb !== null) && (
                    <Button
                        onPress={() => {
                            setLine(null);
                            setPlumb(null);
                        }}
                    >
                        Take lines away
                    </Button>
                )}
            </Row>
            <div aria-live="polite">
                {measured.isError && <p role="alert">{messageOf(measured.error)}</p>}
                {line && measured.data && (
                    <p>
                        {hasDrawing ? 'In the photo' : 'On the paper'}: <b>{measured.data.photo}</b>.
                    </p>
                )}
                {line && measured.data?.mine && (
                    <p>
                        Yours: {measured.data.mine}; <b>{measured.data.difference}</b>.
                    </p>
                )}
            </div>
        </Box>
    );
}
