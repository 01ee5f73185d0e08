<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\DrillRound;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use OpenApi\Attributes as OA;
use Prism\Colour\Lab;
use Prism\Practice\DrillKind;

/** @mixin DrillRound */
#[OA\Schema(schema: 'DrillKindId', type: 'string', enum: DrillKind::class)]
#[OA\Schema(schema: 'DrillRound', required: ['id', 'kind', 'name', 'level', 'isOrder', 'questions', 'right', 'isDone'], properties: [
    new OA\Property(property: 'id', type: 'string'),
    new OA\Property(property: 'kind', ref: '#/components/schemas/DrillKindId'),
    new OA\Property(property: 'name', type: 'string'),
    new OA\Property(property: 'level', type: 'integer'),
    new OA\Property(property: 'isOrder', type: 'boolean', description: 'all options are chosen, one after the other'),
    new OA\Property(property: 'right', type: 'integer', description: 'answers so far'),
    new OA\Property(property: 'isDone', type: 'boolean'),
    new OA\Property(property: 'questions', type: 'array', items: new OA\Items(required: ['asks', 'patches', 'options', 'picks', 'picture', 'answered'], properties: [
        new OA\Property(property: 'asks', type: 'string'),
        new OA\Property(property: 'patches', type: 'array', items: new OA\Items(required: ['label', 'hex', 'ground', 'words'], properties: [
            new OA\Property(property: 'label', type: 'string'),
            new OA\Property(property: 'hex', type: 'string'),
            new OA\Property(property: 'ground', type: 'string', nullable: true),
            new OA\Property(property: 'words', type: 'string', description: 'of the colour, without telling the answer'),
        ])),
        new OA\Property(property: 'options', type: 'array', items: new OA\Items(required: ['id', 'label', 'hex', 'words'], properties: [
            new OA\Property(property: 'id', type: 'string'),
            new OA\Property(property: 'label', type: 'string'),
            new OA\Property(property: 'hex', type: 'string', nullable: true),
            new OA\Property(property: 'words', type: 'string', nullable: true),
        ])),
        new OA\Property(property: 'picks', type: 'integer', description: 'so many are chosen, one after the other'),
        new OA\Property(property: 'picture', nullable: true, type: 'object', description: 'a photo of the artist\'s that it is asked of', required: ['url', 'spots'], properties: [
            new OA\Property(property: 'url', type: 'string'),
            new OA\Property(property: 'spots', type: 'array', description: 'places in it: one for each option, or the one that is asked of', items: new OA\Items(type: 'array', items: new OA\Items(type: 'number'))),
        ]),
        new OA\Property(property: 'answered', nullable: true, type: 'object', description: 'what is right is told once it is answered', required: ['answer', 'right', 'isRight', 'because'], properties: [
            new OA\Property(property: 'answer', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property(property: 'right', type: 'array', items: new OA\Items(type: 'string')),
            new OA\Property(property: 'isRight', type: 'boolean'),
            new OA\Property(property: 'because', type: 'string'),
        ]),
    ])),
])]
final class DrillRoundResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $kind = DrillKind::from($this->kind);
        $hex = static fn (?array $lab): ?string => $lab === null ? null : Lab::of(...array_map(floatval(...), $lab))->toHex();
        $words = static fn (?array $lab): ?string => $lab === null ? null : $kind->words(Lab::of(...array_map(floatval(...), $lab)));
        $questions = [];
        foreach ($this->questions as $at => $question) {
            $given = $this->answers[$at] ?? null;
            $questions[] = [
                'asks' => $question['asks'],
                'patches' => array_map(static fn (array $patch): array => ['label' => $patch['label'], 'hex' => $hex($patch['colour']), 'ground' => $hex($patch['ground']), 'words' => $words($patch['colour'])], $question['patches']),
                'options' => array_map(static fn (array $option): array => ['id' => $option['id'], 'label' => $option['label'], 'hex' => $kind->showsColours() ? $hex($option['colour']) : null, 'words' => $words($option['colour'])], $question['options']),
                'picks' => count($question['right']),
                'picture' => isset($question['picture']) ? ['url' => "/api/references/{$question['picture']}/photos/photo", 'spots' => $question['spots'] ?? []] : null,
                'answered' => $given === null ? null : ['answer' => $given['answer'], 'right' => $question['right'], 'isRight' => $given['right'], 'because' => $question['because']],
            ];
        }

        return ['id' => $this->id, 'kind' => $kind->value, 'name' => $kind->label(), 'level' => $this->level, 'isOrder' => $kind->isOrder(), 'right' => $this->right, 'isDone' => $this->done_at !== null, 'questions' => $questions];
    }
}
