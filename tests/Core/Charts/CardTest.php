<?php

declare(strict_types=1);

use Prism\Calibration\ChartStacks;
use Prism\Charts\ChartDrawing;
use Prism\Charts\ChartReader;
use Prism\Charts\ChartReading;
use Prism\Charts\ChartSheet;
use Prism\Charts\Covering;
use Prism\Colour\Lab;
use Prism\Materials\Opacity;
use Prism\Materials\PencilId;
use Prism\Reference\Image\Raster;
use Standin\Studio;

use function Tests\Core\pencils;

// A swatch card: three fields a pencil, the firm one half over a black bar.

const CARD_PAPER = [95.4, -0.6, 1.5];

/** The simulated studio of the demo pencils. */
function cardStudio(): Studio
{
    $leads = [];
    foreach (Prism\Exchange\PencilTable::read((string) file_get_contents(__DIR__.'/../../../database/demo/pencils.csv'))->entries as $id => $entry) {
        $leads[$id] = ['coat' => $entry->spectrum, 'wax' => $entry->pencil->binder->value === 'wax', 'opacity' => $entry->pencil->opacity->value];
    }
    $studio = Studio::of($leads);
    $studio->paper('harbour-cartridge', Lab::of(...CARD_PAPER));

    return $studio;
}

/** @return array{Studio, ChartSheet, ChartReading} of eighteen pencils, one sheet */
function filledCard(): array
{
    static $card = null;
    if ($card === null) {
        $studio = cardStudio();
        $sheet = ChartSheet::all('a4', ChartStacks::card(array_map(PencilId::of(...), array_slice(pencils()->ids(), 4, 18))), withStripes: true)[0];
        $photo = $studio->fill('harbour-cartridge', Lab::of(...CARD_PAPER), $sheet->width, $sheet->height, $sheet->blacks(), $sheet->cells, 'card');
        $card = [$studio, $sheet, ChartReader::read(Raster::of(...$photo->taken('card')), [$sheet], Lab::of(...CARD_PAPER))];
    }

    return $card;
}

it('has three fields a pencil, and a bar in the firm one only', function (): void {
    $sheet = filledCard()[1];
    expect($sheet->cells)->toHaveCount(54);
    foreach (array_chunk($sheet->cells, 3) as [$light, $medium, $firm]) {
        expect($light['stack']->pencils())->toEqual($firm['stack']->pencils())
            ->and([$light['stripe'], $medium['stripe']])->toBe([null, null])->and($firm['stripe'])->not->toBeNull();
        // Inside the field, so that the paper between two fields stays bare.
        expect($firm['stripe'][0] + $firm['stripe'][2])->toBeLessThanOrEqual($firm['x'] + $firm['width'] + 1e-9);
    }
});

it('is read as if the bar were not there, and the bar beside it', function (): void {
    [$studio, $sheet, $reading] = filledCard();
    $errors = [];
    foreach ($reading->cells as $i => $cell) {
        $errors[] = $cell['colour']->differenceTo($studio->draw('harbour-cartridge', $sheet->cells[$i]['stack'], 'card'.$cell['number']));
        expect($cell['over'] === null)->toBe($sheet->cells[$i]['stripe'] === null);
    }
    sort($errors);
    expect($errors[27])->toBeLessThan(1.0)->and($errors[48])->toBeLessThan(2.5);
});

it('tells a white pencil on white paper from a field that was left empty', function (): void {
    $studio = cardStudio();
    $sheet = ChartSheet::all('a4', ChartStacks::card([PencilId::of('QW:1823'), PencilId::of('QW:3769')]), withStripes: true)[0];
    $read = static fn (array $cells): array => array_column(ChartReader::read(Raster::of(...$studio->fill('harbour-cartridge', Lab::of(...CARD_PAPER), $sheet->width, $sheet->height, $sheet->blacks(), $cells, 'white')->taken('white')), [$sheet], Lab::of(...CARD_PAPER))->cells, 'doubts', 'number');
    expect($read($sheet->cells)[3])->toBe([])
        ->and($read(array_slice($sheet->cells, 3))[3])->toBe(['it seems to be empty']);
});

it('proposes what the barrel says of how a pencil covers more often than not, and never the opposite', function (): void {
    [, $sheet, $reading] = filledCard();
    $right = $told = 0;
    foreach ($reading->cells as $i => $cell) {
        $proposed = $cell['over'] === null ? null : Covering::of($cell['colour'], $cell['over']);
        if ($proposed !== null) {
            $barrel = pencils()->get($sheet->cells[$i]['stack']->pencils()[0])->opacity;
            $told++;
            $right += $proposed === $barrel ? 1 : 0;
            expect([$proposed, $barrel])->not->toBe([Opacity::Opaque, Opacity::Transparent])->not->toBe([Opacity::Transparent, Opacity::Opaque]);
        }
    }
    expect($told)->toBeGreaterThan(8)->and($right / $told)->toBeGreaterThan(0.6);
});

it('says nothing of how a dark pencil covers', function (): void {
    expect(Covering::of(Lab::of(22, 0, 0), Lab::of(16, 0, 0)))->toBeNull()
        ->and(Covering::of(Lab::of(60, 40, 20), Lab::of(18, 2, 1)))->toBe(Opacity::Transparent)
        ->and(Covering::of(Lab::of(60, 40, 20), Lab::of(52, 34, 17)))->toBe(Opacity::Opaque);
});

it('is printed with the number of each pencil once, and what to do in each field', function (): void {
    $texts = array_column(ChartDrawing::of(filledCard()[1], 'Swatch card', 'Cartridge')->texts, 4);
    foreach (array_slice(pencils()->ids(), 4, 18) as $id) {
        expect(array_keys($texts, substr($id, 3), true))->toHaveCount(1);
    }
    expect(array_keys($texts, '30 % light', true))->toHaveCount(18)->and(array_keys($texts, '90 % burnish, 2 coats', true))->toHaveCount(18);
});

it('is drawn by the stand-in with pencils nobody told it the colour of, the same each time', function (): void {
    $met = static function (): Lab {
        $studio = cardStudio();
        $studio->meet('HB:101', null, true, 'semi');

        return $studio->draw('harbour-cartridge', Prism\Layering\Stack::parse('HB:101@90x2'), 'x');
    };
    $other = cardStudio();
    $other->meet('HB:102', null, true, 'semi');
    $read = $met();
    $told = cardStudio();
    $told->meet('HB:101', Prism\Colour\Spectrum::fromLab($read), true, 'opaque');
    expect($met())->toEqual($read)
        ->and($other->draw('harbour-cartridge', Prism\Layering\Stack::parse('HB:102@90x2'), 'x')->differenceTo($read))->toBeGreaterThan(1.0)
        // Once its colour was read off, it is still that pencil.
        ->and($told->draw('harbour-cartridge', Prism\Layering\Stack::parse('HB:101@90x2'), 'x'))->toEqual($read);
});
