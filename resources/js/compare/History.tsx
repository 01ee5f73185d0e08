import styled from 'styled-components';
import type { Review } from '../api/client';
import { useChosen } from '../desk/DeskContext';
import { CurvePlot } from '../ui/plots/CurvePlot';
import { space, type } from '../ui/theme';

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

const WHEN = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

interface Props {
    reviews: Review[];
    chosen: string;
    onChoose: (photo: string) => void;
}

/** Checks over the life of the piece: a strip of the drawing as it grew, and how far its values were off. */
export function History({ reviews, chosen, onChoose }: Props) {
    const { selected } = useChosen();
    const inOrder = reviews.toReversed();
    const zone = selected?.zone;
    const ofZone = zone
        ? inOrder.flatMap(({ zones }, index) => {
              const seen = zones.find(({ id }) => id === zone.id);

              return seen ? [{ x: index + 1, y: Math.abs(seen.stepsOff) }] : [];
          })
        : [];

    return (
        <section aria-labelledby="checks-so-far" data-testid="history">
            <h3 id="checks-so-far">Checks so far</h3>
            <Strip aria-label="The drawing at each check, the first first">
                {inOrder.map(({ photo, madeAt, straight, width, height, meanSteps }, index) => (
                    <li key={photo}>
                        <button type="button" aria-pressed={photo === chosen} onClick={() => onChoose(photo)}>
                            <img
                                src={straight}
                                width={width}
                                height={height}
                                alt={`The drawing at check ${index + 1}`}
                            />
                            <small>
                                {index + 1}. {WHEN.format(new Date(madeAt))}
                                <br />
                                off by {meanSteps.toFixed(1)}
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
        </section>
    );
}
