<?php

declare(strict_types=1);

use const Tests\Feature\ADOBE_RGB;
use const Tests\Feature\DISPLAY_P3;

use App\Models\Piece;
use App\Models\Reference;
use App\Studio\Photos\PhotoReader;
use App\Studio\Photos\PhotoRefused;
use App\Studio\Photos\PhotoRenderer;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\PictureReadings;
use App\Studio\Photos\PngChunks;
use Illuminate\Support\Facades\File;
use Prism\Reference\Image\Raster;

use function Tests\Feature\artist;
use function Tests\Feature\blob;
use function Tests\Feature\bytes;
use function Tests\Feature\picture;
use function Tests\Feature\profile;
use function Tests\Feature\readPhoto;
use function Tests\Feature\uploaded;
use function Tests\Feature\uploadRefusal;

function upload($test, $photo)
{
    return $test->actingAs(artist())->post('/api/pieces', ['title' => 'Jug', 'paper' => 'harbour-cartridge', 'photo' => $photo], ['Accept' => 'application/json']);
}

/** Lab of the middle of a picture as the studio reads it. */
function middle(string $photo): array
{
    $read = readPhoto($photo);
    $lab = Raster::of($read->width, $read->height, $read->rgb)->sample($read->width / 2, $read->height / 2, 4)->colour;

    return [$lab->L, $lab->a, $lab->b];
}

it('takes JPEG, PNG and WebP', function (string $format): void {
    $photo = uploaded(upload($this, picture($format)))['photo'];
    expect([$photo['width'], $photo['height']])->toBe([120, 90]);
    expect(Piece::query()->count())->toBe(1);
})->with(['jpeg', 'png', 'webp']);

it('reads a photo once, whoever brings it, and another anew; what was kept damaged is read again', function (): void {
    $folder = config('prism.storage').'/readings';
    // Uploading reads already: what it has left beside the piece is put away, and so is, the first time, what is kept for all.
    $read = function (string $colour, bool $keptForAll = true) use ($folder): array {
        $reference = Piece::query()->findOrFail(uploaded(upload($this, picture(colour: $colour)))['id'])->reference();
        File::delete(File::glob(app(PhotoStore::class)->folderOf($reference).'/reading-*'));
        $keptForAll || File::deleteDirectory($folder);
        $stages = 0;
        $reading = app(PictureReadings::class)->read($reference, static function () use (&$stages): void {
            $stages++;
        });

        return [$stages > 0, $reading];
    };
    [$first, $reading] = $read('#3c7850', keptForAll: false);
    [$again, $same] = $read('#3c7850');
    [, $other] = $read('#80503c');
    expect($first)->toBeTrue()->and($again)->toBeFalse()->and($same)->toEqual($reading)->and($other)->not->toEqual($reading);
    foreach (File::files($folder) as $file) {
        File::put($file->getPathname(), substr(File::get($file->getPathname()), 0, 40));
    }
    expect($read('#80503c')[0])->toBeTrue();
});

it('shows photo and value view to their owner', function (): void {
    $piece = uploaded(upload($this, picture()));
    $this->get($piece['photo']['url'])->assertOk()->assertHeader('Content-Type', 'image/jpeg');
    $this->get($piece['photo']['valueUrl'])->assertOk();
});

it('refuses what is no picture, in words, and keeps nothing', function (Closure $make, string $says): void {
    File::cleanDirectory(config('prism.storage').'/uploads');
    expect(uploadRefusal(upload($this, $make())))->toContain($says)
        ->and(Piece::query()->count())->toBe(0)->and(File::allFiles(config('prism.storage').'/uploads'))->toBe([]);
})->with([
    'text' => [fn () => bytes('photo.jpg', 'not a picture at all'), 'not a picture that can be read here'],
    'drawing in SVG' => [fn () => bytes('photo.png', '<svg xmlns="http://www.w3.org/2000/svg"/>'), 'not a picture that can be read here'],
    'empty' => [fn () => bytes('photo.png', ''), 'not a picture'],
    'truncated JPEG' => [fn () => bytes('photo.jpg', substr(blob('jpeg', 400, 300), 0, 700)), 'cut off'],
    'truncated PNG' => [fn () => bytes('photo.png', substr(blob('png', 400, 300, '#3c7850', fn ($image) => $image->addNoiseImage(Imagick::NOISE_GAUSSIAN)), 0, -40)), 'cut off'],
    'truncated WebP' => [fn () => bytes('photo.webp', substr(blob('webp', 400, 300), 0, -9)), 'cut off'],
    'broken inside' => [fn () => bytes('photo.png', substr_replace(blob('png', 300, 200), str_repeat("\0", 12), 16, 12)), 'damaged'],
    'one pixel' => [fn () => picture('png', 1, 1), 'only 1 x 1 pixels'],
    'black' => [fn () => picture('jpeg', 120, 90, '#000'), 'black all over'],
]);

it('checks the number of pixels before decoding', function (): void {
    // A small file that says it is 30,000 x 30,000: decoding it would take gigabytes.
    $header = pack('NNCCCCC', 30000, 30000, 8, 2, 0, 0, 0);
    $chunk = static fn (string $type, string $data): string => pack('N', strlen($data)).$type.$data.pack('N', crc32($type.$data));
    $bomb = "\x89PNG\r\n\x1A\n".$chunk('IHDR', $header).$chunk('IDAT', gzcompress(str_repeat("\0", 5000))).$chunk('IEND', '');
    $before = memory_get_peak_usage();
    upload($this, bytes('big.png', $bomb))->assertUnprocessable()->assertJsonPath('errors.photo.0', fn (string $said): bool => str_contains($said, '30000 x 30000 pixels') && str_contains($said, 'at most 60'));
    expect(memory_get_peak_usage() - $before)->toBeLessThan(60_000_000);
});

it('refuses a file over the limit, and missing fields, each by name', function (): void {
    config(['prism.photo.max_megabytes' => 0]);
    upload($this, picture('png', 400, 300, '#3c7850', fn ($image) => $image->addNoiseImage(Imagick::NOISE_GAUSSIAN)))->assertJsonValidationErrorFor('photo');
    $this->postJson('/api/pieces', ['paper' => 'nothing'])->assertUnprocessable()->assertJsonValidationErrors(['title', 'photo', 'paper']);
});

it('scales a large photo down to the working size', function (): void {
    $photo = readPhoto(blob('jpeg', 4000, 3000));
    expect([$photo->width, $photo->height])->toBe([1600, 1200])->and(strlen($photo->rgb))->toBe(3 * 1600 * 1200);
});

it('turns a photo upright by its EXIF', function (): void {
    $jpeg = blob('jpeg', 120, 90);
    // APP1 with one IFD entry: orientation 6, turn clockwise.
    $exif = "Exif\0\0MM\0*\0\0\0\x08\0\x01\x01\x12\0\x03\0\0\0\x01\0\x06\0\0\0\0\0\0";
    $turned = substr($jpeg, 0, 2)."\xFF\xE1".pack('n', strlen($exif) + 2).$exif.substr($jpeg, 2);
    $photo = readPhoto($turned);
    expect([$photo->width, $photo->height])->toBe([90, 120]);
});

it('converts wide profiles to sRGB', function (array $primaries, float $gamma): void {
    $plain = middle(blob('png'));
    $wide = middle(blob('png', change: fn ($image) => $image->profileImage('icc', profile($primaries, $gamma))));
    // newImage has no profile, so the first one only labels the same numbers: read through it they are cleaner.
    expect(hypot($wide[1], $wide[2]))->toBeGreaterThan(hypot($plain[1], $plain[2]) + 3.0);
})->with(['Display P3' => [DISPLAY_P3, 2.2], 'Adobe RGB' => [ADOBE_RGB, 2.2]]);

it('converts CMYK and grey', function (): void {
    [$L, $a, $b] = middle(blob('jpeg', colour: '#b43c32', change: fn ($image) => $image->transformImageColorspace(Imagick::COLORSPACE_CMYK)));
    expect($a)->toBeGreaterThan(20.0)->and($b)->toBeGreaterThan(10.0)->and($L)->toBeGreaterThan(30.0)->toBeLessThan(55.0);
    [, $a, $b] = middle(blob('jpeg', colour: '#888', change: fn ($image) => $image->transformImageColorspace(Imagick::COLORSPACE_GRAY)));
    expect(abs($a) + abs($b))->toBeLessThan(0.5);
});

it('takes the first frame of an animation and lays transparency on white', function (): void {
    $animated = blob('webp', change: function ($image): void {
        $image->newImage(120, 90, new ImagickPixel('#c81e1e'));
        $image->setImageFormat('webp');
    });
    expect(middle($animated)[1])->toBeLessThan(0.0);
    expect(middle(blob('png', colour: 'transparent'))[0])->toBeGreaterThan(99.0);
});

it('shows values as greys of the same lightness', function (): void {
    $photo = readPhoto(blob('png', colour: '#3c7850'));
    $value = PhotoRenderer::value(PhotoRenderer::image($photo->width, $photo->height, $photo->rgb));
    $pixel = $value->getImagePixelColor(60, 45)->getColor();
    expect($pixel['r'])->toBe($pixel['g'])->and(Prism\Colour\Srgb::toLab($pixel['r'], $pixel['g'], $pixel['b'])->L)
        ->toEqualWithDelta(Prism\Colour\Lab::fromHex('#3c7850')->L, 0.6);
});

it('leaves out unread what a PNG carries beside the picture', function (): void {
    $chunk = static fn (string $type, string $data): string => pack('N', strlen($data)).$type.$data.pack('N', crc32($type.$data));
    // Fifty megabytes of one letter, packed: an hour of them fits into a small file.
    $text = $chunk('zTXt', "Comment\0\0".gzcompress(str_repeat('A', 50 * 1024 * 1024), 9));
    $plain = blob('png', 64, 48);
    $bomb = substr($plain, 0, 33).str_repeat($text, 4).substr($plain, 33);
    expect(PngChunks::withoutExtras($bomb))->toBe(PngChunks::withoutExtras($plain))
        ->and(strlen(PngChunks::withoutExtras($bomb)))->toBeLessThan(strlen($text));
    $photo = readPhoto($bomb);
    expect([$photo->width, $photo->height])->toBe([64, 48]);
    // A damaged file is left to its decoder.
    expect(PngChunks::withoutExtras(substr($plain, 0, -20)))->toBe(substr($plain, 0, -20));
});

it('keeps nothing of what the camera wrote of place and time', function (): void {
    $user = artist();
    $piece = uploaded($this->actingAs($user)->post('/api/pieces', ['title' => 'Quay', 'paper' => 'harbour-cartridge', 'photo' => picture('jpeg', 200, 150, change: static function (Imagick $image): void {
        $image->setImageProperty('comment', 'taken at 54.32 N 10.13 E');
        $image->profileImage('exif', "Exif\0\0MM\0*\0\0\0\x08\0\1\1\x0E\0\2\0\0\0\x0C\0\0\0\x1A\0\0\0\0secret place\0");
    })], ['Accept' => 'application/json']));
    foreach (File::allFiles(app(PhotoStore::class)->folderOf(Reference::query()->findOrFail($piece['references'][0]['id']))) as $file) {
        expect($file->getContents())->not->toContain('54.32')->not->toContain('secret place');
    }
});

it('decodes within limits: what takes too much is refused, and nothing is left behind', function (): void {
    // Many pixels of noise, with memory for none of them.
    $reader = new PhotoReader(60, 1600, 2800, memoryMegabytes: 40);
    $path = tempnam(sys_get_temp_dir(), 'photo');
    file_put_contents($path, blob('png', 2000, 1500));
    $before = glob(sys_get_temp_dir().'/prism-*');
    expect(static fn () => $reader->read($path))->toThrow(PhotoRefused::class, 'more time or memory')
        ->and(glob(sys_get_temp_dir().'/prism-*'))->toBe($before);
    unlink($path);
});

it('lets the decoder read and write its formats under either name, as some builds of ImageMagick tell them apart, and no other', function (): void {
    $policy = simplexml_load_file(base_path('bin/magick/policy.xml'));
    $coders = [];
    foreach ($policy->policy as $rule) {
        if ((string) $rule['domain'] === 'coder') {
            $coders[(string) $rule['pattern']] = (string) $rule['rights'];
        }
    }
    $names = ['JPEG', 'PNG', 'WEBP', 'RGB', 'ICC'];
    $allowed = explode(',', trim((string) array_search('read|write', $coders, true), '{}'));
    expect($coders)->toHaveCount(2)->and($coders['*'])->toBe('none')->and($allowed)->toEqualCanonicalizing([...$names, ...array_map(strtolower(...), $names)]);
});
