<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use App\Studio\Account\Address;
use App\Studio\Account\SecondFactor;
use App\Studio\DemoStudio;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;

/** @mixin User */
#[OA\Schema(schema: 'User', required: ['name', 'email', 'boxCount', 'hand', 'paper', 'lamp', 'unit', 'sessionMinutes', 'begun', 'copy', 'confirmEmail', 'secondFactor', 'codesLeft'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'boxCount', type: 'integer'),
    new OA\Property(property: 'hand', type: 'string', enum: ['right', 'left'], description: 'that draws'),
    new OA\Property(property: 'paper', type: 'string', nullable: true, description: 'of new pieces, as are the next three'),
    new OA\Property(property: 'lamp', ref: '#/components/schemas/LampId'),
    new OA\Property(property: 'unit', type: 'string', enum: ['mm', 'in']),
    new OA\Property(property: 'sessionMinutes', type: 'integer'),
    new OA\Property(property: 'begun', type: 'boolean', description: 'the first visit is done with'),
    new OA\Property(property: 'confirmEmail', type: 'boolean', description: 'that it is the artist\'s own has still to be shown: until then nothing is shared'),
    new OA\Property(property: 'secondFactor', type: 'boolean', description: 'a code is asked for beside the password'),
    new OA\Property(property: 'codesLeft', type: 'integer', description: 'for the day the telephone is lost'),
    new OA\Property(property: 'copy', type: 'boolean', description: 'of the demo studio: it has no password, and goes by itself'),
])]
final class UserResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        [$pencils, $paper] = $this->boxAndPaper();

        return [
            'name' => $this->name, 'email' => $this->email, 'boxCount' => $pencils, 'hand' => $this->hand->value,
            'paper' => $paper, 'lamp' => $this->lamp->value, 'unit' => $this->unit, 'sessionMinutes' => $this->session_minutes,
            'begun' => $this->begun_at !== null, 'copy' => DemoStudio::isCopy($this->resource),
            'confirmEmail' => Address::isOpen($this->resource),
            'secondFactor' => SecondFactor::isOn($this->resource), 'codesLeft' => SecondFactor::codesLeft($this->resource),
        ];
    }
}
