<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Piece;
use App\Models\Recipe;
use App\Studio\Planning\AppliedAdvice;
use App\Studio\Planning\Beginnings;
use App\Studio\Planning\PlanPage;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Arr;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Materials\PencilId;
use Prism\Planning\Advice\ZoneAdvice;
use Prism\Planning\Lightener;
use Prism\Planning\Order\Caution;
use Prism\Planning\Order\Handling;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\PlanStep;
use Prism\Planning\Order\Turn;
use Prism\Planning\Part;
use Prism\Planning\Prep;

/**
 * The plan of a piece and how far the drawing has come.
 *
 * @property-read PlanPage $resource
 */
#[OA\Schema(schema: 'Plan', required: ['version', 'pullList', 'palette', 'cautions', 'turns', 'built', 'steps', 'beginnings', 'minutes', 'idleMinutes', 'apartMinutes', 'sessions', 'currentKey', 'lastMarked', 'done', 'total', 'zonesWithoutRecipe', 'ownRecipes', 'begunRecipes', 'joins', 'advice', 'advised', 'prep', 'canTakeBack', 'pace', 'calibration'], properties: [
    new OA\Property(property: 'version', type: 'string', description: 'another where the steps are others'),
    new OA\Property(property: 'pullList', type: 'array', items: new OA\Items(ref: '#/components/schemas/PullListEntry')),
    new OA\Property(property: 'palette', nullable: true, description: 'what planning the whole picture found last', oneOf: [new OA\Schema(ref: '#/components/schemas/Palette')]),
    new OA\Property(property: 'cautions', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'turns', type: 'array', items: new OA\Items(ref: '#/components/schemas/Turn')),
    new OA\Property(property: 'built', type: 'number', nullable: true, description: 'mean miss of the drawing as the turns lay it, dE00, by area'),
    new OA\Property(property: 'steps', type: 'array', description: 'of all turns, in order', items: new OA\Items(ref: '#/components/schemas/PlanStep')),
    new OA\Property(property: 'beginnings', type: 'array', description: 'how each zone is begun, and why a colour stands on a base of its own', items: new OA\Items(required: ['zone', 'name', 'sentence'], properties: [
        new OA\Property(property: 'zone', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'sentence', type: 'string'),
    ])),
    new OA\Property(property: 'minutes', type: 'number', description: 'from the first step to the last, breaks left out'),
    new OA\Property(property: 'idleMinutes', type: 'number', description: 'of these, with idle hands'),
    new OA\Property(property: 'apartMinutes', type: 'number', description: 'what finishing one zone after the other would take'),
    new OA\Property(property: 'sessions', type: 'integer'),
    new OA\Property(property: 'currentKey', type: 'string', nullable: true, description: 'the first step neither done nor skipped'),
    new OA\Property(property: 'lastMarked', type: 'string', nullable: true, description: 'the press, note or photo that was made last: what undo takes back'),
    new OA\Property(property: 'done', type: 'integer'),
    new OA\Property(property: 'total', type: 'integer'),
    new OA\Property(property: 'zonesWithoutRecipe', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'ownRecipes', type: 'integer', description: 'chosen by hand: planning leaves them alone'),
    new OA\Property(property: 'begunRecipes', type: 'integer', description: 'of which something lies on the paper: planning leaves them alone too'),
    new OA\Property(property: 'advised', type: 'array', description: 'advice that was applied and still holds, first to last', items: new OA\Items(required: ['id', 'zone', 'sentence', 'layer'], properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'zone', type: 'string'),
        new OA\Property(property: 'sentence', type: 'string'),
        new OA\Property(property: 'layer', type: 'string', nullable: true, description: 'what was laid more, in notation'),
    ])),
    new OA\Property(property: 'advice', type: 'array', description: 'what brings the picture together beside its colours', items: new OA\Items(required: ['zone', 'kind', 'id', 'sentence', 'canApply'], properties: [
        new OA\Property(property: 'id', type: 'string', enum: ['temperature', 'edge', 'shadow', 'sing', 'ground', 'finish', 'push']),
        new OA\Property(property: 'canApply', type: 'boolean', description: 'it comes to a layer or to an edge, and can be applied'),
        new OA\Property(property: 'zone', type: 'string'),
        new OA\Property(property: 'kind', type: 'string'),
        new OA\Property(property: 'sentence', type: 'string'),
    ])),
    new OA\Property(property: 'prep', type: 'array', description: 'what lies ready beside the pencils', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'canTakeBack', type: 'boolean', description: 'the last planning can be taken back'),
    new OA\Property(property: 'pace', required: ['pace', 'steps'], type: 'object', properties: [
        new OA\Property(property: 'pace', type: 'number', description: 'mm² of one pass in a minute'),
        new OA\Property(property: 'steps', type: 'integer', description: 'of the log that tell it; 0: the usual pace'),
    ]),
    new OA\Property(property: 'joins', type: 'array', description: 'how the values of a zone are feathered, light to dark', items: new OA\Items(required: ['zone', 'towards', 'lengthMm', 'steps', 'spans'], properties: [
        new OA\Property(property: 'zone', type: 'string'),
        new OA\Property(property: 'towards', type: 'string', nullable: true, description: 'where its dark lies from its light'),
        new OA\Property(property: 'lengthMm', type: 'number'),
        new OA\Property(property: 'steps', type: 'integer', description: 'that can be told apart'),
        new OA\Property(property: 'spans', type: 'array', items: new OA\Items(required: ['target', 'from', 'to', 'fromMm', 'toMm'], properties: [
            new OA\Property(property: 'target', type: 'string'),
            new OA\Property(property: 'from', type: 'number'),
            new OA\Property(property: 'to', type: 'number'),
            new OA\Property(property: 'fromMm', type: 'number'),
            new OA\Property(property: 'toMm', type: 'number'),
        ])),
    ])),
    new OA\Property(property: 'calibration', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/RestsOn')]),
])]
#[OA\Schema(schema: 'PullListEntry', required: ['id', 'range', 'number', 'name', 'binder', 'colour', 'layers', 'zones', 'owned', 'share', 'part', 'lightener', 'needsMm', 'leftMm', 'short'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'range', type: 'string'),
    new OA\Property(property: 'number', type: 'string'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'binder', type: 'string'),
    new OA\Property(property: 'colour', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'layers', type: 'integer'),
    new OA\Property(property: 'zones', type: 'integer'),
    new OA\Property(property: 'owned', type: 'boolean'),
    new OA\Property(property: 'share', type: 'number', description: 'of all that is laid, by area and passes'),
    new OA\Property(property: 'part', type: 'string', enum: ['main', 'support', 'accent']),
    new OA\Property(property: 'lightener', type: 'string', nullable: true, enum: ['warm', 'cool'], description: 'a pale pencil to soften with'),
    new OA\Property(property: 'needsMm', type: 'number', description: 'about so much of its length goes into what is still to be laid'),
    new OA\Property(property: 'leftMm', type: 'number', nullable: true, description: 'about so much is left of it; null where it was not measured'),
    new OA\Property(property: 'short', type: 'boolean', description: 'it will not last, and there is no spare'),
])]
#[OA\Schema(schema: 'Palette', required: ['size', 'dE00', 'separate', 'wholeBox', 'curve', 'pencils', 'valueError', 'trio'], properties: [
    new OA\Property(property: 'size', type: 'integer', nullable: true, description: 'asked for; null: the whole box'),
    new OA\Property(property: 'dE00', type: 'number', description: 'mean over the picture, by area and importance'),
    new OA\Property(property: 'separate', type: 'number', description: 'what it would be if each colour had the recipe that is best for it alone'),
    new OA\Property(property: 'wholeBox', type: 'number'),
    new OA\Property(property: 'trio', nullable: true, type: 'object', description: 'zones shaded by three neighbouring hues, those for which the palette has no such three, and how much further their colours come out; null where no zone wants it', required: ['zones', 'without', 'further'], properties: [
        new OA\Property(property: 'zones', type: 'integer'),
        new OA\Property(property: 'without', type: 'integer'),
        new OA\Property(property: 'further', type: 'number'),
    ]),
    new OA\Property(property: 'valueError', type: 'number', nullable: true, description: 'mean, in steps of nine, where it was planned by value only; else null'),
    new OA\Property(property: 'curve', type: 'array', items: new OA\Items(required: ['size', 'dE00', 'hexes'], properties: [
        new OA\Property(property: 'size', type: 'integer'),
        new OA\Property(property: 'dE00', type: 'number'),
        new OA\Property(property: 'hexes', type: 'array', description: 'of its pencils, lightest first; none of a palette that was found before they were kept', items: new OA\Items(type: 'string')),
    ])),
    new OA\Property(property: 'pencils', type: 'array', items: new OA\Items(required: ['id', 'loss'], properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'loss', type: 'number', description: 'what the picture would lose without it, in dE00'),
    ])),
])]
#[OA\Schema(schema: 'PlanStep', required: ['key', 'number', 'zone', 'role', 'step', 'layer', 'before', 'after', 'sigma', 'target', 'why', 'minutes', 'session', 'turn', 'because', 'onlyIf', 'state'], properties: [
    new OA\Property(property: 'key', type: 'string'),
    new OA\Property(property: 'number', type: 'integer'),
    new OA\Property(property: 'zone', required: ['id', 'target', 'name'], type: 'object', properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'target', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
    ]),
    new OA\Property(property: 'role', type: 'string', enum: ['ground', 'reserve', 'map', 'redraw', 'underlayer', 'layer', 'rub', 'wash', 'lift', 'line', 'blend', 'burnish', 'sparkle']),
    new OA\Property(property: 'step', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/Step')]),
    new OA\Property(property: 'layer', type: 'integer'),
    new OA\Property(property: 'before', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'after', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'sigma', type: 'number', description: 'doubt of it in dE00'),
    new OA\Property(property: 'target', ref: '#/components/schemas/Colour'),
    new OA\Property(property: 'why', type: 'string'),
    new OA\Property(property: 'minutes', type: 'number', description: 'of the hands'),
    new OA\Property(property: 'session', type: 'integer'),
    new OA\Property(property: 'turn', type: 'integer'),
    new OA\Property(property: 'because', type: 'array', description: 'why it stands here', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'onlyIf', nullable: true, type: 'string', description: 'what must still be seen for it to be laid; null: it is laid in any case'),
    new OA\Property(property: 'state', type: 'string', enum: ['open', 'done', 'skipped']),
])]
final class PlanResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $page = $this->resource;
        [$plan, $piece, $states] = [$page->plan, $page->piece, $page->drawn->states];
        $joins = array_column($page->joins, null, 'zone');
        $steps = [];
        $current = null;
        foreach ($plan->steps as $index => $step) {
            $state = $states[$step->key] ?? 'open';
            $current ??= $state === 'open' ? $step->key : null;
            $steps[] = self::step($step, $index + 1, $state);
        }

        return [
            'version' => $page->drawn->version,
            'pullList' => [...array_map($this->entry(...), $plan->pullList), ...$this->lighteners()],
            'palette' => $piece->palette === null ? null : ['valueError' => null, 'trio' => null, 'separate' => $piece->palette['dE00'], ...Arr::except($piece->palette, 'apart'), 'curve' => $this->curve($piece->palette['curve'])],
            'cautions' => array_map(static fn (Caution $caution): string => $caution->sentence(), $plan->cautions),
            'turns' => array_map(static fn (Turn $turn): TurnResource => new TurnResource($turn, $states, Handling::of($turn, $page->zones, $joins)), $plan->turns),
            'built' => $plan->meanDifference() === null ? null : round($plan->meanDifference(), 2),
            'steps' => $steps,
            'beginnings' => Beginnings::of($piece, $plan),
            'minutes' => round($plan->minutes, 1),
            'idleMinutes' => round($plan->idleMinutes, 1),
            'apartMinutes' => round($plan->apartMinutes, 1),
            'sessions' => $plan->sessions(),
            'pace' => $page->drawn->pace,
            'currentKey' => $current,
            'lastMarked' => $page->drawn->lastMarked,
            'done' => count(array_filter($steps, static fn (array $step): bool => $step['state'] !== 'open')),
            'total' => count($steps),
            'zonesWithoutRecipe' => $page->withoutRecipe,
            'ownRecipes' => $page->ownRecipes,
            'begunRecipes' => $page->drawn->begunRecipes,
            'joins' => $page->joins,
            'advised' => AppliedAdvice::holding($piece),
            'advice' => array_map(static fn (ZoneAdvice $told): array => ['zone' => $told->zone, 'kind' => $told->kind->label(), 'id' => $told->kind->value, 'sentence' => $told->sentence, 'canApply' => $told->aim !== null || $told->crisp !== null], $page->advice),
            'prep' => Prep::of($plan->steps, $piece->paper->name, $piece->width_mm, $piece->height_mm, $page->box),
            'canTakeBack' => $piece->before_planning !== null,
            'calibration' => RestsOn::of($piece->user),
        ];
    }

    /**
     * @param  list<array{size: int, dE00: float, pencils?: list<string>}>  $curve
     * @return list<array{size: int, dE00: float, hexes: list<string>}>
     */
    private function curve(array $curve): array
    {
        $box = $this->resource->box;
        $there = array_flip($box->ids());

        return array_map(function (array $point) use ($box, $there): array {
            $colours = [];
            foreach ($point['pencils'] ?? [] as $id) {
                $colour = isset($there[$id]) ? $box->get(PencilId::of($id))->fullCoat : null;
                if ($colour !== null) {
                    $colours[] = $colour;
                }
            }
            usort($colours, static fn (Lab $one, Lab $other): int => $other->L <=> $one->L);

            return ['size' => $point['size'], 'dE00' => $point['dE00'], 'hexes' => array_map(static fn (Lab $colour): string => $colour->toHex(), $colours)];
        }, $curve);
    }

    /** @return list<array<string, mixed>> pencils that the palette keeps to soften with, though no recipe needs them */
    private function lighteners(): array
    {
        $used = array_map(static fn (array $entry): string => (string) $entry['pencil']->id, $this->resource->plan->pullList);
        $box = $this->resource->box;
        $kept = [];
        foreach (array_diff(array_column($this->resource->piece->palette['pencils'] ?? [], 'id'), $used) as $id) {
            if (isset(array_flip($box->ids())[$id]) && Lightener::of($box->get(PencilId::of($id))) !== null) {
                $kept[] = $this->entry(['pencil' => $box->get(PencilId::of($id)), 'layers' => 0, 'zones' => 0, 'share' => 0.0]);
            }
        }

        return $kept;
    }

    /** @return array<string, mixed> */
    private static function step(PlanStep $step, int $number, string $state): array
    {
        return [
            'key' => $step->key,
            'number' => $number,
            'zone' => ['id' => $step->zone->zone, 'target' => $step->zone->id, 'name' => $step->zone->name],
            'role' => $step->role->value,
            'step' => $step->step === null ? null : StepResource::make($step->step),
            'layer' => $step->layer,
            'before' => ColourResource::make($step->before),
            'after' => ColourResource::make($step->after),
            'sigma' => round($step->sigma, 2),
            'target' => ColourResource::make($step->zone->target),
            'onlyIf' => $step->onlyIf,
            'why' => $step->why,
            'minutes' => round($step->minutes, 1),
            'session' => $step->session,
            'turn' => $step->turn,
            'because' => $step->because,
            'state' => $state,
        ];
    }

    /**
     * @param  array{pencil: \Prism\Materials\Pencil, layers: int, zones: int, share: float}  $entry
     * @return array<string, mixed>
     */
    private function entry(array $entry): array
    {
        $pencil = $entry['pencil'];

        return [
            'id' => (string) $pencil->id,
            'range' => $pencil->id->range,
            'number' => $pencil->id->number,
            'name' => $pencil->name,
            'binder' => $pencil->binder->value,
            'colour' => ColourResource::make($pencil->fullCoat ?? Lab::of(50, 0, 0)),
            'layers' => $entry['layers'],
            'zones' => $entry['zones'],
            'share' => round($entry['share'], 4),
            'part' => Part::of($entry['share'])->value,
            'lightener' => Lightener::of($pencil)?->value,
            'owned' => $this->resource->box->has($pencil->id),
            ...DrawnResource::stub($this->resource->drawn->stubs[(string) $pencil->id] ?? null),
        ];
    }
}
