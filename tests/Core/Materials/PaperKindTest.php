<?php

declare(strict_types=1);

use Prism\Materials\Opacity;
use Prism\Materials\Paper;
use Prism\Materials\PaperKind;
use Prism\Materials\PaperTone;
use Prism\Materials\Pencil;

use function Tests\Core\draw;
use function Tests\Core\pencilsWhere;
use function Tests\Core\seen;

// A paper of which nothing is known but what it is called in the shop.

function paperOf(PaperKind $kind, PaperTone $tone = PaperTone::White): Paper
{
    return Paper::of($kind->value.$tone->value, $kind->label(), $tone->on($kind), ...$kind->tooth());
}

it('has more tooth left after six light coats the more layers its kind is known to take', function (): void {
    $left = static fn (PaperKind $kind): float => array_sum(array_map(
        static fn (string $id): float => draw("$id@40x6", paperOf($kind))->toothLeft(),
        pencilsWhere(static fn (Pencil $pencil, $coat): bool => $coat->L < 55.0),
    ));
    $tooth = array_map($left, [PaperKind::Film, PaperKind::HotPressed, PaperKind::Board, PaperKind::Cartridge, PaperKind::Rough, PaperKind::Sanded]);
    $sorted = $tooth;
    sort($sorted);
    expect($tooth)->toBe($sorted)->and(array_unique($tooth))->toHaveCount(6);
});

it('is white until a tone is named, and toned from light grey on', function (): void {
    foreach (PaperKind::cases() as $kind) {
        expect(paperOf($kind)->isToned())->toBeFalse()
            ->and(paperOf($kind, PaperTone::Cream)->isToned())->toBeFalse()
            ->and(paperOf($kind, PaperTone::LightGrey)->isToned())->toBeTrue()
            ->and(paperOf($kind, PaperTone::Black)->isToned())->toBeTrue();
    }
});

it('lets opaque whites stand on black paper, clear ones shimmer, and darks vanish', function (): void {
    $black = paperOf(PaperKind::Cartridge, PaperTone::Black);
    $bare = seen('', $black)->L;
    $opaque = pencilsWhere(static fn (Pencil $pencil, $coat): bool => $coat->L > 90.0 && $pencil->opacity === Opacity::Opaque);
    $clear = pencilsWhere(static fn (Pencil $pencil, $coat): bool => $coat->L > 90.0 && $pencil->opacity !== Opacity::Opaque);
    $dark = pencilsWhere(static fn (Pencil $pencil, $coat): bool => $coat->L < 30.0);
    expect($opaque)->not->toBe([])->and($clear)->not->toBe([])->and($dark)->not->toBe([]);
    foreach ($opaque as $id) {
        expect(seen("$id@90x2", $black)->L)->toBeGreaterThan($bare + 50.0);
    }
    foreach ($clear as $id) {
        expect(seen("$id@90x2", $black)->L)->toBeBetween($bare + 10.0, $bare + 45.0);
    }
    foreach ($dark as $id) {
        expect(abs(seen("$id@90x2", $black)->L - $bare))->toBeLessThan(15.0);
    }
});
