<?php

declare(strict_types=1);

use App\Models\User;
use App\Studio\Account\Revisions;
use Database\Seeders\MaterialsSeeder;
use Illuminate\Support\Facades\DB;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

// Two databases: one that is written to, and one that is read from and so far behind that nobody has any work in it.

beforeEach(function (): void {
    $this->before = config('database.default');
    $there = config('database.connections.mariadb');
    config(['database.connections.written' => [...$there, 'database' => $there['database'].'_kept', 'write' => ['host' => [$there['host']]], 'read' => ['host' => [$there['host']], 'database' => $there['database']], 'sticky' => true]]);
    DB::setDefaultConnection('written');
    $this->artisan('db:wipe', ['--force' => true])->assertSuccessful();
    $this->artisan('migrate', ['--force' => true])->assertSuccessful();
    $this->seed(MaterialsSeeder::class);
    $this->artist = artist();
    pieceOf($this->artist);
    $this->actingAs($this->artist);
    $this->seen = fn (): int => count($this->getJson('/api/pieces')->assertOk()->json());
});

afterEach(function (): void {
    DB::purge('written');
    DB::setDefaultConnection($this->before);
});

it('shows from a replica what an artist only looks at, and from where it was written what they have just changed', function (): void {
    expect(($this->seen)())->toBe(0);
    $this->patchJson('/api/account', ['hand' => 'left'])->assertSuccessful();
    expect(($this->seen)())->toBe(1);
    $this->travel(config('prism.replica_seconds') + 1)->seconds();
    expect(($this->seen)())->toBe(0);
});

it('shows from where it was written what a work has changed for an artist', function (): void {
    Revisions::countOn($this->artist->id);
    expect(($this->seen)())->toBe(1);
    $this->actingAs($other = User::query()->create(['name' => 'Other', 'email' => 'other@example.org', 'password' => 'eleven pencils']));
    expect(($this->seen)())->toBe(0)->and(DB::table('users')->count())->toBe(2);
});

it('reads all else where it is written, and how far a work is', function (): void {
    expect(DB::table('pieces')->count())->toBe(1);
    $work = $this->artist->works()->create(['kind' => 'planning', 'wish' => ['piece' => 'x'], 'state' => 'done']);
    $this->getJson("/api/works/$work->id")->assertOk()->assertJsonPath('state', 'done');
    DB::purge('written');
    expect(DB::table('pieces')->count())->toBe(1);
});
