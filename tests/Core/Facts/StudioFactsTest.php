<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Colour\Wheel;
use Prism\Layering\Step;
use Prism\Materials\Binder;
use Prism\Materials\Opacity;
use Prism\Materials\Paper;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;

use function Tests\Core\draw;
use function Tests\Core\model;
use function Tests\Core\pencils;
use function Tests\Core\pencilsWhere;
use function Tests\Core\seen;
use function Tests\Core\share;

// The studio facts that the tooth model must obey, each over many pencils of both ranges.

function darkerThanPaper(): array
{
    return pencilsWhere(static fn (Pencil $pencil, Lab $coat): bool => $coat->L < 75.0);
}

function colourful(): array
{
    return pencilsWhere(static fn (Pencil $pencil, Lab $coat): bool => $coat->chroma() > 35.0);
}

/** Ordered pairs of clearly different colours, every `$stride`th of them. */
function pairsOf(array $pencils, int $stride): Generator
{
    $count = 0;
    foreach ($pencils as $one) {
        foreach ($pencils as $other) {
            if ($one !== $other && $count++ % $stride === 0 && seen("$one@50")->differenceTo(seen("$other@50")) > 10.0) {
                yield [$one, $other];
            }
        }
    }
}

/** The pressure of a single pass that comes to the same lightness as a stack. */
function pressureFor(string $pencil, float $L): float
{
    $low = 10.0;
    $high = 100.0;
    for ($i = 0; $i < 24; $i++) {
        $middle = ($low + $high) / 2.0;
        seen($pencil.'@'.round($middle, 2))->L > $L ? $low = $middle : $high = $middle;
    }

    return round($high, 2);
}

function layersTaken(string $pencil, Paper $paper): int
{
    $passage = draw('', $paper);
    for ($layers = 0; $layers < 60; $layers++) {
        $next = model($paper)->apply($passage, Step::layer(PencilId::of($pencil), 50));
        if ($next->lab()->differenceTo($passage->lab()) < 0.5) {
            return $layers;
        }
        $passage = $next;
    }

    return $layers;
}

it('gets darker and covers more with more pressure, and leaves less tooth', function (): void {
    $rising = array_map(static fn (string $id): bool => seen("$id@35")->L > seen("$id@65")->L && seen("$id@65")->L > seen("$id@95")->L, darkerThanPaper());
    $tooth = array_map(static fn (string $id): bool => draw("$id@35")->toothLeft() > draw("$id@65")->toothLeft() && draw("$id@65")->toothLeft() > draw("$id@95")->toothLeft(), pencils()->ids());
    expect(share($rising))->toBe(1.0)->and(share($tooth))->toBe(1.0);
});

it('keeps more room after three passes than after one heavy one of the same strength', function (): void {
    $cases = [];
    foreach (darkerThanPaper() as $id) {
        $light = draw("$id@50x3");
        $cases[] = $light->toothLeft() > draw($id.'@'.pressureFor($id, $light->lab()->L))->toothLeft();
    }
    expect(share($cases))->toBeGreaterThan(0.9);
});

it('tells one order from the other', function (): void {
    $cases = [];
    foreach (pairsOf(colourful(), 19) as [$one, $other]) {
        $cases[] = seen("$one@60 > $other@60")->differenceTo(seen("$other@60 > $one@60")) > 0.5;
    }
    expect(share($cases))->toBeGreaterThan(0.97);
});

it('gives the later layer more weight where there is room for both, an opaque one more than a transparent one', function (): void {
    // On a nearly full tooth a later layer leaves less film, and a firm one mixes; here both lie as they would alone.
    $deep = Paper::of('deep', 'Deep tooth', Lab::of(95, 0, 1), 1.0, 5.0);
    $gain = [];
    foreach (Opacity::cases() as $opacity) {
        $gain[$opacity->value] = [];
    }
    foreach (pairsOf(colourful(), 13) as [$below, $above]) {
        $own = seen("$above@50", $deep);
        $gain[pencils()->get(PencilId::of($above))->opacity->value][] =
            seen("$above@50 > $below@50", $deep)->differenceTo($own) - seen("$below@50 > $above@50", $deep)->differenceTo($own);
    }
    $mean = array_map(static fn (array $all): float => array_sum($all) / count($all), $gain);
    expect($mean['opaque'])->toBeGreaterThan($mean['semi'])->and($mean['semi'])->toBeGreaterThan($mean['transparent'])
        ->and($mean['semi'])->toBeGreaterThan(0.0)
        // Clear films lie on one another nearly as filters do: either order comes to the same.
        ->and($mean['transparent'])->toBeGreaterThan(-0.3);
});

it('changes a passage less with oil than with wax', function (): void {
    $change = ['wax' => [], 'oil' => []];
    foreach (pencils() as $id => $pencil) {
        $change[$pencil->binder->value][] = seen("QW:4863@60 > $id@50")->differenceTo(seen('QW:4863@60'));
    }
    expect(array_sum($change['wax']) / 60)->toBeGreaterThan(1.1 * array_sum($change['oil']) / 60);
});

it('dulls a colour by its complement, over and under, and keeps its hue', function (): void {
    $dulled = $kept = [];
    foreach (colourful() as $own) {
        foreach (colourful() as $other) {
            $a = seen("$own@60");
            $b = seen("$other@60");
            $apart = Wheel::distance(Wheel::position($a->hueDegrees()), Wheel::position($b->hueDegrees()));
            if ($apart < 8.0 || $a->chroma() < 25.0 || $b->chroma() < 25.0) {
                continue;
            }
            $under = seen("$other@35 > $own@60");
            $dulled[] = $under->chroma() < $a->chroma() && seen("$own@60 > $other@35")->chroma() < $a->chroma();
            $kept[] = Wheel::distance(Wheel::position($under->hueDegrees()), Wheel::position($a->hueDegrees())) < 4.5;
        }
    }
    expect(share($dulled))->toBe(1.0)->and(share($kept))->toBeGreaterThan(0.95);
});

it('darkens a green by a violet under it, sometimes below each of them alone', function (): void {
    $violets = pencilsWhere(static fn (Pencil $p, Lab $coat): bool => $coat->L < 45 && abs($coat->hueDegrees() - 305) < 20 && $coat->chroma() > 20);
    $greens = pencilsWhere(static fn (Pencil $p, Lab $coat): bool => abs($coat->hueDegrees() - 155) < 45 && $coat->chroma() > 20);
    $darker = [];
    $darkest = 0;
    foreach ($violets as $violet) {
        foreach ($greens as $green) {
            $both = seen("$violet@45x2 > $green@60x2")->L;
            $darker[] = $both < seen("$green@60x2")->L;
            $darkest += $both < min(seen("$violet@60x2")->L, seen("$green@60x2")->L) ? 1 : 0;
        }
    }
    expect(share($darker))->toBe(1.0)->and($darkest)->toBeGreaterThan(0);
});

it('lightens and greys a colour by white', function (): void {
    $cases = [];
    foreach (['QW:1823', 'LO:1346'] as $white) {
        foreach (colourful() as $id) {
            $before = seen("$id@60x2");
            if ($before->L < 80.0) {
                $after = seen("$id@60x2 > $white@70");
                $cases[] = $after->L > $before->L && $after->chroma() < $before->chroma();
            }
        }
    }
    expect(share($cases))->toBeGreaterThan(0.9);
});

it('brightens dark reds and greens by yellow and costs them less chroma than white does', function (): void {
    $base = pencilsWhere(static fn (Pencil $p, Lab $coat): bool => $coat->L < 38.0 && $coat->chroma() > 9.0 && ($coat->hueDegrees() < 40 || $coat->hueDegrees() > 340 || abs($coat->hueDegrees() - 160) < 45));
    $lighter = $cleaner = [];
    foreach (['QW:3737', 'QW:4731', 'LO:1781', 'LO:5493'] as $yellow) {
        foreach ($base as $id) {
            // Closed and with tooth given back: over an open grain the yellow also fills white valleys.
            $before = seen("$id@70x3 > wash");
            $after = seen("$id@70x3 > wash > $yellow@60");
            $lighter[] = $after->L > $before->L;
            $cleaner[] = $after->chroma() > seen("$id@70x3 > wash > QW:1823@60")->chroma();
        }
    }
    expect(share($lighter))->toBeGreaterThan(0.9)->and(share($cleaner))->toBe(1.0);
});

it('turns yellow green with black, red pink with white, and blue with magenta to a violet grey', function (): void {
    foreach (['QW:3769', 'LO:9257'] as $black) {
        foreach (['QW:3737', 'LO:1781'] as $yellow) {
            expect(seen("$yellow@60x2 > $black@35")->hueDegrees())->toBeGreaterThan(seen("$yellow@60x2")->hueDegrees());
        }
    }
    foreach (['QW:7432', 'LO:3949'] as $red) {
        $pink = seen("$red@50 > QW:1823@80");
        expect($pink->L)->toBeGreaterThan(78.0)->and($pink->a)->toBeGreaterThan(5.0)->and($pink->chroma())->toBeLessThan(25.0);
    }
    foreach (['QW:9147', 'LO:6797'] as $blue) {
        foreach (['QW:8785', 'LO:6491'] as $magenta) {
            $grey = seen("$magenta@45 > $blue@45");
            expect($grey->hueDegrees())->toBeGreaterThan(270.0)->toBeLessThan(350.0)
                ->and($grey->chroma())->toBeLessThan(seen("$magenta@45")->chroma() + 3.0);
        }
    }
});

it('is resisted by a pale waxy colour, so form goes under it', function (): void {
    $pale = pencilsWhere(static fn (Pencil $p, Lab $coat): bool => $coat->L > 85.0 && $p->binder === Binder::Wax);
    $dark = pencilsWhere(static fn (Pencil $p, Lab $coat): bool => $coat->L < 35.0);
    $resisted = $works = [];
    foreach ($pale as $light) {
        foreach ($dark as $deep) {
            $free = array_sum(draw("$deep@50")->films[0]->thickness);
            $over = draw("$light@70x2 > $deep@50");
            $resisted[] = array_sum($over->films[1]->thickness) < 0.75 * $free;
            $works[] = seen("$deep@50 > $light@70x2")->L < $over->lab()->L;
        }
    }
    expect(share($resisted))->toBe(1.0)->and(share($works))->toBeGreaterThan(0.95);
});

it('shows translucent white over black hardly, opaque white more, and never lighter than paper or white', function (): void {
    $black = seen('QW:3769@80x2')->L;
    $translucent = seen('QW:3769@80x2 > LO:1346@70')->L - $black;
    $opaque = seen('QW:3769@80x2 > QW:1823@70')->L - $black;
    expect($translucent)->toBeGreaterThan(0.0)->toBeLessThan(20.0)->and($opaque)->toBeGreaterThan(1.4 * $translucent);
    $lightest = max(seen('')->L, seen('QW:1823@100x9')->L) + 0.5;
    $cases = array_map(static fn (string $id): bool => seen("$id@50 > QW:1823@80x3")->L <= $lightest, pencils()->ids());
    expect(share($cases))->toBe(1.0);
});

it('fills the grain by a wash of several layers and gives tooth back; one thin layer stays uneven', function (): void {
    $filled = $tooth = $chroma = $uneven = [];
    foreach (darkerThanPaper() as $id) {
        $before = draw("$id@45x4");
        $after = draw("$id@45x4 > wash");
        $filled[] = $after->grain() < $before->grain() && $after->lab()->L < $before->lab()->L;
        $tooth[] = $after->toothLeft() > $before->toothLeft();
        if ($before->lab()->chroma() > 15.0) {
            $chroma[] = $after->lab()->chroma() > $before->lab()->chroma();
        }
        $uneven[] = draw("$id@30 > wash")->grain() / draw("$id@30")->grain() > $after->grain() / $before->grain() + 0.15;
    }
    expect(share($filled))->toBe(1.0)->and(share($tooth))->toBe(1.0)->and(share($chroma))->toBeGreaterThan(0.9)->and(share($uneven))->toBe(1.0);
});

it('takes hardly any light layer after a burnish', function (): void {
    $cases = [];
    foreach (darkerThanPaper() as $id) {
        $free = seen("$id@35")->differenceTo(seen(''));
        $cases[] = seen("QW:3464@95x2 > $id@35")->differenceTo(seen('QW:3464@95x2')) < 0.25 * $free;
    }
    expect(share($cases))->toBe(1.0);
});

it('keeps the hue and raises the chroma of a grainy passage by a blend, and closes it', function (): void {
    $cases = [];
    foreach (colourful() as $id) {
        $before = draw("$id@55x2");
        $after = draw("$id@55x2 > blend");
        $turn = abs($before->lab()->hueDegrees() - $after->lab()->hueDegrees());
        $cases[] = min($turn, 360.0 - $turn) < 12.0 && $after->lab()->chroma() > $before->lab()->chroma() && $after->toothLeft() < 0.1;
    }
    expect(share($cases))->toBeGreaterThan(0.95);
});

it('lifts light layers and hardly burnished ones', function (): void {
    $cases = [];
    foreach (darkerThanPaper() as $id) {
        $light = (seen("$id@35 > lift")->L - seen("$id@35")->L) / (seen('')->L - seen("$id@35")->L);
        $heavy = (seen("$id@95x2 > lift")->L - seen("$id@95x2")->L) / (seen('')->L - seen("$id@95x2")->L);
        $cases[] = $light > 0.08 && $heavy < 0.02;
    }
    expect(share($cases))->toBe(1.0);
});

it('takes more layers of oil than of wax, and more on rougher paper', function (): void {
    $film = Paper::of('film', 'Film', Lab::of(95, 0, 1), 0.35, 0.4, 0.7);
    $pressed = Paper::of('pressed', 'Hot-pressed', Lab::of(95, 0, 1), 0.6, 0.75);
    $cartridge = Paper::of('cartridge', 'Cartridge', Lab::of(95, 0, 1));
    $sanded = Paper::of('sanded', 'Sanded', Lab::of(95, 0, 1), 1.2, 2.2, 1.1);
    $dark = pencilsWhere(static fn (Pencil $p, Lab $coat): bool => $coat->L < 55.0);
    $mean = static function (Paper $paper, ?Binder $binder = null) use ($dark): float {
        $taken = [];
        foreach ($dark as $id) {
            if ($binder === null || pencils()->get(PencilId::of($id))->binder === $binder) {
                $taken[] = layersTaken($id, $paper);
            }
        }

        return array_sum($taken) / count($taken);
    };
    expect($mean($film))->toBeLessThan($mean($pressed))
        ->and($mean($pressed))->toBeLessThan($mean($cartridge))
        ->and($mean($cartridge))->toBeLessThan($mean($sanded))
        ->and($mean($cartridge, Binder::Oil))->toBeGreaterThan($mean($cartridge, Binder::Wax));
});

it('gives five steps from three feathered pencils', function (): void {
    foreach ([['QW:3464', 'QW:4973', 'QW:3131'], ['LO:4263', 'LO:1414', 'LO:6797'], ['QW:8363', 'QW:5925', 'QW:5615'], ['LO:2593', 'LO:6945', 'LO:3949']] as [$light, $middle, $dark]) {
        $steps = array_map(static fn (string $stack): Lab => seen($stack), ["$light@40x2", "$light@40 > $middle@40", "$middle@40x2", "$middle@40 > $dark@40", "$dark@40x2"]);
        for ($i = 1; $i < 5; $i++) {
            expect($steps[$i]->differenceTo($steps[$i - 1]))->toBeGreaterThan(1.0)
                ->and($steps[$i]->L)->toBeLessThan($steps[$i - 1]->L);
        }
    }
});

it('parts white and black from toned paper both ways', function (): void {
    $toned = Paper::of('toned', 'Toned', Lab::of(66, 1, 3));
    foreach (['QW:1823', 'LO:1346'] as $white) {
        expect(seen("$white@70", $toned)->L)->toBeGreaterThan(seen('', $toned)->L + 1.0);
    }
    foreach (['QW:3769', 'LO:9257'] as $black) {
        expect(seen("$black@40", $toned)->L)->toBeLessThan(seen('', $toned)->L - 5.0);
    }
});
