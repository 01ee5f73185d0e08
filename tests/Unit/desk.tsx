import { useMemo, useState, type ReactNode } from 'react';
import type { Piece, Zone } from '../../resources/js/api/client';
import { DeskContext, mainTarget, type Selected, type Tool } from '../../resources/js/desk/DeskContext';
import { useSelection } from '../../resources/js/desk/useSelection';
import { Notices } from '../../resources/js/ui/Notices';

/** The desk without its picture: a piece, and the zone that is selected in it. The tool in hand can be used by its button. */
export function Around({ of, selected, children }: { of: Piece; selected: Zone | null; children: ReactNode }) {
    const selection = useSelection();
    const [lit, light] = useState<{ zone: string; target: string } | null>(null);
    const [tool, take] = useState<Tool | null>(null);
    const [borders, preview] = useState<string | null>(null);
    const desk = useMemo(() => {
        const target = selected && mainTarget(selected);
        const chosen: Selected | null =
            selected && target
                ? {
                      colour: target.colour,
                      spread: target.spread,
                      spot: { x: target.x, y: target.y, radius: selected.radius },
                      zone: selected,
                      target,
                  }
                : null;

        return { piece: of, selection, selected: chosen, light, tool, take, preview };
    }, [of, selection, selected, tool]);
    const use = () => {
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
        <DeskContext value={desk}>
            {children}
            <output data-testid="lit">{lit?.zone}</output>
            <output data-testid="places">{selection.places}</output>
            <output data-testid="open">{selection.editing}</output>
            <output data-testid="borders">{borders}</output>
            <output data-testid="tool">{tool?.title}</output>
            <button type="button" onClick={use}>
                Use the tool
            </button>
            <Notices />
        </DeskContext>
    );
}
