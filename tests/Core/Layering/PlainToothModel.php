<?php

declare(strict_types=1);

namespace Tests\Core\Layering;

use Prism\Colour\Bands;
use Prism\Layering\Hand;
use Prism\Layering\PencilOptics;
use Prism\Layering\Tooth;

/**
 * The tooth model once more, written for reading: bin by bin, band by band, in the words of docs/engine.md and with
 * the hyperbolic form of Kubelka and Munk. The fast kernel is checked against it.
 */
final class PlainToothModel
{
    /** @var list<array{fill: float, capacity: float, slick: float}> by bin */
    private array $bins = [];

    /** @var list<list<array{thickness: float, K: list<float>, S: list<float>}>> films bottom to top, each by bin */
    private array $films = [];

    public function __construct(private readonly Tooth $tooth, private readonly Hand $hand)
    {
        for ($bin = 0; $bin < Tooth::BINS; $bin++) {
            $this->bins[] = ['fill' => 0.0, 'capacity' => $tooth->capacity[$bin], 'slick' => 0.0];
        }
    }

    public function layer(PencilOptics $pencil, float $pressure, int $passes): void
    {
        $hand = $this->hand;
        $firmness = max(0.0, ($pressure - 0.5) / 0.5);
        $this->level(1.0 - (1.0 - min(0.97, $hand->level * $firmness ** 1.3)) ** $passes);

        $film = [];
        foreach ($this->bins as $bin => $state) {
            // How much of this depth the point touches, and what it leaves there.
            $contact = $this->contact($bin, $pressure);
            $rate = $hand->depositGain * $pencil->transfer * $this->tooth->adhesion * $pressure ** $hand->depositPower * $passes ** $hand->passPower;
            $limit = $state['capacity'] * (1.0 + $hand->pile * $pressure ** 5);
            $free = max(0.0, $limit - $state['fill']);
            $deposit = $free * (1.0 - exp(-$rate * $contact / $limit)) * (1.0 - $state['slick']);
            // Pressed film is denser and holds less air to scatter.
            $density = 1.0 + $hand->density * $pressure ** 4;
            $clear = exp(-$hand->clearing * $pressure ** 3);
            $film[] = ['thickness' => $deposit, 'K' => self::scaled($pencil->K, $deposit * $density), 'S' => self::scaled($pencil->S, $deposit * $density * $clear)];

            $crush = min(0.97, $hand->flatten * max(0.0, ($pressure - 0.5) / 0.32) ** 2);
            $cover = 1.0 - exp(-3.0 * $deposit);
            $fill = $state['fill'] + $deposit;
            $this->bins[$bin] = [
                'fill' => $fill,
                // Film that is piled above the tooth is no tooth.
                'capacity' => $state['capacity'] > $fill ? $fill + ($state['capacity'] - $fill) * (1.0 - $crush * $contact) : $state['capacity'],
                'slick' => (1.0 - $cover) * $state['slick'] + $cover * $pencil->slick * (1.0 + 0.5 * $crush),
            ];
        }
        $this->films[] = $film;
        $this->drag($pencil->drag * $firmness, $pressure, $passes);
    }

    /** @return list<float> 12 bands, seen from a distance */
    public function bands(): array
    {
        $bands = [];
        for ($band = 0; $band < Bands::COUNT; $band++) {
            $mean = $square = 0.0;
            for ($bin = 0; $bin < Tooth::BINS; $bin++) {
                $reflectance = $this->tooth->reflectance[$band];
                foreach ($this->films as $film) {
                    $reflectance = self::over($film[$bin]['K'][$band], $film[$bin]['S'][$band], $reflectance);
                }
                $mean += Tooth::SHARES[$bin] * $reflectance;
                $square += Tooth::SHARES[$bin] * $reflectance ** 2;
            }
            $bands[] = $mean - $this->hand->yuleNielsen * ($square - $mean ** 2) / (4.0 * $mean);
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

    private function contact(int $bin, float $pressure): float
    {
        return 1.0 / (1.0 + exp(($this->tooth->depth[$bin] - $this->hand->reach($pressure)) / $this->hand->reachSoftness));
    }

    /** A firm hand levels every film below between peaks and valleys. */
    private function level(float $share): void
    {
        $before = array_column($this->bins, 'fill');
        foreach ($this->films as $at => $film) {
            $mean = array_sum(array_map(static fn (array $in, float $part): float => $part * $in['thickness'], $film, Tooth::SHARES));
            $meanK = $meanS = array_fill(0, Bands::COUNT, 0.0);
            foreach ($film as $bin => $in) {
                foreach ($in['K'] as $band => $value) {
                    $meanK[$band] += Tooth::SHARES[$bin] * $value;
                    $meanS[$band] += Tooth::SHARES[$bin] * $in['S'][$band];
                }
            }
            foreach ($film as $bin => $in) {
                $moved = $share * ($mean - $in['thickness']);
                $this->bins[$bin]['fill'] += $moved;
                $this->films[$at][$bin]['thickness'] += $moved;
                foreach ($in['K'] as $band => $value) {
                    $this->films[$at][$bin]['K'][$band] += $share * ($meanK[$band] - $value);
                    $this->films[$at][$bin]['S'][$band] += $share * ($meanS[$band] - $in['S'][$band]);
                }
            }
        }
        foreach ($this->bins as $bin => $state) {
            $this->bins[$bin]['capacity'] = max(0.0, $state['capacity'] - max(0.0, $before[$bin] - $state['fill']));
        }
    }

    /** Part of the film below the last is taken up into it. */
    private function drag(float $drag, float $pressure, int $passes): void
    {
        $last = count($this->films) - 1;
        if ($last < 1 || $drag <= 0.0) {
            return;
        }
        foreach (array_keys($this->bins) as $bin) {
            $top = $this->films[$last - 1][$bin];
            $own = $this->films[$last][$bin];
            if ($top['thickness'] <= 0.0) {
                continue;
            }
            $once = min(0.95, $drag * $this->contact($bin, $pressure) * (1.0 - exp(-$own['thickness'] / $top['thickness'])));
            $share = 1.0 - (1.0 - $once) ** $passes;
            foreach (['K', 'S'] as $depth) {
                foreach ($top[$depth] as $band => $value) {
                    $own[$depth][$band] += $share * $value;
                    $top[$depth][$band] -= $share * $value;
                }
            }
            $own['thickness'] += $share * $top['thickness'];
            $top['thickness'] -= $share * $top['thickness'];
            $this->films[$last - 1][$bin] = $top;
            $this->films[$last][$bin] = $own;
        }
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
        return array_values(array_map(static fn (float $value): float => max(1e-4, $value) * $thickness, $perThickness));
    }
}
