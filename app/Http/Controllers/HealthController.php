<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Studio\Files\Depot;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Whether the studio can do its work: for whoever watches over the server, not for artists. */
final class HealthController
{
    public function __invoke(Depot $depot): JsonResponse
    {
        $found = ['database' => $this->answers(), 'storage' => $depot->answers()];

        return new JsonResponse($found, in_array(false, $found, true) ? 503 : 200);
    }

    private function answers(): bool
    {
        try {
            return DB::selectOne('select 1 as one')?->one === 1;
        } catch (Throwable) {
            return false;
        }
    }
}
