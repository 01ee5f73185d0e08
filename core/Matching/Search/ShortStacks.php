<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Layering\Look;

/** What one or two layers on bare paper look like, with their finish: many targets of a picture come by the same. */
final class ShortStacks
{
    private const MOST_LAYERS = 2;

    /** @var array<string, Look> */
    private array $looks = [];

    /** @param  list<array{int, int, int}>  $layers */
    public static function keyOf(array $layers, string $finish): ?string
    {
        if (count($layers) > self::MOST_LAYERS) {
            return null;
        }
        $key = $finish;
        foreach ($layers as [$index, $percent, $coats]) {
            $key .= ",$index,$percent,$coats";
        }

        return $key;
    }

    public function get(string $key): ?Look
    {
        return $this->looks[$key] ?? null;
    }

    public function keep(string $key, Look $look): Look
    {
        return $this->looks[$key] = $look;
    }
}
