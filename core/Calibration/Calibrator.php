<?php

declare(strict_types=1);

namespace Prism\Calibration;

use Prism\Colour\Bands;
use Prism\Colour\DeltaE;
use Prism\Colour\Lab;
use Prism\Colour\Reconstruction;
use Prism\Layering\Hand;
use Prism\Layering\PencilOptics;
use Prism\Layering\Sensitivity;
use Prism\Layering\Tooth;
use Prism\Layering\ToothModel;
use Prism\Materials\Kit;
use Prism\Materials\Paper;
use Prism\Materials\Pencil;

/**
 * Fits pencils, papers and hand to swatches: robust least squares (Gauss-Newton, damped as by Levenberg and Marquardt) over
 * single coats, overlays, washes and all papers at once, with priors from binder, opacity and what papers were declared to
 * be. The paper with most swatches is the yardstick: its tooth stays as declared, the others' are found against it.
 */
final class Calibrator
{
    private const ROUNDS = 20;

    /** Weights by noise are computed anew after so many rounds. */
    private const WHITEN_EVERY = 5;

    /** A round that gains less than this share of the cost is the last but those after a new weighing. */
    private const SETTLED = 0.002;

    /** A swatch this many standard deviations off, squared, counts half: Cauchy's weight. */
    private const HALF_WEIGHT = 4.0;

    /** Where slopes are taken, on a log scale. */
    private const SLOPE_STEP = 0.01;

    private const LONGEST_STEP = 0.5;

    private const DAMPING = 1e-2;

    private const DAMPINGS_TRIED = 6;

    /** Coats with a colour of no pencil yet: L* from which one that lies only under or over others starts. */
    private const UNKNOWN_L = 55.0;

    private Fit $fit;

    /** @var list<Swatch> with layers, of pencils that are known */
    private array $swatches;

    /** @var array<string, list<int>> by pencil */
    private array $users = [];

    /** @var list<Whitening> by swatch */
    private array $whitening = [];

    /** @var list<string> papers whose tooth is found */
    private array $foundPapers;

    /** @var list<string> pencils that are fitted */
    private array $fitted;

    /** @var \Closure(string, float): void */
    private readonly \Closure $progress;

    /**
     * @param  list<Swatch>  $swatches
     * @param  ?\Closure(string, float): void  $progress  what is being done and how far it is, 0-1; may throw to cancel
     */
    private function __construct(private readonly Kit $kit, array $swatches, private readonly bool $fitHand, ?\Closure $progress)
    {
        $this->progress = $progress ?? static function (): void {
        };
        $this->swatches = [];
        foreach ($swatches as $swatch) {
            $pencils = array_map(strval(...), $swatch->stack->pencils());
            if ($pencils !== [] && array_diff($pencils, $kit->ids()) === []) {
                foreach (array_unique($pencils) as $id) {
                    $this->users[$id][] = count($this->swatches);
                }
                $this->swatches[] = $swatch;
            }
        }
    }

    /**
     * @param  list<Swatch>  $swatches  of any papers
     * @param  array<string, Paper>  $papers  what is known of them beforehand, by id; cartridge if nothing is
     * @param  ?\Closure(string, float): void  $progress
     */
    public static function fit(Kit $kit, array $swatches, array $papers = [], Hand $hand = new Hand, ?\Closure $progress = null): Calibration
    {
        $calibrator = new self($kit, $swatches, true, $progress);
        $calibrator->start($swatches, $papers, $hand);
        $before = $calibrator->differences();
        $calibrator->settle();

        return $calibrator->result($swatches, $before);
    }

    /**
     * A calibration with swatches added: only the pencils and papers of what is new move, the hand stays.
     *
     * @param  list<Swatch>  $swatches  all of them, old and new
     * @param  array<string, Paper>  $papers
     * @param  ?\Closure(string, float): void  $progress
     */
    public static function refit(Calibration $previous, Kit $kit, array $swatches, array $papers = [], ?\Closure $progress = null): Calibration
    {
        $calibrator = new self($kit, $swatches, false, $progress);
        $calibrator->start($swatches, $papers, new Hand);
        $calibrator->goOnFrom($previous);
        $before = $calibrator->differences();
        $calibrator->settle();

        return $calibrator->result($swatches, $before);
    }

    /** A calibration with pencils that it has not met, as their table describes them under its hand. */
    public static function with(Calibration $known, Kit $kit): Calibration
    {
        $new = $kit->where(static fn (Pencil $pencil): bool => ! $known->knows($pencil->id));
        if (count($new) === 0) {
            return $known;
        }
        $calibrator = new self($new, [], false, null);
        $calibrator->start([], [], new Hand);

        return $known->withPencils($calibrator->fit->pencils);
    }

    /**
     * @param  list<Swatch>  $swatches
     * @param  array<string, Paper>  $papers
     */
    private function start(array $swatches, array $papers, Hand $hand): void
    {
        $count = [];
        $whites = [];
        foreach ($swatches as $swatch) {
            $count[$swatch->paper] = ($count[$swatch->paper] ?? 0) + (count($swatch->stack) > 0 ? 1 : 0);
            if (count($swatch->stack) === 0) {
                $whites[$swatch->paper][] = $swatch->colour;
            }
        }
        arsort($count);
        $fits = [];
        foreach (array_keys($count) as $id) {
            $id = (string) $id;
            $paper = $papers[$id] ?? Paper::cartridge($id);
            $white = isset($whites[$id]) ? self::mean($whites[$id]) : $paper->colour;
            $fits[$id] = new PaperFit(Paper::of($id, $paper->name, $white, $paper->roughness, $paper->capacity, $paper->adhesion));
        }
        $this->foundPapers = array_values(array_filter(
            array_map(strval(...), array_slice(array_keys($fits), 1)),
            static fn (string $id): bool => $count[$id] > 0,
        ));
        $pencils = [];
        foreach ($this->kit as $id => $pencil) {
            $found = $this->pencil($id, $pencil, $fits, $hand);
            if ($found !== null) {
                $pencils[$id] = $found;
            }
        }
        $this->fitted = array_values(array_filter(array_keys($pencils), fn (string $id): bool => isset($this->users[$id])));
        $this->fit = new Fit(HandFit::from($hand), $fits, $pencils);
    }

    /**
     * Where a pencil starts: its heaviest coat alone, or the colour of the pencil table, or a grey if it lies only over or
     * under others; null if nothing is known of it.
     *
     * @param  array<string, PaperFit>  $papers  best-swatched first
     */
    private function pencil(string $id, Pencil $pencil, array $papers, Hand $hand): ?PencilFit
    {
        foreach ($papers as $paper => $fit) {
            // A paper called "300" comes back from an array as a number.
            $paper = (string) $paper;
            $heaviest = null;
            $most = 0.0;
            foreach ($this->users[$id] ?? [] as $i) {
                $swatch = $this->swatches[$i];
                $step = $swatch->stack->steps[0];
                if ($swatch->paper !== $paper || count($swatch->stack) !== 1) {
                    continue;
                }
                $weight = $step->pressurePercent * (1.0 + 0.2 * ($step->passes - 1));
                if ($weight > $most) {
                    $most = $weight;
                    $heaviest = $swatch;
                }
            }
            if ($heaviest !== null) {
                $tooth = $fit->tooth();
                $step = $heaviest->stack->steps[0];
                $bands = Reconstruction::smoothest($heaviest->colour, Bands::WEIGHTS);

                return self::started($pencil, (new FullCoat($tooth, $hand))->optics($pencil, $bands, $step->pressurePercent, $step->passes), $tooth, $hand);
            }
        }
        // The colour in a pencil table is that of a coat on white cartridge, whatever one draws on.
        $tooth = Tooth::of(Paper::cartridge());
        $bands = FullCoat::bandsOf($pencil);
        if ($bands !== null) {
            return self::started($pencil, (new FullCoat($tooth, $hand))->optics($pencil, $bands), $tooth, $hand);
        }

        return isset($this->users[$id])
            ? PencilFit::from($pencil, FullCoat::prior($pencil, self::UNKNOWN_L, $hand), self::UNKNOWN_L)
            : null;
    }

    private static function started(Pencil $pencil, PencilOptics $optics, Tooth $tooth, Hand $hand): PencilFit
    {
        $model = new ToothModel($tooth, $hand, []);

        return PencilFit::from($pencil, $optics, $model->layer($model->bare(), $optics, FullCoat::PRESSURE_PERCENT / 100.0, FullCoat::PASSES)->lab()->L);
    }

    /** Takes over what the earlier calibration found; what it did not know stays as started. */
    private function goOnFrom(Calibration $previous): void
    {
        // The bare paper may have been read anew; its tooth is what was found.
        $known = [];
        foreach ($previous->fit->papers as $id => $paper) {
            $known[$id] = isset($this->fit->papers[$id]) ? $paper->ofColour($this->fit->papers[$id]->paper()->colour) : $paper;
        }
        $this->fit = new Fit($previous->fit->hand, $known + $this->fit->papers, $previous->fit->pencils + $this->fit->pencils);
        $new = array_filter($this->swatches, static fn (Swatch $swatch): bool => ! $previous->rests($swatch));
        $pencils = $papers = [];
        foreach ($new as $swatch) {
            foreach ($swatch->stack->pencils() as $pencil) {
                $pencils[] = (string) $pencil;
            }
            $papers[] = $swatch->paper;
        }
        $this->fitted = array_values(array_intersect($this->fitted, $pencils));
        // The yardstick stays what it was, however many swatches another paper has by now.
        $this->foundPapers = array_values(array_diff(array_intersect($this->foundPapers, $papers), [$previous->yardstick]));
    }

    private function settle(): void
    {
        if ($this->fitted === [] && $this->foundPapers === []) {
            return;
        }
        $damping = self::DAMPING;
        $cost = INF;
        $settled = false;
        for ($round = 0; $round < self::ROUNDS; $round++) {
            ($this->progress)('fitting', $round / self::ROUNDS);
            if ($round % self::WHITEN_EVERY === 0) {
                $this->whiten();
                $cost = $this->cost($this->fit);
                if ($settled) {
                    break;
                }
            } elseif ($settled) {
                continue;
            }
            $equations = $this->equations();
            $gain = 0.0;
            for ($try = 0; $try < self::DAMPINGS_TRIED; $try++) {
                $moved = $this->moved(...$equations->step($damping));
                $now = $this->cost($moved);
                if ($now < $cost) {
                    $gain = ($cost - $now) / $cost;
                    $cost = $now;
                    $this->fit = $moved;
                    $damping = max(1e-4, $damping / 4.0);

                    break;
                }
                $damping *= 5.0;
            }
            $settled = $gain < self::SETTLED;
        }
        ($this->progress)('fitting', 1.0);
    }

    private function whiten(): void
    {
        $models = $this->fit->models();
        $this->whitening = array_map(
            static fn (Swatch $swatch): Whitening => Whitening::of(Sensitivity::of($models[$swatch->paper], $swatch->stack)),
            $this->swatches,
        );
    }

    private function cost(Fit $fit): float
    {
        $models = $fit->models();
        $cost = 0.0;
        foreach ($this->swatches as $i => $swatch) {
            $cost += 3.0 * self::HALF_WEIGHT * log(1.0 + self::square($this->residual($i, $models[$swatch->paper])) / self::HALF_WEIGHT);
        }
        foreach ($fit->hand->offsets as $i => $offset) {
            $cost += ($offset / array_values(HandFit::SPREAD)[$i]) ** 2;
        }
        foreach ($this->foundPapers as $id) {
            foreach ($fit->papers[$id]->offsets as $i => $offset) {
                $cost += ($offset / PaperFit::SPREAD[$i]) ** 2;
            }
        }
        foreach ($this->fitted as $id) {
            foreach ($fit->pencils[$id]->offsets as $i => $offset) {
                $cost += ($offset / PencilFit::SPREAD[$i]) ** 2;
            }
        }

        return $cost;
    }

    private function equations(): NormalEquations
    {
        $models = $this->fit->models();
        $base = [];
        foreach ($this->swatches as $i => $swatch) {
            $base[] = $this->residual($i, $models[$swatch->paper]);
        }
        /** @var array<int, array<int, array{float, float, float}>> $shared by swatch and unknown */
        $shared = array_fill(0, count($base), []);
        $unknown = 0;
        $spreads = [];
        if ($this->fitHand) {
            foreach (array_values(HandFit::SPREAD) as $constant => $spread) {
                $stepped = $this->fit->withHand($this->fit->hand->moved([$constant => self::SLOPE_STEP]))->models();
                foreach ($this->swatches as $i => $swatch) {
                    $shared[$i][$unknown] = self::slope($base[$i], $this->residual($i, $stepped[$swatch->paper]));
                }
                $spreads[$unknown++] = [$this->fit->hand->offsets[$constant], $spread];
            }
        }
        foreach ($this->foundPapers as $id) {
            foreach (PaperFit::SPREAD as $figure => $spread) {
                $tooth = $this->fit->papers[$id]->moved([$figure => self::SLOPE_STEP])->tooth();
                $stepped = new ToothModel($tooth, $models[$id]->hand, $models[$id]->optics);
                foreach ($this->swatches as $i => $swatch) {
                    if ($swatch->paper === $id) {
                        $shared[$i][$unknown] = self::slope($base[$i], $this->residual($i, $stepped));
                    }
                }
                $spreads[$unknown++] = [$this->fit->papers[$id]->offsets[$figure], $spread];
            }
        }
        $slopes = $this->pencilSlopes($models, $base);

        $equations = new NormalEquations($unknown);
        foreach ($base as $i => $residual) {
            $weight = 1.0 / (1.0 + self::square($residual) / self::HALF_WEIGHT);
            for ($k = 0; $k < 3; $k++) {
                $along = static fn (array $slopes): array => array_map(static fn (array $slope): float => $slope[$k], $slopes);
                $equations->add($weight, $residual[$k], $along($shared[$i]), array_map($along, $slopes[$i] ?? []));
            }
        }
        foreach ($spreads as $i => [$value, $spread]) {
            $equations->expectShared($i, $value, $spread);
        }
        foreach ($this->fitted as $id) {
            foreach (PencilFit::SPREAD as $i => $spread) {
                $equations->expect($id, count(PencilFit::SPREAD), $i, $this->fit->pencils[$id]->offsets[$i], $spread);
            }
        }

        return $equations;
    }

    /**
     * @param  array<string, ToothModel>  $models
     * @param  array<int, array{float, float, float}>  $base
     * @return array<int, array<string, array<int, array{float, float, float}>>> by swatch, pencil and unknown
     */
    private function pencilSlopes(array $models, array $base): array
    {
        $slopes = [];
        foreach ($this->fitted as $id) {
            foreach (array_keys(PencilFit::SPREAD) as $unknown) {
                $pencil = $this->fit->pencils[$id]->moved([$unknown => self::SLOPE_STEP]);
                $stepped = [];
                foreach ($this->users[$id] as $i) {
                    $paper = $this->swatches[$i]->paper;
                    $stepped[$paper] ??= new ToothModel($models[$paper]->tooth, $models[$paper]->hand, [$id => $pencil->optics($models[$paper]->hand)] + $models[$paper]->optics);
                    $slopes[$i][$id][$unknown] = self::slope($base[$i], $this->residual($i, $stepped[$paper]));
                }
            }
        }

        return $slopes;
    }

    /**
     * @param  array<int, float>  $shared
     * @param  array<string, array<int, float>>  $blocks
     */
    private function moved(array $shared, array $blocks): Fit
    {
        $limited = static fn (float $by): float => max(-self::LONGEST_STEP, min(self::LONGEST_STEP, $by));
        $shared = array_map($limited, $shared);
        $fit = $this->fit;
        $at = 0;
        if ($this->fitHand) {
            $at = count(HandFit::SPREAD);
            $fit = $fit->withHand($fit->hand->moved(array_slice($shared, 0, $at)));
        }
        $papers = $fit->papers;
        foreach ($this->foundPapers as $id) {
            $papers[$id] = $papers[$id]->moved(array_slice($shared, $at, count(PaperFit::SPREAD)));
            $at += count(PaperFit::SPREAD);
        }
        $pencils = $fit->pencils;
        foreach ($blocks as $id => $by) {
            $pencils[$id] = $pencils[$id]->moved(array_map($limited, $by));
        }

        return new Fit($fit->hand, $papers, $pencils);
    }

    /** @return array{float, float, float} from what was read to what is predicted, in standard deviations of noise */
    private function residual(int $swatch, ToothModel $model): array
    {
        $read = $this->swatches[$swatch]->colour;
        $seen = $model->draw($this->swatches[$swatch]->stack)->lab();

        return $this->whitening[$swatch]->apply(DeltaE::components($read->L, $read->a, $read->b, $seen->L, $seen->a, $seen->b));
    }

    /** @return list<float> dE00 by swatch */
    private function differences(): array
    {
        $models = $this->fit->models();

        return array_map(static fn (Swatch $swatch): float => $models[$swatch->paper]->draw($swatch->stack)->lab()->differenceTo($swatch->colour), $this->swatches);
    }

    /**
     * @param  list<Swatch>  $all
     * @param  list<float>  $before
     */
    private function result(array $all, array $before): Calibration
    {
        if ($this->whitening === []) {
            $this->whiten();
        }
        $after = $this->differences();
        $models = $this->fit->models();
        $squares = [];
        foreach ($this->swatches as $i => $swatch) {
            $squares[] = self::square($this->residual($i, $models[$swatch->paper]));
        }

        return Calibration::of($this->fit, $all, $this->swatches, $before, $after, $squares);
    }

    /**
     * @param  array{float, float, float}  $from
     * @param  array{float, float, float}  $to
     * @return array{float, float, float}
     */
    private static function slope(array $from, array $to): array
    {
        return [($to[0] - $from[0]) / self::SLOPE_STEP, ($to[1] - $from[1]) / self::SLOPE_STEP, ($to[2] - $from[2]) / self::SLOPE_STEP];
    }

    /** @param  array{float, float, float}  $residual */
    private static function square(array $residual): float
    {
        return ($residual[0] ** 2 + $residual[1] ** 2 + $residual[2] ** 2) / 3.0;
    }

    /** @param  non-empty-list<Lab>  $colours */
    private static function mean(array $colours): Lab
    {
        $L = $a = $b = 0.0;
        foreach ($colours as $colour) {
            $L += $colour->L;
            $a += $colour->a;
            $b += $colour->b;
        }
        $n = count($colours);

        return Lab::of($L / $n, $a / $n, $b / $n);
    }
}
