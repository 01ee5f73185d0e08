<?php

declare(strict_types=1);

use Illuminate\Support\Facades\File;
use Prism\Exchange\Csv;

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
    $stacks = ($this->write)('stacks.csv', "id,paper,steps\na,medium,QW:404@50 > QW:116@40\nb,medium,\n");
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
    $only = implode(',', ['QW:404', 'QW:116', 'QW:201', 'QW:722', 'LO:7206', 'LO:7527']);
    $this->artisan('prism:match', ['--pencils' => $this->pencils, '--swatches' => '', '--targets' => $targets, '--out' => $this->out, '--only' => $only, '--top' => '2', '--max-pencils' => '2', '--max-layers' => '3', '--school' => 'dark-to-light', '--no-black' => true])->assertSuccessful();
    $rows = array_values(Csv::parse(File::get($this->out), ['id', 'rank', 'steps', 'dE00', 'dL', 'warnings'])->rows);
    expect($rows)->toHaveCount(4)->and(array_column($rows, 'rank'))->toBe(['1', '2', '1', '2'])
        ->and(implode(array_column($rows, 'steps')))->not->toContain('QW:722');
    $this->artisan('prism:match', ['--pencils' => $this->pencils, '--swatches' => '', '--targets' => $targets, '--out' => $this->out, '--only' => $only, '--value-only' => true])->assertSuccessful();
    expect(abs((float) array_values(Csv::parse(File::get($this->out), ['dL'])->rows)[0]['dL']))->toBeLessThan(1.5);
});

it('fails with the reason and writes nothing', function (array $change): void {
    $good = [
        '--pencils' => $this->pencils,
        '--swatches' => '',
        '--targets' => ($this->write)('targets.csv', "id,hex\na,#8c5a3c\n"),
        '--out' => $this->out,
        '--only' => 'QW:404,QW:116',
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
    'pencils without colour' => [['--pencils' => "range,number,name,binder\nQW,404,x,wax\nQW,116,x,wax\n"]],
    'unknown pencil' => [['--only' => 'QW:404,QW:9']],
    'school' => [['--school' => 'none']],
    'number' => [['--top' => 'many']],
    'range' => [['--max-pencils' => '0']],
    'unknown pencil in swatches' => [['--swatches' => "id,paper,steps,L,a,b\na,m,XX:1@50,50,0,0\n"]],
]);

it('cannot write where there is no folder', function (): void {
    $stacks = ($this->write)('stacks.csv', "id,steps\na,QW:404@50\n");
    $this->artisan('prism:predict', ['--pencils' => $this->pencils, '--swatches' => '', '--stacks' => $stacks, '--out' => '/nowhere/out.csv'])->assertFailed();
});
