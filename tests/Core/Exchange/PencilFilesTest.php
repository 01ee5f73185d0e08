<?php

declare(strict_types=1);

use Prism\Calibration\Swatch;
use Prism\Colour\Lab;
use Prism\Exchange\Cgats;
use Prism\Exchange\ColumnChoice;
use Prism\Exchange\GplPalette;
use Prism\Exchange\PastedList;
use Prism\Exchange\PencilEntry;
use Prism\Exchange\PencilTable;
use Prism\Exchange\RowError;
use Prism\Exchange\SwatchEntry;
use Prism\Exchange\SwatchTable;
use Prism\Exchange\TableRefused;
use Prism\Layering\Stack;
use Prism\Materials\Binder;
use Prism\Materials\Status;

use function Tests\Core\box;
use function Tests\Core\pencils;

// What goes out as a file comes back as it was; what is wrong in a file is said, all of it.

/** @return list<array{int, string}> row and column of every refusal */
function wrongCells(Closure $read): array
{
    try {
        $read();
    } catch (TableRefused $refusal) {
        return array_map(static fn (RowError $error): array => [$error->row, $error->column], $refusal->errors);
    }

    return [];
}

it('writes pencils that read back as they were', function (): void {
    $table = PencilTable::read((string) file_get_contents(__DIR__.'/../../../database/demo/pencils.csv'));
    $back = PencilTable::read(PencilTable::write($table->entries));
    expect($back->entries)->toHaveCount(120);
    foreach ($table->entries as $id => $entry) {
        expect($back->entries[$id]->aliases)->toBe($entry->aliases)->and($back->entries[$id]->pencil->name)->toBe($entry->pencil->name)
            ->and($back->entries[$id]->spectrum?->samples())->toBe($entry->spectrum?->samples())
            ->and([$back->entries[$id]->pencil->core, $back->entries[$id]->pencil->stains])->toBe([$entry->pencil->core, $entry->pencil->stains]);
    }
});

it('keeps status, successor and a colour without a spectrum', function (): void {
    $text = "range,number,name,binder,status,replaced_by,L,a,b\nHS,12,Old Rope,oil,discontinued,HS:14,60.5,4,22\nHS,14,New Rope,oil,,,,,\n";
    expect((string) PencilTable::read("range,number,name,binder,status,replaced_by\nHS,12,Old Rope,oil,replaced,14\n")->entries['HS:12']->replacedBy)->toBe('HS:14');
    foreach ([PencilTable::read($text), PencilTable::read(PencilTable::write(PencilTable::read($text)->entries))] as $table) {
        $old = $table->entries['HS:12'];
        expect($old->status)->toBe(Status::Discontinued)->and((string) $old->replacedBy)->toBe('HS:14')->and($old->pencil->fullCoat)->toEqual(Lab::of(60.5, 4, 22))
            ->and($table->entries['HS:14']->status)->toBe(Status::Current)->and($table->entries['HS:14']->pencil->fullCoat)->toBeNull();
    }
});

it('takes columns by what they are called elsewhere, colours as hex, and tells which columns it did not read', function (): void {
    $table = PencilTable::read("Series;No.;Colour name;Type;Hex;Price;\nHS;12;Old Rope;oil;#c2a878;1.20;\nHS;13;Fender;wax;;1.20;\n");
    expect((string) $table->entries['HS:12']->pencil->fullCoat?->toHex())->toBe('#c2a878')->and($table->entries['HS:13']->pencil->fullCoat)->toBeNull()
        ->and($table->entries['HS:12']->pencil->name)->toBe('Old Rope')->and($table->unread)->toBe(['Price']);
    // What has our names keeps them, and a measured colour goes before one of a screen.
    $own = PencilTable::read("range,number,name,binder,type,L*,a*,b*,hex\nHS,12,Old Rope,oil,thick,50,1,2,#ffffff\n");
    expect($own->entries['HS:12']->pencil->fullCoat?->L)->toBe(50.0)->and($own->unread)->toBe(['type']);
    expect(fn () => PencilTable::read("range,number,nr,name,binder\n"))->not->toThrow(TableRefused::class)
        ->and(fn () => PencilTable::read("range,no,nr,name,binder\nHS,1,1,x,wax\n"))->toThrow(TableRefused::class, 'twice')
        ->and(fn () => PencilTable::read("range,number,name,binder,hex\nHS,1,x,wax,beige\n"))->toThrow(TableRefused::class, 'write it as #');
});

it('names every bad cell of a pencils table at once', function (): void {
    $text = "range,number,name,binder,status,replaced_by,opacity,lightfastness,core,stains,L,a,b\n"
        ."HS,1,a,crayon,,,,,,,50,0,0\nHS,2,b,wax,lost,no where,,,,,50,0,0\nHS,3,c,wax,,,glassy,VI,crumbly,often,fifty,0,0\nHS,3,d,wax,,,,,,,50,0,0\nHS,,e,wax,,,,,,,50,0,0\n";
    expect(wrongCells(static fn () => PencilTable::read($text)))->toBe([
        [2, 'binder'], [3, 'status'], [3, 'replaced_by'], [4, 'opacity'], [4, 'lightfastness'], [4, 'core'], [4, 'stains'], [4, 'L'], [6, 'number'],
    ]);
});

it('refuses what its caller does not want, row by row with the rest', function (): void {
    $unwanted = static fn (PencilEntry $entry): ?array => $entry->pencil->name === 'no' ? ['name', 'Not this one.'] : null;
    $text = "range,number,name,binder\nHS,1,no,wax\nHS,2,yes,wax\nHS,3,no,clay\nHS,4,no,oil\n";
    expect(wrongCells(static fn () => PencilTable::read($text, $unwanted)))->toBe([[2, 'name'], [4, 'binder'], [5, 'name']]);
});

it('writes a palette that reads back, to the step of a screen', function (): void {
    $palette = GplPalette::write('Mine', box(['QW:6858', 'LO:9659']));
    $back = array_values(GplPalette::read($palette, Binder::Oil));
    expect($palette)->toStartWith("GIMP Palette\nName: Mine\n")->and($back)->toHaveCount(2)
        ->and((string) $back[0]->pencil->id)->toBe('QW:6858')->and($back[0]->pencil->name)->toBe('Pennant Blue')->and($back[0]->pencil->binder)->toBe(Binder::Oil)
        ->and($back[0]->pencil->fullCoat?->toHex())->toBe(pencils()->get($back[0]->pencil->id)->fullCoat?->toHex());
});

it('names every bad line of a palette', function (): void {
    $text = "GIMP Palette\nName: x\n#\n10 20 30\tHS:1 Fine\n300 0 0\tHS:2\n10 20\tHS:3\n1 2 3\tnameless thing\n4 5 6\tHS:1 again\n";
    expect(wrongCells(static fn () => GplPalette::read($text, Binder::Wax)))->toBe([[5, 'R G B'], [6, '-'], [7, 'name'], [8, 'name']])
        ->and(wrongCells(static fn () => GplPalette::read("JASC-PAL\n", Binder::Wax)))->toBe([[1, '-']]);
});

it('writes swatches that read back, notes and all', function (): void {
    $kit = box(['QW:6858', 'QW:5892']);
    $entries = [
        new SwatchEntry(new Swatch('1', 'cartridge', Stack::of(), Lab::of(95, 0, 1)), 'bare, "clean"'),
        new SwatchEntry(new Swatch('2', 'cartridge', Stack::parse('QW:6858@40x2 > wash > QW:5892@60'), Lab::of(50.125, -3, 7)), '', '2026-11-20', 'typed'),
    ];
    expect(array_values(SwatchTable::entries(SwatchTable::write($entries), $kit)))->toEqual($entries);
});

it('names unknown papers, pencils, dates and colours of a swatches table', function (): void {
    $text = "id,paper,steps,L,a,b,measured_at\n1,cartridge,QW:6858@40,50,0,0,2026-11-20\n2,vellum,QW:6858@40,50,0,0,\n3,cartridge,XX:1@40,50,0,0,\n4,cartridge,QW:6858@400,50,0,0,\n5,cartridge,QW:6858,150,0,0,\n6,cartridge,QW:6858,50,0,0,someday\n";
    $refused = wrongCells(static fn () => SwatchTable::entries($text, box(['QW:6858']), ['cartridge']));
    sort($refused);
    expect($refused)->toBe([[3, 'paper'], [4, 'steps'], [5, 'steps'], [6, 'L,a,b'], [7, 'measured_at']]);
});

it('writes CGATS that reads back', function (): void {
    $swatches = [new Swatch('7', 'cartridge', Stack::of(), Lab::of(95, 0, 1)), new Swatch('8', 'cartridge', Stack::parse('QW:6858@40 > QW:5892@60'), Lab::of(50.5, -3.25, 7))];
    expect(Cgats::read(Cgats::write($swatches), 'cartridge', box(['QW:6858', 'QW:5892'])))->toEqual($swatches);
});

it('reads spectra of an instrument that sees less far than 380 to 730 nm', function (): void {
    $fields = array_map(static fn (int $nm): string => "SPECTRAL_NM_$nm", range(400, 700, 10));
    $text = "CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID SAMPLE_NAME ".implode(' ', $fields)."\nEND_DATA_FORMAT\nBEGIN_DATA\n1 QW:6858 ".implode(' ', array_fill(0, 31, '0.25'))."\nEND_DATA\n";
    [$swatch] = Cgats::read($text, 'cartridge', box(['QW:6858']));
    expect((string) $swatch->stack)->toBe('QW:6858@90x2')->and($swatch->colour->L)->toEqualWithDelta(57.1, 0.1)->and($swatch->colour->chroma())->toBeLessThan(0.1);
});

it('says what is wrong in CGATS text', function (string $text, array $where): void {
    expect(wrongCells(static fn () => Cgats::read($text, 'cartridge', box(['QW:6858']))))->toBe($where);
})->with([
    ['id,paper,steps', [[1, '-']]],
    ["CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L\nEND_DATA_FORMAT\n", [[1, 'BEGIN_DATA_FORMAT']]],
    ["CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_NAME LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\nEND_DATA\n", [[1, '-']]],
    ["CGATS.17\nBEGIN_DATA_FORMAT\nSAMPLE_NAME LAB_L LAB_A LAB_B\nEND_DATA_FORMAT\nBEGIN_DATA\nQW:6858@40 50 0\nQW:1@40 50 0 0\nQW:6858@x 50 0 0\nQW:6858@40 half 0 0\nEND_DATA\n", [[6, '-'], [7, 'SAMPLE_NAME'], [8, 'SAMPLE_NAME'], [9, 'L']]],
]);

it('tells pasted pencils from pasted recipes, and says which line is neither', function (): void {
    $list = PastedList::read("QW:6858, LO:3512;QW:5892\n\n QW:6858@40 > QW:5892@55 \nQW:6858 QW:7432");
    expect(array_map(strval(...), $list->pencils))->toBe(['QW:6858', 'LO:3512', 'QW:5892', 'QW:7432'])->and(array_map(strval(...), $list->stacks))->toBe(['QW:6858@40 > QW:5892@55'])
        ->and(wrongCells(static fn () => PastedList::read("QW:6858\nred please\nQW:6858@0")))->toBe([[2, '-'], [3, '-']])
        ->and(wrongCells(static fn () => PastedList::read('')))->toBe([[1, '-']]);
});

it('asks which column is what where a header does not tell', function (): void {
    $text = "Farbe,Nr,Bezeichnung,Preis\n#336699,12,Hafen,3\n#993333,14,Boje,3\n";
    expect(PencilTable::columns($text))->toEqual([
        'columns' => [['header' => 'Farbe', 'means' => null], ['header' => 'Nr', 'means' => 'number'], ['header' => 'Bezeichnung', 'means' => null], ['header' => 'Preis', 'means' => null]],
        'missing' => ['range', 'name', 'binder'],
    ]);
    $said = new ColumnChoice(['Farbe' => 'hex', 'Bezeichnung' => 'name'], ['range' => 'HS', 'binder' => 'oil']);
    expect(PencilTable::columns($text, $said)['missing'])->toBe([]);
    $table = PencilTable::read($text, null, $said);
    expect($table->entries['HS:14']->pencil->name)->toBe('Boje')->and($table->entries['HS:14']->pencil->binder)->toBe(Binder::Oil)
        ->and($table->entries['HS:12']->pencil->fullCoat?->toHex())->toBe('#336699')->and($table->unread)->toBe(['Preis']);
});

it('takes what is said of a column before what its header seems to say', function (): void {
    $text = "range,number,title,name,binder\nHS,12,Hafen,Q7,oil\n";
    $table = PencilTable::read($text, null, new ColumnChoice(['title' => 'name', 'name' => '']));
    expect($table->entries['HS:12']->pencil->name)->toBe('Hafen');
    $table = PencilTable::read($text, null, new ColumnChoice(['title' => 'name']));
    expect($table->entries['HS:12']->pencil->name)->toBe('Hafen');
});
