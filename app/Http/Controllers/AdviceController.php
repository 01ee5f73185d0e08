<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\AdviceRequest;
use App\Http\Resources\ColourResource;
use App\Http\Resources\PlanResource;
use App\Http\Resources\StepResource;
use App\Models\Piece;
use App\Studio\Planning\AppliedAdvice;
use App\Studio\Planning\PlanPages;
use App\Studio\Zones\Targets;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;

/** Advice of the plan: seen before it is applied, applied, taken back. */
final class AdviceController
{
    public function __construct(private readonly AppliedAdvice $advice)
    {
    }

    #[OA\Post(path: '/api/pieces/{piece}/advice', operationId: 'seeAdvice', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/AdviceWanted')),
        responses: [
            new OA\Response(response: 200, description: 'What it comes to; nothing is changed', content: new OA\JsonContent(required: ['zone', 'step', 'turn', 'crisp', 'colours'], properties: [
                new OA\Property(property: 'zone', type: 'string', description: 'whose colours change'),
                new OA\Property(property: 'step', nullable: true, description: 'the layer more', oneOf: [new OA\Schema(ref: '#/components/schemas/Step')]),
                new OA\Property(property: 'turn', type: 'integer', nullable: true),
                new OA\Property(property: 'crisp', type: 'boolean', nullable: true, description: 'the edge becomes sharp, or soft'),
                new OA\Property(property: 'colours', type: 'array', items: new OA\Items(required: ['target', 'name', 'before', 'after'], properties: [
                    new OA\Property(property: 'target', type: 'string'),
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'before', ref: '#/components/schemas/Colour'),
                    new OA\Property(property: 'after', ref: '#/components/schemas/Colour'),
                ])),
            ])),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    #[OA\Schema(schema: 'AdviceWanted', required: ['zone', 'kind'], properties: [
        new OA\Property(property: 'zone', type: 'string', description: 'that the advice is told of; of neighbours, the one that is pushed'),
        new OA\Property(property: 'kind', type: 'string', enum: ['temperature', 'edge', 'shadow', 'sing', 'ground', 'finish', 'push']),
    ])]
    public function show(AdviceRequest $request, Piece $piece): JsonResponse
    {
        Gate::authorize('view', $piece);
        $proposal = $this->advice->proposed($piece, $request->zone(), $request->kind());
        $names = $piece->zones()->with('targets')->get()->flatMap(static fn ($zone) => $zone->targets->map(static fn ($target) => $target->setRelation('zone', $zone)))->keyBy('id');
        $colours = [];
        foreach ($proposal['adjustment']->colours ?? [] as $id => $colour) {
            $colours[] = ['target' => $id, 'name' => Targets::name($names[$id]), 'before' => ColourResource::make($colour['before']), 'after' => ColourResource::make($colour['after'])];
        }

        return new JsonResponse([
            'zone' => $proposal['zone'], 'step' => $proposal['adjustment'] === null ? null : StepResource::make($proposal['adjustment']->layer), 'turn' => $proposal['turn'], 'crisp' => $proposal['crisp'], 'colours' => $colours,
        ]);
    }

    #[OA\Post(path: '/api/pieces/{piece}/advised', operationId: 'applyAdvice', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/AdviceWanted')),
        responses: [
            new OA\Response(response: 200, description: 'The plan with it', content: new OA\JsonContent(ref: '#/components/schemas/Plan')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function store(AdviceRequest $request, Piece $piece, PlanPages $pages): PlanResource
    {
        Gate::authorize('update', $piece);
        $this->advice->apply($piece, $request->zone(), $request->kind());

        return self::planned($piece, $pages);
    }

    #[OA\Delete(path: '/api/pieces/{piece}/advised/{advice}', operationId: 'takeAdviceBack', parameters: [
        new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string')), new OA\PathParameter(name: 'advice', required: true, schema: new OA\Schema(type: 'string')),
    ], responses: [
        new OA\Response(response: 200, description: 'The plan without it', content: new OA\JsonContent(ref: '#/components/schemas/Plan')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function destroy(Piece $piece, string $advice, PlanPages $pages): PlanResource
    {
        Gate::authorize('update', $piece);
        $this->advice->undo($piece, $advice);

        return self::planned($piece, $pages);
    }

    private static function planned(Piece $piece, PlanPages $pages): PlanResource
    {
        $piece->refresh();

        return new PlanResource($pages->of($piece));
    }
}
