<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Exchange\Csv;
use Prism\Exchange\MatchTable;
use Prism\Exchange\PencilTable;
use Prism\Exchange\PredictionTable;
use Prism\Exchange\RowError;
use Prism\Exchange\SwatchTable;
use Prism\Exchange\TableRefused;
use Prism\Exchange\TargetTable;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Advice\RecipeMaker;
use Prism\Matching\Target;
use Prism\Materials\Binder;
use Prism\Materials\Opacity;
use Prism\Materials\PencilId;

use function Tests\Core\model;
use function Tests\Core\pencils;

/** @return list<string> */
function refusals(Closure $read): array
{
    try {
        $read();
    } catch (TableRefused $refused) {
        return array_map(strval(...), $refused->errors);
    }

    return [];
}

it('reads pencils with commas or semicolons, with a byte order mark, quotes and aliases', function (): void {
    $comma = "range,number,name,binder,aliases,opacity,lightfastness,L,a,b\r\nAB,12,\"Red, old\",wax,Rust|Iron,opaque,II,40,30.5,20\r\n";
    $semicolon = "\xEF\xBB\xBF".str_replace([',', '"Red; old"'], [';', '"Red, old"'], $comma);
    foreach ([$comma, $semicolon] as $text) {
        $table = PencilTable::read($text);
        $pencil = $table->kit->get(PencilId::of('AB:12'));
        expect($pencil->name)->toBe('Red, old')->and($pencil->binder)->toBe(Binder::Wax)->and($pencil->opacity)->toBe(Opacity::Opaque)
            ->and($pencil->fullCoat)->toEqual(Lab::of(40, 30.5, 20))->and($table->entries['AB:12']->aliases)->toBe(['Rust', 'Iron']);
    }
});

it('reads spectra, and pencils without any colour', function (): void {
    expect(pencils())->toHaveCount(120)->and(pencils()->get(PencilId::of('QW:1823'))->fullCoatBands)->toHaveCount(12);
    $plain = PencilTable::read("range,number,name,binder\nAB,1,One,oil\n")->kit->get(PencilId::of('AB:1'));
    expect($plain->fullCoat)->toBeNull()->and($plain->opacity)->toBe(Opacity::Semi);
});

it('reports every bad row at once, by row, column and what would be right', function (): void {
    $said = refusals(fn () => PencilTable::read("range,number,name,binder,opacity,L,a,b\nAB,1,One,wax,semi,40,1,1\nAB,2,Two,chalk,semi,40,1,1\nAB,1,Again,wax,semi,40,1,1\nAB,4,Four,oil,glossy,40,1,1\nAB,5,Five,oil,semi,forty,1,1\nA B,6,Six,oil,semi,40,1,1\nAB,7,Seven,oil,semi,140,1,1\n"));
    expect($said)->toHaveCount(6)
        ->and($said[0])->toBe('Row 3, column binder: "chalk". Write wax or oil.')
        ->and($said[1])->toContain('Row 4, column number: "1". Pencil AB:1 is in the table already')
        ->and($said[2])->toContain('Row 5, column opacity: "glossy"')
        ->and($said[3])->toContain('Row 6, column L: "forty". Write a number')
        ->and($said[4])->toContain('Row 7, column number: "A B:6"')
        ->and($said[5])->toContain('Row 8')->toContain('L* is 140');
});

it('refuses what is no table', function (string $text, string $says): void {
    expect(implode("\n", refusals(fn () => PencilTable::read($text))))->toContain($says);
})->with([
    ['', 'The table is empty'],
    ["range,number,name\nA,1,x\n", 'column binder'],
    ["range,range,number,name,binder\n", 'there twice'],
    ["range,number,name,binder\nAB,1,One,wax,too,many\n", 'has 6 cells, the header 4'],
    ["range,number,name,binder\nAB,1,\xFF\xFE,wax\n", 'not UTF-8'],
]);

it('reads swatches, with the bare paper as an empty stack, and refuses unknown pencils', function (): void {
    $swatches = SwatchTable::read("id,paper,steps,L,a,b\np,medium,,95,0,1\ns1,medium,QW:6858@50 > wash,50,1,-40\n", pencils());
    expect($swatches)->toHaveCount(2)->and($swatches[0]->stack)->toHaveCount(0)->and((string) $swatches[1]->stack)->toBe('QW:6858@50 > wash');
    $said = refusals(fn () => SwatchTable::read("id,paper,steps,L,a,b\na,m,QW:999@50,50,0,0\nb,m,QW:6858@,50,0,0\nc,m,QW:6858@50,x,0,0\n", pencils()));
    expect($said)->toHaveCount(3)->and(implode("\n", $said))->toContain('Pencil QW:999 is not in the pencil table')->toContain('At character 9')->toContain('Row 4, column L');
    expect(SwatchTable::readStacks("id,steps\na,QW:6858@50\n", pencils())[0]['paper'])->toBe('');
});

it('reads targets as Lab or hex', function (): void {
    expect(TargetTable::read("id,L,a,b\nt,50,1,2\n"))->toEqual(['t' => Lab::of(50, 1, 2)])
        ->and(TargetTable::read("id,hex\nt,#808080\n")['t']->L)->toEqualWithDelta(53.59, 0.01)
        ->and(refusals(fn () => TargetTable::read("id,hex\nt,#80\nt2,#zzzzzz\n")))->toHaveCount(2)
        ->and(refusals(fn () => TargetTable::read("id,L,a,b\nt,50,1,2\nt,50,1,2\n"))[0])->toContain('already')
        ->and(refusals(fn () => TargetTable::read("id,name\nt,x\n"))[0])->toContain('L,a,b or the column hex');
});

it('writes predictions and matches that read back', function (): void {
    $predictor = new Predictor(model());
    $stack = Stack::parse('QW:4731@40 > QW:6858@50x2');
    $rows = array_values(Csv::parse(PredictionTable::write([['id' => 'one, two', 'stack' => $stack, 'prediction' => $predictor->predict($stack)]]), ['id', 'steps', 'L', 'a', 'b', 'tooth_left', 'sigma'])->rows);
    expect($rows[0]['id'])->toBe('one, two')->and($rows[0]['steps'])->toBe((string) $stack)
        ->and((float) $rows[0]['L'])->toEqualWithDelta($predictor->predict($stack)->colour->L, 0.001);
    $recipe = (new RecipeMaker($predictor, pencils(), true))->make(Stack::parse('QW:3769@95 > QW:1823@30'), Target::colour(Lab::of(90, 0, 0)));
    $rows = array_values(Csv::parse(MatchTable::write(['t' => [$recipe]]), ['id', 'rank', 'warnings'])->rows);
    expect($rows[0]['rank'])->toBe('1')->and(explode('|', $rows[0]['warnings']))->toContain('out_of_reach', 'closes_early');
});

it('says a row error in one sentence', function (): void {
    expect((string) new RowError(4, 'binder', str_repeat('x', 90), 'Write wax or oil.'))->toBe('Row 4, column binder: "'.str_repeat('x', 37).'...". Write wax or oil.');
});

it('ships the pencils that its script makes', function (): void {
    $made = tempnam(sys_get_temp_dir(), 'pencils');
    exec(PHP_BINARY.' '.escapeshellarg(__DIR__.'/../../../database/demo/make-materials.php').' '.escapeshellarg($made), result_code: $status);
    expect($status)->toBe(0)->and(sha1_file($made))->toBe(sha1_file(__DIR__.'/../../../database/demo/pencils.csv'));
    unlink($made);
});

it('guards cells that a spreadsheet would reckon with, and reads them as they were', function (): void {
    $cells = ['=1+2', '+1 to go', '-light', '@home', "'=quoted", "'tis", '-3.5', 'plain'];
    $text = Csv::write(['note'], array_map(static fn (string $cell): array => [$cell], $cells));
    expect(explode("\r\n", trim($text)))->toBe(['note', "'=1+2", "\"'+1 to go\"", "'-light", "'@home", "''=quoted", "'tis", '-3.5', 'plain'])
        ->and(array_column(Csv::parse($text, ['note'])->rows, 'note'))->toBe($cells);
});
