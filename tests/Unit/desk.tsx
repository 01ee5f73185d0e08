import { useState, type ReactNode } from 'react';
import type { Piece, Zone } from '../../resources/js/api/client';
import { useChosenInAddress, useView } from '../../resources/js/desk/address';
import { useHands, useOverlay, useTool } from '../../resources/js/desk/DeskContext';
import { DeskState } from '../../resources/js/desk/DeskState';
import { Zoom, ZoomContext } from '../../resources/js/desk/zoom';
import { Notices } from '../../resources/js/ui/Notices';

/** What stands on the desk besides the stage, so that a test can look at it. The tool in hand can be used by its button. */
function Seen({ of }: { of: Piece }) {
    const tool = useTool();
    const { lit, borders } = useOverlay();
    const { edit: editing } = useChosenInAddress();
    const { places } = useView();
    const { take } = useHands();
    const use = () => {
        if (tool?.kind !== 'crop') take(null);
        if (tool?.kind === 'spot') tool.done({ x: 0.5, y: 0.5, radius: 0.01 });
        if (tool?.kind === 'lasso')
            tool.done([
                [0.1, 0.1],
                [0.4, 0.1],
                [0.4, 0.4],
            ]);
        const last = of.zones.at(-1);
        if (tool?.kind === 'zone' && last) tool.done(last);
    };

    return (
        <>
            <output data-testid="lit">{lit?.zones.join()}</output>
            <output data-testid="places">{places}</output>
            <output data-testid="open">{editing}</output>
            <output data-testid="borders">{borders}</output>
            <output data-testid="tool">{tool?.title}</output>
            <button type="button" onClick={use}>
                Use the tool
            </button>
        </>
    );
}

/** The desk without its picture: a piece, and the zone that is selected in it. */
export function Around({ of, selected, children }: { of: Piece; selected: Zone | null; children: ReactNode }) {
    const [zoom] = useState(() => {
        const now = new URL(window.location.href);
        if (selected) now.searchParams.set('zone', selected.id);
        window.history.replaceState(null, '', now);

        return new Zoom();
    });

    return (
        <ZoomContext value={zoom}>
            <DeskState piece={of} picture={<Seen of={of} />} stage={children} />
            <Notices />
        </ZoomContext>
    );
}
