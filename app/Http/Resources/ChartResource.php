<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Chart;
use App\Studio\Swatches\ChartPaper;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;

/** @mixin Chart */
#[OA\Schema(schema: 'Chart', required: ['id', 'title', 'kind', 'page', 'paper', 'paperName', 'madeAt', 'sheets', 'fields', 'read'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'title', type: 'string'),
    new OA\Property(property: 'kind', type: 'string', enum: ['card', 'singles', 'pairs', 'triples', 'stacks', 'lessons', 'proof']),
    new OA\Property(property: 'page', type: 'string', enum: ['a4', 'letter']),
    new OA\Property(property: 'paper', type: 'string'),
    new OA\Property(property: 'paperName', type: 'string'),
    new OA\Property(property: 'madeAt', type: 'string', format: 'date-time'),
    new OA\Property(property: 'sheets', type: 'integer'),
    new OA\Property(property: 'fields', type: 'array', description: 'stack notation by field', items: new OA\Items(type: 'string')),
    new OA\Property(property: 'read', type: 'integer', description: 'swatches that came from it'),
])]
final class ChartResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'title' => $this->title,
            'kind' => $this->kind,
            'page' => $this->page,
            'paper' => $this->paper->slug,
            'paperName' => $this->paper->name,
            'madeAt' => $this->created_at->toIso8601String(),
            'sheets' => count(ChartPaper::sheets($this->resource)),
            'fields' => $this->stacks,
            'read' => $this->swatches()->count(),
        ];
    }
}
