<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Studio\Planning\SchoolChoices;

final class SchoolsRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return SchoolChoices::rules();
    }
}
