<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Piece;
use App\Models\User;
use App\Models\Zone;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\TypedColour;
use App\Studio\Photos\LinePictures;
use App\Studio\Photos\PhotoRefused;
use App\Studio\Photos\ReferenceRole;
use App\Studio\Photos\References;
use App\Studio\Planning\SeenRecipes;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Prism\Box\ColourLadder;
use Prism\Colour\Lab;
use Prism\Materials\Pencil;
use Prism\Reference\Lines\AreaColours;
use Prism\Reference\Lines\AreaForm;
use Prism\Reference\Lines\LineDrawing;
use Prism\Reference\LookRefused;
use Prism\Reference\Zones\TargetRole;
use Prism\Reference\Zones\ZoneMap;

/** The areas of a piece that is begun from a line drawing: which there are, and how each is coloured. */
final class AreaBook
{
    /** Beside each line so much stays paper until the artist says otherwise. */
    public const MARGIN_MM = 0.5;

    /** From the upper left, as most draw it. */
    private const LIGHT_DEGREES = 135.0;

    public function __construct(
        private readonly LinePictures $lines,
        private readonly ZoneBook $zones,
        private readonly TypedColour $typed,
        private readonly Catalogue $catalogue,
        private readonly SeenRecipes $recipes,
        private readonly Engine $engine,
    ) {
    }

    /**
     * The line drawing of a new piece; the piece takes its shape, and its areas are the zones.
     *
     * @param  string  $path  of the uploaded file
     *
     * @throws PhotoRefused
     * @throws LookRefused
     */
    public function begin(Piece $piece, string $path): void
    {
        $drawing = $this->lines->read($path);
        DB::transaction(function () use ($piece, $drawing): void {
            $scale = References::LONG_EDGE_MM / max($drawing->ink->width, $drawing->ink->height);
            $piece->update([
                'width_mm' => round($drawing->ink->width * $scale), 'height_mm' => round($drawing->ink->height * $scale),
                'light_degrees' => self::LIGHT_DEGREES, 'lines' => ['marginMm' => self::MARGIN_MM, 'gaps' => $drawing->gaps, 'more' => $drawing->more],
            ]);
            $reference = $piece->references()->create(['name' => 'Line drawing', 'role' => ReferenceRole::Colour, 'width' => $drawing->ink->width, 'height' => $drawing->ink->height, 'position' => 1]);
            $piece->unsetRelation('references');
            $this->lines->begin($reference, $drawing);
            $this->zones->change($piece, 'Areas found', fn (): ZoneMap => $drawing->withMargins($drawing->areas, self::marginOf($piece, $drawing->areas)));
            $forms = $drawing->forms();
            foreach ($piece->allZones()->get() as $zone) {
                $zone->update(['colouring' => ['form' => ($forms[(int) $zone->label] ?? AreaForm::Round)->value]]);
            }
            $piece->zoneChanges()->delete();
            $piece->unsetRelation('zones');
        });
    }

    /** After margins, format, paper or light have changed: the picture is made anew and read. */
    public function renew(Piece $piece): void
    {
        $drawing = $this->lines->of($piece->reference());
        $this->zones->reshape($piece, static fn (ZoneMap $map): ZoneMap => $drawing->withMargins(LineDrawing::grown($map), self::marginOf($piece, $map)));
    }

    /**
     * Colours, form and shine of some areas; what is not told stays.
     *
     * @param  non-empty-list<Zone>  $zones  of the piece
     * @param  array{by?: string, colour?: string, recipe?: string, form?: string, shines?: bool, body?: string|null}  $wish  validated
     *
     * @throws ValidationException if the colour cannot be read
     */
    public function colour(Piece $piece, array $zones, array $wish): void
    {
        $what = count($zones) === 1 ? sprintf('%s coloured', $zones[0]->name) : sprintf('%d areas coloured', count($zones));
        $this->colourAll($piece, $what, [[$zones, $wish]]);
    }

    /**
     * The same of many at once, one after the other, as one change.
     *
     * @param  list<array{non-empty-list<Zone>, array{by?: string, colour?: string, recipe?: string, form?: string, shines?: bool, body?: string|null}}>  $wishes
     *
     * @throws ValidationException if a colour cannot be read
     */
    public function colourAll(Piece $piece, string $what, array $wishes): void
    {
        $told = array_map(fn (array $wish): array => [$wish[0], $this->toldBy($piece, $wish[1])], $wishes);
        $zones = array_column(array_merge(...array_column($wishes, 0)), null, 'id');
        $labels = array_values(array_map(static fn (Zone $zone): int => (int) $zone->label, $zones));
        DB::transaction(function () use ($piece, $zones, $told, $what, $labels): void {
            $this->zones->recolour($piece, $what, static function () use ($told): void {
                foreach ($told as [$some, $colouring]) {
                    foreach ($some as $zone) {
                        $zone->update(['colouring' => array_filter([...$zone->colouring ?? [], ...$colouring], static fn (mixed $value): bool => $value !== null)]);
                    }
                }
            }, $labels);
            foreach ($zones as $zone) {
                $this->give($zone, $zone->colouring['given'] ?? []);
            }
        });
    }

    /**
     * @param  array{by?: string, colour?: string, recipe?: string, form?: string, shines?: bool, body?: string|null}  $wish
     * @return array<string, mixed> what changes in the colouring of an area
     */
    private function toldBy(Piece $piece, array $wish): array
    {
        $body = isset($wish['body']) ? $piece->zones()->whereKey($wish['body'])->firstOrFail() : null;
        $recipe = isset($wish['recipe']) ? $this->kept($piece->user, $wish['recipe']) : null;
        $told = match ($wish['by'] ?? null) {
            null => [],
            'paper' => ['by' => null, 'light' => null, 'middle' => null, 'dark' => null, 'pencils' => null, 'recipe' => null],
            'recipe' => $this->byRecipe($recipe),
            'ladder' => $this->byLadder($piece, $wish['colour'] ?? ''),
            default => $this->byColour($piece, $wish['by'], $wish['colour'] ?? ''),
        };

        return [...$told, ...array_intersect_key($wish, ['form' => true, 'shines' => true]), ...(array_key_exists('body', $wish) ? ['body' => $body?->label] : [])];
    }

    private static function marginOf(Piece $piece, ZoneMap $map): float
    {
        return ($piece->lines['marginMm'] ?? self::MARGIN_MM) * $map->width * ($piece->crop['width'] ?? 1.0) / $piece->width_mm;
    }

    /** @throws ValidationException */
    private function kept(User $artist, string $target): ZoneTarget
    {
        return Targets::withRecipe($artist)->firstWhere('id', $target)
            ?? throw ValidationException::withMessages(['recipe' => 'This recipe is not in your studio any more. Choose another.']);
    }

    /** @return array<string, mixed> */
    private function byRecipe(?ZoneTarget $target): array
    {
        $recipe = $target === null ? null : $this->recipes->of($target)?->recipe;
        if ($target === null || $recipe === null) {
            throw ValidationException::withMessages(['recipe' => 'Choose one of your recipes.']);
        }

        return [...self::told('recipe', AreaColours::one($recipe->prediction->colour, self::paper($target->zone->piece))), 'recipe' => (string) $recipe->stack];
    }

    /** @return array<string, mixed> */
    private function byColour(Piece $piece, string $by, string $typed): array
    {
        $middle = $this->typed->read($piece->user, $typed, 'colour');

        return self::told($by, $by === 'trio' ? AreaColours::trio($middle, self::paper($piece)) : AreaColours::one($middle, self::paper($piece)));
    }

    /** @return array<string, mixed> */
    private function byLadder(Piece $piece, string $typed): array
    {
        $wanted = $this->typed->read($piece->user, $typed, 'colour');
        $coats = $this->catalogue->box($piece->user)->coats();
        $ladder = ColourLadder::of($coats, $wanted, self::paper($piece))
            ?? throw ValidationException::withMessages(['colour' => 'Your box is empty, so there is no ladder in it. Put pencils in the box, or choose one colour.']);
        $one = AreaColours::one($coats[$ladder->middle], self::paper($piece));
        $colours = AreaColours::of($coats[$ladder->light] ?? $one->light, $one->middle, $coats[$ladder->dark] ?? $one->dark);

        return [...self::told('ladder', $colours), 'pencils' => array_filter(['light' => $ladder->light, 'middle' => $ladder->middle, 'dark' => $ladder->dark])];
    }

    /** @return array<string, mixed> */
    private static function told(string $by, AreaColours $colours): array
    {
        return ['by' => $by, 'light' => self::numbers($colours->light), 'middle' => self::numbers($colours->middle), 'dark' => self::numbers($colours->dark), 'pencils' => null, 'recipe' => null];
    }

    /** @return array{float, float, float} */
    private static function numbers(Lab $colour): array
    {
        return [round($colour->L, 3), round($colour->a, 3), round($colour->b, 3)];
    }

    private static function paper(Piece $piece): Lab
    {
        return Lab::of($piece->paper->L, $piece->paper->a, $piece->paper->b);
    }

    /**
     * Takes back the last change of zones, and with a colouring the recipes that came with it.
     *
     * @return ?string what was undone; null if there was nothing
     */
    public function undo(Piece $piece): ?string
    {
        return DB::transaction(function () use ($piece): ?string {
            $was = [];
            foreach ($piece->allZones()->get() as $zone) {
                $was[$zone->id] = $zone->colouring;
            }
            $undone = $this->zones->undo($piece);
            foreach ($piece->allZones()->get() as $zone) {
                if (array_key_exists($zone->id, $was) && $was[$zone->id] != $zone->colouring) {
                    $this->give($zone->setRelation('piece', $piece), $was[$zone->id]['given'] ?? []);
                }
            }

            return $undone;
        });
    }

    /**
     * Who chose a recipe, or the pencils of a ladder, has them laid: the recipes of the area are those, until it is coloured otherwise.
     *
     * @param  array<string, string>  $given  stacks by role that an earlier colouring has brought: they go, but where the artist has changed them
     */
    private function give(Zone $zone, array $given): void
    {
        $pencils = $zone->colouring['pencils'] ?? [];
        $piece = $zone->piece;
        $box = $pencils === [] ? null : $this->catalogue->box($piece->user);
        $search = $box === null ? null : $this->engine->search($piece->paper, $piece->user, $box);
        $stacks = [];
        foreach ($zone->targets()->with('recipe')->get() as $target) {
            $target->setRelation('zone', $zone);
            $role = $target->role->value;
            $own = $role === TargetRole::Middle->value ? $zone->colouring['recipe'] ?? null : null;
            if ($search !== null && isset($pencils[$role])) {
                // A pencil may have left the box since.
                $only = $box->where(static fn (Pencil $pencil): bool => (string) $pencil->id === $pencils[$role]);
                $own = count($only) === 0 ? null : (string) $search->nearestSingle(Targets::wanted($target), only: $only)->stack;
            }
            $isGiven = $target->recipe === null || $target->recipe->stack === ($given[$role] ?? null);
            if ($own === null && $isGiven) {
                $target->recipe?->delete();
            } elseif ($own !== null && ($isGiven || ! isset($given[$role]))) {
                $target->recipe()->updateOrCreate([], ['stack' => $own, 'by_hand' => true]);
                $stacks[$role] = $own;
            }
        }
        $colouring = [...$zone->colouring ?? [], 'given' => $stacks];
        $zone->update(['colouring' => $stacks === [] ? array_diff_key($colouring, ['given' => true]) : $colouring]);
    }
}
