<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Prism\Reference\Zones\MergeTree;

final class ZoneCountRequest extends ZonesRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [...parent::rules(), 'count' => ['required', 'integer', sprintf('between:%d,%d', MergeTree::FEWEST, MergeTree::MOST)]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['count.*' => sprintf('Choose from %d to %d zones.', MergeTree::FEWEST, MergeTree::MOST)];
    }
}
