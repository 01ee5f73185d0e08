<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Layering\StepKind;
use Prism\Materials\PencilId;

/** One pencil or tool in hand, at one pressure, with all the places that it goes to now. */
final readonly class Turn
{
    /**
     * @param  int  $number  from 1
     * @param  StepRole  $role  of its first place; reserves and sparkles may take no pencil
     * @param  ?StepKind  $kind  null where neither pencil nor tool of a stack is used
     * @param  ?float  $pressurePercent  null where it is no layer
     * @param  non-empty-list<Place>  $places
     * @param  list<string>  $because  why it stands here, as it continues "Now, since ..."
     * @param  float  $minutes  of the hands
     * @param  int  $session  in which it begins, from 1
     * @param  int  $round  how often the pencil has come to one of these places, this time counted
     * @param  bool  $endsRound  one steps back after it, {@see Rounds}
     */
    public function __construct(
        public int $number,
        public Stage $stage,
        public StepRole $role,
        public ?StepKind $kind,
        public ?PencilId $pencil,
        public ?float $pressurePercent,
        public array $places,
        public string $why,
        public array $because,
        public float $minutes,
        public int $session,
        public int $round = 1,
        public bool $endsRound = false,
    ) {
    }

    /** @param  non-empty-list<Place>  $places */
    public function with(array $places): self
    {
        return new self($this->number, $this->stage, $this->role, $this->kind, $this->pencil, $this->pressurePercent, $places, $this->why, $this->because, $this->minutes, $this->session, $this->round, $this->endsRound);
    }

    public function endingRound(): self
    {
        return new self($this->number, $this->stage, $this->role, $this->kind, $this->pencil, $this->pressurePercent, $this->places, $this->why, $this->because, $this->minutes, $this->session, $this->round, true);
    }

    /** @return list<PlanStep> */
    public function steps(): array
    {
        return array_merge(...array_map(static fn (Place $place): array => $place->steps, $this->places));
    }
}
