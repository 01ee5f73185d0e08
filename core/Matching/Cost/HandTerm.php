<?php

declare(strict_types=1);

namespace Prism\Matching\Cost;

use Prism\Matching\Manner;

/** What the hand has to do: pencils to take up, turns to make, coats to lay. The figures only break ties; coats cost their time. */
final readonly class HandTerm implements Term
{
    /** Of each pencil after the first, and of each turn with one. */
    private const PENCIL = 0.12;

    private const TURN = 0.05;

    /** Of each coat: some two minutes on a hand's breadth of paper. */
    private const COAT = 0.015;

    /** What back and forth is worth against coats at a stretch: it pulls the join together. */
    private const ROUNDS = 0.15;

    /** Of each coat in one layer beyond those of a round: laid at a stretch they go patchy. */
    private const STRETCH = 0.06;

    public function of(Laid $laid): float
    {
        $used = [];
        $stretched = 0;
        foreach ($laid->members as [$index, , $coats]) {
            $used[$index] = true;
            $stretched += max(0, $coats - Manner::ROUND_COATS);
        }

        return self::PENCIL * max(0, count($used) - 1) + self::TURN * max(0, count($laid->members) - 1)
            + self::COAT * max(0, $laid->allCoats - 1) + self::STRETCH * $stretched - ($laid->rounds > 1 ? self::ROUNDS : 0.0);
    }

    public function mostGain(): float
    {
        return self::ROUNDS;
    }
}
