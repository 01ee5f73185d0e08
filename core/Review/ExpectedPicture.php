<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Planning\PartFinder;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Reference\Image\Field;
use Prism\Reference\Zones\ZoneMap;

/** What a drawing should look like by now, as its log has it. */
final class ExpectedPicture
{
    /**
     * @param  Field  $reference  in whose frame it is made
     * @param  list<PictureZone>  $zones
     * @param  array<string, Lab>  $expected  by colour; what is not in it is bare
     */
    public static function of(Field $reference, ZoneMap $map, array $zones, array $expected, Lab $paper): Field
    {
        $parts = PartFinder::of($reference, $map->scaled($reference->width, $reference->height), $zones);
        $light = array_map(static fn (PictureTarget $target): array => Srgb::linear($expected[$target->id] ?? $paper), $parts->targets);
        $bare = Srgb::linear($paper);
        $planes = [[], [], []];
        for ($at = 0, $count = $reference->count(); $at < $count; $at++) {
            $lies = $parts->at($at);
            for ($i = 0; $i < 3; $i++) {
                $planes[$i][] = $lies === null ? $bare[$i] : $light[$lies[0]][$i] + $lies[2] * ($light[$lies[1]][$i] - $light[$lies[0]][$i]);
            }
        }

        return Field::ofPlanes($reference->width, $reference->height, ...Srgb::planesToLab(...$planes));
    }
}
