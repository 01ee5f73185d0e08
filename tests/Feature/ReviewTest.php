<?php

declare(strict_types=1);

use App\Models\DrawnStep;
use App\Models\Piece;
use App\Models\Recipe;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\LongWork\LookWork;
use App\Studio\LongWork\ReviewWork;
use App\Studio\LongWork\WorkRefused;
use App\Studio\Photos\References;
use App\Studio\Review\DrawingReviews;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Colour\ValueScale;
use Prism\Reference\Image\Raster;
use Standin\ChartPhoto;

use function Tests\Feature\artist;
use function Tests\Feature\small;

/** A photo of a sheet with a drawing 160 mm wide. @param  Closure(float, float): array{float, float, float}  $light  linear, by shares of width and height */
function photographOf(float $ratio, Closure $light): UploadedFile
{
    [$width, $height] = [160.0, 160.0 * $ratio];
    $sheet = new ChartPhoto($width + 30.0, $height + 30.0, Lab::of(95.4, -0.6, 1.5), 800);
    $sheet->picture(15.0, 15.0, $width, $height, static fn (float $x, float $y): array => $light($x / $width, $y / $height));
    [$columns, $rows, $bytes] = $sheet->taken('drawing');
    $image = new Imagick;
    $image->readImageBlob("P6 $columns $rows 255\n".$bytes);
    $image->setImageFormat('jpeg');
    $path = (string) tempnam(sys_get_temp_dir(), 'drawing');
    register_shutdown_function(static fn (): bool => @unlink($path));
    $image->writeImage("jpeg:$path");

    return new UploadedFile($path, 'drawing.jpg', 'image/jpeg', null, true);
}

/** A photo of a sheet on which the piece's reference is drawn by a perfect hand, but that all left of the middle is laid too lightly. */
function drawingOf(Raster $photo): UploadedFile
{
    return photographOf($photo->height / $photo->width, static function (float $x, float $y) use ($photo): array {
        [$r, $g, $b] = $photo->linear($x * $photo->width, $y * $photo->height);

        return $x < 0.5 ? [0.7 * $r + 0.26, 0.7 * $g + 0.26, 0.7 * $b + 0.25] : [$r, $g, $b];
    });
}

beforeEach(function (): void {
    $this->artist = artist();
    $this->piece = $this->artist->pieces()->create(['title' => 'Jugs', 'palette_size' => 12, 'paper_id' => App\Models\Paper::query()->where('slug', 'harbour-cartridge')->valueOrFail('id')]);
    app(References::class)->begin($this->piece, small('jugs'));
    $this->actingAs($this->artist);
    $this->mark = '01hzzzzzzzzzzzzzzzzzzzzzzz';
    $this->photograph = function (): void {
        $photo = app(App\Studio\Photos\PhotoStore::class)->raster($this->piece->reference());
        app(DrawingPhotos::class)->keep($this->piece, $this->mark, drawingOf($photo), [], now());
    };
    $this->read = fn () => app(LookWork::class)->do($this->artist, ['piece' => $this->piece->id], static fn () => null);
});

it('finds a drawing of lines alone, before any colour has a recipe, and speaks of nothing but where they lie', function (): void {
    ($this->read)();
    $map = app(App\Studio\Zones\ZoneBook::class)->map($this->piece->refresh());
    $at = static fn (float $x, float $y): int => ord($map->labels[min($map->height - 1, (int) ($y * $map->height)) * $map->width + min($map->width - 1, (int) ($x * $map->width))]);
    $paper = Srgb::linear(Lab::of(95.4, -0.6, 1.5));
    $line = Srgb::linear(Lab::of(86.0, 0.0, 1.0));
    $photo = photographOf($map->height / $map->width, static fn (float $x, float $y): array => $at($x, $y) !== $at($x + 0.005, $y) || $at($x, $y) !== $at($x, $y + 0.006) ? $line : $paper);
    app(DrawingPhotos::class)->keep($this->piece, $this->mark, $photo, [], now());
    $this->postJson('/api/works', ['kind' => 'review', 'piece' => $this->piece->id, 'photo' => $this->mark])->assertStatus(202);
    $review = $this->getJson("/api/pieces/{$this->piece->id}/reviews")->assertOk()->json(0);
    expect($review['onlyLines'])->toBeTrue()->and($review['found'])->toBeTrue()
        ->and($review['range'])->toBe('Only lines lie there yet, and as far as a photo tells they lie where the reference has them.')
        ->and($review['outlines'])->toBe([])->and($review['meanErrorWords'])->toBe('')->and($review['corrections'])->toBe([]);
});

it('compares a photo of the drawing with the reference, zone by zone, and keeps what it has found', function (): void {
    ($this->read)();
    ($this->photograph)();
    $this->getJson("/api/pieces/{$this->piece->id}/reviews")->assertOk()->assertExactJson([]);
    $this->postJson('/api/works', ['kind' => 'review', 'piece' => $this->piece->id, 'photo' => $this->mark])->assertStatus(202);
    $review = $this->getJson("/api/pieces/{$this->piece->id}/reviews")->assertOk()->json(0);
    expect($review['photo'])->toBe($this->mark)->and($review['found'])->toBeTrue()->and($review['given'])->toBeFalse()->and($review['warnings'])->toBe([])
        ->and($review['meanError'])->toBeGreaterThan(2.0)
        ->and($review['meanErrorWords'])->toBe(sprintf('Values are off by %.1f steps on average.', $review['meanError'] / ValueScale::stepSize()));
    $zones = Piece::query()->findOrFail($this->piece->id)->zones()->get()->keyBy('id');
    $left = array_filter($review['zones'], static fn (array $zone): bool => $zones[$zone['id']]->x < 0.25 && $zones[$zone['id']]->share < 0.2);
    expect($left)->not->toBe([])->and(array_column($left, 'dL'))->each->toBeGreaterThan(2.0)
        ->and(array_column($review['zones'], 'name', 'id'))->toEqual($zones->pluck('name', 'id')->only(array_column($review['zones'], 'id'))->all());
    foreach (['straight', 'errors'] as $view) {
        $this->get($review[$view])->assertOk()->assertHeader('Content-Type', 'image/png');
    }

    // By corners of one's own: the same photo, compared anew.
    $this->postJson('/api/works', ['kind' => 'review', 'piece' => $this->piece->id, 'photo' => $this->mark, 'corners' => $review['corners']])->assertStatus(202);
    $again = $this->getJson("/api/pieces/{$this->piece->id}/reviews")->assertOk()->json();
    expect($again)->toHaveCount(1)->and($again[0]['given'])->toBeTrue()->and(abs($again[0]['corners'][2][0] - $review['corners'][2][0]))->toBeLessThan(0.001);

    // Nobody else sees it.
    $this->actingAs(artist());
    $this->getJson("/api/pieces/{$this->piece->id}/reviews")->assertNotFound();
    $this->get($review['straight'])->assertNotFound();
    expect(fn () => app(ReviewWork::class)->do(artist(), ['piece' => $this->piece->id, 'photo' => $this->mark], static fn () => null))->toThrow(WorkRefused::class);
});

it('refuses in words what cannot be compared', function (): void {
    $do = fn (array $wish = []) => app(ReviewWork::class)->do($this->artist, ['piece' => $this->piece->id, 'photo' => $this->mark, ...$wish], static fn () => null);
    expect($do)->toThrow(WorkRefused::class, 'not in the log');
    ($this->photograph)();
    expect($do)->toThrow(WorkRefused::class, 'no zones yet');
    ($this->read)();
    expect(fn () => $do(['corners' => [[0.1, 0.1], [0.9, 0.9], [0.9, 0.1], [0.1, 0.9]]]))->toThrow(WorkRefused::class, 'corners');
    // Another picture altogether.
    $other = '01hzzzzzzzzzzzzzzzzzzzzzzy';
    app(DrawingPhotos::class)->keep($this->piece, $other, new UploadedFile(small('lantern'), 'lantern.png', 'image/png', null, true), [], now());
    expect(fn () => $do(['photo' => $other]))->toThrow(WorkRefused::class, 'Nothing in this picture');
    $this->getJson("/api/pieces/{$this->piece->id}/reviews")->assertExactJson([]);
});

it('wants a piece, a photo and four corners', function (array $wish, string $field): void {
    $this->postJson('/api/works', ['kind' => 'review', 'piece' => $this->piece->id, 'photo' => $this->mark, ...$wish])->assertUnprocessable()->assertJsonValidationErrors($field);
})->with([
    'no photo' => [['photo' => ''], 'photo'],
    'three corners' => [['corners' => [[0, 0], [1, 0], [1, 1]]], 'corners'],
    'words for numbers' => [['corners' => [['a', 0], [1, 0], [1, 1], [0, 1]]], 'corners.0.0'],
]);

it('lays what a photo of the drawing asks for: taken over at one press, drawn on by the simulated hand, and taken back', function (): void {
    ($this->read)();
    $url = "/api/pieces/{$this->piece->id}";
    $this->postJson("$url/zones/find", ['count' => 8])->assertSuccessful();
    $this->postJson('/api/works', ['kind' => 'planning', 'piece' => $this->piece->id])->assertAccepted();
    $mark = fn (array $keys): string => tap((string) Str::ulid(), fn (string $mark) => $this->postJson("$url/drawing", ['mark' => $mark, 'keys' => $keys, 'state' => 'done'])->assertOk());
    $simulate = function (string $hand) use ($url): array {
        $work = $this->postJson('/api/works', ['kind' => 'simulated-drawing', 'piece' => $this->piece->id, 'hand' => $hand])->assertAccepted()->json('id');
        $this->getJson("/api/works/$work")->assertJsonPath('state', 'done')->assertJsonPath('problem', '');

        return $this->getJson("$url/reviews")->assertOk()->json(0);
    };
    $this->postJson('/api/works', ['kind' => 'simulated-drawing', 'piece' => $this->piece->id, 'hand' => 'shaky'])->assertUnprocessable();
    $turns = $this->getJson("$url/plan")->assertOk()->json('turns');
    $keys = static fn (array $turns): array => array_merge(...array_map(static fn (array $turn): array => array_merge(...array_column($turn['places'], 'keys')), $turns));
    $mark($keys($turns));

    $review = $simulate('heavy');
    expect($review['course'])->toContain('a heavy hand')->and($review['corrections'])->not->toBe([])->and($review['goneOn'])->toBeFalse()
        ->and(array_column($review['zones'], 'words'))->toContain(...array_filter(array_column($review['zones'], 'words'), static fn (string $words): bool => str_contains($words, 'laid more heavily')));
    expect($this->getJson("$url/drawing")->json('0.note'))->toBe('Simulated: a heavy hand');
    foreach ($review['corrections'] as $next) {
        // Lifting is one turn, however many dabs.
        $kinds = array_column($next['steps'], 'kind');
        expect(count(array_filter($kinds, static fn (string $kind): bool => $kind !== 'lift')) + (in_array('lift', $kinds, true) ? 1 : 0))->toBeBetween(1, 3);
    }
    $perZone = array_count_values(array_merge(...array_map(static fn (array $next): array => array_fill(0, count(array_filter($next['steps'], static fn (array $step): bool => $step['kind'] !== 'lift')), $next['zone']), $review['corrections'])));
    expect(max($perZone))->toBeLessThanOrEqual(3);

    // What it tells of the hand: shown with what it was read from, taken, and taken back as a calibration is.
    // By how much is read against a box of which nothing is swatched, so no more than that it is heavier is sure here.
    expect($review['hand']['words'])->toMatch('/^\d\d % heavier$/')->and(count($review['hand']['readings']))->toBeGreaterThan(8)->and($review['hand']['shifted'])->toBeGreaterThan(0)->and($review['hand']['isInForce'])->toBeTrue();
    $learnt = $this->postJson("$url/reviews/{$review['photo']}/hand")->assertOk()->json();
    expect($learnt['was'])->toBe($this->artist->calibration_id);
    $this->artist->refresh();
    expect($this->artist->calibration_id)->toBe($learnt['calibration']);
    $this->postJson("$url/reviews/{$review['photo']}/hand")->assertConflict();
    $kept = $this->getJson('/api/calibrations')->assertOk()->json('calibrations.0');
    expect($kept['weight'])->toBeGreaterThan(1.1)->and($kept['number'])->toBe($learnt['number']);
    $this->putJson('/api/calibrations/in-force', ['calibration' => $learnt['was']])->assertNoContent();
    $this->artist->refresh();
    expect($this->getJson("$url/reviews")->json('0.hand.isInForce'))->toBeTrue();

    // The same spot in both.
    $both = $this->postJson("$url/reviews/{$review['photo']}/samples", ['x' => 0.5, 'y' => 0.5, 'radius' => 0.02])->assertOk()->json();
    expect($both['dE00'])->toBeGreaterThan(0.0)->and($both['words'])->toBeString();

    $targets = array_column($review['corrections'], 'target');
    $recipes = fn (): array => Recipe::query()->whereIn('target_id', $targets)->pluck('stack', 'target_id')->all();
    $states = fn (): array => DrawnStep::query()->pluck('state', 'step_key')->sortKeys()->all();
    [$before, $drawn] = [$recipes(), $states()];
    $press = ['mark' => (string) Str::ulid(), 'targets' => $targets];
    $plan = $this->postJson("$url/reviews/{$review['photo']}/corrections", $press)->assertOk()->assertJsonPath('lastMarked', $press['mark'])->json();
    $this->postJson("$url/reviews/{$review['photo']}/corrections", $press)->assertOk();
    foreach ($review['corrections'] as $next) {
        $open = array_values(array_filter($plan['steps'], static fn (array $step): bool => $step['zone']['target'] === $next['target'] && $step['state'] === 'open' && $step['step'] !== null && $step['role'] !== 'line'));
        expect(array_map(static fn (array $step): string => $step['step']['notation'], $open))->toBe(array_column($next['steps'], 'notation'));
    }
    // Nobody maps lines or keeps paper free once more where colour lies.
    expect(array_filter($plan['steps'], static fn (array $step): bool => $step['state'] === 'open' && in_array($step['role'], ['ground', 'reserve', 'map'], true)))->toBe([])
        ->and($this->getJson("$url/drawing/replans")->json())->toBe([]);
    $again = $this->getJson("$url/reviews")->json(0);
    expect(array_column($again['corrections'], 'isTaken'))->each->toBeTrue()->and($again['goneOn'])->toBeFalse();
    // Taken, it is no more what it was searched for.
    $this->postJson("$url/reviews/{$review['photo']}/corrections", ['mark' => (string) Str::ulid(), 'targets' => [$targets[0]]])->assertConflict();
    $taken = $recipes();
    // Of a zone that is gone over it is remembered how hard it was pressed.
    $pressed = app(DrawingReviews::class)->corrected($this->piece);
    sort($targets);
    expect(collect($pressed)->keys()->sort()->values()->all())->toBe($targets)->and(collect($pressed)->median())->toBeGreaterThan(1.05);
    $this->deleteJson("$url/drawing/last?mark={$press['mark']}")->assertOk();
    expect($recipes())->toBe($before)->and($states())->toBe($drawn)->and(app(DrawingReviews::class)->corrected($this->piece))->toBe([]);

    // Drawn on, by a true hand now: what was taken comes nearer.
    $this->postJson("$url/reviews/{$review['photo']}/corrections", ['mark' => (string) Str::ulid(), 'targets' => $targets])->assertOk();
    expect($recipes())->toBe($taken);
    $open = array_values(array_filter($this->getJson("$url/plan")->json('steps'), static fn (array $step): bool => in_array($step['zone']['target'], $targets, true) && $step['state'] === 'open'));
    $mark(array_column($open, 'key'));
    $zones = array_unique(array_column($review['corrections'], 'zone'));
    $mean = static fn (array $review): float => array_sum(array_map(static fn (array $zone): float => in_array($zone['id'], $zones, true) ? abs($zone['dE00']) : 0.0, $review['zones'])) / count($zones);
    $second = $simulate('true');
    expect($mean($second))->toBeLessThan(0.95 * $mean($review));
    $this->postJson("$url/reviews/{$review['photo']}/corrections", ['mark' => (string) Str::ulid(), 'targets' => ['nobody']])->assertConflict();
    expect(array_column($this->getJson("$url/reviews")->json(), 'goneOn'))->toBe([false, true]);
    // The first photo compared anew: the log of now says nothing of it.
    $this->postJson('/api/works', ['kind' => 'review', 'piece' => $this->piece->id, 'photo' => $review['photo'], 'corners' => $review['corners']])->assertAccepted();
    $anew = $this->getJson("$url/reviews")->json(1);
    expect($anew['given'])->toBeTrue()->and($anew['corrections'])->toBe([])->and($anew['hand'])->toBeNull()->and($anew['course'])->toBeNull()
        ->and(implode(' ', array_column($anew['zones'], 'words')))->not->toContain('the plan expects');

    $this->actingAs(artist());
    $this->postJson("$url/reviews/{$review['photo']}/corrections", ['mark' => (string) Str::ulid(), 'targets' => $targets])->assertNotFound();
    $this->postJson("$url/reviews/{$review['photo']}/samples", ['x' => 0.5, 'y' => 0.5, 'radius' => 0.02])->assertNotFound();
    $this->postJson("$url/reviews/{$review['photo']}/hand")->assertNotFound();
});

it('has nothing drawn by the simulated hand before anything is ticked', function (): void {
    ($this->read)();
    $work = $this->postJson('/api/works', ['kind' => 'simulated-drawing', 'piece' => $this->piece->id, 'hand' => 'true'])->assertAccepted()->json('id');
    $this->getJson("/api/works/$work")->assertJsonPath('state', 'failed')->assertJsonPath('problem', 'Nothing is ticked in Draw yet; the simulated hand draws what is.');
});
