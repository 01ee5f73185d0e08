<?php

declare(strict_types=1);

namespace App\Console\Bench;

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\Enumeration;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;
use Prism\Planning\Palette\PaletteFinder;
use Prism\Planning\Palette\PaletteWish;

/** Latency and quality of the search, and of palettes. */
final class SearchFigures
{
    /** Twenty-four varied targets: lights, darks, greys, earths, clean and hard ones. */
    private const TARGETS = [
        [62, 20, 45], [30, 40, 20], [25, -2, -10], [80, -15, 5], [50, 0, 0], [93, 1, 6], [40, -20, 20], [55, -10, -30],
        [70, 15, -10], [18, 2, 2], [35, 20, -35], [45, 15, 18], [85, 5, 40], [60, 45, 35], [50, -45, 10], [75, 3, 12],
        [30, 8, 10], [66, -5, -15], [58, 4, -22], [90, -4, 4], [38, 45, -5], [28, -15, -8], [72, 25, 60], [48, -30, -20],
    ];

    /** Deterministic choice of pencils for a kit of a given size. */
    private const SPREAD = 61;

    private const SMALL_KITS = 2;

    public const PALETTE_SIZES = [6, 8, 12, 18, 24];

    public function __construct(private readonly Predictor $predictor, private readonly Kit $pencils)
    {
    }

    /**
     * @param  list<int>  $sizes
     * @return list<list<string>>
     */
    public function latency(array $sizes): array
    {
        $rows = [];
        foreach ($sizes as $size) {
            $kit = $this->kit($size);
            [$search, $build] = Clock::milliseconds(fn (): Search => $this->search($kit));
            $times = $misses = $singles = $sensitivities = [];
            // The first round warms up; the others are measured.
            foreach ([false, true, true, true] as $measured) {
                foreach (self::targets() as $target) {
                    [$recipes, $elapsed] = Clock::milliseconds(static fn (): array => $search->find($target));
                    if ($measured) {
                        $times[] = $elapsed;
                        $misses[] = $recipes[0]->difference->dE00;
                        $sensitivities[] = $recipes[0]->prediction->sensitivity;
                        $singles[] = $search->nearestSingle($target)->difference->dE00;
                    }
                }
            }
            $rows[] = [
                $size.' pencils', sprintf('%.1f', $build / 1e3), sprintf('%.0f', Clock::quantile($times, 0.5)), sprintf('%.0f', Clock::quantile($times, 0.95)),
                sprintf('%.2f', Clock::quantile($misses, 0.5)), sprintf('%.2f', Clock::quantile($misses, 0.9)),
                sprintf('%.2f', Clock::quantile($singles, 0.5)), sprintf('%.1f', Clock::quantile($sensitivities, 0.5)),
            ];
        }

        return $rows;
    }

    /**
     * What the search costs above the best of every stack of up to three layers that twelve pencils give at five pressures.
     *
     * @return list<string> stacks, mean, p95, largest
     */
    public function gap(): array
    {
        $limits = new Limits(maxPencils: 3, maxLayers: 3);
        $gaps = [];
        $stacks = 0;
        for ($part = 0; $part < self::SMALL_KITS; $part++) {
            $kit = $this->kit(12, 5 + 17 * $part);
            $all = new Enumeration($this->predictor->model, $kit->ids());
            $stacks += $all->count();
            $search = $this->search($kit);
            foreach (self::targets() as $target) {
                $gaps[] = max(0.0, $search->bestCost($target, $limits) - $all->leastCost($target, $limits));
            }
        }

        return [number_format($stacks), sprintf('%.3f', Clock::mean($gaps)), sprintf('%.3f', Clock::quantile($gaps, 0.95)), sprintf('%.2f', Clock::quantile($gaps, 1.0))];
    }

    /** @return list<list<string>> */
    public function palettes(): array
    {
        $kit = $this->kit(60);
        $finder = new PaletteFinder($this->search($kit), $kit);
        $names = array_map(static fn (int $i): string => 'target '.$i, array_keys(self::TARGETS));
        $targets = array_combine($names, self::targets());
        $finder->curve(new PaletteWish($targets, [6]));
        [$palettes, $elapsed] = Clock::milliseconds(static fn (): array => $finder->curve(new PaletteWish($targets, self::PALETTE_SIZES)));
        $rows = [];
        foreach ($palettes as $size => $palette) {
            $rows[] = [$size.' of 60', sprintf('%.2f', $palette->meanDifference), $rows === [] ? sprintf('%.1f for all sizes', $elapsed / 1e3) : ''];
        }

        return $rows;
    }

    /** @return list<Target> */
    private static function targets(): array
    {
        return array_map(static fn (array $lab): Target => Target::colour(Lab::of(...$lab)), self::TARGETS);
    }

    private function search(Kit $kit): Search
    {
        return new Search($this->predictor, $kit, PairLibrary::build($this->predictor->model, $kit->ids()));
    }

    private function kit(int $size, int $from = 0): Kit
    {
        $ids = $this->pencils->ids();

        return $this->pencils->only(array_map(static fn (int $i): PencilId => PencilId::of($ids[(($from + $i) * self::SPREAD) % count($ids)]), range(0, min($size, count($ids)) - 1)));
    }
}
