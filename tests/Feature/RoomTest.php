<?php

declare(strict_types=1);

use Illuminate\Support\Facades\File;

use function Tests\Feature\artist;
use function Tests\Feature\picture;
use function Tests\Feature\pieceOf;

it('tells what the pictures of an artist take, and nothing of another\'s', function (): void {
    [$artist, $other] = [artist(), artist()];
    $room = fn () => $this->actingAs($artist)->getJson('/api/account/room')->assertOk()->assertJsonPath('mostBytes', 10_000_000_000)->json('usedBytes');
    expect($room())->toBe(0);
    $piece = pieceOf($artist);
    pieceOf($other);
    $storage = (string) config('prism.storage');
    $own = array_sum(array_map(static fn (SplFileInfo $file): int => $file->getSize(), File::allFiles("$storage/pieces/{$piece->references()->valueOrFail('id')}")));
    expect($room())->toBe($own)->toBeGreaterThan(5000);
    File::ensureDirectoryExists("$storage/drawings/$piece->id");
    File::put("$storage/drawings/$piece->id/a.jpg", str_repeat('x', 1234));
    expect($room())->toBe($own + 1234);
    // What is removed can be taken back, so its room is not free yet.
    $piece->delete();
    expect($room())->toBe($own + 1234);
    File::deleteDirectory("$storage/drawings/$piece->id");
});

it('takes no more pictures where the room is used up, and says what to do; all else goes on', function (): void {
    $artist = artist();
    $piece = pieceOf($artist);
    config(['prism.gigabytes_of_one' => 0.000001]);
    $this->actingAs($artist);
    $photo = ['photo' => picture()];
    foreach (['/api/pieces', "/api/pieces/$piece->id/references", "/api/references/{$piece->references()->valueOrFail('id')}/photo", "/api/pieces/$piece->id/drawing/photos"] as $url) {
        $this->post($url, $photo, ['Accept' => 'application/json'])->assertUnprocessable()->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'Save pieces that are done in an archive and remove them'));
    }
    $this->patchJson("/api/pieces/$piece->id", ['title' => 'Floats'])->assertOk();
});

it('takes no more pictures of anybody where the disk has no room to spare, and says so; all else goes on', function (): void {
    $artist = artist();
    $piece = pieceOf($artist);
    config(['prism.gigabytes_spare' => 1e9]);
    $this->actingAs($artist)->post('/api/pieces', ['photo' => picture()], ['Accept' => 'application/json'])->assertStatus(507)->assertJsonPath('message', fn (string $said): bool => str_contains($said, 'whoever runs the studio has to make room'));
    $this->patchJson("/api/pieces/$piece->id", ['title' => 'Floats'])->assertOk();
});
