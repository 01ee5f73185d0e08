<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Piece;
use App\Models\User;
use App\Models\Zone;
use App\Studio\Pencils\TypedColour;
use App\Studio\Planning\PicturePalettes;
use Illuminate\Validation\ValidationException;
use Prism\Reference\Interpretation;

/** What artists make of the colours of their photos, for a piece and for single zones of it. */
final class Interpretations
{
    public function __construct(private readonly TypedColour $typed)
    {
    }

    public static function ofPiece(Piece $piece): Interpretation
    {
        return Interpretation::fromArray($piece->interpretation);
    }

    public static function ofZone(Zone $zone): Interpretation
    {
        return Interpretation::fromArray($zone->interpretation);
    }

    /** All that bears on a zone: what is said of the piece, of the zone, and how one colour on toned paper is used. */
    public static function bearing(Zone $zone): Interpretation
    {
        $all = self::ofPiece($zone->piece)->and(self::ofZone($zone));

        return PicturePalettes::isOneColour($zone->piece) ? $all->drifting((int) (ZoneTraits::of($zone)['importance'] ?? 2)) : $all;
    }

    /** @return array<string, mixed> rules of a change */
    public static function rules(bool $ofZone): array
    {
        $warmth = sprintf('between:-%1$d,%1$d', Interpretation::MOST_WARMTH);

        return [
            'interpretation' => ['sometimes', 'array:chroma,lights,shadows,'.($ofZone ? 'local' : 'hue')],
            'interpretation.chroma' => ['integer', sprintf('between:%d,%d', Interpretation::LEAST_CHROMA, Interpretation::MOST_CHROMA)],
            'interpretation.lights' => ['integer', $warmth],
            'interpretation.shadows' => ['integer', $warmth],
            'interpretation.hue' => ['nullable', 'string', 'max:40'],
            'interpretation.local' => ['nullable', 'string', 'max:40'],
        ];
    }

    /**
     * A change of what was chosen before; what it does not name stays.
     *
     * @param  array<string, mixed>|null  $had  as it is kept
     * @param  array<string, mixed>  $changes  validated; colours as they are typed, null for none
     * @return array<string, mixed>|null to be kept; null where nothing is left of it
     *
     * @throws ValidationException if a colour cannot be read
     */
    public function changed(User $artist, ?array $had, array $changes): ?array
    {
        foreach (['hue', 'local'] as $name) {
            if (isset($changes[$name])) {
                $lab = $this->typed->read($artist, (string) $changes[$name], "interpretation.$name");
                $changes[$name] = [$lab->L, $lab->a, $lab->b];
            }
        }
        $now = Interpretation::fromArray([...$had ?? [], ...$changes]);

        return $now->isNone() ? null : $now->toArray();
    }
}
