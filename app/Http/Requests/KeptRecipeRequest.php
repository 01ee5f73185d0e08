<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Paper;
use App\Models\User;
use Prism\Exchange\RecipeTable;

/** What a recipe of the book is called and for. */
final class KeptRecipeRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        $isNew = $this->isMethod('POST');
        $isLadder = $this->is('api/recipes/ladder');

        return [
            'name' => ['required', 'string', 'max:'.RecipeTable::NAME_LETTERS],
            'purpose' => ['sometimes', 'string', 'max:120'],
            'tags' => ['sometimes', 'array', 'max:'.RecipeTable::MOST_TAGS],
            'tags.*' => ['required', 'string', 'max:'.RecipeTable::TAG_LETTERS, 'not_regex:/[|]/'],
            'note' => ['sometimes', 'string', 'max:2000'],
            'version' => $isNew ? [] : ['required', 'integer'],
            'paper' => $isNew ? ['required', 'string', $this->seenPaper()] : [],
            'stack' => $isNew && ! $isLadder ? ['required', 'string', 'max:400'] : [],
            'stacks' => $isLadder ? ['required', 'array', 'min:2', 'max:9'] : [],
            'stacks.*' => $isLadder ? ['required', 'string', 'max:400'] : [],
            'target' => $isNew ? ['sometimes', 'nullable', 'string'] : [],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.required' => 'Give the recipe a name that you will find it by.',
            'name.max' => sprintf('A name has at most %d letters.', RecipeTable::NAME_LETTERS),
            'tags.*' => sprintf('At most %d tags of at most %d letters each, without |.', RecipeTable::MOST_TAGS, RecipeTable::TAG_LETTERS),
            'note.max' => 'A note has at most 2000 letters.',
            'stack.*' => 'A recipe has at least one layer, such as QW:5892@50.',
            'paper.*' => 'There is no such paper; choose one from the list.',
        ];
    }

    /** @return array{name: string, purpose: string, tags: list<string>, note: string} */
    public function called(): array
    {
        $tags = array_map(static fn (mixed $tag): string => trim((string) $tag), $this->validated('tags') ?? []);

        return [
            'name' => trim((string) $this->validated('name')), 'purpose' => trim((string) ($this->validated('purpose') ?? '')),
            'tags' => array_values(array_unique(array_filter($tags, static fn (string $tag): bool => $tag !== ''))), 'note' => trim((string) ($this->validated('note') ?? '')),
        ];
    }

    public function paper(): Paper
    {
        $artist = $this->user();
        assert($artist instanceof User);

        return Paper::called($artist, (string) $this->validated('paper')) ?? abort(422);
    }
}
