<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;

/** For what is told hundreds of times in one answer: nothing in it is ever left out, so it is not gone through for what to leave out. */
trait Plain
{
    /** @return array<string, mixed> */
    abstract public function toArray(Request $request): array;

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return $this->toArray(app(Request::class));
    }
}
