<?php

declare(strict_types=1);

use Prism\Calibration\Calibrator;
use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Binder;
use Prism\Materials\Core;
use Prism\Materials\Kit;
use Prism\Materials\Opacity;
use Prism\Materials\Paper;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;
use Prism\Planning\Mapping;

// Two pencils of one colour, told apart only by their leads.

/** @param  list<Pencil>  $pencils */
function bestOf(array $pencils, Target $target, bool $line = false): string
{
    $kit = Kit::of($pencils);
    $model = Calibrator::fit($kit, [])->model(Paper::cartridge());
    $search = new Search(new Predictor($model), $kit, PairLibrary::build($model, $kit->ids()));

    return $search->find($target, new Limits(top: 1, maxPencils: 1, maxLayers: 1, last: $line))[0]->stack->pencils()[0]->number;
}

function lead(string $number, Lab $coat, ?Core $core = null, bool $stains = false, Opacity $opacity = Opacity::Semi): Pencil
{
    return new Pencil(PencilId::of("ZZ:$number"), $number, Binder::Wax, $opacity, fullCoat: $coat, core: $core, stains: $stains);
}

it('draws lights without what stains, and does not mind it in darks', function (): void {
    foreach ([[70.0, 40.0, 30.0], [66.0, -30.0, 25.0], [72.0, -8.0, -30.0]] as $coat) {
        $target = Target::colour(Lab::of($coat[0] + 8, 0.7 * $coat[1], 0.7 * $coat[2]));
        $box = static fn (string $stainer): array => [lead('1', Lab::of(...$coat), stains: $stainer === '1'), lead('2', Lab::of($coat[0] + 0.3, $coat[1], $coat[2]), stains: $stainer === '2')];
        // Whichever of the two it is.
        expect(bestOf($box('1'), $target))->toBe('2')->and(bestOf($box('2'), $target))->toBe('1');
    }
    $dark = static fn (bool $stains): string => bestOf([lead('1', Lab::of(25, 20, -20), stains: $stains), lead('2', Lab::of(30, 20, -20), stains: ! $stains)], Target::colour(Lab::of(35, 17, -17)));
    expect($dark(true))->toBe($dark(false));
});

it('draws lines and accents with a hard core where colours are alike, and passages with either', function (): void {
    $best = static fn (Core $one, Core $two, bool $line): string => bestOf([lead('1', Lab::of(30, 25, 20), $one), lead('2', Lab::of(30.3, 25, 20), $two)], Target::colour(Lab::of(40, 22, 17)), $line);
    expect($best(Core::Soft, Core::Hard, true))->toBe('2')->and($best(Core::Hard, Core::Soft, true))->toBe('1')
        ->and($best(Core::Soft, Core::Hard, false))->toBe($best(Core::Hard, Core::Soft, false));
});

it('maps with what is pale, is used anyhow and can be lifted, hard if there is one', function (): void {
    $kit = static fn (Pencil ...$pencils): Kit => Kit::of($pencils);
    $pale = Lab::of(70, 5, 10);
    expect(Mapping::of($kit(lead('1', $pale, stains: true), lead('2', $pale, Core::Soft), lead('3', $pale, Core::Hard)))?->name)->toBe('3')
        ->and(Mapping::of($kit(lead('1', $pale, stains: true), lead('2', $pale, Core::Soft)))?->name)->toBe('2')
        ->and(Mapping::of($kit(lead('1', Lab::of(70, 60, 40)), lead('2', $pale)))?->name)->toBe('2')
        ->and(Mapping::of($kit(lead('1', $pale, stains: true), lead('2', Lab::of(20, 0, 0)), lead('3', Lab::of(95, 0, 0)))))->toBeNull();
});
