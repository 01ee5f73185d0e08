<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PaperRequest;
use App\Http\Resources\PaperResource;
use App\Models\Paper;
use App\Models\User;
use App\Studio\Papers\PaperBook;
use App\Studio\Pencils\TypedColour;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Materials\PaperKind;
use Prism\Materials\PaperTone;

/** Papers: those that ship, and those of one's own. */
#[OA\Schema(schema: 'PaperForm', required: ['name', 'kind', 'colour'], properties: [
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'kind', type: 'string', enum: PaperKind::class),
    new OA\Property(property: 'colour', type: 'string', description: 'a tone in one word, hex, or L* a* b*'),
    new OA\Property(property: 'widthMm', type: 'number', nullable: true),
    new OA\Property(property: 'heightMm', type: 'number', nullable: true),
])]
final class PaperController
{
    #[OA\Get(path: '/api/papers', operationId: 'papers', responses: [new OA\Response(response: 200, description: 'Those that ship, then the own ones', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Paper')))])]
    public function index(#[CurrentUser] User $user): AnonymousResourceCollection
    {
        return PaperResource::collection(Paper::seenBy($user)->orderBy('id')->get());
    }

    #[OA\Post(path: '/api/papers', operationId: 'addPaper', requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PaperForm')), responses: [
        new OA\Response(response: 201, description: 'Written down', content: new OA\JsonContent(ref: '#/components/schemas/Paper')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function store(PaperRequest $request, #[CurrentUser] User $user, PaperBook $book, TypedColour $colours): JsonResponse
    {
        $paper = $book->write($user, $request->validated('name'), $request->kind(), self::colour($request, $user, $colours), $request->sheet());

        return PaperResource::make($paper)->response()->setStatusCode(201);
    }

    #[OA\Put(path: '/api/papers/{paper}', operationId: 'changePaper', parameters: [new OA\PathParameter(name: 'paper', required: true, schema: new OA\Schema(type: 'string'))], requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/PaperForm')), responses: [
        new OA\Response(response: 200, description: 'Changed', content: new OA\JsonContent(ref: '#/components/schemas/Paper')),
        new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function update(PaperRequest $request, #[CurrentUser] User $user, Paper $paper, PaperBook $book, TypedColour $colours): PaperResource
    {
        $book->change($paper, $request->validated('name'), $request->kind(), self::colour($request, $user, $colours), $request->sheet());

        return PaperResource::make($paper);
    }

    #[OA\Delete(path: '/api/papers/{paper}', operationId: 'removePaper', parameters: [new OA\PathParameter(name: 'paper', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 204, description: 'Taken away; it can be taken back'),
        new OA\Response(response: 422, description: 'It is drawn on', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function destroy(#[CurrentUser] User $user, Paper $paper): JsonResponse
    {
        $uses = PaperBook::uses($user, $paper);
        abort_if($uses !== null, 422, sprintf('%s is in use: %s. Put those on another paper first.', $paper->name, $uses));
        $paper->delete();

        return new JsonResponse(null, 204);
    }

    #[OA\Post(path: '/api/papers/{paper}/restore', operationId: 'restorePaper', parameters: [new OA\PathParameter(name: 'paper', required: true, schema: new OA\Schema(type: 'string'))], responses: [new OA\Response(response: 204, description: 'Taken back')])]
    public function restore(Paper $paper): JsonResponse
    {
        $paper->restore();

        return new JsonResponse(null, 204);
    }

    private static function colour(PaperRequest $request, User $user, TypedColour $colours): Lab
    {
        $text = trim((string) $request->validated('colour'));

        return PaperTone::tryFrom($text)?->on($request->kind()) ?? $colours->read($user, $text, 'colour');
    }
}
