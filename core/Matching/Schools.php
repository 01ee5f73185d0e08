<?php

declare(strict_types=1);

namespace Prism\Matching;

/**
 * Which school an artist follows in each question on which artists disagree, as far as it bears on how one colour is made.
 * The defaults are those of practice.
 */
final readonly class Schools
{
    public function __construct(
        public School $value = School::LightToDark,
        public Shadows $shadows = Shadows::Complement,
        public Complement $complement = Complement::Under,
        public Brightening $brightening = Brightening::Yellow,
        public Blending $blending = Blending::Layers,
        public BlackAndWhite $blackAndWhite = BlackAndWhite::Last,
    ) {
    }

    public function blending(Blending $blending): self
    {
        return new self($this->value, $this->shadows, $this->complement, $this->brightening, $blending, $this->blackAndWhite);
    }

    public function blackAndWhite(BlackAndWhite $blackAndWhite): self
    {
        return new self($this->value, $this->shadows, $this->complement, $this->brightening, $this->blending, $blackAndWhite);
    }
}
