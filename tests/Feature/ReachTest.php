<?php

declare(strict_types=1);

use App\Studio\Zones\Reach;
use Illuminate\Cache\ArrayStore;
use Illuminate\Cache\Repository;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

it('knows how dark a box draws where the cache keeps numbers as text, as Redis does', function (): void {
    $texts = new Repository(new class extends ArrayStore
    {
        public function get($key): mixed
        {
            $kept = parent::get($key);

            return is_int($kept) || is_float($kept) ? (string) $kept : $kept;
        }
    });
    $this->app->when(Reach::class)->needs(Illuminate\Contracts\Cache\Repository::class)->give(static fn (): Repository => $texts);
    $piece = pieceOf(artist());
    $first = app(Reach::class)->of($piece);
    expect($first)->not->toBeNull()->and($first['dark'])->toBeLessThan($first['light'])
        ->and(app(Reach::class)->of($piece))->toBe($first);
});
