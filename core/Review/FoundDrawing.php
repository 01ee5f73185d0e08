<?php

declare(strict_types=1);

namespace Prism\Review;

/** The drawing in a picture of it. */
final readonly class FoundDrawing
{
    /** Lighter at one side than at the other by so much is said. */
    private const UNEVEN = 1.6;

    /** Share of the bare paper in a hard shadow from which it is said. */
    private const SHADED = 0.05;

    /** Share of the drawing that glares from which it is said. */
    private const GLARES = 0.01;

    /** Where so much of a drawing is lighter than white it is no glare: its paper is darker than one thinks. */
    private const TONED = 0.12;

    /**
     * @param  LinearPicture  $picture  in which it was looked for
     * @param  Corners  $corners  in pixels of that
     * @param  float  $fit  how well outlines go together with those of the reference, 0-1
     * @param  float  $likeness  how far what is drawn has the reference's colours, -1 to 1
     * @param  bool  $isSure  false: the corners are to be confirmed
     * @param  bool  $isBlurred  {@see Sharpness}
     * @param  float  $glare  share of it that glares
     * @param  bool  $isTaped  its light is told by the drawing itself
     */
    public function __construct(public LinearPicture $picture, public Corners $corners, public PaperLight $light, public float $fit, public float $likeness, public bool $isSure, public bool $isBlurred = false, public float $glare = 0.0, public bool $isTaped = false)
    {
    }

    /** The same, its corners a little elsewhere. */
    public function at(Corners $corners): self
    {
        return new self($this->picture, $corners, $this->light, $this->fit, $this->likeness, $this->isSure, $this->isBlurred, $this->glare, $this->isTaped);
    }

    /** In pixels of the picture as it was taken. */
    public function cornersInPicture(): Corners
    {
        return $this->corners->scaled($this->picture->scale);
    }

    public function glares(): bool
    {
        return $this->glare > self::GLARES && $this->glare <= self::TONED;
    }

    public function isShaded(): bool
    {
        return $this->light->shaded() > self::SHADED;
    }

    /** How many times lighter the lightest bare paper round the drawing is than the darkest. */
    public function unevenness(): float
    {
        $levels = array_map(fn (array $point): float => $this->light->on(...$point)[1], $this->corners->points);

        return max($levels) / max(1e-6, min($levels));
    }

    /** The lamp's cast in words: what white paper looks like in the picture. */
    public function cast(): string
    {
        $view = $this->corners->view(1.0, 1.0);
        [$red, $green, $blue] = $this->light->on(...$view->map(0.5, 0.5));

        return match (true) {
            $red > 1.12 * $blue => 'warm',
            $blue > 1.12 * $red => 'cool',
            $green > 1.08 * max($red, $blue) => 'green',
            default => 'neutral',
        };
    }

    /**
     * What makes the picture less than trustworthy, and what would be better.
     *
     * @return list<string>
     */
    public function warnings(): array
    {
        return array_values(array_filter([
            $this->isSure ? null : 'The drawing was not found for certain: look at its corners, and set them by hand.',
            $this->unevenness() > self::UNEVEN ? sprintf('One side lies in %.1f times as much light as the other; take the picture in more even light.', $this->unevenness()) : null,
            $this->isTaped ? 'Tape lies round it, and tape is no paper: whether all of it is a little too light or too dark cannot be told. A strip of the bare paper beside it tells.' : null,
            $this->isBlurred ? 'The picture is blurred: edges, lines and grain cannot be judged by it. Hold the camera still, or rest it on something.' : null,
            $this->glare > self::TONED ? 'Much of the drawing is lighter than white would be on this paper. If it is toned paper, choose it in Look, under Format, and compare again.' : null,
            $this->glares() ? 'A part of the drawing glares, and looks lighter than it is. Let the light come from the side, not from over the camera.' : null,
            $this->isShaded() ? 'A shadow with an edge lies over the paper; what it covers cannot be trusted.' : null,
        ]));
    }
}
