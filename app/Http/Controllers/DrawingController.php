<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\DrawingPhotoRequest;
use App\Http\Requests\MarkRequest;
use App\Http\Requests\NoteRequest;
use App\Http\Requests\ReplanRequest;
use App\Http\Resources\DrawingEntryResource;
use App\Http\Resources\DrawnResource;
use App\Http\Resources\PlanResource;
use App\Http\Resources\ReplanResource;
use App\Models\Piece;
use App\Studio\Account\Revisions;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\Drawing\Marks;
use App\Studio\Drawing\Replans;
use App\Studio\Pencils\Catalogue;
use App\Studio\Photos\PhotoRefused;
use App\Studio\Planning\PlanPages;
use App\Studio\Planning\ZoneRecipes;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use OpenApi\Attributes as OA;
use Prism\Planning\Order\PlanStep;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** What is marked while one draws, and the log of it. */
final class DrawingController
{
    /** The log shows so many entries, the latest. */
    private const SHOWN = 500;

    public function __construct(private readonly ZoneRecipes $recipes, private readonly PlanPages $pages, private readonly Marks $marks, private readonly Replans $replans, private readonly Catalogue $catalogue)
    {
    }

    #[OA\Get(path: '/api/pieces/{piece}/drawing', operationId: 'drawingLog', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'What was marked and written down, the latest first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/DrawingEntry'))),
    ])]
    public function index(Piece $piece): AnonymousResourceCollection
    {
        Gate::authorize('view', $piece);
        $entries = $piece->drawingEntries();
        $entries->orderByDesc('made_at')->orderByDesc('id')->limit(self::SHOWN);

        return DrawingEntryResource::collection($entries->get());
    }

    #[OA\Post(
        path: '/api/pieces/{piece}/drawing',
        operationId: 'markSteps',
        parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['mark', 'keys', 'state'], properties: [
            new OA\Property(property: 'mark', type: 'string', description: 'a ULID of this press: sent twice it is done once'),
            new OA\Property(property: 'keys', type: 'array', description: 'steps of the plan', items: new OA\Items(type: 'string')),
            new OA\Property(property: 'state', type: 'string', enum: ['done', 'skipped', 'open'], description: 'open takes a mark off'),
            new OA\Property(property: 'otherwise', type: 'object', description: 'what the hand did otherwise, where they are done: what is not said was as planned', properties: [
                new OA\Property(property: 'pencil', type: 'string', description: 'RANGE:NUMBER'),
                new OA\Property(property: 'pressurePercent', type: 'number'),
                new OA\Property(property: 'coats', type: 'integer'),
                new OA\Property(property: 'dabs', type: 'integer', description: 'with the eraser, afterwards'),
            ]),
            new OA\Property(property: 'was', type: 'string', enum: ['open', 'done', 'skipped'], description: 'that all of them were seen as: refused if one is another by now'),
            new OA\Property(property: 'madeAt', type: 'string', format: 'date-time', description: 'when it was pressed, where it had to wait for the network'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The plan with the steps marked; with the header Prefer: return=minimal, where the plan stays as it was, only what has changed of it', content: new OA\JsonContent(oneOf: [new OA\Schema(ref: '#/components/schemas/Plan'), new OA\Schema(ref: '#/components/schemas/Drawn')])),
            new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function mark(MarkRequest $request, Piece $piece): PlanResource|DrawnResource
    {
        Gate::authorize('update', $piece);
        $plan = $this->recipes->known($piece);
        $wanted = array_flip($request->stepKeys());
        $steps = array_values(array_filter($plan->steps, static fn (PlanStep $step): bool => isset($wanted[$step->key])));
        if ($steps === [] || count($steps) < count($wanted)) {
            abort(422, 'This step is no longer in the plan; its recipe has changed. Reload to see the plan as it is now.');
        }
        $otherwise = $request->otherwise($this->catalogue, $piece->user);
        // What was laid as planned, and is no more or from now on, changes no step of the plan; what was left out or laid otherwise does.
        $isSame = $otherwise === null && $request->validated('state') !== 'skipped' && array_filter($steps, static fn (PlanStep $step): bool => $step->laid !== null) === [];
        if ($isSame) {
            Revisions::plansStay();
        }
        $this->marks->mark($piece, $request->mark(), $steps, (string) $request->validated('state'), $request->validated('was'), $request->madeAt(), $otherwise);
        if ($isSame && $request->header('Prefer') === 'return=minimal') {
            return new DrawnResource($this->pages->drawn($piece, $plan));
        }

        return new PlanResource($this->pages->of($piece, $isSame ? $plan : null));
    }

    #[OA\Delete(path: '/api/pieces/{piece}/drawing/last', operationId: 'undoMark', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string')), new OA\QueryParameter(name: 'mark', description: 'of the press, note or photo that was seen as the last: refused if it is another by now', schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        new OA\Response(response: 200, description: 'The plan with all that the last press marked as it was before; a note or a photo is out of the log', content: new OA\JsonContent(ref: '#/components/schemas/Plan')),
    ])]
    public function undo(Request $request, Piece $piece): PlanResource
    {
        Gate::authorize('update', $piece);
        $this->marks->undo($piece, $request->validate(['mark' => ['sometimes', 'required', 'string', 'max:80']])['mark'] ?? null);

        return new PlanResource($this->pages->of($piece));
    }

    #[OA\Get(path: '/api/pieces/{piece}/drawing/replans', operationId: 'proposedReplans', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'Places where something was laid otherwise, and what is better laid from here on', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Replan'))),
    ])]
    public function replans(Piece $piece): AnonymousResourceCollection
    {
        Gate::authorize('view', $piece);

        return ReplanResource::collection($this->replans->proposed($piece));
    }

    #[OA\Post(
        path: '/api/pieces/{piece}/drawing/replans',
        operationId: 'replan',
        parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['mark', 'target', 'take', 'rest'], properties: [
            new OA\Property(property: 'mark', type: 'string', description: 'a ULID of this press: sent twice it is done once'),
            new OA\Property(property: 'target', type: 'string'),
            new OA\Property(property: 'take', type: 'boolean', description: 'false: the plan stays as it is there'),
            new OA\Property(property: 'rest', type: 'string', description: 'as it was proposed: refused if it is another by now'),
            new OA\Property(property: 'madeAt', type: 'string', format: 'date-time'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The plan as it goes on', content: new OA\JsonContent(ref: '#/components/schemas/Plan')),
            new OA\Response(response: 409, description: 'Changed meanwhile elsewhere', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function replan(ReplanRequest $request, Piece $piece): PlanResource
    {
        Gate::authorize('update', $piece);
        $target = (string) $request->validated('target');
        $request->boolean('take')
            ? $this->replans->take($piece, $request->mark(), $target, (string) $request->validated('rest'), $request->madeAt())
            : $this->replans->leave($piece, $request->mark(), $target, $request->madeAt());

        return new PlanResource($this->pages->of($piece));
    }

    #[OA\Post(
        path: '/api/pieces/{piece}/drawing/notes',
        operationId: 'noteDrawing',
        parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['mark', 'note'], properties: [
            new OA\Property(property: 'mark', type: 'string', description: 'a ULID of it: sent twice it is written down once'),
            new OA\Property(property: 'note', type: 'string'),
            new OA\Property(property: 'turn', type: 'integer', nullable: true, description: 'that it is about'),
            new OA\Property(property: 'zone', type: 'string', nullable: true, description: 'what the zone is called that it is about'),
            new OA\Property(property: 'madeAt', type: 'string', format: 'date-time'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The note', content: new OA\JsonContent(ref: '#/components/schemas/DrawingEntry')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function note(NoteRequest $request, Piece $piece): DrawingEntryResource
    {
        Gate::authorize('update', $piece);
        Revisions::plansStay();
        $entry = $piece->drawingEntries()->firstOrCreate(
            ['mark' => $request->mark()],
            ['kind' => 'note', 'note' => $request->validated('note'), 'turn' => $request->validated('turn'), 'zone' => $request->validated('zone'), 'made_at' => $request->madeAt()],
        );

        return new DrawingEntryResource($entry);
    }

    #[OA\Post(
        path: '/api/pieces/{piece}/drawing/photos',
        operationId: 'photographDrawing',
        parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\MediaType(mediaType: 'multipart/form-data', schema: new OA\Schema(required: ['mark', 'photo'], properties: [
            new OA\Property(property: 'mark', type: 'string', description: 'a ULID of it: sent twice it is kept once'),
            new OA\Property(property: 'photo', type: 'string', format: 'binary'),
            new OA\Property(property: 'note', type: 'string'),
            new OA\Property(property: 'turn', type: 'integer'),
            new OA\Property(property: 'zone', type: 'string'),
            new OA\Property(property: 'madeAt', type: 'string', format: 'date-time'),
        ]))),
        responses: [
            new OA\Response(response: 200, description: 'The photo in the log', content: new OA\JsonContent(ref: '#/components/schemas/DrawingEntry')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function photograph(DrawingPhotoRequest $request, Piece $piece, DrawingPhotos $photos): DrawingEntryResource
    {
        Gate::authorize('update', $piece);
        $upload = $request->file('photo');
        assert($upload instanceof UploadedFile);
        Revisions::plansStay();
        try {
            return new DrawingEntryResource($photos->keep($piece, $request->mark(), $upload, $request->subject(), $request->madeAt()));
        } catch (PhotoRefused $refusal) {
            throw ValidationException::withMessages(['photo' => $refusal->getMessage()]);
        }
    }

    /** A photo of the log. */
    public function photo(Piece $piece, string $mark, DrawingPhotos $photos): BinaryFileResponse
    {
        Gate::authorize('view', $piece);
        abort_unless($piece->drawingEntries()->where('mark', $mark)->where('kind', 'photo')->exists(), 404);

        return response()->file($photos->path($piece, $mark) ?? abort(404), ['Content-Type' => 'image/jpeg', 'Cache-Control' => 'private, max-age=31536000, immutable']);
    }
}
