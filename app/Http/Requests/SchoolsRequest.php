<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Studio\SchoolChoices;
use Illuminate\Foundation\Http\FormRequest;

final class SchoolsRequest extends FormRequest
{
    /** @return array<string, mixed> */
    public function rules(): array
    {
        return SchoolChoices::rules();
    }
}
