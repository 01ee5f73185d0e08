import styled from 'styled-components';
import type { Look } from '../api/client';
import { useChangePiece } from '../api/kept';
import { useDeskPiece, useHands } from '../desk/DeskContext';
import { DEFAULT_RADIUS, useSquint, useView } from '../desk/address';
import { Button } from '../ui/Button';
import { Dial } from '../ui/Dial';
import { HistogramPlot } from '../ui/plots/HistogramPlot';
import { Segments } from '../ui/Segments';
import { space } from '../ui/theme';
import { Line, Part } from './parts';
import { tell } from './words';
import { placeName } from '../ui/words';

const Rungs = styled.div`
    display: flex;
    & > button {
        flex: 1;
        min-height: 44px;
        border: 0;
        border-bottom: 4px solid transparent;
        font-weight: 700;
        cursor: pointer;
    }
    & > button[aria-pressed='true'] {
        border-bottom-color: ${({ theme }) => theme.ink};
        outline: 2px solid ${({ theme }) => theme.ink};
        outline-offset: -6px;
    }
`;

const Spots = styled.div`
    display: grid;
    grid-template-columns: auto 1fr;
    gap: ${space.xs} ${space.m};
    align-items: center;
`;

const TONE_NAMES = [
    { id: 'as-is', name: 'As in the photo' },
    { id: 'compress', name: 'Compress' },
    { id: 'clip', name: 'Clip' },
] as const;

const hex = (code: number) => `#${code.toString(16).padStart(2, '0').repeat(3)}`;

function Squint() {
    const [squint, set] = useSquint();

    return (
        <Dial
            label="Squint"
            value={squint}
            from={0}
            to={40}
            say={(now) => (now === 0 ? 'eyes open' : `${(now / 10).toFixed(1)} % of the width`)}
            onChange={set}
        />
    );
}

/** Values: a scale of 3 to 10 steps, one step alone, squint, the spread of values against what can be reached. */
export function ValuesPanel({ look }: { look: Look }) {
    const piece = useDeskPiece();
    const { selectSpot } = useHands();
    const view = useView();
    const change = useChangePiece(piece.id);
    const { values, reach, tones } = look;
    const scale = look.scales.find(({ steps }) => steps === view.steps);
    const range = ({ dark, light }: { dark: number; light: number }) => `L ${dark.toFixed(0)} to ${light.toFixed(0)}`;

    return (
        <div>
            <Part aria-labelledby="scale">
                <h2 id="scale">Value scale</h2>
                <Segments
                    label="Steps of the scale"
                    value={String(view.steps)}
                    options={look.scales.map(({ steps }) => ({ id: String(steps), name: String(steps) }))}
                    onChange={(steps) => view.setSteps(Number(steps))}
                />
                {scale && (
                    <Rungs role="group" aria-label="Show one step alone">
                        {scale.rungs.map((rung, index) => (
                            <button
                                key={rung}
                                type="button"
                                aria-pressed={view.view === 'steps' && view.only === index + 1}
                                aria-label={`Step ${index + 1} alone`}
                                style={{ background: hex(rung), color: rung < 128 ? '#fff' : '#111' }}
                                onClick={() =>
                                    view.showOnlyStep(
                                        view.view === 'steps' && view.only === index + 1 ? null : index + 1,
                                    )
                                }
                            >
                                {index + 1}
                            </button>
                        ))}
                    </Rungs>
                )}
                <small>A step shows alone when you press it; press it again to see all.</small>
                <Squint />
            </Part>
            <Part aria-labelledby="spread">
                <h2 id="spread">Values of the photo, and what you can reach</h2>
                <HistogramPlot
                    bars={values.histogram}
                    photo={values}
                    reach={reach}
                    label={`The photo has ${range(values)}${reach ? `; paper and box reach ${range(reach)}` : ''}.`}
                />
                <p>
                    Photo {range(values)}.{' '}
                    {reach
                        ? `${piece.paper.name} and your box reach ${range(reach)}.`
                        : 'Put pencils in the box to see what they reach.'}{' '}
                    {reach && values.dark < reach.dark - 1 && 'Its darkest darks are out of reach. '}
                    {reach && values.light > reach.light + 1 && 'Its lightest lights are lighter than the paper. '}
                </p>
                <Segments
                    label="Values beyond reach"
                    value={piece.tone}
                    options={TONE_NAMES}
                    onChange={(tone) => change.mutate({ tone }, tell)}
                    isDisabled={change.isPending}
                />
                <p data-testid="tone">{tones.find(({ id }) => id === piece.tone)?.sentence}</p>
            </Part>
            <Part aria-labelledby="extremes">
                <h2 id="extremes">Lightest and darkest</h2>
                <Spots>
                    {(
                        [
                            ['Lightest', values.lightest],
                            ['Darkest', values.darkest],
                        ] as const
                    ).map(([name, spots]) => (
                        <div key={name} style={{ display: 'contents' }}>
                            <span>{name}</span>
                            <Line>
                                {spots.map((spot, i) => (
                                    <Button
                                        key={i}
                                        aria-label={`${name} ${i + 1}: step ${spot.step}, ${placeName(spot.x, spot.y)}`}
                                        onPress={() => selectSpot({ x: spot.x, y: spot.y, radius: DEFAULT_RADIUS / 2 })}
                                    >
                                        <b>{spot.step}</b> {placeName(spot.x, spot.y)}
                                    </Button>
                                ))}
                            </Line>
                        </div>
                    ))}
                </Spots>
            </Part>
        </div>
    );
}
