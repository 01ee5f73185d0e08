import { useSyncExternalStore, type ReactNode } from 'react';
import styled from 'styled-components';
import { useZoom } from './zoom';

const Box = styled.div`
    position: absolute;
    transform-origin: 0 0;
    will-change: transform;
    contain: size layout;
    & > img {
        display: block;
        width: 100%;
        height: 100%;
        user-select: none;
    }
`;

/** The whole reference with all that is drawn over it, as large and where the zoom has it. What lies on it stays as it is. */
export function Sheet({ children }: { children: ReactNode }) {
    const zoom = useZoom();
    const { scale } = useSyncExternalStore(zoom.listen, zoom.now);

    return (
        <Box style={zoom.sheet()} data-testid="sheet" data-zoom={scale.toFixed(2)}>
            {children}
        </Box>
    );
}
