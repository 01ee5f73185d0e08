<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Layering\Step;
use Prism\Planning\Order\Handling;
use Prism\Planning\Order\Pace;
use Prism\Planning\Order\Place;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\Turn;

/**
 * One pencil in hand with all the places it goes to.
 *
 * @property-read Turn $resource
 */
#[OA\Schema(schema: 'Turn', required: ['number', 'stage', 'role', 'step', 'places', 'why', 'because', 'minutes', 'session', 'round', 'endsRound', 'point', 'reminders', 'dryingMinutes', 'state'], properties: [
    new OA\Property(property: 'number', type: 'integer'),
    new OA\Property(property: 'stage', type: 'string', enum: ['reserve', 'map', 'underlayer', 'build', 'dark', 'finish']),
    new OA\Property(property: 'role', type: 'string', enum: ['ground', 'reserve', 'map', 'redraw', 'underlayer', 'layer', 'rub', 'wash', 'lift', 'line', 'blend', 'burnish', 'sparkle']),
    new OA\Property(property: 'step', nullable: true, description: 'pencil and pressure, coats as in most places; null where none is used', oneOf: [new OA\Schema(ref: '#/components/schemas/Step')]),
    new OA\Property(property: 'places', type: 'array', items: new OA\Items(required: ['zone', 'target', 'targets', 'name', 'part', 'coats', 'fade', 'edge', 'onlyIf', 'stroke', 'direction', 'feather', 'before', 'after', 'wanted', 'keys', 'state'], properties: [
        new OA\Property(property: 'zone', type: 'string'),
        new OA\Property(property: 'target', type: 'string', description: 'the colour with the largest area there'),
        new OA\Property(property: 'targets', type: 'array', description: 'all colours that it goes to there', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'part', type: 'string'),
        new OA\Property(property: 'coats', type: 'integer'),
        new OA\Property(property: 'fade', nullable: true, type: 'object', description: 'how the pressure falls over it; null where all of it is pressed alike', required: ['from', 'to', 'towards'], properties: [
            new OA\Property(property: 'from', type: 'number'),
            new OA\Property(property: 'to', type: 'number'),
            new OA\Property(property: 'towards', type: 'string', enum: ['light', 'dark']),
        ]),
        new OA\Property(property: 'edge', nullable: true, type: 'string', description: 'of a place that stays paper: crisp, or fading over how many mm'),
        new OA\Property(property: 'onlyIf', nullable: true, type: 'string', description: 'what must still be seen for it to be laid; null: it is laid in any case'),
        new OA\Property(property: 'stroke', type: 'string', description: 'how the point travels: "along the form"'),
        new OA\Property(property: 'direction', nullable: true, type: 'number', description: 'of the strokes, degrees from the horizontal; null where they have none'),
        new OA\Property(property: 'feather', nullable: true, type: 'number', description: 'mm over which it runs into what lies beside it'),
        new OA\Property(property: 'before', ref: '#/components/schemas/Colour'),
        new OA\Property(property: 'after', ref: '#/components/schemas/Colour'),
        new OA\Property(property: 'wanted', ref: '#/components/schemas/Colour', description: 'what it is to become in the end'),
        new OA\Property(property: 'keys', type: 'array', description: 'steps that this lays', items: new OA\Items(type: 'string')),
        new OA\Property(property: 'state', type: 'string', enum: ['open', 'done', 'skipped']),
    ])),
    new OA\Property(property: 'why', type: 'string'),
    new OA\Property(property: 'because', type: 'array', description: 'why it stands here', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'minutes', type: 'number', description: 'of the hands'),
    new OA\Property(property: 'session', type: 'integer', description: 'in which it begins'),
    new OA\Property(property: 'round', type: 'integer', description: 'how often the pencil has come to one of its places, this time counted'),
    new OA\Property(property: 'endsRound', type: 'boolean', description: 'one steps back after it and looks at the whole'),
    new OA\Property(property: 'dryingMinutes', type: 'number', description: 'until its places can be drawn on again; 0 where nothing is wet'),
    new OA\Property(property: 'point', nullable: true, type: 'string', description: 'how it is sharpened: "needle point"; null where no pencil is in the hand'),
    new OA\Property(property: 'reminders', type: 'array', description: 'how it is handled', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'state', type: 'string', enum: ['open', 'done', 'skipped'], description: 'open as long as one of its places is'),
])]
final class TurnResource extends JsonResource
{
    /** @param  array<string, string>  $states  of steps, by key */
    public function __construct(Turn $turn, private readonly array $states, private readonly Handling $handling)
    {
        parent::__construct($turn);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $turn = $this->resource;
        $step = $turn->steps()[0]->step;

        return [
            'number' => $turn->number,
            'stage' => $turn->stage->value,
            'role' => $turn->role->value,
            'step' => $step === null ? null : StepResource::make($step->pencil === null ? $step : Step::layer($step->pencil, $turn->pressurePercent ?? $step->pressurePercent)),
            'places' => array_map($this->place(...), $turn->places, array_keys($turn->places)),
            'why' => $turn->why,
            'because' => $turn->because,
            'minutes' => round($turn->minutes, 1),
            'session' => $turn->session,
            'round' => $turn->round,
            'endsRound' => $turn->endsRound,
            'dryingMinutes' => Pace::drying($turn->steps()[0]),
            'point' => $this->handling->point?->words(),
            'reminders' => $this->handling->reminders,
            'state' => $this->state($turn->steps()),
        ];
    }

    /** @return array<string, mixed> */
    private function place(Place $place, int $index): array
    {
        $fade = $place->fade();

        return [
            'zone' => $place->zone,
            'target' => $place->steps[0]->zone->id,
            'targets' => array_values(array_unique(array_map(static fn (PlanStep $step): string => $step->zone->id, $place->steps))),
            'name' => $place->name,
            'part' => $place->words(),
            'coats' => $place->coats,
            'fade' => $fade === null ? null : ['from' => $fade->fromPercent, 'to' => $fade->toPercent, 'towards' => $fade->towardsLight ? 'light' : 'dark'],
            'edge' => $place->edge(),
            'onlyIf' => $place->onlyIf(),
            'stroke' => $this->handling->strokes[$index]->words(),
            'direction' => $this->handling->directions[$index],
            'feather' => $this->handling->feathers[$index] === null ? null : round($this->handling->feathers[$index]),
            'before' => ColourResource::make($place->steps[0]->before),
            'after' => ColourResource::make($place->steps[0]->after),
            'wanted' => ColourResource::make($place->steps[0]->zone->target),
            'keys' => array_map(static fn (PlanStep $step): string => $step->key, $place->steps),
            'state' => $this->state($place->steps),
        ];
    }

    /** @param  list<PlanStep>  $steps */
    private function state(array $steps): string
    {
        return self::together(array_map(fn (PlanStep $step): string => $this->states[$step->key] ?? 'open', $steps));
    }

    /**
     * Of several steps: open as long as one is, skipped only where all are.
     *
     * @param  list<string>  $states
     */
    public static function together(array $states): string
    {
        return match (true) {
            in_array('open', $states, true) => 'open',
            in_array('done', $states, true) => 'done',
            default => 'skipped',
        };
    }
}
