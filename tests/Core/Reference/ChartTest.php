<?php

declare(strict_types=1);

use Prism\Calibration\ChartStacks;
use Prism\Charts\ChartDrawing;
use Prism\Charts\ChartReader;
use Prism\Charts\ChartReading;
use Prism\Charts\ChartRefused;
use Prism\Charts\ChartSheet;
use Prism\Charts\CornerMarks;
use Prism\Charts\Homography;
use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Layering\Stack;
use Prism\Materials\PencilId;
use Prism\Reference\Image\Raster;
use Standin\ChartPhoto;
use Standin\Sheet;

// Charts: what is on them, how they are printed, and how they are read from pictures taken at an angle.

const WHITE = [95.4, -0.6, 1.5];

/** Width of the pictures, pixels: smaller than a camera's, and read in half the time. */
const SMALL = 820;

/** @return list<Lab> what stands in the fields of the test sheet, the first one bare */
function fieldColours(): array
{
    $colours = [Lab::of(...WHITE)];
    for ($i = 1; $i < 40; $i++) {
        // Within what a screen can show, or the picture could not hold it.
        $colours[] = Srgb::toLab(40 + ($i * 53) % 200, 40 + ($i * 97) % 190, 40 + ($i * 31) % 180);
    }

    return $colours;
}

/** @param  list<int>  $empty  fields left white */
function filledSheet(ChartSheet $sheet, array $empty = [], ?int $streaked = null): ChartPhoto
{
    $photo = new ChartPhoto($sheet->width, $sheet->height, Lab::of(...WHITE), SMALL);
    foreach ($sheet->blacks() as $black) {
        $photo->ink(...$black);
    }
    $colours = fieldColours();
    foreach ($sheet->cells as $i => $cell) {
        $photo->number($cell['x'], $cell['y'] - 3.4, $cell['number']);
        $flat = array_fill(0, Sheet::SIZE ** 2, Srgb::linear($colours[$cell['number'] - 1]));
        if (! in_array($cell['number'], $empty, true)) {
            $photo->patch($cell['x'], $cell['y'], $cell['width'] * ($cell['number'] === $streaked ? 0.5 : 1.0), $cell['height'], $flat);
        }
    }

    return $photo;
}

/** The first sheet with every field filled, drawn once. */
function fullSheet(): ChartPhoto
{
    static $photo = null;

    return $photo ??= filledSheet(sheets()[0]);
}

/** @return list<ChartSheet> */
function sheets(int $cells = 40): array
{
    return ChartSheet::all('a4', array_map(static fn (int $i): Stack => Stack::parse($i === 0 ? '' : 'QW:6858@'.(20 + $i % 70)), range(0, $cells - 1)));
}

/** @param  array{0?: float, 1?: float, 2?: float, 3?: float, 4?: bool}  $how */
function readAs(ChartPhoto $photo, array $how, ?array $sheets = null): ChartReading
{
    return ChartReader::read(Raster::of(...$photo->taken('test', ...$how)), $sheets ?? sheets(), Lab::of(...WHITE));
}

it('reads every field, straight or slanted, dim or noisy, whichever way up', function (float $slant, float $turn, float $falloff, float $noise): void {
    $reading = readAs(fullSheet(), [$slant, $turn, $falloff, $noise]);
    $errors = [];
    foreach ($reading->cells as $cell) {
        $errors[] = $cell['colour']->differenceTo(fieldColours()[$cell['number'] - 1]);
        expect($cell['doubts'])->toBe([]);
    }
    sort($errors);
    expect($reading->cells)->toHaveCount(40)->and($reading->sheet)->toBe(1)
        ->and($errors[20])->toBeLessThan(0.5)->and(end($errors))->toBeLessThan(2.0);
})->with([
    'flat on a scanner' => [0.0, 0.0, 0.0, 0.002],
    'at an angle' => [0.12, 5.0, 0.35, 0.006],
    'at a steep angle, turned' => [0.22, -14.0, 0.4, 0.01],
    'sideways' => [0.1, 90.0, 0.3, 0.008],
    'upside down' => [0.1, 183.0, 0.3, 0.008],
    'by a lamp at one side' => [0.05, 2.0, 0.65, 0.004],
]);

it('tells how uneven the light was', function (): void {
    expect(readAs(fullSheet(), [0.05, 0.0, 0.0, 0.0])->light)->toBeLessThan(1.05)
        ->and(readAs(fullSheet(), [0.05, 0.0, 0.6, 0.0])->light)->toBeGreaterThan(1.4);
});

it('marks what lies across a shadow, and reads the rest right', function (): void {
    $reading = readAs(fullSheet(), [0.08, 2.0, 0.2, 0.005, true]);
    $doubtful = array_filter($reading->cells, static fn (array $cell): bool => $cell['doubts'] !== []);
    expect(count($doubtful))->toBeGreaterThan(2)->toBeLessThan(25);
    foreach (array_diff_key($reading->cells, $doubtful) as $cell) {
        expect($cell['colour']->differenceTo(fieldColours()[$cell['number'] - 1]))->toBeLessThan(3.0);
    }
});

it('marks fields that are empty or half filled', function (): void {
    $doubts = array_column(readAs(filledSheet(sheets()[0], empty: [7], streaked: 12), [0.1, 3.0, 0.3, 0.005])->cells, 'doubts', 'number');
    expect($doubts[7])->toBe(['it seems to be empty'])->and($doubts[12])->toContain('it is unevenly filled')->and($doubts[1])->toBe([])->and($doubts[8])->toBe([]);
});

it('knows one sheet of a chart from another', function (): void {
    $sheets = sheets(120);
    expect($sheets)->toHaveCount(3)->and($sheets[1]->cells[0]['number'])->toBe(55);
    $photo = new ChartPhoto($sheets[2]->width, $sheets[2]->height, Lab::of(...WHITE), SMALL);
    foreach ($sheets[2]->blacks() as $black) {
        $photo->ink(...$black);
    }
    expect(readAs($photo, [0.1, 3.0, 0.2, 0.004], $sheets)->sheet)->toBe(3)
        ->and(static fn () => readAs($photo, [0.1, 3.0, 0.2, 0.004], sheets()))->toThrow(ChartRefused::class, 'sheet 3');
});

it('tells every number of a sheet by its squares, and no number by wrong ones', function (): void {
    $stacks = array_fill(0, 54 * 63, Stack::of());
    foreach (ChartSheet::all('a4', $stacks) as $i => $sheet) {
        expect(ChartSheet::numberOf($sheet->code()))->toBe($i + 1);
        $wrong = $sheet->code();
        $wrong[$i % 7] = ! $wrong[$i % 7];
        expect(ChartSheet::numberOf($wrong))->toBeNull();
    }
});

it('says what is wrong with a picture', function (Closure $picture, string $said): void {
    expect(static fn () => ChartReader::read($picture(), sheets(), Lab::of(...WHITE)))->toThrow(ChartRefused::class, $said);
})->with([
    'blank' => [static fn () => Raster::of(200, 280, str_repeat("\xF0", 3 * 200 * 280)), 'none can be seen'],
    'cropped' => [static function (): Raster {
        [$width, $height, $bytes] = filledSheet(sheets()[0], empty: range(1, 40))->taken('x', 0.1, 0.0, 0.2, 0.0);
        $keep = (int) (0.8 * $height);

        return Raster::of($width, $keep, substr($bytes, 0, 3 * $width * $keep));
    }, 'only two can be seen'],
    'dark' => [static function (): Raster {
        [$width, $height, $bytes] = fullSheet()->taken('x', 0.05, 0.0, 0.0, 0.0);

        return Raster::of($width, $height, implode('', array_map(static fn (string $byte): string => chr((int) (ord($byte) * 0.22)), str_split($bytes))));
    }, 'too dark'],
    'under a red lamp' => [static function (): Raster {
        [$width, $height, $bytes] = fullSheet()->taken('x', 0.05, 0.0, 0.0, 0.0);

        return Raster::of($width, $height, implode('', array_map(static fn (string $point): string => $point[0].chr((int) (ord($point[1]) * 0.1)).chr(0), str_split($bytes, 3))));
    }, 'so coloured'],
    'bar covered' => [static function (): Raster {
        $sheet = sheets()[0];
        $photo = filledSheet($sheet);
        $photo->patch(20.0, 9.0, 18.0, 8.0, array_fill(0, Sheet::SIZE ** 2, Srgb::linear(Lab::of(...WHITE))));

        return Raster::of(...$photo->taken('x', 0.1, 0.0, 0.2, 0.0));
    }, 'black bar'],
]);

it('finds the marks where they are, to a fraction of a millimetre', function (): void {
    $sheet = sheets()[0];
    [$width, $height, $bytes] = filledSheet($sheet)->taken('x', 0.0, 0.0, 0.2, 0.004);
    $found = CornerMarks::find(Raster::of($width, $height, $bytes));
    $scale = 0.94 * $width / $sheet->width;
    foreach ($sheet->marks() as $i => [$x, $y]) {
        $nearest = min(array_map(static fn (array $mark): float => hypot($mark[0] - ($width / 2 + $scale * ($x - $sheet->width / 2)), $mark[1] - ($height / 2 + $scale * ($y - $sheet->height / 2))), $found));
        expect($nearest / $scale)->toBeLessThan(0.4);
    }
});

it('maps four points as told, and lines to lines', function (): void {
    $view = Homography::of([[0, 0], [10, 0], [10, 20], [0, 20]], [[3, 4], [80, 10], [70, 150], [10, 140]]);
    foreach ([[0, 0, 3, 4], [10, 0, 80, 10], [10, 20, 70, 150], [0, 20, 10, 140]] as [$x, $y, $u, $v]) {
        expect($view->map($x, $y)[0])->toEqualWithDelta($u, 1e-9)->and($view->map($x, $y)[1])->toEqualWithDelta($v, 1e-9);
    }
    [$a, $b, $c] = [$view->map(2, 3), $view->map(4, 8), $view->map(6, 13)];
    expect(($b[0] - $a[0]) * ($c[1] - $a[1]) - ($b[1] - $a[1]) * ($c[0] - $a[0]))->toEqualWithDelta(0.0, 1e-6);
});

it('fits a page: no field touches another, a mark or the edge', function (string $page): void {
    $stacks = array_fill(0, 100, Stack::parse('QW:6858@40'));
    $sheet = ChartSheet::all($page, $stacks)[0];
    $boxes = [...$sheet->blacks(), ...array_map(static fn (array $cell): array => [$cell['x'], $cell['y'] - 3.5, $cell['width'], $cell['height'] + 3.5], $sheet->cells)];
    foreach ($boxes as $i => [$x, $y, $w, $h]) {
        expect($x)->toBeGreaterThan(5.0)->and($y)->toBeGreaterThan(5.0)->and($x + $w)->toBeLessThan($sheet->width - 5.0)->and($y + $h)->toBeLessThan($sheet->height - 5.0);
        foreach (array_slice($boxes, max($i + 1, count($sheet->blacks()))) as [$x2, $y2, $w2, $h2]) {
            expect($x + $w <= $x2 || $x2 + $w2 <= $x || $y + $h <= $y2 || $y2 + $h2 <= $y)->toBeTrue();
        }
    }
})->with(['a4', 'letter']);

it('refuses pages and charts that there are not', function (): void {
    expect(static fn () => ChartSheet::all('a5', [Stack::of()]))->toThrow(InvalidArgumentException::class, 'a4 or letter')
        ->and(static fn () => ChartSheet::all('a4', []))->toThrow(InvalidArgumentException::class, '1 to');
});

it('is drawn in true size, with what to lay under every field', function (): void {
    $sheet = ChartSheet::all('a4', [Stack::of(), Stack::parse('QW:6858@35x2 > wash > LO:3512@60')])[0];
    $drawing = ChartDrawing::of($sheet, 'Blues & <greys>', 'Harbour Cartridge');
    $svg = simplexml_load_string($drawing->svg());
    $texts = array_column($drawing->texts, 4);
    expect((string) $svg['width'])->toBe('210mm')->and((string) $svg['viewBox'])->toBe('0 0 210 297')
        ->and($texts)->toContain('1', '2', 'leave it bare', 'QW:6858  35 % light x2', 'wash', 'LO:3512  60 % medium', 'Blues & <greys>')
        ->and($drawing->rules[0][2])->toBe(100.0)->and($svg->rect->count())->toBe(1 + count($drawing->blacks) + 2);
});

it('calls a long stack out too, two steps to a line', function (): void {
    $long = ChartSheet::all('a4', [Stack::parse('QW:6858@35x2 > QW:7432@40 > wash > LO:3512@60 > QW:6858@45x3')])[0];
    $texts = array_column(ChartDrawing::of($long, 'Blues', 'Harbour Cartridge')->texts, 4);
    expect($texts)->toContain('QW:6858 35 % x2, then QW:7432 40 %', 'wash, then LO:3512 60 %', 'QW:6858 45 % x3')
        ->and(array_filter($texts, static fn (string $text): bool => str_contains($text, '@')))->toBe([]);
});

it('has every pencil at three pressures, every pair in both orders, every three', function (): void {
    $ids = array_map(PencilId::of(...), ['QW:1', 'QW:2', 'QW:3', 'QW:4']);
    $notations = static fn (array $stacks): array => array_map(strval(...), $stacks);
    expect($notations(ChartStacks::singles([$ids[0]])))->toBe(['', 'QW:1@30', 'QW:1@60', 'QW:1@90x2'])
        ->and(ChartStacks::pairs($ids))->toHaveCount(1 + 12)->and(array_unique($notations(ChartStacks::pairs($ids))))->toHaveCount(13)
        ->and(ChartStacks::triples($ids))->toHaveCount(1 + 8)->and($notations(ChartStacks::triples($ids)))->toContain('QW:1@40 > QW:2@45 > QW:3@50', 'QW:3@40 > QW:2@45 > QW:1@50');
});
