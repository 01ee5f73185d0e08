<?php

declare(strict_types=1);

namespace App\Console\Bench;

use App\Studio\Swatches\SwatchReader;
use Prism\Calibration\Calibrator;
use Prism\Calibration\Swatch;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\Paper;
use Prism\Materials\PencilId;
use Prism\Planning\Order\AsDrawn;
use Prism\Planning\Order\Deviation;
use Prism\Planning\Order\Passed;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Order\Planner;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\Replan;

/** A step laid otherwise in the middle of a plan: the drawing at the end, gone on with as planned and planned anew, by a simulated hand. */
final class ReplanFigures
{
    private const COLOURS = 30;

    private const MISHAPS = ['another pencil', 'much firmer', 'two coats more', 'left out', 'dabbed off'];

    private readonly Predictor $predictor;

    private readonly Search $search;

    /** @param  list<Swatch>  $swatches */
    public function __construct(private readonly Kit $kit, array $swatches, private readonly SwatchReader $reader, private readonly string $paper)
    {
        $this->predictor = Calibrator::fit($kit, $swatches)->predictor(Paper::cartridge($paper));
        $this->search = new Search($this->predictor, $kit, PairLibrary::build($this->predictor->model, $kit->ids()));
    }

    /** @return list<list<string>> mishap, colours, planned anew, as planned, without, with (median / p90, dE00 as drawn) */
    public function rows(): array
    {
        $rows = $all = [];
        foreach (self::MISHAPS as $mishap) {
            $figures = [];
            for ($i = 0; $i < self::COLOURS; $i++) {
                $figures[] = $this->tried($mishap, $i);
            }
            $rows[] = self::row($mishap, $figures);
            array_push($all, ...$figures);
        }

        return [...$rows, self::row('all', $all)];
    }

    /** @return array{planned: float, without: float, with: ?float} dE00 of the drawing from its target */
    private function tried(string $mishap, int $i): array
    {
        $target = Target::colour($this->reader->read($this->paper, $this->wanted($i), "wanted $i"));
        $limits = new Limits(top: 1, maxLayers: 5);
        $stack = $this->search->find($target, $limits)[0]->stack;
        $plan = (new Planner($this->predictor, $this->kit))->plan([new PlannedZone('t', 'z', 'place', $target->colour, $stack, own: true)]);
        $steps = array_values(array_filter($plan->steps, static fn (PlanStep $step): bool => $step->step?->pencil !== null));
        $at = intdiv(count($steps) - 1, 2);
        $laid = $states = [];
        foreach (array_slice($steps, 0, $at + 1) as $n => $step) {
            $states[$step->key] = 'done';
            if ($n === $at) {
                $laid[$step->key] = $this->really($mishap, $step->step ?? Step::lift(), $i);
            }
        }
        $passed = Passed::through(AsDrawn::of($plan, $laid, fn (): Predictor => $this->predictor), $states)['t'];
        $replan = Replan::of($passed, $target, $this->predictor, $this->search, $limits, $this->kit->only($passed->planned->pencils()));
        $off = fn (Stack $rest): float => $this->reader->read($this->paper, Stack::of(...$passed->present->steps, ...$rest->steps), "drawn $mishap $i")->differenceTo($target->colour);

        return [
            'planned' => $this->reader->read($this->paper, $passed->planned, "drawn $mishap $i")->differenceTo($target->colour),
            'without' => $off($passed->rest),
            'with' => $replan === null ? null : $off($replan->rest),
        ];
    }

    /** Two to four layers, light, a few coats. */
    private function wanted(int $i): Stack
    {
        $ids = $this->kit->ids();
        $pick = static fn (int $n): PencilId => PencilId::of($ids[($i * 13 + $n * 29) % count($ids)]);

        return Stack::of(...array_map(static fn (int $n): Step => Step::layer($pick($n), 30 + ($i * 7 + $n * 5) % 25, 1 + ($i + $n) % 3), range(0, 1 + $i % 3)));
    }

    private function really(string $mishap, Step $step, int $i): Stack
    {
        return match ($mishap) {
            'another pencil' => Deviation::of(pencil: PencilId::of($this->kit->ids()[($i * 11 + 5) % count($this->kit)]))->from($step),
            'much firmer' => Deviation::of(pressurePercent: min(95.0, 1.7 * $step->pressurePercent))->from($step),
            'two coats more' => Deviation::of(coats: min(Step::MAX_PASSES, $step->passes + 2))->from($step),
            'dabbed off' => Deviation::of(dabs: 2)->from($step),
            default => Stack::of(),
        };
    }

    /**
     * @param  list<array{planned: float, without: float, with: ?float}>  $figures
     * @return list<string>
     */
    private static function row(string $name, array $figures): array
    {
        $anew = array_values(array_filter($figures, static fn (array $one): bool => $one['with'] !== null));
        $pair = static function (string $of) use ($anew): string {
            $values = array_map(static fn (array $one): float => (float) $one[$of], $anew);

            return sprintf('%.2f / %.2f', Clock::quantile($values, 0.5), Clock::quantile($values, 0.9));
        };

        return [
            $name, (string) count($figures), (string) count($anew), $pair('planned'), $pair('without'), $pair('with'),
            (string) count(array_filter($anew, static fn (array $one): bool => $one['with'] > $one['without'] + 0.5)),
        ];
    }
}
