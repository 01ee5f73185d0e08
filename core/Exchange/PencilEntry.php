<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Colour\Spectrum;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;
use Prism\Materials\Status;

/** A row of the pencils table: the pencil, and what its maker has done with its name. */
final readonly class PencilEntry
{
    /** @param  list<string>  $aliases  former names */
    public function __construct(
        public Pencil $pencil,
        public array $aliases = [],
        public Status $status = Status::Current,
        public ?PencilId $replacedBy = null,
        public ?Spectrum $spectrum = null,
    ) {
    }

    /** With another name; the one it had is a former one. */
    public function called(string $name): self
    {
        $was = $this->pencil;
        if ($name === $was->name) {
            return $this;
        }
        $pencil = new Pencil($was->id, $name, $was->binder, $was->opacity, $was->lightfastness, $was->fullCoat, $was->fullCoatBands, $was->core, $was->stains);

        return new self($pencil, array_values(array_unique(array_filter([...$this->aliases, $was->name]))), $this->status, $this->replacedBy, $this->spectrum);
    }
}
