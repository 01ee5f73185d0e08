<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\Piece;
use App\Models\Recipe;
use App\Models\User;
use App\Models\ZoneTarget;
use App\Studio\Pieces;
use App\Studio\Planning\PicturePalettes;
use App\Studio\Zones\Looking;
use App\Studio\Zones\Reach;
use App\Studio\Zones\Targets;
use Closure;
use Illuminate\Support\Facades\DB;
use Prism\Colour\ValueScale;
use Prism\Matching\Recipe as FoundRecipe;
use Prism\Planning\Build\Apart;
use Prism\Planning\Palette\Palette;
use Prism\Reference\Light\RangeMode;

/**
 * Plans a whole picture: one palette for all of its colours, and a recipe from it for each. Recipes that the artist has chosen
 * stay as they are, unless the wish says `anew`, and so do those that are begun on the paper; their pencils are in the palette.
 * All others are exchanged, or none.
 */
final class PlanningWork implements LongWork
{
    /** A colour that is so much more coloured than the box, dE00, is seen to be. */
    private const SEEN = 2.0;

    public function __construct(private readonly PicturePalettes $palettes, private readonly Looking $looking, private readonly Reach $reach)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        $piece = Pieces::ofArtist($artist, $wish);
        $this->fit($piece);
        $found = $this->palettes->palettes($piece, $progress, ($wish['anew'] ?? false) === true);
        $palette = $found['chosen'];
        $progress('Writing the recipes', 0.95);
        DB::transaction(function () use ($piece, $found, $palette): void {
            $before = $stacks = [];
            $now = self::versions($found['rows']);
            foreach ($found['rows'] as $row) {
                $recipe = $palette->recipes[$row->id] ?? null;
                // What the artist has changed while it was planned stays as they left it.
                if ($recipe === null || in_array($row->id, $found['own'], true) || ($now[$row->id] ?? null) !== $row->version) {
                    continue;
                }
                $before[$row->id] = $row->recipe === null ? null : ['stack' => $row->recipe->stack, 'by_hand' => $row->recipe->by_hand];
                if ($row->recipe?->stack !== (string) $recipe->stack || $row->recipe->by_hand) {
                    $stacks[$row->id] = (string) $recipe->stack;
                }
            }
            self::write($stacks);
            $piece->update(['before_planning' => ['recipes' => $before, 'palette' => $piece->palette], 'palette' => ['trio' => $found['trio'], ...self::told($palette, $found['size'], $found['curve'], $piece->value_only)]]);
        });

        return ['piece' => $piece->id, 'pencils' => count($palette->pencils), 'dE00' => round($palette->meanDifference, 2), 'found' => count($palette->recipes), 'kept' => count($found['own'])];
    }

    /** What the photo has beyond box and paper is fitted, unless the artist has said how values are to be taken. */
    private function fit(Piece $piece): void
    {
        $reach = $piece->tone === null ? $this->reach->of($piece) : null;
        if ($reach === null) {
            return;
        }
        $values = $this->looking->values($piece);
        $chroma = $this->reach->chroma($piece);
        $targets = ZoneTarget::query()->whereRelation('zone', 'piece_id', $piece->id)->where('edited', false)->get();
        $tooColoured = static fn (ZoneTarget $target): bool => $chroma->colour(Targets::interpreted($target))->differenceTo(Targets::interpreted($target)) > self::SEEN;
        if ($values->dark < $reach['dark'] || $values->light > $reach['light'] || $targets->contains($tooColoured)) {
            $piece->update(['tone' => $this->looking->tone($piece, RangeMode::Compress)]);
        }
    }

    /** Mean over the colours, in steps of the scale. */
    private static function valueError(Palette $palette): float
    {
        $errors = array_map(static fn (FoundRecipe $recipe): float => abs($recipe->difference->dL) / ValueScale::stepSize(), $palette->recipes);

        return $errors === [] ? 0.0 : array_sum($errors) / count($errors);
    }

    /**
     * Locked until all is written.
     *
     * @param  list<ZoneTarget>  $rows
     * @return array<string, int> by target; those that are gone have none
     */
    private static function versions(array $rows): array
    {
        $targets = ZoneTarget::query();
        $targets->whereKey(array_map(static fn (ZoneTarget $row): string => $row->id, $rows))->lockForUpdate();

        return $targets->pluck('version', 'id')->all();
    }

    /** @param  array<string, string>  $stacks  by target: all in two statements, for the artist waits */
    private static function write(array $stacks): void
    {
        $rows = array_map(static fn (string $target, string $stack): array => ['target_id' => $target, 'stack' => $stack, 'by_hand' => false], array_keys($stacks), $stacks);
        Recipe::query()->upsert($rows, ['target_id'], ['stack', 'by_hand']);
        ZoneTarget::query()->whereKey(array_keys($stacks))->increment('version');
    }

    /**
     * @param  array<int, Palette>  $curve
     * @return array<string, mixed>
     */
    private static function told(Palette $palette, ?int $size, array $curve, bool $valueOnly): array
    {
        $sizes = array_keys($curve);

        return [
            'size' => $size,
            'dE00' => round($palette->meanDifference, 3),
            'separate' => round($palette->separate, 3),
            'wholeBox' => round($curve[(int) array_key_last($curve)]->meanDifference, 3),
            'curve' => array_map(static fn (int $n): array => ['size' => $n, 'dE00' => round($curve[$n]->meanDifference, 3), 'pencils' => array_map(strval(...), $curve[$n]->pencils)], $sizes),
            'pencils' => array_map(static fn ($id): array => ['id' => (string) $id, 'loss' => round($palette->losses[(string) $id] ?? 0.0, 3)], $palette->pencils),
            'apart' => array_map(static fn (Apart $apart): array => ['base' => (string) $apart->base, 'local' => $apart->local, 'further' => $apart->further === null ? null : round($apart->further, 2)], $palette->apart),
            'valueError' => $valueOnly ? round(self::valueError($palette), 2) : null,
        ];
    }
}
