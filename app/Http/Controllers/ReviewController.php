<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\CorrectionsRequest;
use App\Http\Requests\SampleRequest;
use App\Http\Resources\ColourResource;
use App\Http\Resources\PlanResource;
use App\Http\Resources\ReviewResource;
use App\Jobs\PrepareBox;
use App\Models\Piece;
use App\Studio\Calibration\Calibrations;
use App\Studio\ChangedMeanwhile;
use App\Studio\Photos\PhotoStore;
use App\Studio\Planning\PlanPages;
use App\Studio\Review\Corrections;
use App\Studio\Review\DrawingReviews;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Prism\Colour\Words\Difference;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Photos of the drawing, compared with the reference. They are compared by long work of the kind "review". */
final class ReviewController
{
    public function __construct(private readonly DrawingReviews $reviews)
    {
    }

    #[OA\Get(path: '/api/pieces/{piece}/reviews', operationId: 'reviews', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'The latest photo first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Review'))),
    ])]
    public function index(Piece $piece): AnonymousResourceCollection
    {
        Gate::authorize('view', $piece);

        return ReviewResource::collection($this->reviews->of($piece));
    }

    /** A picture of a review. */
    public function picture(Piece $piece, string $mark, string $view): BinaryFileResponse
    {
        Gate::authorize('view', $piece);

        return response()->file($this->reviews->pictureOf($piece, $mark, $view) ?? abort(404), ['Content-Type' => 'image/png', 'Cache-Control' => 'private, max-age=31536000, immutable']);
    }

    #[OA\Post(path: '/api/pieces/{piece}/reviews/{photo}/samples', operationId: 'sampleInBoth', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string')), new OA\PathParameter(name: 'photo', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['x', 'y', 'radius'], properties: [
            new OA\Property(property: 'x', type: 'number'),
            new OA\Property(property: 'y', type: 'number'),
            new OA\Property(property: 'radius', type: 'number'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The same spot in both', content: new OA\JsonContent(required: ['reference', 'drawing', 'words', 'dE00'], properties: [
                new OA\Property(property: 'reference', ref: '#/components/schemas/Colour'),
                new OA\Property(property: 'drawing', ref: '#/components/schemas/Colour'),
                new OA\Property(property: 'words', type: 'string', description: 'how the drawing differs'),
                new OA\Property(property: 'dE00', type: 'number'),
            ])),
            new OA\Response(response: 404, description: 'Not compared, or beyond the crop', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function sample(SampleRequest $request, Piece $piece, string $photo, PhotoStore $photos): JsonResponse
    {
        Gate::authorize('view', $piece);
        $spot = [$request->float('x'), $request->float('y'), $request->float('radius')];
        $reference = $photos->sample($piece->reference(), ...$spot)->colour;
        $drawing = $this->reviews->sample($piece, $photo, ...$spot) ?? abort(404, 'The drawing does not reach this spot.');
        $difference = Difference::between($drawing, $reference);

        return new JsonResponse(['reference' => ColourResource::make($reference), 'drawing' => ColourResource::make($drawing), 'words' => $difference->words, 'dE00' => round($difference->dE00, 1)]);
    }

    #[OA\Post(path: '/api/pieces/{piece}/reviews/{photo}/hand', operationId: 'takeHand', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string')), new OA\PathParameter(name: 'photo', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'A calibration with the hand as the drawing has shown it, in force', content: new OA\JsonContent(required: ['calibration', 'number', 'was'], properties: [
            new OA\Property(property: 'calibration', type: 'integer'),
            new OA\Property(property: 'number', type: 'integer'),
            new OA\Property(property: 'was', type: 'integer', nullable: true, description: 'in force until now'),
        ])),
        new OA\Response(response: 409, description: 'Another calibration is in force since', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
    ])]
    public function hand(Piece $piece, string $photo, Calibrations $calibrations): JsonResponse
    {
        Gate::authorize('update', $piece);
        $hand = $this->reviews->hand($piece, $photo) ?? abort(404, 'This photo has told nothing of your hand.');
        throw_if($hand['calibration'] !== $calibrations->inForce($piece->user), ChangedMeanwhile::class, 'Your calibration');
        $made = $calibrations->pressing($piece->user, (float) $hand['factor']);
        PrepareBox::dispatch($piece->user);

        return new JsonResponse(['calibration' => $made->id, 'number' => $made->number, 'was' => $hand['calibration']]);
    }

    #[OA\Post(
        path: '/api/pieces/{piece}/reviews/{photo}/corrections',
        operationId: 'takeCorrections',
        parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string')), new OA\PathParameter(name: 'photo', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(required: ['mark', 'targets'], properties: [
            new OA\Property(property: 'mark', type: 'string', description: 'a ULID of this press: sent twice it is done once'),
            new OA\Property(property: 'targets', type: 'array', description: 'colours for which they are taken over into Draw', items: new OA\Items(type: 'string')),
            new OA\Property(property: 'madeAt', type: 'string', format: 'date-time'),
        ])),
        responses: [
            new OA\Response(response: 200, description: 'The plan as it goes on', content: new OA\JsonContent(ref: '#/components/schemas/Plan')),
            new OA\Response(response: 409, description: 'Drawn on since, or compared anew', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
            new OA\Response(response: 422, description: 'Refused', content: new OA\JsonContent(ref: '#/components/schemas/Problem')),
        ],
    )]
    public function correct(CorrectionsRequest $request, Piece $piece, string $photo, Corrections $corrections, PlanPages $pages): PlanResource
    {
        Gate::authorize('update', $piece);
        $corrections->take($piece, $request->mark(), $photo, $request->targets(), $request->madeAt());

        return new PlanResource($pages->of($piece));
    }
}
