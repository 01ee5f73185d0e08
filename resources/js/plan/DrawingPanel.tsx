import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import styled from 'styled-components';
import { answered, api, type Plan } from '../api/client';
import { keys } from '../api/keys';
import { useView } from '../desk/address';
import { useDeskPiece } from '../desk/DeskContext';
import { drawingUrl } from '../desk/drawing';
import { Dial } from '../ui/Dial';
import { buttonLook } from '../ui/Button';
import { space, type } from '../ui/theme';
import { Toggle } from '../ui/Toggle';

/** Stages that are shown, and fetched ahead so that the slider is instant. */
const STAGES = 6;

const Box = styled.section`
    display: grid;
    gap: ${space.s};
    & h2 {
        font-size: ${type.title};
    }
    & a {
        ${buttonLook}
    }
`;

const Line = styled.div`
    display: flex;
    gap: ${space.s};
`;

/** The simulated drawing, stage by stage, in the picture's place; and how its values stand beside the photo's. */
export function DrawingPanel({ plan }: { plan: Plan }) {
    const piece = useDeskPiece();
    const view = useView();
    const shown = view.view === 'drawing';
    const at = (stage: number) => Math.round((plan.total * stage) / STAGES);
    const steps = view.stage ?? plan.total;
    const stage = Math.round((STAGES * Math.min(steps, plan.total)) / Math.max(1, plan.total));
    const check = useQuery({
        queryKey: [...keys.plan(piece.id), 'value-check'],
        enabled: shown,
        queryFn: () => answered(api.GET('/api/pieces/{piece}/value-check', { params: { path: { piece: piece.id } } })),
    });
    useEffect(() => {
        if (!shown) return;
        // One after the other, the finished one first: whatever else is asked for is not kept waiting.
        let left = false;
        const fetchAhead = (ahead: number) => {
            if (left || ahead === 0) return;
            const image = new Image();
            image.onload = () => fetchAhead(ahead - 1);
            image.src = drawingUrl(piece.id, plan, Math.round((plan.total * ahead) / STAGES));
        };
        fetchAhead(STAGES);
        return () => {
            left = true;
        };
    }, [shown, piece.id, plan]);

    return (
        <Box aria-labelledby="drawing">
            <h2 id="drawing">Preview</h2>
            <Line>
                <Toggle isSelected={shown} onChange={(on) => view.setView(on ? 'drawing' : 'photo')}>
                    Show it in the photo's place
                </Toggle>
                <a href={drawingUrl(piece.id, plan, plan.total)} download="drawing.png">
                    PNG
                </a>
            </Line>
            {shown && (
                <Dial
                    label="Stage"
                    value={stage}
                    from={0}
                    to={STAGES}
                    say={(now) =>
                        now === STAGES
                            ? 'finished'
                            : now === 0
                              ? 'bare paper'
                              : `after step ${at(now)} of ${plan.total}`
                    }
                    onChange={(now) => view.showStage(now === STAGES ? null : at(now))}
                />
            )}
            {shown && check.data && (
                <p data-testid="value-check">
                    By value it is off by L {check.data.mean.toFixed(1)} on the mean. Its darkest is L{' '}
                    {check.data.dark.toFixed(0)}, the photo's {check.data.photoDark.toFixed(0)}; its lightest L{' '}
                    {check.data.light.toFixed(0)}, the photo's {check.data.photoLight.toFixed(0)}.
                </p>
            )}
        </Box>
    );
}
