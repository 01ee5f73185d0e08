<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\Paper;
use App\Models\User;
use App\Studio\Calibration\Calibrations;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Zones\Targets;
use Closure;
use Prism\Box\BoxCover;
use Prism\Box\Gap;
use Prism\Box\Gaps;
use Prism\Box\NextPencils;
use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Colour\Words\Appearance;
use Prism\Matching\Gamut;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;
use Prism\Planning\Palette\Palette;
use Prism\Planning\Palette\PaletteFinder;
use Prism\Planning\Palette\PaletteWish;
use Prism\Planning\Palette\Representatives;

/** Looks a box through: what it covers, what it cannot reach, what would help most, and how few of it would do. */
final class AuditWork implements LongWork
{
    /** Pencils of other people's boxes with which this one is compared: so many, spread over all ranges. */
    private const REFERENCE = 64;

    /** Colours that the best few pencils are to make, spread over what the box can make, and over those of one's own pieces. */
    private const SPREAD_TARGETS = 28;

    private const SIZES = [6, 8, 12, 18, 24, 36, 48];

    private const HOLES = 8;

    /** Fewer targets of one's own tell nothing of a box. */
    private const LEAST_TARGETS = 3;

    public function __construct(private readonly Catalogue $catalogue, private readonly Engine $engine)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        $paper = Paper::seenBy($artist)->where('slug', $wish['paper'] ?? '')->firstOrFail();
        $box = $this->catalogue->box($artist);
        if (count($box) === 0) {
            throw new WorkRefused('Your box is empty. Tick the pencils you own; then there is something to look through.');
        }
        $progress('Choosing pencils to compare with', 0.02);
        $reference = $this->reference($artist, $box);
        $search = $this->engine->search($paper, $artist, $box);
        $library = $this->engine->library($paper, $artist, $this->engine->searchable($paper, $artist, $box));
        $progress('Mixing every pair of your box', 0.1);
        $has = Gamut::of($library);
        $progress('Mixing pairs of all ranges', 0.15);
        $all = Gamut::of($this->engine->library($paper, $artist, $reference))->and($has);
        $progress('Trying what others would add', 0.35);
        $next = new NextPencils(
            $this->engine->predictor($paper, $artist, $reference)->model,
            $library->ids,
            array_values(array_diff($reference->ids(), $library->ids)),
            static fn (float $share) => $progress('Trying what others would add', 0.35 + 0.35 * $share),
        );
        $ownTargets = Targets::of($artist);
        $own = array_values($ownTargets);
        $holes = $all->without($has);
        $finder = new PaletteFinder($search, $this->engine->searchable($paper, $artist, $box));
        $progress('Finding the best few of your box', 0.72);
        $general = array_map(static fn (Lab $lab): Target => Target::colour($lab), self::spread($has));
        $curve = $finder->curve(new PaletteWish($general, self::sizes($box)));
        $progress('Finding the best few for your pieces', 0.87);
        $ownCurve = count($own) < self::LEAST_TARGETS ? [] : $finder->curve(self::spreadOf($ownTargets, self::sizes($box)));
        $progress('Looking for what fills the holes', 0.9);
        $gaps = new Gaps($search, $next);
        $filled = array_map(self::gap(...), $gaps->in($holes, self::HOLES));
        $progress('Weighing what to buy next', 0.95);

        return [
            'paper' => $paper->name,
            'calibration' => Calibrations::restsOn($artist),
            'box' => count($box),
            'compared' => count($reference),
            'cover' => self::cover(BoxCover::of($box->coats()), $gaps, $this->catalogue->pencils($artist)->where(static fn (Pencil $pencil): bool => ! $box->has($pencil->id))),
            'reached' => $has->count(),
            'reachable' => $all->count(),
            'cells' => [...self::cells($has, true), ...self::cells($holes, false)],
            'ladder' => self::ladder($has, $holes),
            'holes' => $filled,
            'nextInGeneral' => array_map(static fn (array $pick): array => ['pencil' => (string) $pick['pencil'], 'gained' => $pick['gained'], 'fills' => array_slice(self::holes($pick['new']), 0, 2)], $next->forGamut($has)),
            'nextForPieces' => count($own) < self::LEAST_TARGETS ? [] : array_map(static fn (array $pick): array => ['pencil' => (string) $pick['pencil'], 'gained' => round($pick['gained'], 2), 'targets' => $pick['targets']], $next->forTargets($own, $library)),
            'targets' => count($own),
            'curve' => self::curve($curve),
            'ownCurve' => self::curve($ownCurve),
        ];
    }

    private function reference(User $artist, Kit $box): Kit
    {
        $pencils = $this->catalogue->pencils($artist);
        $chosen = Representatives::of($pencils->coats(), self::REFERENCE, array_keys($box->coats()));

        return $pencils->where(static fn (Pencil $pencil): bool => in_array((string) $pencil->id, $chosen, true));
    }

    /** @return array<string, Lab> */
    private static function spread(Gamut $gamut): array
    {
        $colours = [];
        foreach ($gamut->colours() as $i => $lab) {
            $colours["c$i"] = $lab;
        }

        return array_intersect_key($colours, array_flip(Representatives::of($colours, self::SPREAD_TARGETS)));
    }

    /** @return list<int> */
    private static function sizes(Kit $box): array
    {
        return [...array_filter(self::SIZES, static fn (int $size): bool => $size < count($box)), count($box)];
    }

    /** @return list<array{float, float, int, int}> wheel position, chroma, value step, 1 if it is reached */
    private static function cells(Gamut $gamut, bool $reached): array
    {
        return array_map(static function (Lab $lab) use ($reached): array {
            $look = Appearance::of($lab);

            return [round($look->wheelPosition, 2), round($lab->chroma(), 1), $look->valueStep, $reached ? 1 : 0];
        }, $gamut->colours());
    }

    /** @return list<array{step: int, reached: int, missing: int}> */
    private static function ladder(Gamut $has, Gamut $holes): array
    {
        $count = static fn (Gamut $gamut): array => array_count_values(array_map(static fn (Lab $lab): int => ValueScale::step($lab->L), $gamut->colours()));
        $reached = $count($has);
        $missing = $count($holes);

        return array_map(static fn (int $step): array => ['step' => $step, 'reached' => $reached[$step] ?? 0, 'missing' => $missing[$step] ?? 0], range(ValueScale::STEPS, 1));
    }

    /** @return list<array{family: string, character: string, valueStep: int, cells: int, hex: string}> largest first */
    private static function holes(Gamut $gamut): array
    {
        return array_map(static fn (array $labs): array => self::hole(Appearance::of($labs[intdiv(count($labs), 2)]), count($labs)), array_slice(Gaps::grouped($gamut), 0, self::HOLES));
    }

    /** @return array{family: string, character: string, valueStep: int, cells: int, hex: string} */
    private static function hole(Appearance $look, int $cells): array
    {
        return ['family' => $look->family->word(), 'character' => $look->character->value, 'valueStep' => $look->valueStep, 'cells' => $cells, 'hex' => $look->lab->toHex()];
    }

    /** @return array<string, mixed> a hole, what would fill it, and how near the box comes meanwhile */
    private static function gap(Gap $gap): array
    {
        return [
            ...self::hole($gap->look, $gap->cells), 'buy' => $gap->buy === null ? null : (string) $gap->buy, 'brings' => $gap->brings,
            'mix' => ['stack' => (string) $gap->mix->stack, 'hex' => $gap->mix->prediction->colour->toHex(), 'dE00' => round($gap->mix->difference->dE00, 1), 'words' => $gap->mix->difference->words],
        ];
    }

    /** @return list<array<string, mixed>> rows with what would fill each kind that is missing */
    private static function cover(BoxCover $cover, Gaps $gaps, Kit $others): array
    {
        return array_map(static fn (array $row): array => [...$row, 'missing' => array_map(static function (string $kind) use ($row, $gaps, $others): array {
            $gap = $gaps->kind($others, $row['family'], $kind);

            return ['kind' => $kind, 'gap' => $gap === null ? null : self::gap($gap)];
        }, $row['missing'])], $cover->rows);
    }

    /**
     * Of many targets so many that each other lies near one, which counts for it: the best few for a hundred colours are those for them.
     *
     * @param  array<string, Target>  $targets
     * @param  list<int>  $sizes
     */
    private static function spreadOf(array $targets, array $sizes): PaletteWish
    {
        $colours = array_map(static fn (Target $target): Lab => $target->colour, $targets);
        $chosen = Representatives::of($colours, self::SPREAD_TARGETS);
        $weights = array_fill_keys($chosen, 0.0);
        foreach ($colours as $lab) {
            $nearest = $chosen[0];
            foreach ($chosen as $id) {
                $nearest = $lab->differenceTo($colours[$id]) < $lab->differenceTo($colours[$nearest]) ? $id : $nearest;
            }
            $weights[$nearest]++;
        }

        return new PaletteWish(array_intersect_key($targets, $weights), $sizes, weights: $weights);
    }

    /**
     * @param  array<int, Palette>  $curve
     * @return list<array{size: int, dE00: float, pencils: list<string>}>
     */
    private static function curve(array $curve): array
    {
        $points = [];
        foreach ($curve as $size => $palette) {
            $points[] = ['size' => $size, 'dE00' => round($palette->meanDifference, 2), 'pencils' => array_map(strval(...), $palette->pencils)];
        }

        return $points;
    }
}
