<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Piece;
use App\Studio\Review\DrawingReviews;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Gate;
use OpenApi\Attributes as OA;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Photos of the drawing, compared with the reference. They are compared by long work of the kind "review". */
#[OA\Schema(schema: 'Review', required: ['photo', 'madeAt', 'straight', 'errors', 'found', 'given', 'corners', 'width', 'height', 'range', 'meanError', 'meanErrorWords', 'warnings', 'zones'], properties: [
    new OA\Property(property: 'photo', type: 'string', description: 'its mark in the log'),
    new OA\Property(property: 'madeAt', type: 'string', format: 'date-time'),
    new OA\Property(property: 'straight', type: 'string', description: 'address of the drawing as it is seen from above, in even light'),
    new OA\Property(property: 'errors', type: 'string', description: 'address of the value error: grey, 128 + 2 (L* of the drawing - L* of the reference)'),
    new OA\Property(property: 'found', type: 'boolean', description: 'false: the corners are to be looked at'),
    new OA\Property(property: 'given', type: 'boolean', description: 'whether the corners were set by hand'),
    new OA\Property(property: 'corners', type: 'array', description: 'upper left, upper right, lower right, lower left, shares of the photo’s width and height', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
    new OA\Property(property: 'width', type: 'integer'),
    new OA\Property(property: 'height', type: 'integer'),
    new OA\Property(property: 'range', type: 'string', description: 'what of the photo’s range of values the drawing has, in words'),
    new OA\Property(property: 'meanError', type: 'number', description: 'of value, L*'),
    new OA\Property(property: 'meanErrorWords', type: 'string', description: 'the same in steps of the ladder, as it is said'),
    new OA\Property(property: 'warnings', type: 'array', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'zones', type: 'array', description: 'the one that hurts most first', items: new OA\Items(required: ['id', 'name', 'state', 'words', 'dL', 'dE00'], properties: [
        new OA\Property(property: 'id', type: 'string'),
        new OA\Property(property: 'name', type: 'string'),
        new OA\Property(property: 'state', type: 'string', enum: ['bare', 'begun', 'near', 'off', 'spoiled']),
        new OA\Property(property: 'words', type: 'string'),
        new OA\Property(property: 'dL', type: 'number'),
        new OA\Property(property: 'dE00', type: 'number'),
    ])),
])]
final class ReviewController
{
    public function __construct(private readonly DrawingReviews $reviews)
    {
    }

    #[OA\Get(path: '/api/pieces/{piece}/reviews', operationId: 'reviews', parameters: [new OA\PathParameter(name: 'piece', required: true, schema: new OA\Schema(type: 'string'))], responses: [
        new OA\Response(response: 200, description: 'The latest photo first', content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/Review'))),
    ])]
    public function index(Piece $piece): JsonResponse
    {
        Gate::authorize('view', $piece);

        return new JsonResponse($this->reviews->of($piece));
    }

    /** A picture of a review. */
    public function picture(Piece $piece, string $mark, string $view): BinaryFileResponse
    {
        Gate::authorize('view', $piece);

        return response()->file($this->reviews->pictureOf($piece, $mark, $view) ?? abort(404), ['Content-Type' => 'image/png', 'Cache-Control' => 'private, max-age=31536000, immutable']);
    }
}
