<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Layering\Passage;
use Prism\Matching\Cost\Cost;
use Prism\Matching\Limits;
use Prism\Matching\Manner;
use Prism\Matching\Target;

/** What is looked for: a target, what it may cost, how and with which pencils it may be laid, and on what. */
final readonly class Query
{
    /**
     * @param  Passage  $ground  what lies there already
     * @param  bool  $bare  nothing lies there
     * @param  list<int>  $allowed  pencils that may be used, by index
     */
    public function __construct(
        public Target $target,
        public Limits $limits,
        public Manner $manner,
        public Cost $cost,
        public Passage $ground,
        public bool $bare,
        public array $allowed,
    ) {
    }

    /**
     * The same with more pencils.
     *
     * @param  list<int>  $more
     */
    public function with(array $more): self
    {
        return new self($this->target, $this->limits, $this->manner, $this->cost, $this->ground, $this->bare, [...$this->allowed, ...$more]);
    }

    /** The same in another manner. */
    public function in(Manner $manner): self
    {
        return new self($this->target, $this->limits, $manner, $this->cost, $this->ground, $this->bare, $this->allowed);
    }

    /**
     * The same with these pencils alone.
     *
     * @param  list<int>  $pencils  by index
     */
    public function only(array $pencils): self
    {
        return new self($this->target, $this->limits, $this->manner, $this->cost, $this->ground, $this->bare, $pencils);
    }
}
