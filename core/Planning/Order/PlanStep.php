<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Layering\Step;

/** One step of the whole drawing: where, what, and how the zone looks before and after. */
final readonly class PlanStep
{
    /**
     * @param  string  $key  stays the same while the zone's stack is the same up to this step
     * @param  ?Step  $step  null where no pencil or tool of the stack is used: a reserve, a sparkle, rubbing with tissue
     * @param  int  $layer  which step of its zone, from 1; 0 for a reserve
     * @param  float  $sigma  uncertainty of how it looks after, dE00
     * @param  float  $startMinute  from the beginning, breaks between sessions left out
     * @param  float  $minutes  of the hands
     * @param  int  $session  from 1
     * @param  int  $turn  number of its turn, from 1
     * @param  list<string>  $because  why it comes before others
     * @param  ?string  $onlyIf  what must still be seen for it to be laid: "half a step too light"; null: it is laid in any case
     * @param  ?Stack  $laid  what was really laid in its place, nothing where it was left out; null: as it is planned
     */
    public function __construct(
        public string $key,
        public PlannedZone $zone,
        public StepRole $role,
        public ?Step $step,
        public int $layer,
        public Lab $before,
        public Lab $after,
        public float $sigma,
        public string $why,
        public float $startMinute = 0.0,
        public float $minutes = 0.0,
        public int $session = 1,
        public int $turn = 1,
        public array $because = [],
        public ?string $onlyIf = null,
        public ?Stack $laid = null,
    ) {
    }

    /** @return list<Step> what lies from it when it is done */
    public function lies(): array
    {
        return $this->laid->steps ?? ($this->step === null ? [] : [$this->step]);
    }

    /** Whether it is a step of the colour's recipe, or the paper that it leaves bare; not a line, a ground or a rubbing beside it. */
    public function isOfRecipe(): bool
    {
        return $this->key === self::keyOf($this->zone, $this->layer);
    }

    /** Laid otherwise. */
    public function drawn(Stack $laid): self
    {
        return new self($this->key, $this->zone, $this->role, $this->step, $this->layer, $this->before, $this->after, $this->sigma, $this->why, $this->startMinute, $this->minutes, $this->session, $this->turn, $this->because, $this->onlyIf, $laid);
    }

    /** The same over something else. */
    public function looking(Lab $before, Lab $after, float $sigma): self
    {
        return new self($this->key, $this->zone, $this->role, $this->step, $this->layer, $before, $after, $sigma, $this->why, $this->startMinute, $this->minutes, $this->session, $this->turn, $this->because, $this->onlyIf, $this->laid);
    }

    /** Names the step of a colour that lays the last of these, as long as what lies below it is the same. */
    public static function keyOf(PlannedZone $zone, int $upTo): string
    {
        $prefix = implode(' > ', array_slice($zone->stack->steps, 0, $upTo));

        return sprintf('%s-%d-%s', $zone->id, $upTo, substr(sha1($prefix), 0, 8));
    }

    /** Which colour a step of this name is of. */
    public static function targetOf(string $key): string
    {
        return explode('-', $key, 2)[0];
    }

    /** @param  list<string>  $because */
    public function scheduled(float $startMinute, float $minutes, int $session, int $turn, array $because): self
    {
        return new self($this->key, $this->zone, $this->role, $this->step, $this->layer, $this->before, $this->after, $this->sigma, $this->why, $startMinute, $minutes, $session, $turn, $because, $this->onlyIf);
    }

    /** The same, for something else in the order of the work. */
    public function as(StepRole $role): self
    {
        return new self($this->key, $this->zone, $role, $this->step, $this->layer, $this->before, $this->after, $this->sigma, $this->why, $this->startMinute, $this->minutes, $this->session, $this->turn, $this->because, $this->onlyIf);
    }

    /**
     * The same, laid at the pressure of its turn.
     *
     * @param  ?string  $onlyIf  what must still be seen for it to be laid
     */
    public function laid(?Step $step, Lab $before, Lab $after, float $sigma, ?string $onlyIf = null): self
    {
        return new self($this->key, $this->zone, $this->role, $step, $this->layer, $before, $after, $sigma, $this->why, $this->startMinute, $this->minutes, $this->session, $this->turn, $this->because, $onlyIf);
    }
}
