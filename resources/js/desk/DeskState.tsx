import { useDeferredValue, useLayoutEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { messageOf, type Piece } from '../api/client';
import { useSample } from '../api/queries';
import { useChooses, useChosenInAddress } from './address';
import { AddressState } from './AddressState';
import {
    AboutContext,
    ChosenContext,
    EditedContext,
    HandsContext,
    mainTarget,
    OverlayContext,
    PieceContext,
    ToolContext,
    type About,
    type Chosen,
    type Hands,
    type Lit,
    type Selected,
    type Tool,
} from './DeskContext';

interface Props {
    piece: Piece;
    /** What answers at once: the picture and what belongs to it. */
    picture: ReactNode;
    /** What follows. */
    stage: ReactNode;
}

/** What is chosen and held on the desk, and what the address tells, for all that stands on it. */
export function DeskState(props: Props) {
    return (
        <AddressState>
            <Held {...props} />
        </AddressState>
    );
}

/** The same object until some of it changes. */
function useAbout({ zones, ...rest }: Piece): About {
    const now = {
        ...rest,
        hasZones: zones.length > 0,
        hasAreas: zones.some(({ outline }) => outline !== null),
    };
    const [kept, keep] = useState<About>(now);
    if ((Object.keys(now) as (keyof About)[]).every((key) => Object.is(kept[key], now[key]))) return kept;
    keep(now);

    return now;
}

function Held({ piece, picture, stage }: Props) {
    const about = useAbout(piece);
    const chosen = useChosenInAddress();
    const chooses = useChooses();
    const [tool, take] = useState<Tool | null>(null);
    const [borders, preview] = useState<string | null>(null);
    const [lit, light] = useState<Lit | null>(null);

    const zone = piece.zones.find(({ id }) => id === chosen.zone) ?? null;
    const target = zone && (zone.targets.find(({ id }) => id === chosen.target) ?? mainTarget(zone));
    const spot = zone ? null : chosen.at;
    const sample = useSample(piece.id, piece.photo.url, spot);
    const selected = useMemo<Selected | null>(() => {
        if (zone && target)
            return {
                colour: target.colour,
                spread: target.spread,
                spot: { x: target.x, y: target.y, radius: zone.radius },
                zone,
                target,
            };

        return spot && sample.data ? { ...sample.data, spot, zone: null, target: null } : null;
    }, [zone, target, spot, sample.data]);
    const problem = spot && sample.isError ? messageOf(sample.error) : null;
    const { pin: pinned, edit, typed } = chosen;
    const isEditing = edit !== null;
    const edited = useRef(edit);
    useLayoutEffect(() => {
        edited.current = edit;
    }, [edit]);
    const now = useMemo<Chosen>(
        () => ({ selected, spot: selected?.spot ?? spot, problem, pinned, isEditing, typed }),
        [selected, spot, problem, pinned, isEditing, typed],
    );
    const later = useDeferredValue(now);
    const hands = useMemo<Hands>(() => ({ ...chooses, take, preview, light }), [chooses]);
    const overlay = useMemo(() => ({ borders, lit }), [borders, lit]);

    return (
        <PieceContext value={piece}>
            <AboutContext value={about}>
                <HandsContext value={hands}>
                    <ToolContext value={tool}>
                        <OverlayContext value={overlay}>
                            <EditedContext value={edited}>
                                <ChosenContext value={now}>{picture}</ChosenContext>
                                <ChosenContext value={later}>{stage}</ChosenContext>
                            </EditedContext>
                        </OverlayContext>
                    </ToolContext>
                </HandsContext>
            </AboutContext>
        </PieceContext>
    );
}
