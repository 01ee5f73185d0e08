<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Piece;
use App\Models\Zone;
use Illuminate\Validation\Rule;
use Prism\Reference\Lines\AreaForm;

/** How some areas of a line drawing are to be coloured. */
final class AreasRequest extends ZonesRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'zones' => ['required', 'array', 'min:1', 'max:120'],
            'zones.*' => ['required', 'string', 'distinct'],
            'by' => ['sometimes', 'required', Rule::in(['paper', 'colour', 'ladder', 'trio', 'recipe'])],
            'colour' => ['required_if:by,colour,ladder,trio', 'string', 'max:60'],
            'recipe' => ['required_if:by,recipe', 'string', 'max:40'],
            'form' => ['sometimes', 'required', Rule::enum(AreaForm::class)],
            'shines' => ['sometimes', 'required', 'boolean'],
            'body' => ['sometimes', 'nullable', 'string'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'zones.*' => 'Choose the areas that are to be coloured.',
            'colour.required_if' => 'Type a colour: a pencil by its number, hex with #, or three numbers L* a* b*.',
            'recipe.required_if' => 'Choose one of your recipes.',
        ];
    }

    /** @return non-empty-list<Zone> */
    public function zones(Piece $piece): array
    {
        $zones = [];
        foreach ($this->validated('zones') as $id) {
            $zone = $piece->zones()->whereKey($id)->firstOrFail();
            // A mere spot has no area.
            abort_if($zone->label === null, 404);
            $zones[] = $zone->setRelation('piece', $piece);
        }
        assert($zones !== []);

        return $zones;
    }
}
