<?php

declare(strict_types=1);

namespace Tests\Core\Layering;

use Prism\Colour\Bands;
use Prism\Layering\Hand;
use Prism\Layering\PencilOptics;
use Prism\Layering\Tooth;

/**
 * The tooth model once more, written for reading: bin by bin, band by band, in the words of docs/how-it-works.md and with
 * the hyperbolic form of Kubelka and Munk. The fast kernel is checked against it.
 */
final class PlainToothModel
{
    /** @var list<array{fill: float, capacity: float, slick: float, films: list<array{thickness: float, K: list<float>, S: list<float>}>}> */
    private array $bins = [];

    public function __construct(private readonly Tooth $tooth, private readonly Hand $hand)
    {
        for ($bin = 0; $bin < Tooth::BINS; $bin++) {
            $this->bins[] = ['fill' => 0.0, 'capacity' => $tooth->capacity[$bin], 'slick' => 0.0, 'films' => []];
        }
    }

    public function layer(PencilOptics $pencil, float $pressure, int $passes): void
    {
        $hand = $this->hand;
        foreach ($this->bins as $bin => $state) {
            // How much of this depth the point touches.
            $ground = $this->tooth->depth[$bin] - $hand->rise * $state['fill'];
            $contact = 1.0 / (1.0 + exp(($ground - $hand->reach($pressure)) / $hand->reachSoftness));
            // What it would leave on free tooth, and what the films there keep off.
            $force = $hand->depositGain * $pencil->transfer * $this->tooth->adhesion * $pressure ** $hand->depositPower * $passes ** $hand->passPower;
            $free = max(0.0, $state['capacity'] - $state['fill']);
            $crowding = $free <= 0.0 ? 0.0 : ($free / $state['capacity']) ** $hand->crowdPower;
            $deposit = $state['capacity'] * $crowding * (1.0 - exp(-$force * $contact / $state['capacity'])) * (1.0 - $state['slick']);
            $deposit = min($deposit, $free);

            $film = ['thickness' => $deposit, 'K' => self::scaled($pencil->K, $deposit), 'S' => self::scaled($pencil->S, $deposit)];
            $top = array_pop($state['films']);
            if ($top !== null) {
                [$top, $film] = $this->drag($top, $film, $pencil->drag * $pressure * $pressure, $contact, $deposit);
                $state['films'][] = $top;
            }
            $state['films'][] = $film;

            $cover = 1.0 - exp(-3.0 * $deposit);
            $crush = $hand->crush($pressure);
            $state['fill'] += $deposit;
            $state['capacity'] = $state['fill'] + max(0.0, $state['capacity'] - $state['fill']) * (1.0 - $crush * $contact);
            $state['slick'] = (1.0 - $cover) * $state['slick'] + $cover * $pencil->slick * (1.0 + 0.5 * $crush);
            $this->bins[$bin] = $state;
        }
    }

    /** @return list<float> 12 bands, seen from a distance */
    public function bands(): array
    {
        $bands = [];
        for ($band = 0; $band < Bands::COUNT; $band++) {
            $plain = $root = 0.0;
            foreach ($this->bins as $bin => $state) {
                $reflectance = $this->tooth->reflectance[$band];
                foreach ($state['films'] as $film) {
                    $reflectance = self::over($film['K'][$band], $film['S'][$band], $reflectance);
                }
                $plain += Tooth::SHARES[$bin] * $reflectance;
                $root += Tooth::SHARES[$bin] * sqrt($reflectance);
            }
            $bands[] = (1.0 - $this->hand->yuleNielsen) * $plain + $this->hand->yuleNielsen * $root ** 2;
        }

        return $bands;
    }

    public function toothLeft(): float
    {
        $free = 0.0;
        foreach ($this->bins as $bin => $state) {
            $free += Tooth::SHARES[$bin] * max(0.0, $state['capacity'] - $state['fill']);
        }

        return $free / $this->tooth->totalCapacity;
    }

    /**
     * Part of the top film is taken up into the new one.
     *
     * @param  array{thickness: float, K: list<float>, S: list<float>}  $top
     * @param  array{thickness: float, K: list<float>, S: list<float>}  $film
     * @return array{array{thickness: float, K: list<float>, S: list<float>}, array{thickness: float, K: list<float>, S: list<float>}}
     */
    private function drag(array $top, array $film, float $drag, float $contact, float $deposit): array
    {
        if ($drag <= 0.01 || $top['thickness'] <= 0.0) {
            return [$top, $film];
        }
        $share = $drag * $contact * min(1.0, $deposit / $top['thickness']);
        foreach (['K', 'S'] as $depth) {
            foreach ($top[$depth] as $band => $value) {
                $film[$depth][$band] += $share * $value;
                $top[$depth][$band] -= $share * $value;
            }
        }
        $film['thickness'] += $share * $top['thickness'];
        $top['thickness'] -= $share * $top['thickness'];

        return [$top, $film];
    }

    /** R of a film over a ground, as in Kubelka & Munk 1931 with a = (S + K) / S and b = sqrt(a^2 - 1). */
    private static function over(float $k, float $s, float $ground): float
    {
        if ($s < 1e-9) {
            return $ground * exp(-2.0 * $k);
        }
        $a = ($s + max($k, 1e-9)) / $s;
        $b = sqrt($a * $a - 1.0);
        $coth = 1.0 / tanh($b * $s);

        return (1.0 - $ground * ($a - $b * $coth)) / ($a - $ground + $b * $coth);
    }

    /**
     * @param  array<int, float>  $perThickness
     * @return list<float>
     */
    private static function scaled(array $perThickness, float $thickness): array
    {
        return array_values(array_map(static fn (float $value): float => $value * $thickness, $perThickness));
    }
}
