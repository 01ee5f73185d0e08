<?php

declare(strict_types=1);

use App\Jobs\DrawStudies;
use App\Models\DrawnStep;
use App\Models\Paper;
use App\Models\Piece;
use App\Models\User;
use App\Studio\Calibration\Engine;
use App\Studio\DemoDrawing;
use App\Studio\DemoPiece;
use App\Studio\DemoStudies;
use App\Studio\DemoStudio;
use App\Studio\LongWork\LookWork;
use App\Studio\Pencils\Catalogue;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\References;
use App\Studio\Planning\Paces;
use App\Studio\Review\DrawingReviews;
use App\Studio\Swatches\SwatchReader;
use Database\Seeders\DemoSeeder;
use Illuminate\Support\Facades\Queue;
use Prism\Layering\Stack;
use Prism\Planning\Order\Pace;

use function Tests\Feature\artist;
use function Tests\Feature\saved;
use function Tests\Feature\small;
use function Tests\Feature\taken;
use function Tests\Feature\within;

it('comes swatched, calibrated and planned, and once; and is the same in another studio that takes in its archive', function (): void {
    config(['prism.demo' => true]);
    (new DemoSeeder)->run();
    $demo = User::query()->where('email', config('prism.demo_email'))->firstOrFail();
    expect($demo->swatches()->count())->toBeGreaterThan(300)
        ->and($demo->swatches()->where('source', '!=', 'simulated')->exists())->toBeFalse()
        ->and($demo->calibrations()->count())->toBe(1)->and($demo->pieces()->count())->toBe(4);
    $calibration = $demo->calibrations()->firstOrFail();
    expect($calibration->after)->toBeLessThan(0.6 * $calibration->before);

    // It predicts what the simulated hand draws, better than from the table alone.
    $paper = Paper::query()->where('slug', 'harbour-cartridge')->firstOrFail();
    $desk = app(Catalogue::class)->desk($demo);
    $reader = app(SwatchReader::class);
    $calibrated = app(Engine::class)->predictor($paper, $demo, $desk);
    $plain = app(Engine::class)->predictor($paper, User::factory()->create(), $desk);
    $errors = ['calibrated' => 0.0, 'plain' => 0.0];
    foreach (['QW:6858@40 > QW:4731@45', 'QW:7432@50x2', 'QW:3464@45 > QW:2312@50', 'LO:3512@55', 'QW:3769@35 > QW:6858@40'] as $i => $steps) {
        $stack = Stack::parse($steps);
        $drawn = $reader->read('harbour-cartridge', $stack, "test $i");
        $errors['calibrated'] += $calibrated->predict($stack)->colour->differenceTo($drawn);
        $errors['plain'] += $plain->predict($stack)->colour->differenceTo($drawn);
    }
    expect($errors['calibrated'])->toBeLessThan($errors['plain'])->and($errors['calibrated'] / 5)->toBeLessThan(4.5);

    $pieces = $this->actingAs($demo)->getJson('/api/pieces')->assertOk()->json();
    expect($demo->box()->count())->toBe(48)->and($pieces[0]['zoneCount'])->toBe(22)->and($pieces[0]['recipeCount'])->toBe(22);

    (new DemoSeeder)->run();
    expect($demo->calibrations()->count())->toBe(1)->and($demo->pieces()->count())->toBe(4)->and(User::query()->where('email', config('prism.demo_email'))->count())->toBe(1);

    // A copy has nothing of its recipes to work out anew.
    app()->forgetScopedInstances();
    $copy = app(DemoStudio::class)->copy();
    // The way into the studio is gone to its end, in each.
    expect($demo->paper?->slug)->toBe('harbour-cartridge')->and($copy->paper?->slug)->toBe('harbour-cartridge');
    $seen = static fn (): array => $copy->pieces()->whereHas('zones.targets.recipe')->get()->map(static fn (Piece $piece): string => (string) file_get_contents(app(PhotoStore::class)->folderOf($piece->reference()).'/seen.kept'))->all();
    $before = $seen();
    foreach ($copy->pieces()->get() as $piece) {
        $this->actingAs($copy)->getJson("/api/pieces/$piece->id")->assertOk();
    }
    expect($before)->not->toBe([])->and($seen())->toBe($before);

    app()->forgetScopedInstances();
    $archive = saved($demo->refresh());
    $this->actingAs($other = User::factory()->create());
    $result = taken($this, $archive, ['habits' => true]);
    app()->forgetScopedInstances();
    expect($result['pieces'])->toHaveCount(4)->and(within(saved($other->refresh())))->toBe(within($archive));
});

it('draws a piece and compares it; a copy has all of it under names of its own, and goes on by itself', function (): void {
    $artist = artist();
    $artist->forceFill(['email' => config('prism.demo_email')])->save();
    $piece = $artist->pieces()->create(['title' => 'Lantern', 'palette_size' => 4, 'paper_id' => Paper::query()->where('slug', 'harbour-cartridge')->valueOrFail('id')]);
    app(References::class)->begin($piece, small('lantern'));
    $this->actingAs($artist);
    app(LookWork::class)->do($artist, ['piece' => $piece->id], static fn () => null);
    $this->postJson("/api/pieces/$piece->id/zones/find", ['count' => 5])->assertSuccessful();
    app(DemoDrawing::class)->draw($artist, $piece->refresh(), [[0.6, 4]]);

    $reviews = $this->getJson("/api/pieces/$piece->id/reviews")->assertOk()->json();
    expect($reviews)->toHaveCount(1)->and($reviews[0]['found'])->toBeTrue()->and(now()->diffInDays($reviews[0]['madeAt']))->toEqualWithDelta(-4.0, 0.1);
    $plan = $this->getJson("/api/pieces/$piece->id/plan")->json();
    $done = count(array_filter($plan['steps'], static fn (array $step): bool => $step['state'] === 'done'));
    expect($done / count($plan['steps']))->toBeBetween(0.4, 0.9);

    // The log reads as a hand works: it teaches no other pace than it was drawn by.
    expect(app(Paces::class)->of($artist)['pace'] / Pace::USUAL)->toBeBetween(0.8, 1.25);

    // Once: what is begun is left alone.
    $entries = $piece->drawingEntries()->count();
    app(DemoDrawing::class)->draw($artist, $piece->refresh());
    expect($piece->drawingEntries()->count())->toBe($entries);

    $copy = app(DemoStudio::class)->copy();
    $theirs = $copy->pieces()->sole();
    $this->actingAs($copy);
    $log = static fn (array $entries): array => array_map(static fn (array $entry): array => array_intersect_key($entry, array_flip(['kind', 'turn', 'note', 'madeAt'])), $entries);
    $of = $this->getJson("/api/pieces/$theirs->id/drawing")->assertOk()->json();
    $copied = $this->getJson("/api/pieces/$theirs->id/reviews")->assertOk()->json();
    expect(array_column($this->getJson("/api/pieces/$theirs->id/plan")->json('steps'), 'state'))->toBe(array_column($plan['steps'], 'state'))
        ->and($copied)->toHaveCount(1)->and(array_column($copied[0]['zones'], 'words'))->toBe(array_column($reviews[0]['zones'], 'words'))
        ->and(array_diff(array_column($copied[0]['zones'], 'id'), $theirs->zones()->pluck('id')->all()))->toBe([])
        ->and(array_column($copied[0]['corrections'], 'notation'))->toBe(array_column($reviews[0]['corrections'], 'notation'))
        ->and(array_intersect(DrawnStep::query()->where('piece_id', $theirs->id)->pluck('entry_id')->all(), $piece->drawingEntries()->pluck('id')->all()))->toBe([]);
    foreach ($copied as $review) {
        $this->get($review['straight'])->assertOk();
        expect($review['goneOn'])->toBeFalse()->and($review['hand']['isInForce'] ?? true)->toBeTrue();
    }
    // What one takes back there is the copy's own.
    $this->deleteJson("/api/pieces/$theirs->id/drawing/last")->assertOk();
    $this->deleteJson("/api/pieces/$theirs->id/drawing/last")->assertOk();
    $this->actingAs($artist);
    expect($log($this->getJson("/api/pieces/$piece->id/drawing")->json()))->toBe($log($of))
        ->and(count(array_filter($this->getJson("/api/pieces/$piece->id/plan")->json('steps'), static fn (array $step): bool => $step['state'] === 'done')))->toBe($done);

    // Put away, nothing of it is left.
    $copy->forceFill(['created_at' => now()->subDays(3)])->save();
    app(DemoStudio::class)->copy();
    expect(User::query()->whereKey($copy->id)->exists())->toBeFalse()->and(Piece::query()->whereKey($theirs->id)->exists())->toBeFalse()
        ->and(is_dir(config('prism.storage')."/drawings/$theirs->id"))->toBeFalse()->and(app(DrawingReviews::class)->of($piece))->toHaveCount(1);
});

it('has studies of parts of its photos, and draws none that is there already', function (): void {
    $artist = artist();
    $artist->forceFill(['email' => config('prism.demo_email')])->save();
    $study = app(DemoPiece::class)->study($artist, 'harbour', 'Blue float, a study', [0.42, 0.5, 0.26, 0.3]);
    $photo = $study->reference();
    expect($photo->width / $photo->height)->toEqualWithDelta((0.26 * 1600) / (0.3 * 1200), 0.02)->and($study->zones()->count())->toBeGreaterThan(3)->and($study->zoneChanges()->count())->toBe(0);

    // When all are there, nothing is drawn, and nothing more is asked for.
    foreach (array_diff(DemoStudies::titles(), [$study->title]) as $title) {
        $artist->pieces()->create(['title' => $title, 'paper_id' => $study->paper_id]);
    }
    Queue::fake();
    (new DrawStudies)->handle(app(DemoStudio::class), app(DemoStudies::class));
    Queue::assertNothingPushed();
    expect($study->drawingEntries()->count())->toBe(0);
});
