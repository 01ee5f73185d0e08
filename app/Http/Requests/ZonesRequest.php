<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A change of the zones of a piece; with the version that was seen, they must still be that. */
class ZonesRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return ['zonesVersion' => ['sometimes', 'required', 'integer', 'min:0']];
    }

    public function seen(): ?int
    {
        return $this->has('zonesVersion') ? $this->integer('zonesVersion') : null;
    }
}
