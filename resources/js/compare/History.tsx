import { useState } from 'react';
import styled from 'styled-components';
import type { Review, Zone } from '../api/client';
import { useChosen, useDeskPiece } from '../desk/DeskContext';
import { CurvePlot } from '../ui/plots/CurvePlot';
import { space, type } from '../ui/theme';
import { Toggle } from '../ui/Toggle';

const Strip = styled.ol`
    display: flex;
    gap: ${space.s};
    overflow-x: auto;
    padding-bottom: ${space.xs};
    & button {
        display: block;
        width: 132px;
        padding: 4px;
        border: 2px solid transparent;
        background: ${({ theme }) => theme.surround};
        cursor: pointer;
        text-align: start;
    }
    & button[aria-pressed='true'] {
        border-color: ${({ theme }) => theme.ink};
    }
    & img {
        display: block;
        width: 100%;
        height: auto;
    }
    & small {
        font-size: ${type.small};
    }
`;

const Cut = styled.span`
    position: relative;
    display: block;
    overflow: hidden;
    aspect-ratio: 1;
    & img {
        position: absolute;
        max-width: none;
    }
`;

/** A zone is shown with so much round it, and never less of the drawing's width than this. */
const ROUND = 1.5;
const LEAST = 0.08;

const WHEN = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

interface Props {
    reviews: Review[];
    chosen: string;
    onChoose: (photo: string) => void;
}

/** The drawing at a check: all of it, or one zone and what lies round it. */
function Frame({ review, zone, alt }: { review: Review; zone: Zone | null; alt: string }) {
    const crop = useDeskPiece().format.crop ?? { x: 0, y: 0, width: 1, height: 1 };
    const { straight, width, height } = review;
    if (!zone) return <img src={straight} width={width} height={height} alt={alt} />;

    // As wide as a square of its area.
    const side = Math.sqrt((zone.share * height) / width / (crop.width * crop.height));
    const half = Math.min(0.5, height / width / 2, Math.max(LEAST, (ROUND * side) / 2));
    const left = (zone.x - crop.x) / crop.width - half;
    const top = (((zone.y - crop.y) / crop.height) * height) / width - half;

    return (
        <Cut>
            <img
                src={straight}
                alt={alt}
                style={{
                    width: `${50 / half}%`,
                    left: `${(-50 * left) / half}%`,
                    top: `${(-50 * top) / half}%`,
                }}
            />
        </Cut>
    );
}

/** Checks over the life of the piece: a strip of the drawing as it grew, how far its values were off, and how many it had. */
export function History({ reviews, chosen, onChoose }: Props) {
    const { selected } = useChosen();
    const [alone, setAlone] = useState(false);
    const inOrder = reviews.toReversed();
    const zone = selected?.zone;
    const ofZone = zone
        ? inOrder.flatMap(({ zones }, index) => {
              const seen = zones.find(({ id }) => id === zone.id);

              return seen ? [{ x: index + 1, y: Math.abs(seen.stepsOff) }] : [];
          })
        : [];
    const ranges = inOrder.flatMap(({ rangeSteps, photoSteps }, index) =>
        rangeSteps === null || photoSteps === null ? [] : [{ x: index + 1, drawing: rangeSteps, photo: photoSteps }],
    );

    return (
        <section aria-labelledby="checks-so-far" data-testid="history">
            <h3 id="checks-so-far">Checks so far</h3>
            {zone && (
                <Toggle isSelected={alone} onChange={setAlone}>
                    Only {zone.name}
                </Toggle>
            )}
            <Strip aria-label="The drawing at each check, the first first">
                {inOrder.map((review, index) => (
                    <li key={review.photo}>
                        <button
                            type="button"
                            aria-pressed={review.photo === chosen}
                            onClick={() => onChoose(review.photo)}
                        >
                            <Frame
                                review={review}
                                zone={alone && zone ? zone : null}
                                alt={
                                    alone && zone
                                        ? `${zone.name} at check ${index + 1}`
                                        : `The drawing at check ${index + 1}`
                                }
                            />
                            <small>
                                {index + 1}. {WHEN.format(new Date(review.madeAt))}
                                <br />
                                {review.onlyLines ? 'lines' : `off by ${review.meanSteps.toFixed(1)}`}
                            </small>
                        </button>
                    </li>
                ))}
            </Strip>
            <CurvePlot
                curves={[
                    {
                        name: 'the whole drawing',
                        points: inOrder.map(({ meanSteps }, index) => ({ x: index + 1, y: meanSteps })),
                    },
                    ...(zone && ofZone.length > 1 ? [{ name: zone.name, points: ofZone }] : []),
                ]}
                from={1}
                x="check"
                y="values off, steps"
                label={`How far values were off at each check: ${inOrder
                    .map(({ meanSteps }) => meanSteps.toFixed(1))
                    .join(', ')} steps`}
            />
            {ranges.length > 1 && (
                <CurvePlot
                    curves={[
                        { name: 'your drawing', points: ranges.map(({ x, drawing }) => ({ x, y: drawing })) },
                        { name: 'the photo', points: ranges.map(({ x, photo }) => ({ x, y: photo })) },
                    ]}
                    from={1}
                    x="check"
                    y="range of values, steps"
                    label={`Steps from the darkest to the lightest at each check: ${ranges
                        .map(({ drawing }) => drawing.toFixed(1))
                        .join(', ')}; the photo has ${ranges.at(-1)?.photo.toFixed(1)}`}
                />
            )}
        </section>
    );
}
