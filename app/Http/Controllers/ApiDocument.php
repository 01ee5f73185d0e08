<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use OpenApi\Attributes as OA;

/** What all of the API has in common. */
#[OA\Info(version: '1', title: 'Knotty Prism')]
#[OA\Schema(schema: 'Problem', required: ['message'], properties: [
    new OA\Property(property: 'message', type: 'string'),
    new OA\Property(property: 'errors', type: 'object', additionalProperties: new OA\AdditionalProperties(type: 'array', items: new OA\Items(type: 'string'))),
    new OA\Property(property: 'position', type: 'integer', description: 'of the first wrong character of a stack, from 1'),
])]
#[OA\Schema(schema: 'Session', required: ['user', 'demo'], properties: [
    new OA\Property(property: 'user', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/User')]),
    new OA\Property(property: 'demo', type: 'boolean', description: 'the demo studio is there to be opened'),
])]
final class ApiDocument
{
}
