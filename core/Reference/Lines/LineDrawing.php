<?php

declare(strict_types=1);

namespace Prism\Reference\Lines;

use Prism\Reference\Image\Raster;
use Prism\Reference\LookRefused;
use Prism\Reference\PictureReading;
use Prism\Reference\Zones\Tidying;
use Prism\Reference\Zones\ZoneMap;

/** A drawing in lines whose areas are to be coloured: where lines are, and the areas that they close. */
final readonly class LineDrawing
{
    /** However wide a margin is to be, it takes no more than this share of an area's half width. */
    private const MOST_MARGIN = 0.4;

    /** An area that fills at least this share of the rectangle around it is a board or a wall, and not a ball: a disc fills 0.79. */
    private const RECTANGLE = 0.86;

    /** @param  string  $walls  a byte a pixel of the map, 1 for a line */
    private function __construct(public Ink $ink, private string $walls, public ZoneMap $areas, public int $gaps, public int $more)
    {
    }

    /** @throws LookRefused if it is none, or closes nothing */
    public static function of(Raster $picture): self
    {
        return self::ofInk(Ink::of($picture));
    }

    /** @throws LookRefused if it closes nothing */
    public static function ofInk(Ink $ink): self
    {
        $scale = min(1.0, PictureReading::EDGE / max($ink->width, $ink->height));
        $width = max(1, (int) round($ink->width * $scale));
        $height = max(1, (int) round($ink->height * $scale));
        $walls = $ink->walls($width, $height);
        $found = ClosedAreas::of($walls, $width, $height);
        if (count($found->map->areas()) < 2) {
            throw new LookRefused('The lines of this drawing close no area. Gaps of up to a fiftieth of its longer side are bridged; close the wider ones, and bring it again.');
        }

        return new self($ink, $walls, self::grown($found->map), $found->gaps, $found->more);
    }

    /**
     * What each area is the outline of, as far as its shape tells: what reaches to the edge of the picture, and rectangles, lie flat.
     *
     * @return array<int, AreaForm> by area
     */
    public function forms(): array
    {
        [$width, $height, $labels] = [$this->areas->width, $this->areas->height, $this->areas->labels];
        $boxes = [];
        for ($y = 0, $at = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++, $at++) {
                $area = ord($labels[$at]);
                $box = $boxes[$area] ?? [$x, $y, $x, $y];
                $boxes[$area] = [min($box[0], $x), $box[1], max($box[2], $x), $y];
            }
        }
        $forms = [];
        foreach ($this->areas->areas() as $area => $pixels) {
            [$left, $top, $right, $bottom] = $boxes[$area];
            $atEdge = $left === 0 || $top === 0 || $right === $width - 1 || $bottom === $height - 1;
            $forms[$area] = $atEdge || $pixels >= self::RECTANGLE * ($right - $left + 1) * ($bottom - $top + 1) ? AreaForm::Flat : AreaForm::Round;
        }

        return $forms;
    }

    /** Zones reach to the middle of the lines between them. */
    public static function grown(ZoneMap $map): ZoneMap
    {
        return Tidying::dissolved($map, 0);
    }

    /**
     * Lines, and so much beside them, stay paper; of a thin area at least its core is left.
     *
     * @param  ZoneMap  $zones  of the size of the areas
     * @param  float  $margin  pixels of the map
     */
    public function withMargins(ZoneMap $zones, float $margin): ZoneMap
    {
        $depths = Depths::of($this->walls, $zones->width, $zones->height);
        $deepest = array_fill(0, 256, 0);
        foreach ($depths as $at => $depth) {
            $zone = ord($zones->labels[$at]);
            $deepest[$zone] = max($deepest[$zone], $depth);
        }
        $wanted = (int) round(Depths::PIXEL * $margin);
        $labels = $zones->labels;
        foreach ($depths as $at => $depth) {
            if ($depth <= min($wanted, (int) (self::MOST_MARGIN * $deepest[ord($labels[$at])]))) {
                $labels[$at] = "\0";
            }
        }

        return ZoneMap::of($zones->width, $zones->height, $labels);
    }
}
