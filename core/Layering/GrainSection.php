<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\Bands;
use Prism\Colour\Lab;

/**
 * A cut through paper and films, bin by bin from peak to valley: why a passage no longer takes.
 */
final readonly class GrainSection implements \JsonSerializable
{
    /** Ground over which a film shows its own colour. */
    private const WHITE = 0.9;

    /**
     * @param  list<array{depth: float, share: float, capacity: float, looks: Lab, films: list<array{thickness: float, colour: Lab}>}>  $bins
     */
    private function __construct(public array $bins)
    {
    }

    public static function of(Passage $passage, Tooth $tooth): self
    {
        $bins = [];
        for ($bin = 0; $bin < Tooth::BINS; $bin++) {
            $films = [];
            foreach ($passage->films as $film) {
                if ($film->thickness[$bin] > 0.002) {
                    $films[] = ['thickness' => $film->thickness[$bin], 'colour' => self::ownColour($film, $bin)];
                }
            }
            $bins[] = [
                'depth' => $tooth->depth[$bin],
                'share' => Tooth::SHARES[$bin],
                // Film may be piled above it.
                'capacity' => max($passage->capacity[$bin], $passage->fill[$bin]),
                'looks' => $passage->binLab($bin),
                'films' => $films,
            ];
        }

        return new self($bins);
    }

    /** @return list<array{depth: float, share: float, capacity: float, looks: string, films: list<array{thickness: float, hex: string}>}> */
    public function jsonSerialize(): array
    {
        return array_map(static fn (array $bin): array => [
            'depth' => round($bin['depth'], 4),
            'share' => round($bin['share'], 4),
            'capacity' => round($bin['capacity'], 4),
            'looks' => $bin['looks']->toHex(),
            'films' => array_map(static fn (array $film): array => [
                'thickness' => round($film['thickness'], 4),
                'hex' => $film['colour']->toHex(),
            ], $bin['films']),
        ], $this->bins);
    }

    /** The film by itself over white, as thick as a whole tooth would hold, so that its hue can be told. */
    private static function ownColour(Film $film, int $bin): Lab
    {
        $scale = 1.0 / max(1e-6, $film->thickness[$bin]);
        [$k, $s] = $film->depths($bin);
        $seen = [];
        foreach ($k as $band => $value) {
            $seen[] = KubelkaMunk::film($scale * $value, $scale * $s[$band], self::WHITE);
        }

        return Bands::toLab($seen);
    }
}
