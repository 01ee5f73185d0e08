<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Studio\Planning\DrawnPage;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;

/**
 * What a press changes of a plan that stays as it was.
 *
 * @property-read DrawnPage $resource
 */
#[OA\Schema(schema: 'Drawn', required: ['version', 'states', 'begunRecipes', 'pace', 'lastMarked', 'pencils'], properties: [
    new OA\Property(property: 'version', type: 'string', description: 'of the plan: another than that which was seen is to be read anew'),
    new OA\Property(property: 'states', type: 'object', description: 'of steps, by key; those that are not named are open', additionalProperties: new OA\AdditionalProperties(type: 'string', enum: ['done', 'skipped'])),
    new OA\Property(property: 'begunRecipes', type: 'integer', description: 'as in the plan'),
    new OA\Property(property: 'pace', required: ['pace', 'steps'], type: 'object', properties: [
        new OA\Property(property: 'pace', type: 'number', description: 'mm² of one pass in a minute'),
        new OA\Property(property: 'steps', type: 'integer', description: 'of the log that tell it; 0: the usual pace'),
    ]),
    new OA\Property(property: 'lastMarked', type: 'string', nullable: true),
    new OA\Property(property: 'pencils', type: 'array', description: 'of the pull list, where anything is known of their length', items: new OA\Items(required: ['id', 'needsMm', 'leftMm', 'short'], properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'needsMm', type: 'number'),
        new OA\Property(property: 'leftMm', type: 'number', nullable: true),
        new OA\Property(property: 'short', type: 'boolean'),
    ])),
])]
final class DrawnResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $page = $this->resource;

        return [
            'version' => $page->version,
            'states' => (object) $page->states,
            'begunRecipes' => $page->begunRecipes,
            'pace' => $page->pace,
            'lastMarked' => $page->lastMarked,
            'pencils' => array_map(static fn (string $id, array $stub): array => ['id' => $id, ...self::stub($stub)], array_keys($page->stubs), $page->stubs),
        ];
    }

    /**
     * The plan as it was told before, with how far the drawing has come since; null where it is another plan by now.
     *
     * @param  string  $before  JSON as {@see PlanResource} tells it
     */
    public static function on(string $before, DrawnPage $now): ?object
    {
        // As objects, since one that is empty shall stay one.
        $plan = json_decode($before, flags: JSON_THROW_ON_ERROR);
        if ($plan->version !== $now->version) {
            return null;
        }
        $plan->currentKey = null;
        $plan->done = 0;
        foreach ($plan->steps as $step) {
            $step->state = $now->states[$step->key] ?? 'open';
            $plan->done += $step->state === 'open' ? 0 : 1;
            $plan->currentKey ??= $step->state === 'open' ? $step->key : null;
        }
        foreach ($plan->turns as $turn) {
            foreach ($turn->places as $place) {
                $place->state = TurnResource::together(array_map(static fn (string $key): string => $now->states[$key] ?? 'open', array_values($place->keys)));
            }
            $turn->state = TurnResource::together(array_column($turn->places, 'state'));
        }
        foreach ($plan->pullList as $entry) {
            foreach (self::stub($now->stubs[$entry->id] ?? null) as $name => $value) {
                $entry->$name = $value;
            }
        }
        $plan->pace = $now->pace;
        $plan->lastMarked = $now->lastMarked;
        $plan->begunRecipes = $now->begunRecipes;

        return $plan;
    }

    /**
     * @param  ?array{needsMm: float, leftMm: ?float, short: bool}  $stub  null of a pencil that was not measured and is not laid any more
     * @return array{needsMm: float, leftMm: ?float, short: bool} as it is told
     */
    public static function stub(?array $stub): array
    {
        return ['needsMm' => round($stub['needsMm'] ?? 0.0, 1), 'leftMm' => isset($stub['leftMm']) ? round($stub['leftMm']) : null, 'short' => $stub['short'] ?? false];
    }
}
