<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Piece;
use App\Models\User;
use App\Models\Zone;
use App\Models\ZoneTarget;
use App\Studio\Photos\PhotoStore;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Prism\Colour\Lab;
use Prism\Matching\Target;
use Prism\Reference\Light\ChromaReach;
use Prism\Reference\Light\RangeMode;
use Prism\Reference\Light\ToneMap;
use Prism\Reference\Zones\TargetNames;
use Prism\Reference\Zones\TargetRole;

/** The colours that an artist's pieces ask for. */
final class Targets
{
    public function __construct(private readonly PhotoStore $photos)
    {
    }

    /** @return array<string, Target> by target */
    public static function of(User $artist): array
    {
        $targets = [];
        foreach (self::rows($artist)->get()->sortBy('id') as $row) {
            $targets[$row->id] = self::wanted($row);
        }

        return $targets;
    }

    /** @return Collection<int, ZoneTarget> those of an artist's pieces that have a recipe */
    public static function withRecipe(User $artist): Collection
    {
        $rows = self::rows($artist);
        $rows->whereHas('recipe')->with('recipe');

        return $rows->get();
    }

    /** As it is searched for: the colour to be drawn, in the light of its zone. */
    public static function wanted(ZoneTarget $target): Target
    {
        return Target::colour(self::drawn($target))->inShadow(ZoneTraits::light($target->zone)->isShadow());
    }

    /** The colour to be drawn: as the artist has set it, else as read in the photo, interpreted, and brought within reach as the piece says. */
    public static function drawn(ZoneTarget $target): Lab
    {
        return $target->edited ? self::read($target) : self::tone($target->zone->piece)->colour(self::interpreted($target));
    }

    /** What the artist makes of it, before it is brought within reach. */
    public static function interpreted(ZoneTarget $target): Lab
    {
        $bearing = Interpretations::bearing($target->zone);
        if ($bearing->isNone()) {
            return self::read($target);
        }
        $middle = $target->zone->targets->firstWhere('role', TargetRole::Middle) ?? $target;

        return $bearing->colour(self::read($target), self::read($middle));
    }

    /** As it is in the photo, or as the artist has set it. */
    public static function read(ZoneTarget $target): Lab
    {
        return Lab::of($target->L, $target->a, $target->b);
    }

    /**
     * Of the zone, and which of its colours if it has several: "Float, light side: dark".
     *
     * @param  ?string  $label  as {@see label()} gives it, where it is known already
     */
    public static function name(ZoneTarget $target, ?string $label = null): string
    {
        return $target->zone->targets->count() < 2 ? $target->zone->name : sprintf('%s: %s', $target->zone->name, $label ?? self::label($target));
    }

    /** Which of the colours of its zone: "dark", "lighter accent". */
    public static function label(ZoneTarget $target): string
    {
        $colours = [];
        foreach ($target->zone->targets as $one) {
            $colours[$one->id] = [$one->role, self::read($one)];
        }

        return TargetNames::of($colours)[$target->id] ?? $target->role->label();
    }

    /** How wide lines are on the paper, in mm; null for what is no line. */
    public static function lineMm(ZoneTarget $target): ?float
    {
        return self::onPaper($target, $target->line_width);
    }

    /** Over how many mm an accent fades into what lies beside it; null where that was not read. */
    public static function edgeMm(ZoneTarget $target): ?float
    {
        return self::onPaper($target, $target->edge_width);
    }

    private static function onPaper(ZoneTarget $target, ?float $share): ?float
    {
        $piece = $target->zone->piece;

        return $share === null ? null : $share * $piece->width_mm / ($piece->crop['width'] ?? 1.0);
    }

    public static function tone(Piece $piece): ToneMap
    {
        $tone = $piece->tone;

        return $tone === null ? ToneMap::none() : ToneMap::of(RangeMode::from($tone['mode']), (float) $tone['photoDark'], (float) $tone['photoLight'], (float) $tone['reachDark'], (float) $tone['reachLight'], ChromaReach::fromArray($tone['chroma'] ?? []));
    }

    /** A colour more for a zone, as sampled in the photo. */
    public function sampled(Zone $zone, TargetRole $role, float $x, float $y, float $radius): ZoneTarget
    {
        $sample = $this->photos->sample($zone->piece->reference(), $x, $y, $radius);
        $target = $zone->targets()->create([
            'role' => $role, 'L' => $sample->colour->L, 'a' => $sample->colour->a, 'b' => $sample->colour->b,
            'spread' => $sample->spread, 'share' => 0.0, 'x' => $x, 'y' => $y, 'edited' => true,
        ]);
        $zone->piece->touch();

        return $target;
    }

    /** The colour as the artist wants it; null: as the photo shows it where the target was found. Not saved yet. */
    public function set(ZoneTarget $target, ?Lab $colour): void
    {
        $read = $colour ?? $this->photos->sample($target->zone->piece->reference(), $target->x, $target->y, $target->zone->radius)->colour;
        $target->fill(['L' => $read->L, 'a' => $read->a, 'b' => $read->b, 'edited' => $colour !== null]);
    }

    /** @return Builder<ZoneTarget> */
    private static function rows(User $artist): Builder
    {
        return ZoneTarget::query()->whereHas('zone.piece', static fn (Builder $piece) => $piece->where('user_id', $artist->id))->with('zone.targets', 'zone.piece.paper');
    }
}
