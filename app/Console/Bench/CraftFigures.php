<?php

declare(strict_types=1);

namespace App\Console\Bench;

use App\Studio\Photos\PhotoReader;
use Prism\Colour\Lab;
use Prism\Colour\Wheel;
use Prism\Layering\Predictor;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Matching\Gamut;
use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\PencilKind;
use Prism\Planning\Fitting;
use Prism\Planning\Order\Planner;
use Prism\Planning\Palette\PaletteFinder;
use Prism\Planning\PictureColours;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Reference\Image\Field;
use Prism\Reference\PictureReading;
use Prism\Reference\Zones\ZoneReader;
use Prism\Schools\Progress;
use Prism\Schools\SchoolSet;
use Prism\Schools\Surface;

/** Whether what is proposed is what an artist would lay: counted over the recipes of planned pictures, and over single colours. */
final class CraftFigures
{
    private const ZONES = 24;

    private const PAPER_MM2 = 240.0 * 180.0;

    private const FEW = 12;

    /** A first recipe's warning is avoidable where another recipe, no further than this behind, has none, dE00. */
    private const BESIDE = 1.0;

    /** On the wheel of 18: the complement and its neighbours. */
    private const OPPOSITE = 5.5;

    private readonly Search $search;

    private readonly PairLibrary $library;

    public function __construct(private readonly Predictor $predictor, private readonly Kit $box)
    {
        $this->library = PairLibrary::build($predictor->model, $box->ids());
        $this->search = new Search($predictor, $box, $this->library);
    }

    /** @return list<string> name, then the figures of {@see columns()} */
    public function picture(PhotoReader $reader, string $name): array
    {
        $raster = $reader->pixels(database_path("demo/$name.jpg"));
        $reading = PictureReading::of($raster);
        $zones = array_values(array_map(PictureZone::read(...), (new ZoneReader(Field::of($raster, PictureReading::EDGE), $reading->tree->cut(self::ZONES), $reading->light))->read()));
        $read = array_merge(...array_map(static fn (PictureZone $zone): array => array_map(static fn (PictureTarget $target): Lab => $target->read, $zone->targets), $zones));
        $fitting = Fitting::of($read, $this->search, Gamut::permitted($this->library, $this->box, new SchoolSet), $this->predictor->model->bare()->lab()->L);
        $zones = array_map(static fn (PictureZone $zone): PictureZone => $zone->by(new SchoolSet, $fitting), $zones);
        $surfaces = [];
        foreach ($zones as $zone) {
            foreach ($zone->targets as $target) {
                $surfaces[$target->id] = $zone->surface;
            }
        }
        $colours = PictureColours::of($zones);
        [$targets, $weights, $of] = [$colours->targets, $colours->weights, $colours->zones];
        $palette = (new PaletteFinder($this->search, $this->box))->curve($colours->wish([self::FEW]))[self::FEW];
        $worst = [];
        foreach ($palette->recipes as $id => $recipe) {
            $worst[$of[$id]][] = $recipe->difference->dE00;
        }

        $plan = (new Planner($this->predictor, $this->box, Progress::ZoneByZone))->plan($colours->planned($palette->recipes, self::PAPER_MM2));
        $sum = $all = 0.0;
        $built = [];
        foreach ($plan->built as $id => $seen) {
            $miss = $seen->colour->differenceTo($targets[$id]->colour);
            $built[$of[$id]][] = $miss;
            $sum += $weights[$id] * $miss;
            $all += $weights[$id];
        }
        $most = static fn (array $zones): string => sprintf('%.1f', max(0.0, ...array_values(array_map(Clock::mean(...), $zones))));

        return [$name, ...$this->counted($palette->recipes, $targets, $surfaces), sprintf('%.2f', $palette->meanDifference), $most($worst), sprintf('%.2f', $sum / max(1e-9, $all)), $most($built), (string) count($plan->turns)];
    }

    /**
     * @param  list<Lab>  $colours
     * @return list<string>
     */
    public function colours(string $name, array $colours): array
    {
        $recipes = $targets = $surfaces = [];
        foreach ($colours as $i => $colour) {
            $targets["t$i"] = Target::colour($colour);
            $surfaces["t$i"] = Surface::Smooth;
            $recipes["t$i"] = $this->search->find($targets["t$i"])[0];
        }

        return [$name, ...$this->counted($recipes, $targets, $surfaces), sprintf('%.2f', Clock::mean(array_map(static fn (Recipe $recipe): float => $recipe->difference->dE00, array_values($recipes)))), '', '', '', ''];
    }

    /**
     * First recipes with a warning that another, nearly as good, does not carry.
     *
     * @param  list<Lab>  $colours
     */
    public function avoidableWarnings(array $colours): string
    {
        $avoidable = 0;
        foreach ($colours as $colour) {
            $recipes = $this->search->find(Target::colour($colour), new Limits(top: 6));
            foreach (array_slice($recipes, 1) as $other) {
                $avoids = array_udiff($recipes[0]->warnings, $other->warnings, static fn ($a, $b): int => $a->value <=> $b->value);
                if ($other->breaks === null && $avoids !== [] && $other->difference->dE00 <= $recipes[0]->difference->dE00 + self::BESIDE) {
                    $avoidable++;

                    break;
                }
            }
        }

        return sprintf('%d of %d', $avoidable, count($colours));
    }

    /** @return list<string> */
    public static function columns(): array
    {
        return ['colours', '85 % and more, not on hard', '70-84 %', 'of these not last', 'median below', 'over 60 % below', 'black', 'complement below in shadows', 'reserves coloured', 'coats, median', 'grain open', 'mean dE00', 'worst zone', 'as built', 'worst as built', 'turns'];
    }

    /**
     * @param  array<string, Recipe>  $recipes
     * @param  array<string, Target>  $targets
     * @param  array<string, Surface>  $surfaces
     * @return list<string>
     */
    private function counted(array $recipes, array $targets, array $surfaces): array
    {
        $layers = $burnished = $firm = $firmBelow = $heavyBelow = $black = $shadows = $complemented = $reserves = $open = 0;
        $below = $coats = [];
        $bare = $this->predictor->model->bare()->lab();
        foreach ($recipes as $id => $recipe) {
            $steps = array_values(array_filter($recipe->stack->steps, static fn ($step): bool => $step->isLayer()));
            $last = count($steps) - 1;
            $all = 0;
            foreach ($steps as $at => $step) {
                $layers++;
                $all += $step->passes;
                $burnished += $step->pressurePercent >= Pressure::BURNISH_PERCENT && $surfaces[$id] !== Surface::Hard ? 1 : 0;
                $isFirm = $step->pressurePercent >= 70.0 && $step->pressurePercent < Pressure::BURNISH_PERCENT;
                $firm += $isFirm ? 1 : 0;
                $firmBelow += $isFirm && $at < $last ? 1 : 0;
                if ($at < $last) {
                    $below[] = $step->pressurePercent;
                    $heavyBelow += $step->pressurePercent > 60.0 ? 1 : 0;
                }
            }
            $black += array_filter($recipe->stack->pencils(), fn ($pencil): bool => PencilKind::of($this->heavy((string) $pencil)) === PencilKind::Black) !== [] && $recipe->breaks === null ? 1 : 0;
            if ($targets[$id]->isShadow() && $targets[$id]->hasComplement()) {
                $shadows++;
                $complemented += $this->hasComplementBelow($recipe->stack, $targets[$id]) ? 1 : 0;
            }
            $reserves += $last >= 0 && $targets[$id]->miss($bare->L, $bare->a, $bare->b) <= Target::BARE_PAPER ? 1 : 0;
            $open += $recipe->prediction->grainWords() === 'open grain' ? 1 : 0;
            if ($last >= 0) {
                $coats[] = (float) $all;
            }
        }
        $share = static fn (int $part): string => sprintf('%.0f %%', 100.0 * $part / max(1, $layers));

        return [
            (string) count($recipes), $share($burnished), $share($firm), (string) $firmBelow, sprintf('%.0f', Clock::quantile($below, 0.5)), (string) $heavyBelow, (string) $black,
            "$complemented of $shadows", (string) $reserves, sprintf('%.0f', Clock::quantile($coats, 0.5)), sprintf('%d', $open),
        ];
    }

    private function hasComplementBelow(Stack $stack, Target $target): bool
    {
        $goal = Wheel::position($target->colour->hueDegrees());
        foreach (array_slice($stack->steps, 0, -1) as $step) {
            if ($step->isLayer() && $step->pressurePercent <= 40.0) {
                $coat = $this->heavy((string) $step->pencil);
                if ($coat->chroma() > 12.0 && Wheel::distance(Wheel::position($coat->hueDegrees()), $goal) >= self::OPPOSITE) {
                    return true;
                }
            }
        }

        return false;
    }

    private function heavy(string $pencil): Lab
    {
        return $this->predictor->model->draw(Stack::parse($pencil.'@90x2'))->lab();
    }
}
