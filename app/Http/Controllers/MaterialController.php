<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\BesideWhiteRequest;
use App\Http\Requests\BoxNoteRequest;
use App\Http\Requests\BoxRequest;
use App\Http\Resources\ColourResource;
use App\Jobs\PrepareBox;
use App\Models\User;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\TypedColour;
use App\Studio\Photos\BesideWhitePhotos;
use App\Studio\Photos\PhotoRefused;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use Prism\Charts\ChartRefused;
use Prism\Colour\Lamp;
use Prism\Materials\PaperKind;
use Prism\Materials\PaperTone;
use Prism\Materials\PencilId;

/** Colours as they are typed, and the box of the pencils one owns. */
final class MaterialController
{
    #[OA\Get(path: '/api/words', operationId: 'words', responses: [new OA\Response(response: 200, description: 'In which words papers and lamps are told', content: new OA\JsonContent(required: ['kinds', 'tones', 'lamps'], properties: [
        new OA\Property(property: 'kinds', type: 'array', items: new OA\Items(required: ['id', 'name', 'sentence', 'white'], properties: [
            new OA\Property(property: 'id', type: 'string', enum: PaperKind::class),
            new OA\Property(property: 'name', type: 'string'),
            new OA\Property(property: 'sentence', type: 'string'),
            new OA\Property(property: 'white', type: 'string', description: 'hex'),
        ])),
        new OA\Property(property: 'tones', type: 'array', items: new OA\Items(required: ['id', 'name', 'hex'], properties: [
            new OA\Property(property: 'id', type: 'string', enum: PaperTone::class),
            new OA\Property(property: 'name', type: 'string'),
            new OA\Property(property: 'hex', type: 'string'),
        ])),
        new OA\Property(property: 'lamps', type: 'array', items: new OA\Items(required: ['id', 'name'], properties: [
            new OA\Property(property: 'id', ref: '#/components/schemas/LampId'),
            new OA\Property(property: 'name', type: 'string'),
        ])),
    ]))])]
    public function words(): JsonResponse
    {
        return new JsonResponse([
            'kinds' => array_map(static fn (PaperKind $kind): array => ['id' => $kind->value, 'name' => $kind->label(), 'sentence' => $kind->sentence(), 'white' => $kind->white()->toHex()], PaperKind::cases()),
            'tones' => array_map(static fn (PaperTone $tone): array => ['id' => $tone->value, 'name' => $tone->label(), 'hex' => $tone->on(PaperKind::Cartridge)->toHex()], PaperTone::cases()),
            'lamps' => array_map(static fn (Lamp $lamp): array => ['id' => $lamp->value, 'name' => $lamp->label()], Lamp::cases()),
        ]);
    }

    #[OA\Post(path: '/api/colours', operationId: 'typedColour', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['text'], properties: [
        new OA\Property(property: 'text', type: 'string', description: 'hex, three numbers L* a* b*, or a pencil'),
    ])), responses: [
        new OA\Response(response: 200, description: 'The colour', content: new OA\JsonContent(ref: '#/components/schemas/Colour')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function colour(Request $request, #[CurrentUser] User $user, TypedColour $colours): ColourResource
    {
        $text = $request->validate(['text' => ['required', 'string', 'max:60']], ['text.*' => 'Type a colour: #7a8b9c, three numbers L* a* b*, or a pencil such as QW:5892.'])['text'];

        return ColourResource::make($colours->read($user, (string) $text, 'text'));
    }

    #[OA\Post(path: '/api/colours/beside-white', operationId: 'colourBesideWhite', requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['picture', 'white', 'asked', 'of'], properties: [
        new OA\Property(property: 'picture', type: 'string', format: 'binary'),
        new OA\Property(property: 'white', type: 'array', description: 'a place on plain white printing paper, shares of width and height', items: new OA\Items(type: 'number')),
        new OA\Property(property: 'asked', type: 'array', description: 'a place on what is asked for', items: new OA\Items(type: 'number')),
        new OA\Property(property: 'of', type: 'string', enum: ['paper', 'coat']),
    ]))), responses: [
        new OA\Response(response: 200, description: 'Its colour in neutral light', content: new OA\JsonContent(ref: '#/components/schemas/Colour')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function besideWhite(BesideWhiteRequest $request, BesideWhitePhotos $photos): ColourResource
    {
        try {
            return ColourResource::make($photos->read($request->picture()->getPathname(), $request->place('white'), $request->place('asked'), (string) $request->validated('of')));
        } catch (PhotoRefused|ChartRefused $refusal) {
            throw ValidationException::withMessages(['picture' => $refusal->getMessage()]);
        }
    }

    #[OA\Put(
        path: '/api/box',
        operationId: 'changeBox',
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(properties: [
            new OA\Property(property: 'add', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property(property: 'remove', type: 'array', items: new OA\Items(type: 'string')),
        ])),
        responses: [
            new OA\Response(response: 204, description: 'Changed'),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function changeBox(BoxRequest $request, #[CurrentUser] User $user, Catalogue $catalogue): JsonResponse
    {
        $add = self::rowsOf($catalogue, $user, (array) $request->validated('add', []), 'add');
        $remove = self::rowsOf($catalogue, $user, (array) $request->validated('remove', []), 'remove');
        DB::transaction(static function () use ($user, $add, $remove): void {
            $user->box()->detach($remove);
            $user->box()->syncWithoutDetaching($add);
        });
        PrepareBox::dispatch($user);

        return new JsonResponse(null, 204);
    }

    #[OA\Patch(
        path: '/api/box/{pencil}',
        operationId: 'noteInBox',
        parameters: [new OA\PathParameter(name: 'pencil', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(properties: [
            new OA\Property(property: 'favourite', type: 'boolean'),
            new OA\Property(property: 'spare', type: 'integer'),
            new OA\Property(property: 'lengthMm', type: 'integer', nullable: true),
        ])),
        responses: [
            new OA\Response(response: 204, description: 'Noted'),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function noteInBox(BoxNoteRequest $request, #[CurrentUser] User $user, string $pencil, Catalogue $catalogue): JsonResponse
    {
        [$row] = self::rowsOf($catalogue, $user, [$pencil], 'pencil');
        abort_unless($user->box()->whereKey($row)->exists(), 422, sprintf('Pencil %s is not in your box; put it in first.', $pencil));
        if ($request->columns() !== []) {
            $user->box()->updateExistingPivot($row, $request->columns());
        }

        return new JsonResponse(null, 204);
    }

    /**
     * @param  array<array-key, mixed>  $ids
     * @return list<int>
     *
     * @throws ValidationException
     */
    private static function rowsOf(Catalogue $catalogue, User $user, array $ids, string $field): array
    {
        $rows = $unknown = [];
        $texts = array_map(strval(...), $ids);
        $catalogue->some($user, array_map(PencilId::of(...), array_values(array_filter($texts, static fn (string $id): bool => preg_match('/^'.PencilId::PATTERN.'$/', $id) === 1))));
        foreach ($texts as $id) {
            $row = preg_match('/^'.PencilId::PATTERN.'$/', $id) === 1 ? $catalogue->row($user, PencilId::of($id)) : null;
            $row === null ? $unknown[] = $id : $rows[] = $row->id;
        }
        if ($unknown !== []) {
            throw ValidationException::withMessages([$field => sprintf('There is no pencil %s in any range.', implode(', ', $unknown))]);
        }

        return $rows;
    }
}
