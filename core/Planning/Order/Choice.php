<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Layering\Pressure;
use Prism\Matching\Manner;

/** Which step the hands take next: the one that goes on with the turn at hand, else the tool that can go to most of its places now. */
final class Choice
{
    /** Places whose pressures differ by no more share a turn. */
    public const WITHIN_PERCENT = 10.0;

    /** Those of one form, over which the pressure falls, by no more than this. */
    public const FALLS_PERCENT = 25.0;

    /** By how much a later try strays from taking what can go to most of its places. */
    private const STRAY = 0.3;

    /** @var array<int, string> by step, what is in the hand for it */
    private readonly array $tools;

    /** @var array<string, array<int, true>> by tool, what is not done */
    private array $left = [];

    /**
     * @param  array<int, PlanStep>  $steps
     * @param  array<int, list<int|float>>  $ranks  by step, lower is earlier: phase and whether something dries after it first
     * @param  array<int, int>  $groups  by step, of zones that are worked on together
     * @param  bool  $weaves  goes on elsewhere while a group dries
     * @param  int  $try  0 for the order nearest to the school's
     * @param  array<int, PlanStep>  $found  where steps are at the pressures of turns: as their recipes were found
     */
    public function __construct(
        private readonly array $steps,
        private readonly array $ranks,
        private readonly array $groups,
        private readonly bool $weaves = true,
        private readonly int $try = 0,
        private readonly array $found = [],
    ) {
        $this->tools = array_map(self::toolOf(...), $steps);
        foreach ($this->tools as $i => $tool) {
            $this->left[$tool][$i] = true;
        }
    }

    public function done(int $step): void
    {
        unset($this->left[$this->tools[$step]][$step]);
    }

    /**
     * The step to take now, and whether it goes on with the turn at hand; null where nothing is dry.
     *
     * @param  list<int>  $turn  steps of the turn at hand
     * @param  array<int, mixed>  $open  by index, what may be done now but for drying
     * @param  array<int, float>  $dry  by index, the minute from which it is
     * @return ?array{int, bool}
     */
    public function next(array $turn, array $open, array $dry, float $now): ?array
    {
        $ready = array_filter(array_keys($open), static fn (int $i): bool => $dry[$i] <= $now + 1e-9);
        if ($open === [] || $ready === []) {
            return null;
        }
        $first = $this->weaves ? $this->ofFirstGroup(array_flip($ready)) : array_values(array_intersect($this->ofFirstGroup($open), $ready));
        if ($first === []) {
            return null;
        }
        if ($turn !== []) {
            $fits = array_filter($first, fn (int $i): bool => $this->shares($turn, $i));
            if ($fits !== []) {
                return [$this->least($fits), true];
            }
        }
        $best = null;
        $least = null;
        foreach ($this->windows($first) as $together) {
            $i = $this->least($together);
            // A tool that would be taken again soon for more of the same waits for it.
            $later = 0;
            foreach (array_keys($this->left[$this->tools[$i]]) as $other) {
                if (! isset($open[$other]) && $this->groups[$other] === $this->groups[$i] && self::near($this->steps[$other], $this->steps[$i])) {
                    $later++;
                }
            }
            [$phase, $waits] = [$this->ranks[$i][0], $this->ranks[$i][1]];
            $share = $later / ($later + count($together)) + ($this->try > 0 ? self::STRAY * (crc32($this->try.' '.$this->tools[$i]) % 1000) / 1000.0 : 0.0);
            $rank = [$phase, $waits, $share, ...$this->ranks[$i]];
            if ($least === null || ($rank <=> $least) < 0) {
                $least = $rank;
                $best = $i;
            }
        }

        return $best === null ? null : [$best, false];
    }

    /**
     * What could be laid in one turn each: by tool, from each pressure up.
     *
     * @param  list<int>  $ready
     * @return list<non-empty-list<int>>
     */
    private function windows(array $ready): array
    {
        $by = [];
        foreach ($ready as $i) {
            $by[$this->tools[$i]][] = $i;
        }
        $windows = [];
        foreach ($by as $of) {
            // They overlap: a pressure in the middle may be nearer to those below it or to those above.
            foreach (array_unique(array_map(fn (int $i): float => self::pressureOf($this->steps[$i]), $of)) as $low) {
                $window = array_values(array_filter($of, fn (int $i): bool => self::pressureOf($this->steps[$i]) >= $low && self::pressureOf($this->steps[$i]) <= $low + self::WITHIN_PERCENT));
                if ($window !== []) {
                    $windows[] = $window;
                }
            }
        }

        return $windows;
    }

    /**
     * Whether a step can be laid in the turn at hand: the same tool, the pressures near one another, no second coat of a colour.
     *
     * @param  non-empty-list<int>  $turn
     */
    public function shares(array $turn, int $i): bool
    {
        if ($this->tools[$turn[0]] !== $this->tools[$i] || $this->groups[$turn[0]] !== $this->groups[$i]) {
            return false;
        }
        foreach ($turn as $other) {
            if (! self::near($this->steps[$other], $this->steps[$i]) || $this->steps[$other]->zone->id === $this->steps[$i]->zone->id) {
                return false;
            }
            // What has come to pressures near one another shares a turn, unless its recipes were found far apart.
            if ($this->found !== [] && ! self::near($this->found[$other], $this->found[$i], self::WITHIN_PERCENT)) {
                return false;
            }
        }

        return true;
    }

    /** Whether two pressures can share a turn; a recipe of the artist's own keeps its pressure. */
    private static function near(PlanStep $one, PlanStep $other, float $more = 0.0): bool
    {
        $within = match (true) {
            $one->zone->own || $other->zone->own => -$more,
            // Lines of one point go together, and over one form the pressure may fall.
            $one->role === StepRole::Line && $other->role === StepRole::Line => self::FALLS_PERCENT,
            $one->zone->zone === $other->zone->zone && $one->zone->role->isOfForm() && $other->zone->role->isOfForm() && max(self::pressureOf($one), self::pressureOf($other)) <= Manner::FIRM_PERCENT => self::FALLS_PERCENT,
            default => self::WITHIN_PERCENT,
        };

        return abs(self::pressureOf($one) - self::pressureOf($other)) <= $within + $more;
    }

    private static function pressureOf(PlanStep $step): float
    {
        return $step->step->pressurePercent ?? 0.0;
    }

    /** What is in the hand: a pencil laid softly, firmly or to close the paper; a tool; nothing but the eye. */
    private static function toolOf(PlanStep $step): string
    {
        $laid = $step->step;
        if ($laid?->pencil === null) {
            // Each ground is mixed for its zone.
            return $step->role->value.($step->role === StepRole::Ground ? ' '.$step->zone->zone : '');
        }
        if ($step->role === StepRole::Line) {
            return $laid->pencil.' line';
        }
        $soft = match (true) {
            $laid->pressurePercent >= Pressure::BURNISH_PERCENT => 'closing',
            $laid->pressurePercent > Manner::FIRM_PERCENT => 'firm',
            default => 'soft',
        };

        return $laid->pencil.' '.$soft.(in_array($step->role, [StepRole::Reserve, StepRole::Map, StepRole::Sparkle], true) ? ' '.$step->role->value : '');
    }

    /**
     * Of these, what belongs to the group of zones that comes first.
     *
     * @param  non-empty-array<int, mixed>  $open  by index
     * @return non-empty-list<int>
     */
    public function ofFirstGroup(array $open): array
    {
        $first = min(array_map(fn (int $i): int => $this->groups[$i], array_keys($open)));
        $of = [];
        foreach (array_keys($open) as $i) {
            if ($this->groups[$i] === $first) {
                $of[] = $i;
            }
        }
        assert($of !== []);

        return $of;
    }

    /** @param  non-empty-array<int>  $of */
    private function least(array $of): int
    {
        $best = null;
        foreach ($of as $i) {
            if ($best === null || ($this->ranks[$i] <=> $this->ranks[$best]) < 0) {
                $best = $i;
            }
        }

        return $best;
    }
}
