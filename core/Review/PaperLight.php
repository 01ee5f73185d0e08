<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Maths\LinearSystem;
use Prism\Reference\Image\Field;

/**
 * The light that lies on a sheet, as bare paper shows it: for each channel the logarithm of the light is a curved surface of second
 * degree over the picture, fitted by reweighted least squares that what is drawn on, glares or lies in a hard shadow does not pull.
 */
final readonly class PaperLight
{
    /** Bare paper lies within this of the surface, natural logarithm. */
    public const NEAR = 0.06;

    /** Darker than the surface counts so much less than lighter, at first: what is drawn is darker than paper, hardly anything lighter. */
    private const DARKER = 0.08;

    private const LEAST = 1e-4;

    /** Paper this light, linear, is at the end of what the sensor tells. */
    private const GLARE = 0.985;

    /** Inside a drawing its light is looked for at so many places each way, where it is no darker than this, L*. */
    private const GRID = 60;

    private const LEAST_LOOK = 15.0;

    /** A shadow takes as much of each channel's light, but for so little, natural logarithm. */
    private const NEUTRAL = 0.1;

    /** Fewer places of bare paper tell nothing. */
    private const LEAST_PLACES = 24;

    /**
     * @param  array{list<float>, list<float>, list<float>}  $surfaces  coefficients of 1, x, y, xx, xy, yy, by channel
     * @param  array{float, float, float}  $paper  what the paper reflects, linear
     * @param  list<array{float, float, bool}>  $places  of bare paper, in pixels, and whether each lies in a shadow with an edge
     */
    private function __construct(private array $surfaces, private array $paper, private float $width, private float $height, public array $places)
    {
    }

    /**
     * @param  list<array{float, float}>  $places  where bare paper may be seen, in pixels
     * @param  Lab  $paper  what it is known to look like
     *
     * @throws ReviewRefused if hardly any paper is seen
     */
    public static function of(LinearPicture $picture, array $places, Lab $paper): self
    {
        $seen = $of = [];
        foreach ($places as [$x, $y]) {
            $light = $picture->at($x, $y);
            if (max($light) < self::GLARE && min($light) > self::LEAST) {
                $seen[] = [self::terms($x / $picture->width, $y / $picture->height), array_map(log(...), $light)];
                $of[] = [$x, $y];
            }
        }
        if (count($seen) < self::LEAST_PLACES) {
            throw new ReviewRefused('No bare paper is seen round the drawing. Take the picture so that the white margin is in it on all sides.');
        }
        $shadow = ShadowEdge::of(array_map(static fn (array $one): array => [$one[0], $one[1][1]], $seen));
        $lit = $shadow === null ? $seen : array_values(array_filter($seen, static fn (int $at): bool => ! $shadow[$at], ARRAY_FILTER_USE_KEY));
        $weights = array_fill(0, count($lit), 1.0);
        $surfaces = [];
        for ($round = 0; $round < 8; $round++) {
            $surfaces = self::fitted($lit, $weights);
            $weights = array_map(static function (array $one) use ($surfaces, $round): float {
                // By green: it is most of what one sees.
                $off = $one[1][1] - self::value($surfaces[1], $one[0]);

                return $round < 4 ? ($off < 0.0 ? self::DARKER : 1.0) : 1.0 / (1.0 + ($off / self::NEAR) ** 4);
            }, $lit);
        }
        $bare = [];
        foreach ($seen as $n => [$terms, $light]) {
            $off = array_map(static fn (int $channel): float => $light[$channel] - self::value($surfaces[$channel], $terms), [0, 1, 2]);
            // Darker, and of no other colour: no pencil does that over a whole margin. The light beside a shadow is less sure.
            $isDarker = $off[1] < -ShadowEdge::TAKES && max($off) - min($off) < ($shadow === null ? self::NEUTRAL : 2.0 * self::NEUTRAL);
            $bare[] = [...$of[$n], $isDarker];
        }

        return new self($surfaces, Srgb::linear($paper), $picture->width, $picture->height, $bare);
    }

    /**
     * The same light as it falls off over what lies round a drawing, tape for instance, as strong and of such a colour as most of the drawing itself
     * asks for: whether all of it is too light or too dark is not told.
     *
     * @param  Field  $looks  what lies in the drawing
     */
    public function by(LinearPicture $picture, Corners $drawing, Field $looks): self
    {
        $view = $drawing->view(1.0, 1.0);
        $off = [[], [], []];
        for ($j = 0; $j < self::GRID; $j++) {
            for ($i = 0; $i < self::GRID; $i++) {
                [$u, $v] = [($i + 0.5) / self::GRID, ($j + 0.5) / self::GRID];
                $look = (int) ($v * $looks->height) * $looks->width + (int) ($u * $looks->width);
                if ($looks->L[$look] < self::LEAST_LOOK) {
                    continue;
                }
                [$x, $y] = $view->map($u, $v);
                $gains = $this->gains($x, $y);
                $of = Srgb::linear(Lab::of($looks->L[$look], $looks->a[$look], $looks->b[$look]));
                foreach ($picture->at($x, $y) as $channel => $value) {
                    $off[$channel][] = log(max(self::LEAST, $value * $gains[$channel])) - log(max(self::LEAST, $of[$channel]));
                }
            }
        }
        $surfaces = $this->surfaces;
        foreach ($off as $channel => $all) {
            sort($all);
            $surfaces[$channel][0] += $all[intdiv(count($all), 2)] ?? 0.0;
        }

        return new self($surfaces, $this->paper, $this->width, $this->height, []);
    }

    /** The same light everywhere, linear, on paper as white as that. */
    public static function even(LinearPicture $picture, float $light): self
    {
        $surface = [log($light), 0.0, 0.0, 0.0, 0.0, 0.0];

        return new self([$surface, $surface, $surface], [$light, $light, $light], $picture->width, $picture->height, []);
    }

    /** @return array{float, float, float} what the bare paper reflects, linear */
    public function reflects(): array
    {
        return $this->paper;
    }

    /** Share of the bare paper that lies in a shadow with an edge. */
    public function shaded(): float
    {
        return count(array_filter(array_column($this->places, 2))) / max(1, count($this->places));
    }

    /**
     * What the light of a place is multiplied by to tell what reflects it there, the paper's own white being what it is known to be.
     *
     * @return array{float, float, float} by channel
     */
    public function gains(float $x, float $y): array
    {
        $terms = self::terms($x / $this->width, $y / $this->height);

        return [
            $this->paper[0] / exp(self::value($this->surfaces[0], $terms)),
            $this->paper[1] / exp(self::value($this->surfaces[1], $terms)),
            $this->paper[2] / exp(self::value($this->surfaces[2], $terms)),
        ];
    }

    /**
     * The light on bare paper there.
     *
     * @return array{float, float, float}
     */
    public function on(float $x, float $y): array
    {
        $terms = self::terms($x / $this->width, $y / $this->height);

        return [exp(self::value($this->surfaces[0], $terms)), exp(self::value($this->surfaces[1], $terms)), exp(self::value($this->surfaces[2], $terms))];
    }

    /**
     * @param  list<array{array<int, float>, array<int, float>}>  $seen
     * @param  list<float>  $weights
     * @return array{list<float>, list<float>, list<float>}
     */
    private static function fitted(array $seen, array $weights): array
    {
        $normal = array_fill(0, 6, array_fill(0, 6, 0.0));
        $rights = array_fill(0, 3, array_fill(0, 6, 0.0));
        foreach ($seen as $n => [$terms, $light]) {
            for ($i = 0; $i < 6; $i++) {
                for ($j = 0; $j < 6; $j++) {
                    $normal[$i][$j] += $weights[$n] * $terms[$i] * $terms[$j];
                }
                for ($channel = 0; $channel < 3; $channel++) {
                    $rights[$channel][$i] += $weights[$n] * $terms[$i] * $light[$channel];
                }
            }
        }
        // Paper on one side only tells nothing of a curve across: then it is none.
        for ($i = 1; $i < 6; $i++) {
            $normal[$i][$i] += ($i < 3 ? 1e-4 : 1e-2) * $normal[0][0];
        }
        [$red, $green, $blue] = LinearSystem::solveAll($normal, $rights);

        return [array_values($red), array_values($green), array_values($blue)];
    }

    /** @return array<int, float> of a place in shares of the picture, its middle 0 */
    private static function terms(float $x, float $y): array
    {
        $x -= 0.5;
        $y -= 0.5;

        return [1.0, $x, $y, $x * $x, $x * $y, $y * $y];
    }

    /**
     * @param  list<float>  $surface
     * @param  array<int, float>  $terms
     */
    private static function value(array $surface, array $terms): float
    {
        return $surface[0] + $surface[1] * $terms[1] + $surface[2] * $terms[2] + $surface[3] * $terms[3] + $surface[4] * $terms[4] + $surface[5] * $terms[5];
    }
}
