<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;

/** @mixin User */
#[OA\Schema(schema: 'User', required: ['name', 'email', 'boxCount', 'hand'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'email', type: 'string'),
    new OA\Property(property: 'boxCount', type: 'integer'),
    new OA\Property(property: 'hand', type: 'string', enum: ['right', 'left'], description: 'that draws'),
])]
final class UserResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return ['name' => $this->name, 'email' => $this->email, 'boxCount' => $this->box()->count(), 'hand' => $this->hand->value];
    }
}
