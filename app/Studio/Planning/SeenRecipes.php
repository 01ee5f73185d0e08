<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Paper;
use App\Models\Piece;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Engine;
use App\Studio\Files\WholeFile;
use App\Studio\Pencils\Catalogue;
use App\Studio\Photos\PhotoStore;
use App\Studio\Zones\Grounds;
use App\Studio\Zones\Targets;
use Prism\Layering\Stack;
use Prism\Layering\ToothModel;
use Prism\Matching\Recipe;
use Prism\Materials\Kit;
use Prism\Planning\Parcel;

/** The recipes of a piece's colours as the engine sees them now. */
final class SeenRecipes
{
    /** Goes up when the same engine says something else of a recipe. */
    private const VERSION = 1;

    private const FILE = 'seen.kept';

    /** Of one photo, beside those of now: as they were before what one takes back. */
    private const KEPT_BEFORE = 150;

    public function __construct(private readonly Engine $engine, private readonly Catalogue $catalogue, private readonly PhotoStore $photos)
    {
    }

    /** Null: the colour has no recipe. */
    public function of(ZoneTarget $target): ?SeenRecipe
    {
        if ($target->recipe === null) {
            return null;
        }
        [$stack, $paper, $desk] = $this->on($target);
        $artist = $target->zone->piece->user;

        return new SeenRecipe($this->engine->recipes($paper, $artist, $desk)->make($stack, Targets::wanted($target)), fn (): ToothModel => $this->engine->predictor($paper, $artist, $desk)->model);
    }

    /**
     * Of all colours of a piece at once: a stack that was seen before for the same colour, by the same engine, is not seen anew.
     *
     * @param  Piece  $piece  with its zones, their targets and recipes, each knowing what it belongs to
     * @return array<string, SeenRecipe> by target, of those that have a recipe
     */
    public function ofPiece(Piece $piece): array
    {
        // Beside the photo: a copy of the piece has it, too.
        $path = $this->photos->folderOf($piece->reference()).'/'.self::FILE;
        $artist = $piece->user;
        $before = config('prism.keep_answers') ? self::read($path) : [];
        $seen = $recipes = $rests = [];
        foreach ($piece->zones as $zone) {
            foreach ($zone->targets as $target) {
                if ($target->recipe === null) {
                    continue;
                }
                [$stack, $paper, $desk] = $this->on($target);
                $on = spl_object_id($desk).' '.($zone->ground === null ? '' : $zone->id);
                // The desk goes along, so that no other gets its number.
                [, $rest] = $rests[$on] ??= [$desk, $this->engine->digest($paper, $artist, $desk).self::kit($desk)];
                $wanted = Targets::wanted($target);
                $key = hash('xxh128', serialize([self::VERSION, $rest, (string) $stack, $wanted]));
                $recipes[$key] = $before[$key] ?? $this->engine->recipes($paper, $artist, $desk)->make($stack, $wanted);
                $seen[$target->id] = new SeenRecipe($recipes[$key], fn (): ToothModel => $this->engine->predictor($paper, $artist, $desk)->model);
            }
        }
        if (array_diff_key($recipes, $before) !== []) {
            WholeFile::keep($path, (string) gzcompress(Parcel::pack(array_slice($recipes + $before, 0, count($recipes) + self::KEPT_BEFORE)), 1));
        }

        return $seen;
    }

    /**
     * The stack of a colour that has one, the paper that its zone is drawn on, and the pencils at hand.
     *
     * @return array{Stack, Paper, Kit}
     */
    private function on(ZoneTarget $target): array
    {
        $stack = Stack::parse((string) $target->recipe?->stack);
        $piece = $target->zone->piece;

        return [$stack, Grounds::paper($piece, $target->zone), $this->catalogue->desk($piece->user, $stack)];
    }

    /** What of the pencils themselves a recipe's warnings rest on. */
    private static function kit(Kit $desk): string
    {
        return hash('xxh128', serialize($desk));
    }

    /** @return array<string, Recipe> by a digest of all that each rests on */
    private static function read(string $path): array
    {
        $recipes = is_file($path) ? Parcel::unpack((string) @gzuncompress((string) file_get_contents($path))) : [];

        return is_array($recipes) ? array_filter($recipes, static fn (mixed $recipe): bool => $recipe instanceof Recipe) : [];
    }
}
