<?php

declare(strict_types=1);

namespace App\Console\Bench;

use App\Studio\Swatches\SwatchReader;
use Prism\Calibration\Calibration;
use Prism\Calibration\Calibrator;
use Prism\Calibration\Swatch;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\Paper;
use Prism\Materials\PencilId;

/** Mishaps of a simulated hand, corrected and drawn on: how far off before and after. */
final class CorrectionFigures
{
    private const STACKS = 24;

    /** A correction that ends so much further off has made it worse, dE00. */
    private const WORSE = 0.5;

    private readonly Calibration $calibration;

    /** @param  list<Swatch>  $swatches */
    public function __construct(private readonly Kit $kit, array $swatches, private readonly SwatchReader $reader, private readonly string $paper)
    {
        $this->calibration = Calibrator::fit($kit, $swatches);
    }

    /** @return list<list<string>> mishap, places, before, after, made worse, left alone */
    public function rows(): array
    {
        $predictor = $this->calibration->predictor(Paper::cartridge($this->paper));
        $search = new Search($predictor, $this->kit, PairLibrary::build($predictor->model, $this->kit->ids()));
        $all = ['before' => [], 'after' => []];
        $left = 0;
        $rows = [];
        foreach (['light hand', 'heavy hand', 'a layer missing', 'a layer doubled', 'another pencil'] as $mishap) {
            $before = $after = [];
            $leaves = 0;
            foreach ($this->believed() as $i => $believed) {
                $really = $this->really($mishap, $believed, $i);
                $target = $this->reader->read($this->paper, $believed, "wanted $i");
                $seen = $this->reader->read($this->paper, $really, "drawn $mishap $i");
                $correction = $search->correct($believed, Target::colour($target), new Limits(top: 1, maxLayers: 3), seen: $seen)[0];
                $drawn = $correction->isLeave() ? $seen : $this->reader->read($this->paper, Stack::of(...$really->steps, ...$correction->steps->steps), "drawn $mishap $i");
                $before[] = $seen->differenceTo($target);
                $after[] = $drawn->differenceTo($target);
                $leaves += $correction->isLeave() ? 1 : 0;
            }
            $rows[] = self::row($mishap, $before, $after, $leaves);
            array_push($all['before'], ...$before);
            array_push($all['after'], ...$after);
            $left += $leaves;
        }

        return [...$rows, self::row('all', $all['before'], $all['after'], $left)];
    }

    /** @return list<Stack> as an artist would lay them: two to four layers, light, a few coats */
    private function believed(): array
    {
        $ids = $this->kit->ids();
        $stacks = [];
        for ($i = 0; $i < self::STACKS; $i++) {
            $pick = static fn (int $n): PencilId => PencilId::of($ids[($i * 17 + $n * 31) % count($ids)]);
            $steps = [Step::layer($pick(0), 30 + ($i * 7) % 20, 1 + $i % 2), Step::layer($pick(1), 40 + ($i * 5) % 15, 1 + $i % 3)];
            if ($i % 2 === 0) {
                $steps[] = Step::layer($pick(2), 35 + ($i * 3) % 20, 1 + $i % 2);
            }
            $stacks[] = Stack::of(...$steps);
        }

        return $stacks;
    }

    private function really(string $mishap, Stack $believed, int $i): Stack
    {
        $at = $i % count($believed);
        $step = $believed->steps[$at];

        return match ($mishap) {
            'light hand' => self::pressed($believed, 0.7),
            'heavy hand' => self::pressed($believed, 1.35),
            'a layer missing' => $believed->without($at),
            'a layer doubled' => $believed->with($at, $step->withPasses(min(Step::MAX_PASSES, 2 * $step->passes))),
            default => $believed->with($at, Step::layer(PencilId::of($this->kit->ids()[($i * 11 + 5) % count($this->kit)]), $step->pressurePercent, $step->passes)),
        };
    }

    private static function pressed(Stack $stack, float $by): Stack
    {
        return Stack::of(...array_map(static fn (Step $step): Step => $step->withPressure(min(Pressure::MAX_PERCENT, $step->pressurePercent * $by)), $stack->steps));
    }

    /**
     * @param  list<float>  $before
     * @param  list<float>  $after
     * @return list<string>
     */
    private static function row(string $name, array $before, array $after, int $left): array
    {
        $worse = 0;
        foreach ($before as $i => $was) {
            $worse += $after[$i] > $was + self::WORSE ? 1 : 0;
        }

        return [$name, (string) count($before), self::pair($before), self::pair($after), sprintf('%.0f %%', 100 * $worse / max(1, count($before))), (string) $left];
    }

    /** @param  list<float>  $values */
    private static function pair(array $values): string
    {
        return sprintf('%.2f / %.2f', Clock::quantile($values, 0.5), Clock::quantile($values, 0.9));
    }
}
