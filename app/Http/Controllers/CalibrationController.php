<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\ColourResource;
use App\Http\Resources\PencilResource;
use App\Http\Resources\SwatchResource;
use App\Jobs\PrepareBox;
use App\Models\Calibration;
use App\Models\Paper;
use App\Models\User;
use App\Studio\Calibration\CalibrationReview;
use App\Studio\Calibration\Calibrations;
use App\Studio\Pencils\Catalogue;
use App\Studio\Zones\Targets;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Prism\Materials\PencilId;

/** What swatches have taught: seen, compared, undone. */
final class CalibrationController
{
    #[OA\Get(path: '/api/calibrations', operationId: 'calibrations', responses: [new OA\Response(response: 200, description: 'The latest first', content: new OA\JsonContent(required: ['inForce', 'swatches', 'newer', 'calibrations'], properties: [
        new OA\Property(property: 'inForce', type: 'integer', nullable: true),
        new OA\Property(property: 'swatches', type: 'integer', description: 'in the book now'),
        new OA\Property(property: 'newer', type: 'integer', description: 'written since the latest calibration'),
        new OA\Property(property: 'calibrations', type: 'array', items: new OA\Items(ref: '#/components/schemas/Calibration')),
    ]))])]
    #[OA\Schema(schema: 'Calibration', required: ['id', 'number', 'swatches', 'before', 'after', 'weight', 'madeAt'], properties: [
        new OA\Property(property: 'id', type: 'integer'),
        new OA\Property(property: 'number', type: 'integer'),
        new OA\Property(property: 'swatches', type: 'integer'),
        new OA\Property(property: 'before', type: 'number', description: 'mean dE00 of the swatches before the fit'),
        new OA\Property(property: 'after', type: 'number'),
        new OA\Property(property: 'weight', type: 'number', description: 'how hard the hand presses against its swatches, learnt from drawings; 1: as hard'),
        new OA\Property(property: 'madeAt', type: 'string', format: 'date-time'),
    ])]
    public function index(#[CurrentUser] User $user, Calibrations $calibrations): JsonResponse
    {
        $made = $user->calibrations();
        $made->select(['id', 'user_id', 'number', 'swatch_count', 'before', 'after', 'weight', 'created_at']);
        $rows = $made->get()->sortByDesc('id')->values();
        $latest = $rows->first();

        return new JsonResponse([
            'inForce' => $calibrations->inForce($user),
            'swatches' => $user->swatches()->count(),
            'newer' => $latest === null ? $user->swatches()->count() : $user->swatches()->where('created_at', '>', $latest->created_at)->count(),
            'calibrations' => array_map(static fn (Calibration $row): array => self::summary($row), array_values($rows->all())),
        ]);
    }

    #[OA\Get(path: '/api/calibrations/{calibration}', operationId: 'calibration', parameters: [
        new OA\PathParameter(name: 'calibration', required: true, schema: new OA\Schema(type: 'integer')),
        new OA\QueryParameter(name: 'against', description: 'an earlier calibration; the one before it if absent', schema: new OA\Schema(type: 'integer')),
    ], responses: [new OA\Response(response: 200, description: 'What it has changed', content: new OA\JsonContent(required: ['calibration', 'against', 'pencils', 'outliers', 'recipes', 'shifted', 'noticed'], properties: [
        new OA\Property(property: 'calibration', ref: '#/components/schemas/Calibration'),
        new OA\Property(property: 'against', nullable: true, oneOf: [new OA\Schema(ref: '#/components/schemas/Calibration')]),
        new OA\Property(property: 'noticed', type: 'number', description: 'a shift of more is noticed, dE00'),
        new OA\Property(property: 'shifted', type: 'integer', description: 'recipes that shift by more than that'),
        new OA\Property(property: 'pencils', type: 'array', items: new OA\Items(required: ['pencil', 'before', 'after', 'swatches'], properties: [
            new OA\Property(property: 'pencil', ref: '#/components/schemas/Pencil'),
            new OA\Property(property: 'before', type: 'number'),
            new OA\Property(property: 'after', type: 'number'),
            new OA\Property(property: 'swatches', type: 'integer'),
        ])),
        new OA\Property(property: 'outliers', type: 'array', items: new OA\Items(required: ['swatch', 'predicted', 'dE00'], properties: [
            new OA\Property(property: 'swatch', ref: '#/components/schemas/Swatch'),
            new OA\Property(property: 'predicted', ref: '#/components/schemas/Colour'),
            new OA\Property(property: 'dE00', type: 'number'),
        ])),
        new OA\Property(property: 'recipes', type: 'array', items: new OA\Items(required: ['zone', 'target', 'name', 'piece', 'title', 'stack', 'old', 'new', 'shift', 'oldMiss', 'newMiss'], properties: [
            new OA\Property(property: 'zone', type: 'string'),
            new OA\Property(property: 'target', type: 'string'),
            new OA\Property(property: 'name', type: 'string'),
            new OA\Property(property: 'piece', type: 'string'),
            new OA\Property(property: 'title', type: 'string'),
            new OA\Property(property: 'stack', type: 'string'),
            new OA\Property(property: 'old', ref: '#/components/schemas/Colour'),
            new OA\Property(property: 'new', ref: '#/components/schemas/Colour'),
            new OA\Property(property: 'shift', type: 'number'),
            new OA\Property(property: 'oldMiss', type: 'number'),
            new OA\Property(property: 'newMiss', type: 'number'),
        ])),
    ]))])]
    public function show(Request $request, #[CurrentUser] User $user, Calibration $calibration, CalibrationReview $review, Catalogue $catalogue): JsonResponse
    {
        Gate::authorize('view', $calibration);
        $others = $user->calibrations()->get();
        $against = $request->filled('against')
            ? ($others->firstWhere('id', $request->integer('against')) ?? abort(404, 'There is no such calibration in your studio.'))
            : $others->where('id', '<', $calibration->id)->sortByDesc('id')->first();
        $recipes = $review->recipes($user, $against, $calibration);
        $errors = $review->pencils($user, $calibration);
        $ids = array_map(PencilId::of(...), array_keys($errors));
        $catalogue->some($user, $ids);
        $box = $catalogue->box($user);
        $pencils = [];
        foreach ($ids as $id) {
            $row = $catalogue->row($user, $id);
            if ($row !== null) {
                $pencils[] = ['pencil' => new PencilResource($row, $box->has($id)), ...$errors[(string) $id]];
            }
        }

        return new JsonResponse([
            'calibration' => self::summary($calibration),
            'against' => $against === null ? null : self::summary($against),
            'noticed' => CalibrationReview::SHIFT_NOTICED,
            'shifted' => count(array_filter($recipes, static fn (array $recipe): bool => $recipe['shift'] > CalibrationReview::SHIFT_NOTICED)),
            'pencils' => $pencils,
            'outliers' => array_map(static fn (array $outlier): array => ['swatch' => SwatchResource::make($outlier['swatch']), 'predicted' => ColourResource::make($outlier['predicted']), 'dE00' => round($outlier['dE00'], 2)], $review->outliers($user, $calibration)),
            'recipes' => array_map(static fn (array $recipe): array => [
                'zone' => $recipe['target']->zone_id, 'target' => $recipe['target']->id, 'name' => Targets::name($recipe['target']), 'piece' => $recipe['target']->zone->piece_id, 'title' => $recipe['target']->zone->piece->title,
                'stack' => (string) $recipe['target']->recipe?->stack, 'old' => ColourResource::make($recipe['old']), 'new' => ColourResource::make($recipe['new']),
                'shift' => round($recipe['shift'], 2), 'oldMiss' => round($recipe['oldMiss'], 2), 'newMiss' => round($recipe['newMiss'], 2),
            ], $recipes),
        ]);
    }

    #[OA\Put(path: '/api/calibrations/in-force', operationId: 'putInForce', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['calibration'], properties: [
        new OA\Property(property: 'calibration', type: 'integer', nullable: true, description: 'null: the pencils\' own colours'),
    ])), responses: [new OA\Response(response: 204, description: 'In force')])]
    public function putInForce(Request $request, #[CurrentUser] User $user, Calibrations $calibrations): JsonResponse
    {
        $id = $request->validate(['calibration' => ['present', 'nullable', 'integer']])['calibration'];
        $chosen = $id === null ? null : ($user->calibrations()->get()->firstWhere('id', $id) ?? abort(404, 'There is no such calibration in your studio.'));
        $calibrations->putInForce($user, $chosen);
        PrepareBox::dispatch($user);

        return new JsonResponse(null, 204);
    }

    #[OA\Get(path: '/api/lessons', operationId: 'lessons', parameters: [new OA\QueryParameter(name: 'paper', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'The swatches that would teach most, best first', content: new OA\JsonContent(type: 'array', items: new OA\Items(required: ['stack', 'why', 'worth'], properties: [
            new OA\Property(property: 'stack', type: 'string'),
            new OA\Property(property: 'why', type: 'string'),
            new OA\Property(property: 'worth', type: 'number'),
        ]))),
    ])]
    public function lessons(Request $request, #[CurrentUser] User $user, CalibrationReview $review): JsonResponse
    {
        $paper = Paper::called($user, (string) $request->string('paper')) ?? abort(422, 'There is no such paper; choose one from the list.');

        return new JsonResponse(array_map(static fn (array $lesson): array => ['stack' => (string) $lesson['stack'], 'why' => $lesson['why'], 'worth' => round($lesson['worth'], 2)], $review->lessons($user, $paper)));
    }

    /** @return array<string, mixed> */
    private static function summary(Calibration $row): array
    {
        return ['id' => $row->id, 'number' => $row->number, 'swatches' => $row->swatch_count, 'before' => round($row->before, 2), 'after' => round($row->after, 2), 'weight' => round($row->weight, 3), 'madeAt' => $row->created_at->toIso8601String()];
    }
}
