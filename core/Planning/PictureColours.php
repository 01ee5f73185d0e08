<?php

declare(strict_types=1);

namespace Prism\Planning;

use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Target;
use Prism\Materials\PencilId;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\Palette\PaletteWish;
use Prism\Reference\Zones\TargetNames;
use Prism\Reference\Zones\TargetRole;

/** All colours of a picture together, as a palette is found for them and a plan made of them: the one way from zones to both. */
final readonly class PictureColours
{
    /** As wide as a picture is taken to be where that is not said. */
    private const WIDTH_MM = 240.0;

    /**
     * @param  array<string, Target>  $targets  by id
     * @param  array<string, float>  $weights  what each counts: by area, and more where it draws the eye
     * @param  array<string, Limits>  $limits  by what each is searched
     * @param  array<string, string>  $zones  in which zone each lies
     * @param  list<PictureZone>  $of
     */
    private function __construct(public array $targets, public array $weights, public array $limits, public array $zones, private array $of)
    {
    }

    /**
     * @param  list<PictureZone>  $zones
     * @param  bool  $valueOnly  only lightness counts
     * @param  list<string>  $given  pencils that the artist has chosen for the picture, RANGE:NUMBER
     */
    public static function of(array $zones, bool $valueOnly = false, array $given = []): self
    {
        $targets = $weights = $limits = $in = [];
        foreach ($zones as $zone) {
            foreach ($zone->targets as $target) {
                $targets[$target->id] = ($valueOnly ? Target::value($target->drawn) : Target::colour($target->drawn))->inShadow($zone->light->isShadow());
                $weights[$target->id] = $zone->weight($target);
                $searched = $zone->limits(Limits::PICTURE_LAYERS, $targets[$target->id], $given);
                // A line is drawn with one point.
                $limits[$target->id] = $target->role === TargetRole::Line ? $searched->alone() : $searched;
                $in[$target->id] = $zone->id;
            }
        }

        return new self($targets, $weights, $limits, $in, $zones);
    }

    /**
     * @param  list<int>  $sizes  of the palettes wanted
     * @param  list<PencilId>  $pinned  always in
     * @param  list<PencilId>  $banned  never in
     */
    public function wish(array $sizes, array $pinned = [], array $banned = []): PaletteWish
    {
        return new PaletteWish($this->targets, $sizes, $this->weights, $pinned, $banned, each: $this->limits, zones: $this->zones, explores: true);
    }

    /**
     * The colours as a plan has them.
     *
     * @param  array<string, Recipe>  $recipes  by target; a colour without one is not planned
     * @param  float  $paperMm2  of the whole picture
     * @param  float  $widthMm  of the whole picture
     * @return list<PlannedZone>
     */
    public function planned(array $recipes, float $paperMm2, float $widthMm = self::WIDTH_MM): array
    {
        $planned = [];
        foreach ($this->of as $zone) {
            $names = TargetNames::of(array_map(static fn (PictureTarget $target): array => [$target->role, $target->drawn], $zone->targets));
            foreach ($zone->targets as $at => $target) {
                $recipe = $recipes[$target->id] ?? null;
                if ($recipe !== null) {
                    $planned[] = new PlannedZone(
                        $target->id, $zone->id, sprintf('%s: %s', $zone->name, $names[$at]), $target->drawn, $recipe->stack, $recipe->underlayer,
                        $paperMm2 * $zone->share * $target->share, array_map(strval(...), $zone->touching), $zone->schools, $zone->highlights, $target->role, $zone->name,
                        valueOnly: $this->targets[$target->id]->valueOnly, lineMm: $target->lineWidth === null ? null : $target->lineWidth * $widthMm, edgeMm: $target->edgeWidth === null ? null : $target->edgeWidth * $widthMm, across: $zone->across, down: $zone->down,
                    );
                }
            }
        }

        return $planned;
    }
}
