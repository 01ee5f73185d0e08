<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Studio\Planning\SchoolChoices;
use App\Studio\Zones\Grounds;
use App\Studio\Zones\Interpretations;
use Illuminate\Validation\Rule;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\Zones\Distance;
use Prism\Schools\Surface;

final class UpdateZoneRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'version' => ['required', 'integer', 'min:1'],
            'name' => ['sometimes', 'required', 'string', 'max:80'],
            ...SchoolChoices::rules(SchoolChoices::NOT_OF_ZONE),
            ...Interpretations::rules(true),
            ...Grounds::rules(),
            'corrections' => ['sometimes', 'array:surface,direction,crisp,distance,importance,light'],
            'corrections.surface' => ['nullable', Rule::enum(Surface::class)],
            'corrections.direction' => ['nullable', 'numeric', 'between:0,180'],
            'corrections.crisp' => ['nullable', 'boolean'],
            'corrections.distance' => ['nullable', Rule::enum(Distance::class)],
            'corrections.importance' => ['nullable', 'integer', 'between:1,3'],
            'corrections.light' => ['nullable', Rule::enum(ZoneLight::class)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['ground.tooth' => 'A ground takes pencil as the paper does, smoother, or hardly: write "as-paper", "smoother" or "little".', 'ground.colour.required_with' => 'Say which colour the ground has, such as #c9a57a.', 'name.required' => 'Give the zone a name, such as "rim of the float".'];
    }
}
