<?php

declare(strict_types=1);

namespace Prism\Calibration;

use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Materials\PencilId;

/** What goes into the cells of a chart. The bare paper is always among it, since everything is measured against it. */
final class ChartStacks
{
    /** Pressures and passes at which a pencil is shown alone. */
    public const PRESSURES = [[30.0, 1], [60.0, 1], [90.0, 2]];

    /** Of the layers of a pair, and of a triple, bottom to top. */
    private const PAIR = [45.0, 55.0];

    /** Pressure and passes of both layers of a pair that is built up. */
    private const BUILT = [50.0, 3];

    private const TRIPLE = [40.0, 45.0, 50.0];

    public const MOST_CELLS = 320;

    /**
     * Every pencil at three pressures.
     *
     * @param  list<PencilId>  $pencils
     * @return list<Stack>
     */
    public static function singles(array $pencils): array
    {
        $stacks = [Stack::of()];
        foreach ($pencils as $pencil) {
            foreach (self::PRESSURES as [$percent, $passes]) {
                $stacks[] = Stack::of(Step::layer($pencil, $percent, $passes));
            }
        }

        return $stacks;
    }

    /**
     * Every pencil in three fields, and nothing else: three beside one another are one pencil.
     *
     * @param  list<PencilId>  $pencils
     * @return list<Stack>
     */
    public static function card(array $pencils): array
    {
        return array_slice(self::singles($pencils), 1);
    }

    /** One pencil lightly over another, as on a chart of pairs. */
    public static function pair(PencilId $lower, PencilId $upper): Stack
    {
        return self::laid([$lower, $upper], self::PAIR);
    }

    /** One pencil over another, each in as many coats as a drawing has of it: it teaches most of both (docs/decisions/0016). */
    public static function built(PencilId $lower, PencilId $upper): Stack
    {
        return Stack::of(Step::layer($lower, ...self::BUILT), Step::layer($upper, ...self::BUILT));
    }

    /** A pencil over itself, as much of it as a pair has. */
    public static function doubled(PencilId $pencil): Stack
    {
        return self::laid([$pencil, $pencil], self::PAIR);
    }

    /**
     * All pairs in both orders.
     *
     * @param  list<PencilId>  $pencils
     * @return list<Stack>
     */
    public static function pairs(array $pencils): array
    {
        $stacks = [Stack::of()];
        foreach ($pencils as $lower) {
            foreach ($pencils as $upper) {
                if ((string) $lower !== (string) $upper) {
                    $stacks[] = self::pair($lower, $upper);
                }
            }
        }

        return $stacks;
    }

    /**
     * Every three pencils, as they are given and the other way round.
     *
     * @param  list<PencilId>  $pencils
     * @return list<Stack>
     */
    public static function triples(array $pencils): array
    {
        $stacks = [Stack::of()];
        $count = count($pencils);
        for ($i = 0; $i < $count; $i++) {
            for ($j = $i + 1; $j < $count; $j++) {
                for ($k = $j + 1; $k < $count; $k++) {
                    $stacks[] = self::laid([$pencils[$i], $pencils[$j], $pencils[$k]], self::TRIPLE);
                    $stacks[] = self::laid([$pencils[$k], $pencils[$j], $pencils[$i]], self::TRIPLE);
                }
            }
        }

        return $stacks;
    }

    /**
     * @param  list<PencilId>  $pencils  bottom to top
     * @param  list<float>  $percents
     */
    private static function laid(array $pencils, array $percents): Stack
    {
        return Stack::of(...array_map(static fn (PencilId $pencil, float $percent): Step => Step::layer($pencil, $percent), $pencils, $percents));
    }
}
