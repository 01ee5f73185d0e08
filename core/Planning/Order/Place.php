<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

/** Where a turn goes to in one zone, with how many coats; steps of one or more of its colours. */
final readonly class Place
{
    /** What fades over less is crisp: no point shades so narrow. */
    private const CRISP_MM = 1.5;

    /**
     * @param  string  $zone  id of the zone
     * @param  string  $name  of the zone
     * @param  non-empty-list<PlanStep>  $steps  that this lays, largest area first
     */
    public function __construct(public string $zone, public string $name, public ZonePart $part, public int $coats, public array $steps)
    {
    }

    /** @param  non-empty-list<PlanStep>  $steps */
    public function with(array $steps): self
    {
        return new self($this->zone, $this->name, $this->part, $this->coats, $steps);
    }

    /** Which part of the zone, as an artist says it: "all", "middle and dark"; of two accents which, or both. */
    public function words(): string
    {
        $zone = $this->steps[0]->zone;
        $of = $zone->zoneName().': ';
        if (ZonePart::ownOf($zone->role) === null || ! str_starts_with($zone->name, $of)) {
            return $this->part->value;
        }
        $names = array_unique(array_map(static fn (PlanStep $step): string => $step->zone->name, $this->steps));

        return count($names) > 1 ? rtrim($this->part->value, 's').'s' : substr($zone->name, strlen($of));
    }

    /** How the pressure falls over it; null where all of it is pressed alike. */
    public function fade(): ?Fade
    {
        return Fade::of($this->steps);
    }

    /** What must still be seen, when it is compared with the photo, for it to be laid; null where that does not hang on looking. */
    public function onlyIf(): ?string
    {
        $ifs = array_map(static fn (PlanStep $step): ?string => $step->onlyIf, $this->steps);

        return in_array(null, $ifs, true) ? null : $ifs[0];
    }

    /** Of a place that stays paper: how its edge is; null where nothing is kept, or that was not read. */
    public function edge(): ?string
    {
        $step = $this->steps[0];
        $mm = $step->zone->edgeMm;

        return match (true) {
            $mm === null || ! in_array($step->role, [StepRole::Reserve, StepRole::Sparkle], true) => null,
            $mm < self::CRISP_MM => 'crisp edge',
            default => sprintf('edge fading over %.0f mm', $mm),
        };
    }

    public function areaMm2(): float
    {
        return array_sum(array_map(static fn (PlanStep $step): float => $step->zone->areaMm2, $this->steps));
    }
}
