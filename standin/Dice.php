<?php

declare(strict_types=1);

namespace Standin;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Repeatable chance: the same seed, the same throws. */
final class Dice
{
    private const FINE = 1_000_000_000;

    private readonly Randomizer $randomizer;

    public function __construct(string $seed)
    {
        $this->randomizer = new Randomizer(new Mt19937(crc32($seed)));
    }

    /** 0-1, neither end. */
    public function uniform(): float
    {
        return ($this->randomizer->getInt(0, self::FINE - 1) + 0.5) / self::FINE;
    }

    /** Mean 0, standard deviation 1 (Box & Muller 1958). */
    public function normal(): float
    {
        return sqrt(-2.0 * log($this->uniform())) * cos(2.0 * M_PI * $this->uniform());
    }

    /**
     * The same in another order.
     *
     * @template T
     *
     * @param  list<T>  $of
     * @return list<T>
     */
    public function shuffled(array $of): array
    {
        return $this->randomizer->shuffleArray($of);
    }
}
