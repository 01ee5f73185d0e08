<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Studio\Archive\Restores;
use App\Studio\LongWork\WorkKind;
use Illuminate\Validation\Rule;
use Standin\ErringHand;

final class WorkRequest extends StudioRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'kind' => ['required', Rule::enum(WorkKind::class)->except([WorkKind::Balance, ...WorkKind::UPLOADS])],
            'paper' => ['required_if:kind,audit', 'string', $this->seenPaper()],
            'chart' => ['required_if:kind,filling', 'string', 'max:30'],
            'sheet' => ['integer', 'between:1,60'],
            'piece' => ['required_if:kind,look,planning,reserves,review,simulated-drawing', 'string', 'max:30'],
            'photo' => ['required_if:kind,review', 'string', 'max:30'],
            'hand' => ['required_if:kind,simulated-drawing', Rule::enum(ErringHand::class)],
            'taped' => ['boolean'],
            'corners' => ['array', 'size:4'],
            'corners.*' => ['array', 'size:2'],
            'corners.*.*' => ['numeric', 'between:-0.5,1.5'],
            'anew' => ['boolean'],
            'withBox' => ['boolean'],
            'onlyNew' => ['boolean'],
            'file' => ['required_if:kind,restore', 'string', 'max:60'],
            'ways' => ['array', 'max:20000'],
            'ways.*' => ['string', Rule::in(Restores::WAYS)],
            'habits' => ['boolean'],
            'targets' => ['required_if:kind,search-again', 'array', 'max:500'],
            'targets.*' => ['string', 'max:30'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['paper.exists' => 'There is no such paper; choose one from the list.'];
    }
}
