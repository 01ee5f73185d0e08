<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Materials\Core;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;

/**
 * The pencil that maps the shapes before any colour: one that the drawing uses anyhow, pale enough to vanish under what follows
 * and dark enough to be seen, that can be lifted; a hard core if there is one.
 */
final class Mapping
{
    /** Paler than this it is not seen on white paper; darker, it shows through, L*. */
    public const SEEN_BELOW_L = 86.0;

    private const VANISHES_FROM_L = 55.0;

    /** How much better a hard core is, in L* from the middle of that range; and what chroma costs, per unit. */
    private const HARD = 12.0;

    private const CHROMA = 0.3;

    /** Null where every pencil of the drawing stains, is too dark or too pale. */
    public static function of(Kit $used): ?Pencil
    {
        $best = null;
        $least = INF;
        foreach ($used as $pencil) {
            $coat = $pencil->fullCoat;
            if ($coat === null || $pencil->stains || $coat->L > self::SEEN_BELOW_L || $coat->L < self::VANISHES_FROM_L) {
                continue;
            }
            $cost = abs($coat->L - (self::SEEN_BELOW_L + self::VANISHES_FROM_L) / 2.0) + self::CHROMA * $coat->chroma() - ($pencil->core === Core::Hard ? self::HARD : 0.0);
            if ($cost < $least) {
                $least = $cost;
                $best = $pencil;
            }
        }

        return $best;
    }
}
