<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Advice\RecipeMaker;
use Prism\Matching\Advice\Warning;
use Prism\Matching\Target;

use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\seen;

// Each warning where it fires and where it does not, computed from predictions of the demo pencils.

/** @return list<Warning> for a stack that is meant to look as it does, or as another colour */
function warned(string $stack, ?Lab $target = null): array
{
    return (new RecipeMaker(new Predictor(model()), pencils()))->make(Stack::parse($stack), Target::colour($target ?? seen($stack)))->warnings;
}

it('fires where it should and not where it should not', function (Warning $warning, string $fires, string $quiet, ?Lab $target = null): void {
    expect(warned($fires, $target))->toContain($warning)
        ->and(warned($quiet, $target))->not->toContain($warning)
        ->and($warning->sentence())->toEndWith('.');
})->with([
    'yellow with black, meant to be a dark yellow' => [Warning::TurnsGreen, 'QW:3737@60x2 > QW:3769@35', 'QW:3737@60x2 > QW:4973@50', fn () => Lab::of(60, 2, 40)],
    'yellow with blue, meant to be grey' => [Warning::TurnsGreen, 'QW:3737@50 > QW:6858@40', 'QW:7432@50 > QW:6858@40', fn () => Lab::of(60, 0, 5)],
    'a green pencil, which is no surprise' => [Warning::TurnsGreen, 'QW:3737@50 > QW:6858@40', 'QW:3737@50 > QW:7168@40', fn () => Lab::of(60, 0, 5)],
    'complements in equal shares, meant to be a clean orange' => [Warning::Muddy, 'QW:3592@60x2 > QW:6858@60x2', 'QW:3592@60x2 > QW:5892@60x2', fn () => Lab::of(60, 40, 50)],
    'a very pale and a very dark pencil' => [Warning::ValueJump, 'QW:2616@60x2 > QW:3769@80x2', 'QW:3464@60x2 > QW:2312@60x2'],
    'dark over pale wax' => [Warning::Resists, 'QW:2616@70x3 > QW:6858@40', 'QW:6858@40 > QW:2616@70x3'],
    'a burnished orange is slick, but no pale one' => [Warning::Resists, 'QW:2616@70x3 > QW:6858@40', 'QW:6872@90x3 > QW:6858@40'],
    'a full paper' => [Warning::PaperFull, 'QW:3464@95x4 > QW:2312@100x3', 'QW:3464@35'],
    'a little tooth' => [Warning::LowTooth, 'QW:6858@85x2', 'QW:6858@50'],
    'clear white over black' => [Warning::PaleWillNotCover, 'QW:3769@80x2 > LO:1346@60', 'QW:3769@20 > QW:1823@60'],
    'a yellow glaze over black' => [Warning::PaleWillNotCover, 'QW:3769@80x2 > QW:3737@60', 'QW:3464@40 > QW:3737@60'],
    'heavy dark wax' => [Warning::Bloom, 'QW:3769@95', 'LO:9257@95'],
    'light dark wax' => [Warning::Bloom, 'QW:3769@95', 'QW:3769@40'],
    'a burnish below' => [Warning::ClosesEarly, 'QW:3464@95 > QW:3769@30', 'QW:3769@30 > QW:3464@95'],
    'a dark that a middle red does not have in it' => [Warning::NotDarker, 'QW:7432@95x3', 'QW:7432@60 > QW:3769@80', fn () => Lab::of(18, 10, 5)],
    'a dark that its pencil has, laid too lightly' => [Warning::NotDarker, 'QW:3737@80 > QW:7432@80', 'QW:3769@30', fn () => Lab::of(20, 0, 0)],
    'pencil on what the paper is already' => [Warning::ReserveCovered, 'QW:2616@20', '', fn () => seen('')],
    'a stack that misses what another would reach' => [Warning::FarOff, 'QW:6858@50', 'QW:6858@90x2', fn () => seen('QW:6858@90x2')],
]);

it('says that a colour is out of reach of what was found, and only that it is missed by what was laid by hand', function (): void {
    $warned = static fn (bool $isNearest): array => (new RecipeMaker(new Predictor(model()), pencils(), $isNearest))->make(Stack::parse('QW:6858@50'), Target::colour(seen('QW:6858@90x2')))->warnings;
    expect($warned(true))->toContain(Warning::OutOfReach)->not->toContain(Warning::FarOff)
        ->and($warned(false))->toContain(Warning::FarOff)->not->toContain(Warning::OutOfReach);
});

it('warns of pencils that fade, and only of those', function (): void {
    $fading = $fast = null;
    foreach (pencils() as $id => $pencil) {
        if (in_array($pencil->lightfastness, ['IV', 'V'], true)) {
            $fading ??= $id;
        } elseif ($pencil->lightfastness === 'I') {
            $fast ??= $id;
        }
    }
    expect($fast)->not->toBeNull()->and(warned("$fast@40"))->not->toContain(Warning::Fades);
    if ($fading !== null) {
        expect(warned("$fading@40"))->toContain(Warning::Fades);
    }
});

it('says each thing once, and nothing of a plain stack', function (): void {
    $warnings = warned('QW:3769@95 > QW:3769@95 > QW:3769@95');
    expect($warnings)->toBe(array_values(array_unique($warnings, SORT_REGULAR)))
        ->and(warned('QW:3464@40'))->toBe([])
        ->and(warned(''))->toBe([]);
});

it('looks only at values where only values count', function (): void {
    $made = (new RecipeMaker(new Predictor(model()), pencils()))->make(Stack::parse('QW:3592@60x2 > QW:6858@60x2'), Target::value(seen('QW:3592@60x2 > QW:6858@60x2')));
    expect($made->warnings)->not->toContain(Warning::Muddy)->not->toContain(Warning::OutOfReach);
});

it('lets a pale colour be laid that the paper is not', function (): void {
    expect(warned('QW:3737@35'))->not->toContain(Warning::ReserveCovered)->and(warned('QW:6858@20'))->not->toContain(Warning::ReserveCovered);
});

it('says of each mishap what to do instead', function (Warning $warning): void {
    expect(preg_match('/(use|take|lay|put|add|lift|keep|leave|shift|ask|buff)\b/i', $warning->sentence()))->toBe(1);
})->with(Warning::cases());
