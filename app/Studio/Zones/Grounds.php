<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Paper as PaperModel;
use App\Models\Piece;
use App\Models\User;
use App\Models\Zone;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\TypedColour;
use Illuminate\Validation\Rule;
use Illuminate\Validation\ValidationException;
use Prism\Colour\Words\Family;
use Prism\Layering\Predictor;
use Prism\Materials\Ground;
use Prism\Materials\GroundTooth;
use Prism\Materials\Kit;

/** Grounds of another medium that zones are begun on, and what the engine then takes for their paper. */
final class Grounds
{
    public function __construct(private readonly TypedColour $typed, private readonly Engine $engine)
    {
    }

    public static function of(?Zone $zone): ?Ground
    {
        return Ground::fromArray($zone?->ground);
    }

    /** What a zone of a piece is drawn on. */
    public static function paper(Piece $piece, ?Zone $zone): PaperModel
    {
        $ground = self::of($zone);
        if ($ground === null) {
            return $piece->paper;
        }
        $under = Catalogue::paper($piece->paper)->under($ground);

        return $piece->paper->replicate()->fill(['slug' => $under->id, 'L' => $under->colour->L, 'a' => $under->colour->a, 'b' => $under->colour->b, 'roughness' => $under->roughness, 'capacity' => $under->capacity]);
    }

    /**
     * Who predicts for the colours of zones that have a ground of their own.
     *
     * @return array<string, Predictor> by target
     */
    public function predictors(Piece $piece, Kit $kit): array
    {
        return self::byTarget($piece, fn (Zone $zone): Predictor => $this->engine->predictor(self::paper($piece, $zone), $piece->user, $kit));
    }

    /**
     * Something for each colour of the zones that have a ground of their own.
     *
     * @template T
     *
     * @param  \Closure(Zone): T  $of
     * @return array<string, T> by target
     */
    public static function byTarget(Piece $piece, \Closure $of): array
    {
        $found = [];
        $zones = $piece->zones();
        $zones->whereNotNull('ground');
        foreach ($zones->with('targets')->get() as $zone) {
            $made = $of($zone);
            $found += array_fill_keys($zone->targets->map(static fn (ZoneTarget $target): string => $target->id)->all(), $made);
        }

        return $found;
    }

    /** How a zone is begun on its ground, in a sentence. */
    public static function sentence(Ground $ground): string
    {
        return sprintf('Lay its ground first, %s, and let it dry.', Family::of($ground->colour)->word());
    }

    /** @return array<string, mixed> rules of a change */
    public static function rules(): array
    {
        return [
            'ground' => ['sometimes', 'nullable', 'array:colour,tooth'],
            'ground.colour' => ['required_with:ground', 'string', 'max:40'],
            'ground.tooth' => ['required_with:ground', Rule::enum(GroundTooth::class)],
        ];
    }

    /**
     * @param  array{colour: string, tooth: string}|null  $wanted  validated; the colour as it is typed
     * @return array{colour: array{float, float, float}, tooth: string}|null to be kept
     *
     * @throws ValidationException if the colour cannot be read
     */
    public function read(User $artist, ?array $wanted): ?array
    {
        return $wanted === null ? null : (new Ground($this->typed->read($artist, $wanted['colour'], 'ground.colour'), GroundTooth::from($wanted['tooth'])))->toArray();
    }
}
