import { useQueryClient } from '@tanstack/react-query';
import { memo, useDeferredValue, useEffect, useEffectEvent, useState } from 'react';
import styled from 'styled-components';
import { useDebounce, useDebouncedCallback } from 'use-debounce';
import type { Look, Piece, Zone } from '../api/client';
import { useCutPreview, useFindZones, useLasso, useMergeZones, useSplitZone, useUndoZones } from '../api/lookQueries';
import { keys } from '../api/keys';
import { useWork } from '../api/works';
import { mainTarget, useChosen, useDeskPiece, useHands } from '../desk/DeskContext';
import { Button, StrongButton } from '../ui/Button';
import { Dial } from '../ui/Dial';
import { notify } from '../ui/Notices';
import { WorkProgress } from '../ui/WorkProgress';
import { space, target, type } from '../ui/theme';
import { AreaColours } from './AreaColours';
import { LineAreas } from './LineAreas';
import { Line, Part } from './parts';
import { ZoneForm } from './ZoneForm';
import { ZoneTargets } from './ZoneTargets';
import { LIGHT_NAMES, tell } from './words';
import { ZoneTraits } from './ZoneTraits';

const List = styled.ul`
    display: grid;
    content-visibility: auto;
    contain-intrinsic-size: auto 760px;
    & > li > button {
        display: grid;
        grid-template-columns: 40px 30px minmax(0, 1fr) 96px 34px;
        gap: ${space.s};
        align-items: center;
        width: 100%;
        min-height: ${target.usual};
        padding: 0;
        border: 0;
        border-top: 1px solid ${({ theme }) => theme.line};
        background: none;
        color: ${({ theme }) => theme.ink};
        text-align: start;
        cursor: pointer;
    }
    & > li > button[aria-pressed='true'] {
        font-weight: 700;
        background: ${({ theme }) => theme.raised};
    }
    & i {
        height: 26px;
    }
    & b {
        text-align: end;
    }
    & span {
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
    }
    & small {
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
`;

/** Zones: found with more or fewer, drawn by hand, merged, split, named, corrected. */
export function ZonesPanel({ look }: { look: Look }) {
    const piece = useDeskPiece();

    return (
        <div>
            <Part aria-label="Find zones">
                {piece.lines ? <LineAreas lines={piece.lines} /> : <FindZones look={look} />}
                <DrawZone />
            </Part>
            <ChosenZone />
            <AllZones />
        </div>
    );
}

function DrawZone() {
    const piece = useDeskPiece();
    const { take } = useHands();
    const lasso = useLasso(piece.id);
    const undo = useUndoZones(piece.id);
    const busy = lasso.isPending || undo.isPending;

    return (
        <Line>
            <Button
                isDisabled={busy}
                onPress={() =>
                    take({
                        kind: 'lasso',
                        title: 'Draw a line round what is to be a zone of its own.',
                        done: (line) => lasso.mutate({ line, how: 'new' }, tell),
                    })
                }
            >
                Draw a zone
            </Button>
            <Button
                isDisabled={piece.undo === null || busy}
                onPress={() =>
                    undo.mutate(undefined, {
                        ...tell,
                        onSuccess: () => notify(`Taken back: ${piece.undo ?? ''}`),
                    })
                }
            >
                Undo
            </Button>
            <small>{piece.undo === null ? '' : piece.undo}</small>
        </Line>
    );
}

/** What is chosen, as a zone: named, or made one. */
function ChosenZone() {
    // After the reading above: there is more of it.
    const selected = useDeferredValue(useChosen().selected);
    const zone = selected?.zone ?? null;
    if (!selected) return null;
    if (!zone || zone.outline === null) return <ZoneForm key={zone?.id ?? 'new'} zone={zone} />;

    return (
        <Part aria-label="The chosen zone" data-testid="zone">
            <ZoneForm key={zone.id} zone={zone} />
            {!zone.fits && (
                <p>
                    <b>!</b> The photo as it is now shows something else here. Draw the zone anew, or remove it.
                </p>
            )}
            {zone.colouring && <AreaColours key={zone.id} zone={{ ...zone, colouring: zone.colouring }} />}
            <ShapeButtons zone={zone} />
            <ZoneTraits zone={zone} />
            <ZoneTargets zone={zone} />
        </Part>
    );
}

/** Where a zone ends. */
function ShapeButtons({ zone }: { zone: Zone }) {
    const piece = useDeskPiece();
    const { take } = useHands();
    const lasso = useLasso(piece.id);
    const merge = useMergeZones(piece.id);
    const busy = lasso.isPending || merge.isPending;

    return (
        <Line>
            <Button
                isDisabled={busy}
                onPress={() =>
                    take({
                        kind: 'zone',
                        title: `Click the zone that is to become part of ${zone.name}.`,
                        done: (other) => other.id !== zone.id && merge.mutate({ into: zone.id, gone: other.id }, tell),
                    })
                }
            >
                Merge with
            </Button>
            <SplitButton zone={zone.id} isDisabled={busy} />
            {(['add', 'take'] as const).map((how) => (
                <Button
                    key={how}
                    isDisabled={busy}
                    onPress={() =>
                        take({
                            kind: 'lasso',
                            title:
                                how === 'add'
                                    ? `Draw round what belongs to ${zone.name} as well.`
                                    : `Draw round what does not belong to ${zone.name}.`,
                            done: (line) => lasso.mutate({ line, how, zone: zone.id }, tell),
                        })
                    }
                >
                    {how === 'add' ? 'Add by lasso' : 'Take by lasso'}
                </Button>
            ))}
        </Line>
    );
}

interface RowProps {
    zone: Zone;
    number: number;
    chosen: boolean;
    onChoose: (zone: string) => void;
}

const ZoneRow = memo(function ZoneRow({ zone, number, chosen, onChoose }: RowProps) {
    const main = mainTarget(zone);

    return (
        <li>
            <button type="button" aria-pressed={chosen} onClick={() => onChoose(zone.id)}>
                <i style={{ background: main?.colour.hex }} aria-hidden />
                <b>{number}</b>
                <span>{zone.name}</span>
                <small>{zone.traits ? LIGHT_NAMES[zone.traits.light] : 'spot'}</small>
                <b>
                    <span className="visually-hidden">value step </span>
                    {main?.colour.appearance.valueStep}
                </b>
            </button>
        </li>
    );
});

function AllZones() {
    const { zones } = useDeskPiece();
    const { selected } = useChosen();
    const { selectZone } = useHands();
    if (zones.length === 0) return null;

    return (
        <Part aria-labelledby="all-zones">
            <h2 id="all-zones">{zones.length} zones</h2>
            <List>
                {zones.map((zone, index) => (
                    <ZoneRow
                        key={zone.id}
                        zone={zone}
                        number={index + 1}
                        chosen={zone.id === selected?.zone?.id}
                        onChoose={selectZone}
                    />
                ))}
            </List>
        </Part>
    );
}

function SplitButton({ zone, isDisabled }: { zone: string; isDisabled: boolean }) {
    const piece = useDeskPiece();
    const split = useSplitZone(piece.id);

    return (
        <Button isDisabled={isDisabled || split.isPending} onPress={() => split.mutate(zone, tell)}>
            Split
        </Button>
    );
}

/** The slider stands still for so long, in milliseconds, before zones are cut. */
const SETTLED = 350;

/** Borders are asked for at most so often, milliseconds. */
const ASKED = 80;

const areasOf = (piece: Piece) => piece.zones.filter(({ outline }) => outline !== null).length;

/** More or fewer: borders follow the slider at once; zones are cut when it is let go. */
function FindZones({ look }: { look: Look }) {
    const piece = useDeskPiece();
    const { preview } = useHands();
    const client = useQueryClient();
    const refresh = useEffectEvent(() => void client.invalidateQueries({ queryKey: keys.piece(piece.id) }));
    const work = useWork('look', () => void client.invalidateQueries({ queryKey: keys.piece(piece.id) }), piece.id);
    const find = useFindZones(piece.id);
    const [moving, setMoving] = useState<number | null>(null);
    const [asked] = useDebounce(moving, ASKED, { leading: true, maxWait: 2 * ASKED });
    // The slider goes first, then it is asked for.
    const cut = useCutPreview(piece.id, piece.photo.url, useDeferredValue(asked));
    const areas = areasOf(piece);
    const borders = moving === null ? null : (cut.data?.borders ?? null);
    // Read meanwhile: what was found is asked for, whether or not the end of the work was seen.
    const unread = (look.mostZones === null || piece.zones.length === 0) && work.work?.state === 'done';
    useEffect(() => {
        if (unread) refresh();
    }, [unread]);
    const { mutate } = find;
    // Arrow keys come one by one: what counts is where they stop.
    const cutZones = useDebouncedCallback((count: number) => {
        const settle = () => setMoving((now) => (now === count ? null : now));
        mutate(count, { ...tell, onSettled: settle });
    }, SETTLED);
    useEffect(() => {
        preview(borders);

        return () => preview(null);
    }, [borders, preview]);

    if (work.work && work.open) {
        return <WorkProgress work={work.work} onCancel={() => work.work && work.cancel.mutate(work.work.id)} />;
    }
    if (look.mostZones === null) {
        return (
            <Line>
                <StrongButton
                    isDisabled={work.start.isPending}
                    onPress={() => work.start.mutate({ piece: piece.id }, tell)}
                >
                    Read the photo
                </StrongButton>
                <small>
                    {work.work?.state === 'failed'
                        ? work.work.problem
                        : 'Finds its zones, values and light; a few seconds.'}
                </small>
            </Line>
        );
    }

    return (
        <Dial
            label="Zones, fewer or more"
            value={moving ?? Math.min(look.mostZones, Math.max(look.fewestZones, areas))}
            from={look.fewestZones}
            to={look.mostZones}
            say={(count) => (moving === null ? `${areas}` : `${count}`)}
            onChange={setMoving}
            onEnd={cutZones}
        />
    );
}
