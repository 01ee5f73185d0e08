<?php

declare(strict_types=1);

use App\Models\Piece;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\LongWork\LookWork;
use App\Studio\LongWork\ReviewWork;
use App\Studio\LongWork\WorkRefused;
use App\Studio\Photos\References;
use Illuminate\Http\UploadedFile;
use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Reference\Image\Raster;
use Standin\ChartPhoto;

use function Tests\Feature\artist;

/** A photo of a sheet on which the piece's reference is drawn by a perfect hand, but that all left of the middle is laid too lightly. */
function drawingOf(Raster $photo): UploadedFile
{
    [$width, $height] = [160.0, 160.0 * $photo->height / $photo->width];
    $sheet = new ChartPhoto($width + 30.0, $height + 30.0, Lab::of(95.4, -0.6, 1.5), 800);
    $sheet->picture(15.0, 15.0, $width, $height, static function (float $x, float $y) use ($photo, $width, $height): array {
        [$r, $g, $b] = $photo->linear($x / $width * $photo->width, $y / $height * $photo->height);

        return $x < $width / 2.0 ? [0.7 * $r + 0.26, 0.7 * $g + 0.26, 0.7 * $b + 0.25] : [$r, $g, $b];
    });
    [$columns, $rows, $bytes] = $sheet->taken('drawing');
    $image = new Imagick;
    $image->readImageBlob("P6 $columns $rows 255\n".$bytes);
    $image->setImageFormat('jpeg');
    $path = tempnam(sys_get_temp_dir(), 'prism');
    $image->writeImage("jpeg:$path");

    return new UploadedFile($path, 'drawing.jpg', 'image/jpeg', null, true);
}

beforeEach(function (): void {
    $this->artist = artist();
    $this->piece = $this->artist->pieces()->create(['title' => 'Jugs', 'palette_size' => 12, 'paper_id' => App\Models\Paper::query()->where('slug', 'harbour-cartridge')->valueOrFail('id')]);
    app(References::class)->begin($this->piece, database_path('demo/jugs.jpg'));
    $this->actingAs($this->artist);
    $this->mark = '01hzzzzzzzzzzzzzzzzzzzzzzz';
    $this->photograph = function (): void {
        $photo = app(App\Studio\Photos\PhotoStore::class)->raster($this->piece->reference());
        app(DrawingPhotos::class)->keep($this->piece, $this->mark, drawingOf($photo), [], now());
    };
    $this->read = fn () => app(LookWork::class)->do($this->artist, ['piece' => $this->piece->id], static fn () => null);
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
    app(DrawingPhotos::class)->keep($this->piece, $other, new UploadedFile(database_path('demo/lantern.jpg'), 'lantern.jpg', 'image/jpeg', null, true), [], now());
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
