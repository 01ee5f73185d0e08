<?php

declare(strict_types=1);

use App\Studio\Photos\PhotoReader;
use Illuminate\Support\Facades\File;
use Prism\Colour\Lab;
use Prism\Exchange\Csv;
use Prism\Reference\Image\Raster;
use Standin\ChartPhoto;

use function Tests\Feature\small;

beforeEach(function (): void {
    $this->folder = sys_get_temp_dir().'/prism-'.bin2hex(random_bytes(5));
    File::makeDirectory($this->folder);
    $this->write = function (string $name, string $text): string {
        File::put("$this->folder/$name", $text);

        return "$this->folder/$name";
    };
    $this->pencils = database_path('demo/pencils.csv');
    $this->out = "$this->folder/out.csv";
});

afterEach(fn () => File::deleteDirectory($this->folder));

it('predicts stacks without swatches, bare paper included', function (): void {
    $stacks = ($this->write)('stacks.csv', "id,paper,steps\na,medium,QW:6858@50 > QW:4731@40\nb,medium,\n");
    $this->artisan('prism:predict', ['--pencils' => $this->pencils, '--swatches' => '', '--stacks' => $stacks, '--out' => $this->out])->assertSuccessful();
    $rows = array_values(Csv::parse(File::get($this->out), ['id', 'steps', 'L', 'a', 'b', 'tooth_left', 'sigma'])->rows);
    expect($rows)->toHaveCount(2)->and((float) $rows[1]['L'])->toBeGreaterThan(95.0)->and((float) $rows[1]['tooth_left'])->toBe(1.0)
        ->and((float) $rows[0]['L'])->toBeLessThan(85.0);
});

it('learns a pencil from its swatch, and a paper from its white', function (): void {
    $pencils = ($this->write)('pencils.csv', "range,number,name,binder\nAB,1,One,wax\n");
    $swatches = ($this->write)('swatches.csv', "id,paper,steps,L,a,b\np,rag,,90,1,6\ns,rag,AB:1@90x2,40,50,20\nt,rag,AB:1@30,80,12,8\n");
    $stacks = ($this->write)('stacks.csv', "id,paper,steps,L\na,rag,AB:1@90x2,nonsense\nb,rag,,\nc,grey,,\n");
    $this->artisan('prism:predict', ['--pencils' => $pencils, '--swatches' => $swatches, '--stacks' => $stacks, '--out' => $this->out])->assertSuccessful();
    $rows = array_values(Csv::parse(File::get($this->out), ['id'])->rows);
    expect((float) $rows[0]['L'])->toEqualWithDelta(40.0, 3.0)->and((float) $rows[0]['a'])->toEqualWithDelta(50.0, 4.0)
        ->and((float) $rows[1]['L'])->toEqualWithDelta(90.0, 0.05);
});

it('matches targets with every option', function (): void {
    $targets = ($this->write)('targets.csv', "id,hex\na,#8c5a3c\nb,#202830\n");
    $only = implode(',', ['QW:6858', 'QW:4731', 'QW:7432', 'QW:3769', 'LO:3512', 'LO:7242']);
    $this->artisan('prism:match', ['--pencils' => $this->pencils, '--swatches' => '', '--targets' => $targets, '--out' => $this->out, '--only' => $only, '--top' => '2', '--max-pencils' => '2', '--max-layers' => '3', '--school' => 'dark-to-light', '--no-black' => true])->assertSuccessful();
    $rows = array_values(Csv::parse(File::get($this->out), ['id', 'rank', 'steps', 'dE00', 'dL', 'warnings'])->rows);
    expect($rows)->toHaveCount(4)->and(array_column($rows, 'rank'))->toBe(['1', '2', '1', '2'])
        ->and(implode(array_column($rows, 'steps')))->not->toContain('QW:3769');
    $this->artisan('prism:match', ['--pencils' => $this->pencils, '--swatches' => '', '--targets' => $targets, '--out' => $this->out, '--only' => $only, '--value-only' => true])->assertSuccessful();
    expect(abs((float) array_values(Csv::parse(File::get($this->out), ['dL'])->rows)[0]['dL']))->toBeLessThan(1.5);
});

it('fails with the reason and writes nothing', function (array $change): void {
    $good = [
        '--pencils' => $this->pencils,
        '--swatches' => '',
        '--targets' => ($this->write)('targets.csv', "id,hex\na,#8c5a3c\n"),
        '--out' => $this->out,
        '--only' => 'QW:6858,QW:4731',
    ];
    foreach ($change as $option => $value) {
        $good[$option] = is_string($value) && str_contains($value, "\n") ? ($this->write)('bad.csv', $value) : $value;
    }
    $this->artisan('prism:match', $good)->assertFailed();
    expect(glob("$this->folder/out.csv*"))->toBe([]);
})->with([
    'no file' => [['--targets' => '/nowhere.csv']],
    'no option' => [['--targets' => '']],
    'bad target' => [['--targets' => "id,hex\na,#8c5\nb,blue\n"]],
    'bad pencils' => [['--pencils' => "range,number,name,binder\nA,1,x,chalk\n"]],
    'no pencils' => [['--pencils' => "range,number,name,binder\n"]],
    'pencils without colour' => [['--pencils' => "range,number,name,binder\nQW,6858,x,wax\nQW,4731,x,wax\n"]],
    'unknown pencil' => [['--only' => 'QW:6858,QW:9']],
    'school' => [['--school' => 'none']],
    'number' => [['--top' => 'many']],
    'range' => [['--max-pencils' => '0']],
    'unknown pencil in swatches' => [['--swatches' => "id,paper,steps,L,a,b\na,m,XX:1@50,50,0,0\n"]],
]);

it('chooses palettes for several sizes, and writes what each target gets', function (): void {
    $targets = ($this->write)('targets.csv', "id,L,a,b\nsky,60,-5,-20\nbrick,45,30,25\nmoss,45,-15,22\nsand,80,3,18\n");
    $pencils = ($this->write)('pencils.csv', implode('', array_filter(file($this->pencils), static fn (string $line, int $i): bool => $i === 0 || $i % 5 === 0, ARRAY_FILTER_USE_BOTH)));
    $this->artisan('prism:palette', ['--pencils' => $pencils, '--swatches' => '', '--targets' => $targets, '--sizes' => '2,4', '--out' => $this->out])->assertSuccessful();
    $rows = array_values(Csv::parse(File::get($this->out), ['size', 'pencils', 'mean_dE00', 'id', 'steps', 'L', 'a', 'b', 'dE00', 'dL'])->rows);
    expect($rows)->toHaveCount(8)->and(array_count_values(array_column($rows, 'size')))->toBe([2 => 4, 4 => 4])
        ->and((float) $rows[4]['mean_dE00'])->toBeLessThan((float) $rows[0]['mean_dE00']);
    foreach ($rows as $row) {
        $own = explode('|', $row['pencils']);
        expect($own)->toHaveCount((int) $row['size'])
            ->and(array_diff(array_map(static fn (string $step): string => strstr($step, '@', true), explode(' > ', $row['steps'])), $own))->toBe([]);
    }
});

it('refuses palettes that cannot be, and writes nothing', function (array $change): void {
    $good = ['--pencils' => $this->pencils, '--swatches' => '', '--targets' => ($this->write)('targets.csv', "id,hex\na,#8c5a3c\n"), '--sizes' => '3', '--out' => $this->out];
    foreach ($change as $option => $value) {
        $good[$option] = str_contains($value, "\n") ? ($this->write)('bad.csv', $value) : $value;
    }
    $this->artisan('prism:palette', $good)->assertFailed();
    expect(glob("$this->folder/out.csv*"))->toBe([]);
})->with([
    'words for sizes' => [['--sizes' => 'few,many']],
    'a size of none' => [['--sizes' => '0']],
    'a size of thousands' => [['--sizes' => '6,4000']],
    'no targets' => [['--targets' => "id,hex\n"]],
    'bad target' => [['--targets' => "id,L,a,b\na,high,0,0\n"]],
    'no file' => [['--targets' => '/nowhere.csv']],
    'pencils without colour' => [['--pencils' => "range,number,name,binder\nQW,6858,x,wax\n"]],
    'bad swatches' => [['--swatches' => "id,paper,steps,L,a,b\na,m,QW:6858@500,50,0,0\nb,m,XX:1@50,50,0,0\n"]],
]);

it('leaves out pencils of which nothing is known, and refuses stacks that use them', function (): void {
    $pencils = ($this->write)('pencils.csv', "range,number,name,binder,L,a,b\nAB,1,One,wax,40,50,20\nAB,2,Two,wax,,,\nAB,3,Three,oil,70,-20,30\n");
    $targets = ($this->write)('targets.csv', "id,hex\na,#b05a50\n");
    $this->artisan('prism:match', ['--pencils' => $pencils, '--swatches' => '', '--targets' => $targets, '--out' => $this->out])->assertSuccessful();
    expect(File::get($this->out))->not->toContain('AB:2');
    File::delete($this->out);
    $stacks = ($this->write)('stacks.csv', "id,steps\na,AB:1@40 > AB:2@50\n");
    $this->artisan('prism:predict', ['--pencils' => $pencils, '--swatches' => '', '--stacks' => $stacks, '--out' => $this->out])->assertFailed();
    expect(is_file($this->out))->toBeFalse();
});

it('calibrates on the swatches of several papers and predicts for each', function (): void {
    $box = array_map(static fn (array $row): string => $row['range'].':'.$row['number'], array_values(Csv::parse(File::get(database_path('demo/box.csv')), ['range', 'number'])->rows));
    $stacks = ($this->write)('stacks.csv', "id,paper,steps\na,harbour-cartridge,{$box[5]}@45\nb,slipway-smooth,{$box[5]}@45\nc,fog-toned,{$box[5]}@45\nd,never-seen,{$box[5]}@45\n");
    $this->artisan('prism:predict', ['--pencils' => $this->pencils, '--swatches' => database_path('demo/swatches.csv'), '--stacks' => $stacks, '--out' => $this->out])->assertSuccessful();
    $rows = array_values(Csv::parse(File::get($this->out), ['id'])->rows);
    expect((float) $rows[2]['L'])->toBeLessThan((float) $rows[0]['L'])
        ->and((float) $rows[1]['sigma'])->toBeGreaterThan((float) $rows[0]['sigma'])
        ->and((float) $rows[3]['sigma'])->toBeGreaterThan((float) $rows[0]['sigma']);
    foreach ($rows as $row) {
        expect((float) $row['sigma'])->toBeGreaterThan(0.5)->toBeLessThan(6.0)->and((float) $row['tooth_left'])->toBeGreaterThan(0.3);
    }
});

it('measures predictions', function (): void {
    $this->artisan('prism:bench', ['--only' => 'none'])->expectsOutputToContain('peak memory')->assertSuccessful();
    $this->artisan('prism:bench', ['--only' => 'ablation', '--studio' => '/nowhere'])->expectsOutputToContain('No studio')->assertSuccessful();
});

it('cannot write where there is no folder', function (): void {
    $stacks = ($this->write)('stacks.csv', "id,steps\na,QW:6858@50\n");
    $this->artisan('prism:predict', ['--pencils' => $this->pencils, '--swatches' => '', '--stacks' => $stacks, '--out' => '/nowhere/out.csv'])->assertFailed();
});

describe('the plan of a photo', function (): void {
    it('goes from the photo to zones and targets without pencils', function (): void {
        $this->artisan('prism:plan', ['photo' => database_path('demo/jugs.jpg'), '--zones' => '8', '--targets-only' => true, '--out' => $this->out])->assertSuccessful();
        $plan = json_decode(File::get($this->out), true);
        expect($plan['format'])->toBe('prism-plan-2')->and($plan['zones'])->toHaveCount(8)->and($plan)->not->toHaveKey('turns')
            ->and(array_sum(array_column($plan['zones'], 'share')))->toEqualWithDelta(1.0, 0.001);
        foreach ($plan['zones'] as $zone) {
            expect($zone['parts'])->not->toBe([])->and($zone['parts'][0]['targets'][0])->toHaveKeys(['id', 'role', 'L', 'a', 'b'])->and($zone['name'])->toContain(',')->and($zone['touching'])->not->toBe([]);
        }
    });

    it('goes all the way to ordered steps of a few pencils, and shows the drawing', function (): void {
        $pencils = ($this->write)('pencils.csv', implode("\n", array_slice(explode("\n", File::get($this->pencils)), 0, 31))."\n");
        $preview = "$this->folder/preview.png";
        $this->artisan('prism:plan', ['photo' => database_path('demo/jugs.jpg'), '--pencils' => $pencils, '--swatches' => '', '--zones' => '6', '--palette-size' => '6', '--out' => $this->out, '--preview' => $preview])->assertSuccessful();
        $plan = json_decode(File::get($this->out), true);
        expect($plan['palette'])->toHaveCount(6)->and($plan['dE00'])->toBeLessThan(12.0)->and($plan['fitted'])->toBeBool()->and($plan['cautions'])->not->toBe([]);
        $used = $laid = [];
        foreach ($plan['zones'] as $zone) {
            foreach (array_merge(...array_column($zone['parts'], 'targets')) as $target) {
                foreach (array_filter(explode(' > ', $target['steps'])) as $step) {
                    $used[explode('@', $step)[0]] = true;
                    $laid[] = $step;
                }
            }
        }
        expect(array_diff(array_keys($used), [...$plan['palette'], 'wash', 'blend', 'lift']))->toBe([]);
        // Every step of every stack is laid in a turn of that pencil at that pressure, or where it falls to it.
        $isTurned = static fn (string $step): bool => array_filter($plan['turns'], static function (array $turn) use ($step): bool {
            [$pencil, $percent] = explode('@', explode('x', $step)[0]);
            $falls = array_map(static fn (array $place): float => $place['to'] ?? $turn['pressure'] ?? 0.0, $turn['places']);

            return $turn['pencil'] === $pencil && (float) $percent <= $turn['pressure'] && (float) $percent >= min($falls);
        }) !== [];
        expect(array_filter(array_filter($laid, static fn (string $step): bool => str_contains($step, '@')), static fn (string $step): bool => ! $isTurned($step)))->toBe([])
            ->and(array_column($plan['turns'], 'number'))->toBe(range(1, count($plan['turns'])))->and(count($plan['turns']))->toBeLessThan(count($laid));
        expect(array_sum(array_column($plan['turns'], 'minutes')))->toBeLessThanOrEqual($plan['minutes'] + 1)->and(array_filter(array_column($plan['turns'], 'because')))->not->toBe([])
            ->and([$plan['widthMm'], $plan['heightMm']])->toEqual([240, 180])->and($plan['advice'])->toBeArray();
        $joined = array_filter($plan['zones'], static fn (array $zone): bool => array_diff(['light', 'dark'], array_column($zone['parts'], 'part')) === []);
        expect(count($plan['joins']))->toBeGreaterThanOrEqual(count($joined))->and($plan['joins'])->not->toBe([]);
        foreach ($plan['joins'] as $join) {
            expect($join['lengthMm'])->toBeGreaterThan(1)->toBeLessThan(300)->and($join['spans'][0]['from'])->toEqual(0)->and(end($join['spans'])['to'])->toEqual(1)->and($join['steps'])->toBe(2 * count($join['spans']) - 1);
        }
        [$width, $height] = getimagesize($preview);
        expect([$width, $height])->toBe([1024, 768]);
        // As docs/plan.schema.json says; and that it says something.
        $problems = static function (string $json): array {
            $read = json_decode($json);
            $validator = new JsonSchema\Validator;
            $validator->validate($read, json_decode(File::get(base_path('docs/plan.schema.json'))));

            return array_column($validator->getErrors(), 'property');
        };
        expect($problems(File::get($this->out)))->toBe([])->and($problems(json_encode(['format' => 'prism-plan-1'] + $plan)))->toBe(['format'])
            ->and($problems(json_encode(['turns' => [['places' => []] + $plan['turns'][0]]] + $plan)))->toBe(['turns[0].places']);
    });

    it('refuses in words what is no photo, and numbers that make no sense', function (array $options): void {
        $this->artisan('prism:plan', ['photo' => database_path('demo/jugs.jpg'), '--pencils' => $this->pencils, '--swatches' => '', '--out' => $this->out, ...$options])->assertFailed();
        expect(File::exists($this->out))->toBeFalse();
    })->with([[['photo' => '/nowhere.jpg']], [['photo' => __FILE__]], [['--zones' => '2']], [['--zones' => 'many']], [['--targets-only' => true, '--out' => '']]]);
});

it('says for each place what to lay next over what lies there, or to leave it', function (): void {
    $rows = "id,steps,L,a,b,target_L,target_a,target_b\n";
    $rows .= "light,QW:7432@45x2,82,20,12,72,32,22\nright,QW:7432@45x2,72,32,22,72.4,32,22\n";
    $present = ($this->write)('present.csv', $rows);
    $this->artisan('prism:correct', ['--pencils' => $this->pencils, '--swatches' => '', '--present' => $present, '--out' => $this->out, '--school' => 'complement:over', '--surface' => 'hard'])->assertSuccessful();
    $found = array_column(array_values(Csv::parse(File::get($this->out), ['id', 'steps', 'L', 'a', 'b', 'dE00', 'dL', 'tooth_left', 'words'])->rows), null, 'id');
    expect($found['right']['steps'])->toBe('')->and($found['right']['words'])->toContain('Leave it')
        ->and($found['light']['steps'])->toContain('@')->and((float) $found['light']['dE00'])->toBeLessThan(3.0)
        // The correction alone, not what lay there.
        ->and(substr_count($found['light']['steps'], '>'))->toBeLessThan(3);
});

it('refuses a present state that makes no sense, row by row, and writes nothing', function (): void {
    $present = ($this->write)('present.csv', "id,steps,L,a,b,target_L,target_a,target_b\na,QW:9999@40,50,0,0,50,0,0\nb,QW:7432@40,50,0,0,fifty,0,0\nc,QW:7432@,50,0,0,50,0,0\nd,QW:7432@40,50,0,0,150,0,0\n");
    $this->artisan('prism:correct', ['--pencils' => $this->pencils, '--swatches' => '', '--present' => $present, '--out' => $this->out])->assertFailed();
    expect(File::exists($this->out))->toBeFalse();
});

it('takes surface and role of a target from its row: an accent may be pressed, a soft thing not', function (): void {
    $targets = ($this->write)('targets.csv', "id,hex,surface,role\nsoft,#3a2a20,soft,\nline,#3a2a20,soft,line\n");
    $this->artisan('prism:match', ['--pencils' => $this->pencils, '--swatches' => '', '--targets' => $targets, '--out' => $this->out, '--top' => '1', '--school' => 'value:both-ends'])->assertSuccessful();
    $steps = array_column(array_values(Csv::parse(File::get($this->out), ['id', 'steps', 'dL'])->rows), null, 'id');
    $hardest = static fn (string $stack): int => max(array_map(intval(...), preg_match_all('/@(\d+)/', $stack, $found) > 0 ? $found[1] : ['0']));
    expect($hardest($steps['soft']['steps']))->toBeLessThanOrEqual(60)->and($steps)->toHaveKey('line');
    foreach ([['--surface' => 'wobbly'], ['--school' => 'shadows:pink'], ['--school' => 'nonsense']] as $wrong) {
        $this->artisan('prism:match', ['--pencils' => $this->pencils, '--swatches' => '', '--targets' => $targets, '--out' => "$this->folder/no.csv", ...$wrong])->assertFailed();
    }
    expect(File::exists("$this->folder/no.csv"))->toBeFalse();
});

describe('a picture of a drawing', function (): void {
    /** The jugs as a perfect hand would draw them, but that the left third is laid too lightly, on a sheet photographed askew. @return array{string, list<array{float, float}>} a PNG and its corners: taken once */
    function jugsOnASheet(): array
    {
        static $taken = null;
        if ($taken === null) {
            $photo = app(PhotoReader::class)->read(small('jugs'));
            $raster = Raster::of($photo->width, $photo->height, $photo->rgb);
            [$width, $height] = [160.0, 160.0 * $photo->height / $photo->width];
            $sheet = new ChartPhoto($width + 30.0, $height + 30.0, Lab::of(95.4, -0.6, 1.5), 900);
            $sheet->picture(15.0, 15.0, $width, $height, static function (float $x, float $y) use ($raster, $width, $height): array {
                [$r, $g, $b] = $raster->linear($x / $width * $raster->width, $y / $height * $raster->height);

                return $x < $width / 3.0 ? [0.7 * $r + 0.26, 0.7 * $g + 0.26, 0.7 * $b + 0.25] : [$r, $g, $b];
            });
            [$columns, $rows, $bytes] = $sheet->taken('jugs');
            $image = new Imagick;
            $image->readImageBlob("P6 $columns $rows 255\n".$bytes);
            $image->setImageFormat('png');
            $taken = [$image->getImageBlob(), $sheet->seenAt([[15.0, 15.0], [15.0 + $width, 15.0], [15.0 + $width, 15.0 + $height], [15.0, 15.0 + $height]])];
        }

        return $taken;
    }

    beforeEach(function (): void {
        [$png, $this->corners] = jugsOnASheet();
        $this->drawing = "$this->folder/drawing.png";
        File::put($this->drawing, $png);
        $this->review = fn (array $options): array => ['reference' => small('jugs'), 'drawing' => $this->drawing, '--out' => $this->out, ...$options];
    });

    it('is found and compared: too light where it was laid too lightly', function (): void {
        $map = "$this->folder/errors.png";
        $this->artisan('prism:review', ($this->review)(['--map' => $map]))->assertSuccessful();
        $review = json_decode(File::get($this->out), true);
        foreach ($this->corners as $i => [$x, $y]) {
            expect(hypot($review['corners'][$i][0] - $x, $review['corners'][$i][1] - $y))->toBeLessThan(5.0);
        }
        expect($review['found'])->toBeTrue()->and($review['light']['cast'])->toBe('warm')->and($review['warnings'])->toBe([])->and($review['corrections'])->toBe([])
            ->and($review['range']['drawing'][1])->toBeGreaterThan($review['range']['drawing'][0]);
        foreach ($review['zones'] as $zone) {
            expect($zone)->toHaveKeys(['id', 'name', 'at', 'dL', 'dE00', 'state', 'words']);
        }
        [$image, $reference] = [new Imagick($map), getimagesize(small('jugs'))];
        $grey = fn (float $x, float $y): float => $image->getImagePixelColor((int) ($x * $reference[0]), (int) ($y * $reference[1]))->getColor()['r'];
        expect([$image->getImageWidth(), $image->getImageHeight()])->toBe([$reference[0], $reference[1]])
            ->and($grey(0.15, 0.2))->toBeGreaterThan(136.0)
            ->and(abs($grey(0.7, 0.15) - 128.0))->toBeLessThan(6.0);
    });

    it('takes a plan along: its names, what its colours are to become, and what to lay next', function (): void {
        $plan = "$this->folder/plan.json";
        $box = ($this->write)('box.csv', implode('', array_slice(file(database_path('demo/pencils.csv')), 0, 25)));
        $this->artisan('prism:plan', ['photo' => small('jugs'), '--pencils' => $box, '--swatches' => '', '--zones' => '6', '--palette-size' => '6', '--out' => $plan])->assertSuccessful();
        $this->artisan('prism:review', ($this->review)(['--plan' => $plan, '--pencils' => $box, '--swatches' => '']))->assertSuccessful();
        $review = json_decode(File::get($this->out), true);
        $planned = array_column(json_decode(File::get($plan), true)['zones'], 'name', 'id');
        expect(array_column($review['zones'], 'name', 'id'))->toEqual(array_intersect_key($planned, array_column($review['zones'], 'name', 'id')))
            ->and($review['corrections'])->not->toBe([]);
        foreach ($review['corrections'] as $correction) {
            expect($correction)->toHaveKeys(['zone', 'target', 'steps', 'before', 'after', 'words'])->and($planned)->toHaveKey($correction['zone']);
        }
    });

    it('goes by corners that are given', function (): void {
        $corners = implode(',', array_map(static fn (array $point): string => sprintf('%.1f,%.1f', ...$point), $this->corners));
        $this->artisan('prism:review', ($this->review)(['--corners' => $corners]))->assertSuccessful();
        expect(json_decode(File::get($this->out), true)['corners'])->toEqual(array_map(static fn (array $point): array => [round($point[0], 1), round($point[1], 1)], $this->corners));
    });

    it('is refused where it cannot be compared, and nothing is written', function (array $options): void {
        $options = array_map(fn (string $value): string => strtr($value, ['HERE' => $this->folder, 'DEMO' => database_path('demo')]), $options);
        File::put("$this->folder/wrong.json", '{"format": "prism-plan-1", "zones": []}');
        $this->artisan('prism:review', ($this->review)($options))->assertFailed();
        expect(File::exists($this->out))->toBeFalse();
    })->with([
        'no picture' => [['drawing' => 'HERE/none.jpg']],
        'another picture' => [['reference' => 'DEMO/harbour.jpg']],
        'seven numbers' => [['--corners' => '1,2,3,4,5,6,7']],
        'corners round nothing' => [['--corners' => '0,0,10,10,10,0,0,10']],
        'no plan of today' => [['--plan' => 'HERE/wrong.json']],
    ]);
});
