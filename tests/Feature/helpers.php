<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Console\Commands\OpenApiCommand;
use App\Models\Pencil;
use App\Models\Piece;
use App\Models\User;
use App\Models\ZoneTarget;
use App\Studio\Photos\Photo;
use App\Studio\Photos\PhotoReader;
use App\Studio\Photos\PhotoRenderer;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\ReferenceRole;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use Imagick;
use ImagickPixel;
use Prism\Reference\Zones\TargetRole;

/** A few pencils of both ranges, enough for a search. */
const BOX = ['QW' => ['1823', '3737', '5892', '7432', '6858', '5925', '2794', '3131', '4863', '3769'], 'LO' => ['9659', '2143', '3512', '4841', '2627']];

function artist(bool $withBox = true): User
{
    $user = User::factory()->create();
    if ($withBox) {
        foreach (BOX as $range => $numbers) {
            $user->box()->attach(Pencil::query()->whereIn('number', $numbers)->whereRelation('range', 'code', $range)->pluck('id'));
        }
    }

    return $user;
}

/** A piece whose photo is four flat quarters: red, green, blue, grey. */
function pieceOf(User $user): Piece
{
    $piece = Piece::factory()->for($user)->create();
    $reference = $piece->references()->create(['name' => 'Photo', 'role' => ReferenceRole::Colour, 'width' => 64, 'height' => 48, 'position' => 1]);
    $rgb = '';
    for ($y = 0; $y < 48; $y++) {
        for ($x = 0; $x < 64; $x++) {
            $rgb .= $y < 24 ? ($x < 32 ? "\xB4\x3C\x32" : "\x46\x82\x50") : ($x < 32 ? "\x3C\x5A\x96" : "\x80\x80\x80");
        }
    }
    $large = PhotoRenderer::jpeg(PhotoRenderer::image(64, 48, $rgb));
    $store = app(PhotoStore::class);
    $store->settle($reference, $store->put($reference, new Photo(64, 48, $rgb, $large)), 1);

    return $piece;
}

/**
 * A zone that is a mere spot, with one colour and its recipe.
 *
 * @param  array{float, float, float}  $lab
 */
function spotIn(Piece $piece, string $name, array $lab, ?string $stack = null): ZoneTarget
{
    $zone = $piece->zones()->create(['name' => $name, 'x' => 0.2, 'y' => 0.2, 'radius' => 0.01, 'position' => 1 + $piece->zones()->count()]);
    $target = $zone->targets()->create(['role' => TargetRole::Middle, 'L' => $lab[0], 'a' => $lab[1], 'b' => $lab[2], 'spread' => 0, 'share' => 1, 'x' => 0.2, 'y' => 0.2]);
    if ($stack !== null) {
        $target->recipe()->create(['stack' => $stack]);
    }

    return $target;
}

/** @param  callable(Imagick): void|null  $change */
function picture(string $format = 'jpeg', int $width = 120, int $height = 90, string $colour = '#3c7850', ?callable $change = null): UploadedFile
{
    return bytes("photo.$format", blob($format, $width, $height, $colour, $change));
}

/** @param  callable(Imagick): void|null  $change */
function blob(string $format = 'jpeg', int $width = 120, int $height = 90, string $colour = '#3c7850', ?callable $change = null): string
{
    $image = new Imagick;
    $image->newImage($width, $height, new ImagickPixel($colour));
    $image->setImageFormat($format);
    if ($change !== null) {
        $change($image);
    }

    return $image->getImagesBlob();
}

/** A demo photo at a third of its size, by its path: where what it shows is compared and planned, and not how fine it is. */
function small(string $demo): string
{
    static $made = [];
    if (! isset($made[$demo])) {
        $image = new Imagick(database_path("demo/$demo.jpg"));
        $image->resizeImage(540, 540, Imagick::FILTER_TRIANGLE, 1.0, true);
        $image->setImageFormat('png');
        $made[$demo] = sys_get_temp_dir().'/prism-small-'.getmypid()."-$demo.png";
        $image->writeImage($made[$demo]);
        register_shutdown_function('unlink', $made[$demo]);
    }

    return $made[$demo];
}

/** The picture as the studio reads it. */
function readPhoto(string $content): Photo
{
    $path = tempnam(sys_get_temp_dir(), 'photo');
    file_put_contents($path, $content);
    try {
        return app(PhotoReader::class)->read($path);
    } finally {
        unlink($path);
    }
}

/**
 * The piece whose photo was uploaded: in tests the queue does a work at once.
 *
 * @return array<string, mixed>
 */
function uploaded(TestResponse $response): array
{
    $response->assertStatus(202)->assertJsonPath('kind', 'photo')->assertJsonPath('state', 'done');

    return test()->getJson('/api/pieces/'.$response->json('result.piece'))->assertOk()->json();
}

/** Why an uploaded photo is refused, at once or once it is decoded; empty if it is not. */
function uploadRefusal(TestResponse $response): string
{
    return (string) ($response->status() === 422 ? $response->json('errors.photo.0') : $response->assertStatus(202)->json('problem'));
}

function bytes(string $name, string $content): UploadedFile
{
    return UploadedFile::fake()->createWithContent($name, $content);
}

/**
 * A matrix/TRC profile (ICC.1:2010) of given primaries adapted to D50, with one gamma: Display P3 and Adobe RGB in small.
 *
 * @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}}  $primaries  XYZ of red, green, blue
 */
function profile(array $primaries, float $gamma): string
{
    $fixed = static fn (float $value): string => pack('N', (int) round($value * 65536) & 0xFFFFFFFF);
    $xyz = static fn (array $v): string => 'XYZ '.pack('N', 0).$fixed($v[0]).$fixed($v[1]).$fixed($v[2]);
    $curve = 'curv'.pack('NNn', 0, 1, (int) round($gamma * 256))."\0\0";
    $text = 'desc'.pack('NN', 0, 5)."test\0".pack('NN', 0, 0).pack('nC', 0, 0).str_repeat("\0", 67);
    $copyright = 'text'.pack('N', 0)."none\0\0\0\0";
    $tags = ['desc' => $text, 'cprt' => $copyright, 'wtpt' => $xyz([0.9642, 1.0, 0.8249]), 'rXYZ' => $xyz($primaries[0]), 'gXYZ' => $xyz($primaries[1]), 'bXYZ' => $xyz($primaries[2]), 'rTRC' => $curve, 'gTRC' => $curve, 'bTRC' => $curve];
    $offset = 128 + 4 + 12 * count($tags);
    $table = pack('N', count($tags));
    $data = '';
    foreach ($tags as $name => $content) {
        $content .= str_repeat("\0", (4 - strlen($content) % 4) % 4);
        $table .= $name.pack('NN', $offset + strlen($data), strlen($content));
        $data .= $content;
    }
    $size = $offset + strlen($data);
    $header = pack('N', $size).'test'.pack('N', 0x02400000).'mntrRGB XYZ '.pack('n6', 2026, 1, 1, 0, 0, 0).'acsp'.str_repeat("\0", 28).$fixed(0.9642).$fixed(1.0).$fixed(0.8249);

    return str_pad($header, 128, "\0").$table.$data;
}

const DISPLAY_P3 = [[0.51512, 0.24120, -0.00105], [0.29198, 0.69225, 0.04189], [0.15710, 0.06657, 0.78407]];
const ADOBE_RGB = [[0.60974, 0.31111, 0.01947], [0.20528, 0.62567, 0.06087], [0.14919, 0.06322, 0.74457]];

/** How many migrations are rolled back to undo this one and all that came after it. */
function backTo(string $migration): int
{
    return count(array_filter(glob(database_path('migrations/*.php')) ?: [], static fn (string $path): bool => basename($path, '.php') >= $migration));
}

/** @return array<string, mixed> the document of the HTTP API */
function document(): array
{
    static $document = null;

    return $document ??= json_decode(OpenApiCommand::document(), true, flags: JSON_THROW_ON_ERROR);
}
