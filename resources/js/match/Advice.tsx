import { memo, useCallback, useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import { messageOf, type Colour, type NudgeId } from '../api/client';
import { useNudge, useWhy, supportOf } from '../api/queries';
import { useChosen, useDeskAbout } from '../desk/DeskContext';
import { Button } from '../ui/Button';
import { CalledOut } from '../ui/CalledOut';
import { SwatchPair } from '../ui/Swatch';
import { space, target, type } from '../ui/theme';
import { Toggle } from '../ui/Toggle';

const NUDGES: NudgeId[] = ['lighter', 'darker', 'redder', 'yellower', 'greener', 'bluer', 'cleaner', 'duller'];

const Box = styled.section`
    display: grid;
    gap: ${space.s};
    & h3 {
        font-size: ${type.body};
    }
    & small {
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
`;

const Row = styled.div`
    display: flex;
    flex-wrap: wrap;
    gap: ${space.xs};
    & button {
        min-height: ${target.usual};
        padding: 0 10px;
    }
`;

const Entries = styled.ul`
    display: grid;
    & > li {
        display: grid;
        grid-template-columns: 92px minmax(0, 1fr) auto;
        gap: ${space.s};
        align-items: center;
        padding: ${space.xs} 0;
        border-top: 1px solid ${({ theme }) => theme.line};
    }
    & button {
        min-height: ${target.usual};
    }
`;

interface NudgesProps {
    asked: NudgeId | null;
    onAsk: (wish: NudgeId) => void;
}

/** Which way it is to go. */
const Nudges = memo(function Nudges({ asked, onAsk }: NudgesProps) {
    return (
        <Row>
            {NUDGES.map((wish) => (
                <Toggle key={wish} isSelected={asked === wish} onChange={() => onAsk(wish)}>
                    {wish}
                </Toggle>
            ))}
        </Row>
    );
});

const WhySo = memo(function WhySo({ asks, onAsk }: { asks: boolean; onAsk: (asks: boolean) => void }) {
    return (
        <Row>
            <Toggle isSelected={asks} onChange={onAsk}>
                Why so?
            </Toggle>
        </Row>
    );
});

interface Props {
    stack: string;
    predicted: Colour;
    target: Colour;
    onTake: (stack: string) => void;
}

/** What the open stack needs, and why it is as it is. */
export const Advice = memo(function Advice({ stack, predicted, target, onTake }: Props) {
    const piece = useDeskAbout();
    const { selected } = useChosen();
    const zone = selected?.zone ?? null;
    const nudge = useNudge(piece.id);
    const [asked, setAsked] = useState<NudgeId | null>(null);
    const [asksWhy, setAsksWhy] = useState(false);
    const { mutate } = nudge;
    const open = useRef({ stack, zone: zone?.id ?? null });
    useEffect(() => {
        open.current = { stack, zone: zone?.id ?? null };
    });
    const ask = useCallback(
        (wish: NudgeId) => {
            setAsked(wish);
            mutate({ ...open.current, nudge: wish });
        },
        [mutate],
    );
    const why = useWhy(piece.id, supportOf(piece.paper.id, zone), zone?.id ?? null, target, stack, asksWhy);

    return (
        <>
            <Box aria-label="What does it need">
                <h3>What does it need?</h3>
                <Nudges asked={nudge.isIdle ? null : asked} onAsk={ask} />
                {nudge.isError && <p role="alert">{messageOf(nudge.error)}</p>}
                {nudge.data?.length === 0 && <p>Nothing in your box makes it {asked} from here.</p>}
                {nudge.data && (
                    <Entries data-testid="nudges">
                        {nudge.data.map((recipe) => (
                            <li key={recipe.stack}>
                                <SwatchPair
                                    target={predicted}
                                    predicted={recipe.predicted}
                                    names={['Now', 'Then']}
                                    width="92px"
                                    height="40px"
                                />
                                <CalledOut stack={recipe.stack} />
                                <Button
                                    onPress={() => {
                                        nudge.reset();
                                        setAsked(null);
                                        onTake(recipe.stack);
                                    }}
                                >
                                    Take it
                                </Button>
                            </li>
                        ))}
                    </Entries>
                )}
            </Box>
            <Box aria-label="Why">
                <WhySo asks={asksWhy} onAsk={setAsksWhy} />
                {asksWhy && why.data?.length === 0 && (
                    <p>Nothing here matters much: tried otherwise it looks the same.</p>
                )}
                {asksWhy && why.data && why.data.length > 0 && (
                    <Entries data-testid="why">
                        {why.data.map((note) => (
                            <li key={note.what}>
                                <SwatchPair
                                    target={predicted}
                                    predicted={note.colour}
                                    names={['As it is', note.what]}
                                    width="92px"
                                    height="40px"
                                />
                                <span>
                                    {note.what}: <b>{note.difference.words}</b>
                                    <br />
                                    <small>
                                        dE00 {note.difference.dE00.toFixed(1)}
                                        {note.nearer ? ', nearer to the target' : ''}
                                    </small>
                                </span>
                                <Button onPress={() => onTake(note.stack)}>Try it</Button>
                            </li>
                        ))}
                    </Entries>
                )}
            </Box>
        </>
    );
});
