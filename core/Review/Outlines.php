<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Planning\PictureZone;
use Prism\Reference\Image\Field;
use Prism\Reference\Zones\ZoneMap;

/** Zones of a drawing, of lines alone or of colour, whose outlines do not lie where those of the reference do: by how much, and which way. */
final readonly class Outlines
{
    /** Long edge of the frame in which is looked, pixels; and how far in it. */
    private const EDGE = 256;

    private const REACH = 9;

    /** A square goes together with the reference at least so well to be believed; and a zone has at least so many. */
    private const BELIEVED = 0.5;

    private const FEWEST = 3;

    /** A square tells of a direction by such a share of its outlines. */
    private const TELLS = 0.3;

    /** Less than this nobody sees, of the drawing's long edge; and less than so many millimetres no hand corrects. */
    private const SEEN = 0.008;

    private const LEAST_MM = 1.0;

    /**
     * @param  float  $across  how far it lies too far to the right, mm
     * @param  float  $down  how far too low
     */
    private function __construct(public string $zone, public string $name, public float $across, public float $down)
    {
    }

    /**
     * @param  Field  $reference  as it is cropped, and the map with it
     * @param  list<PictureZone>  $zones
     * @param  float  $widthMm  of the drawing
     * @return list<self> the farthest off first
     */
    public static function of(FoundDrawing $found, Field $reference, ZoneMap $map, array $zones, float $widthMm): array
    {
        [$shifts, $width, $height] = Registration::shifts($found->picture, $found->corners, $found->light, $reference, self::EDGE, self::REACH);
        $map = $map->scaled($width, $height);
        $byLabel = array_column($zones, null, 'label');
        $of = [];
        foreach ($shifts as [$x, $y, $across, $down, $score, $tells]) {
            if ($score >= self::BELIEVED) {
                $label = ord($map->labels[$y * $width + $x]);
                $of[$label] ??= [[], []];
                if ($tells >= self::TELLS) {
                    $of[$label][0][] = $across;
                }
                if (1.0 - $tells >= self::TELLS) {
                    $of[$label][1][] = $down;
                }
            }
        }
        $mm = $widthMm / $width;
        $least = max(self::LEAST_MM, self::SEEN * max($width, $height) * $mm);
        $off = [];
        foreach ($of as $label => $all) {
            $zone = $byLabel[$label] ?? null;
            if ($zone === null) {
                continue;
            }
            [$across, $down] = [$mm * self::median($all[0]), $mm * self::median($all[1])];
            if (hypot($across, $down) >= $least) {
                $off[] = new self($zone->id, $zone->name, $across, $down);
            }
        }
        usort($off, static fn (self $one, self $other): int => hypot($other->across, $other->down) <=> hypot($one->across, $one->down));

        return $off;
    }

    /**
     * What a drawing of lines alone is worth.
     *
     * @param  list<self>  $off
     */
    public static function together(array $off): string
    {
        return $off === []
            ? 'Only lines lie there yet, and as far as a photo tells they lie where the reference has them.'
            : 'Only lines lie there yet. Put right what lies elsewhere before you lay any colour.';
    }

    /** "Rope: its outline lies 3 mm too far left and 2 mm too high." */
    public function sentence(): string
    {
        $said = [];
        foreach ([[$this->across, 'too far right', 'too far left'], [$this->down, 'too low', 'too high']] as [$by, $more, $less]) {
            if (round(abs($by)) >= 1.0) {
                $said[] = sprintf('%d mm %s', (int) round(abs($by)), $by > 0.0 ? $more : $less);
            }
        }

        return sprintf('%s: its outline lies %s.', $this->name, implode(' and ', $said));
    }

    /** @param  list<float>  $values  with fewer than some nothing is told */
    private static function median(array $values): float
    {
        if (count($values) < self::FEWEST) {
            return 0.0;
        }
        sort($values);

        return $values[intdiv(count($values), 2)];
    }
}
