<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Colour\Lamp;
use Prism\Colour\Spectrum;
use Prism\Reference\Image\Alignment;
use Prism\Reference\Image\PrintTiles;
use Prism\Reference\Light\ColourMatrix;
use Prism\Reference\Light\LightDirection;
use Prism\Reference\Light\RangeMode;
use Prism\Reference\Light\ToneMap;
use Prism\Reference\Light\ValueReading;
use Prism\Reference\LookRefused;
use Prism\Reference\Reserves\ReserveKind;
use Prism\Reference\Reserves\Reserves;
use Prism\Reference\Zones\ZoneMap;
use Prism\Schools\Highlights;

use function Tests\Core\Reference\ball;
use function Tests\Core\Reference\painted;

require_once __DIR__.'/scenes.php';

describe('lamps', function (): void {
    it('have the white of their kind', function (): void {
        [$x, , $z] = Lamp::Daylight->white();
        expect($x)->toEqualWithDelta(0.964, 0.006)->and($z)->toEqualWithDelta(0.825, 0.012);
        [, , $north] = Lamp::NorthLight->white();
        [$warmX, , $warmZ] = Lamp::WarmLamp->white();
        expect($north)->toBeGreaterThan(1.1)->and($warmX)->toBeGreaterThan(1.05)->and($warmZ)->toBeLessThan(0.45);
    });

    it('warm or cool what is drawn in daylight; a grey most plainly', function (): void {
        $grey = Lab::of(60, 0, 0);
        expect(ColourMatrix::under(Lamp::Daylight)->isNone())->toBeTrue()
            ->and(ColourMatrix::under(Lamp::WarmLamp)->of($grey)->b)->toBeGreaterThan(4.0)
            ->and(ColourMatrix::under(Lamp::NorthLight)->of($grey)->b)->toBeLessThan(-1.0);
    });

    it('come near to what the spectrum of a surface gives under them', function (): void {
        foreach ([Lab::of(45, 40, 25), Lab::of(55, -30, 20), Lab::of(40, 5, -35)] as $lab) {
            // A warm lamp makes reds lighter against greens and blues.
            $warm = ColourMatrix::under(Lamp::WarmLamp)->of($lab);
            expect(abs($warm->L - $lab->L))->toBeLessThan(14.0)->and(Spectrum::fromLab($lab)->samples())->toHaveCount(36);
        }
        expect(ColourMatrix::under(Lamp::WarmLamp)->of(Lab::of(45, 40, 25))->L)->toBeGreaterThan(45.0)
            ->and(ColourMatrix::under(Lamp::WarmLamp)->of(Lab::of(40, 5, -35))->L)->toBeLessThan(40.0);
    });
});

describe('the light of a photo', function (): void {
    it('is told by a patch that is neutral in truth', function (float $a, float $b): void {
        $patch = Lab::of(62, $a, $b);
        $matrix = ColourMatrix::byNeutral($patch);
        $now = $matrix->of($patch);
        expect($now->chroma())->toBeLessThan(0.2)->and($now->L)->toEqualWithDelta(62.0, 0.3);
        // What was bluer than the patch is blue now.
        expect($matrix->of(Lab::of(62, $a, $b - 15))->b)->toBeLessThan(-8.0);
    })->with([[8.0, 30.0], [-6.0, -20.0], [0.0, 0.0]]);

    it('is told by a grey card, lightness too', function (): void {
        expect(ColourMatrix::byGreyCard(Lab::of(35, 3, 12))->of(Lab::of(35, 3, 12))->L)->toEqualWithDelta(49.5, 0.4);
    });

    it('is told by the lamp', function (): void {
        $white = Prism\Colour\Srgb::linearToLab(...array_map(static fn (float $v): float => max(0.0, $v), Prism\Colour\Srgb::linear(Lab::of(70, 18, 60))));
        expect(ColourMatrix::byLamp(Lamp::WarmLamp)->of($white)->b)->toBeLessThan($white->b - 20.0)
            ->and(ColourMatrix::byLamp(Lamp::Daylight)->of(Lab::of(50, 5, 5))->differenceTo(Lab::of(50, 5, 5)))->toBeLessThan(0.6);
    });

    it('is not told by what is burnt out, black or colourful', function (Lab $patch, string $says): void {
        expect(fn () => ColourMatrix::byNeutral($patch))->toThrow(LookRefused::class, $says);
    })->with([[Lab::of(99.5, 0, 0), 'too light'], [Lab::of(5, 0, 0), 'too dark'], [Lab::of(50, 60, 30), 'no grey']]);

    it('is kept as rows', function (): void {
        $matrix = ColourMatrix::byNeutral(Lab::of(60, 5, 20));
        expect(ColourMatrix::kept($matrix->rows))->toEqual($matrix)->and(fn () => ColourMatrix::kept([[1.0]]))->toThrow(UnexpectedValueException::class);
    });
});

describe('the direction of the light', function (): void {
    it('is found on a ball, wherever it comes from', function (float $degrees): void {
        $found = LightDirection::of(ball($degrees, 150));
        $off = abs(fmod($found->degrees - $degrees + 540.0, 360.0) - 180.0);
        expect($off)->toBeLessThan(14.0)->and($found->agreement)->toBeGreaterThan(0.3);
    })->with([0.0, 40.0, 90.0, 135.0, 200.0, 270.0, 315.0]);

    it('is a guess, and says so, in a flat picture', function (): void {
        expect(LightDirection::of(painted(60, 60, static fn (): Lab => Lab::of(50, 0, 0)))->agreement)->toBe(0.0);
    });

    it('is said in words, and corrected', function (): void {
        expect(LightDirection::corrected(135.0)->words())->toBe('upper left')->and(LightDirection::corrected(-90.0)->words())->toBe('below')
            ->and(LightDirection::corrected(0.0)->along(1.0, 0.5))->toBeGreaterThan(LightDirection::corrected(0.0)->along(0.0, 0.5))
            ->and(LightDirection::corrected(90.0)->along(0.5, 0.0))->toBeGreaterThan(LightDirection::corrected(90.0)->along(0.5, 1.0));
    });
});

describe('values', function (): void {
    it('are counted, with specks at the ends left out', function (): void {
        $field = painted(100, 100, static fn (float $x, float $y): Lab => Lab::of($x > 0.99 && $y > 0.9 ? 100 : 20 + 60 * $x, 0, 0));
        $values = ValueReading::of($field);
        expect(array_sum($values->histogram))->toEqualWithDelta(1.0, 1e-3)->and($values->dark)->toEqualWithDelta(20.5, 1.0)
            ->and($values->light)->toBeLessThan(82.0)->and($values->middle)->toEqualWithDelta(50.0, 1.5)
            ->and($values->lightest[0]['L'])->toBeGreaterThan(79.0)->and($values->darkest[0]['x'])->toBeLessThan(0.1);
    });

    it('have scales of 3 to 10 steps, evenly spaced', function (): void {
        foreach (range(3, 10) as $steps) {
            $scale = ValueReading::scale($steps);
            expect($scale['rungs'])->toHaveCount($steps)->and($scale['limits'])->toHaveCount($steps - 1);
            foreach ($scale['limits'] as $i => $limit) {
                expect($limit)->toBeGreaterThan($scale['rungs'][$i])->toBeLessThan($scale['rungs'][$i + 1]);
            }
        }
        expect(fn () => ValueReading::scale(2))->toThrow(LookRefused::class, 'choose 3 to 10');
    });

    it('are compressed or clipped into reach; every step stays a step when compressed', function (): void {
        $compress = ToneMap::of(RangeMode::Compress, 5.0, 98.0, 20.0, 94.0);
        $clip = ToneMap::of(RangeMode::Clip, 5.0, 98.0, 20.0, 94.0);
        $last = -1.0;
        foreach (range(0, 100, 5) as $L) {
            $now = $compress->lightness((float) $L);
            expect($now)->toBeGreaterThanOrEqual(20.0)->toBeLessThanOrEqual(94.0)->toBeGreaterThanOrEqual($last);
            expect($clip->lightness((float) $L))->toBe(max(20.0, min(94.0, (float) $L)));
            $last = $now;
        }
        expect($compress->lightness(5.0))->toBe(20.0)->and($compress->lightness(98.0))->toBe(94.0)
            ->and($compress->colour(Lab::of(10, 12, -7))->a)->toBe(12.0)
            ->and(ToneMap::none()->lightness(3.0))->toBe(3.0);
    });

    it('are not stretched when the photo has less range than the paper', function (): void {
        expect(ToneMap::of(RangeMode::Compress, 40.0, 60.0, 15.0, 95.0)->lightness(45.0))->toEqualWithDelta(45.0, 1e-9)
            ->and(fn () => ToneMap::of(RangeMode::Clip, 60.0, 40.0, 15.0, 95.0))->toThrow(LookRefused::class);
    });
});

describe('alignment of two photos', function (): void {
    it('goes by share without pairs, shifts by one, turns and scales by two, fits by more', function (): void {
        expect(Alignment::of([])->map(0.3, 0.7))->toBe([0.3, 0.7])
            ->and(Alignment::of([[0.5, 0.5, 0.6, 0.4]])->map(0.1, 0.1))->toEqualWithDelta([0.2, 0.0], 1e-12);
        $turned = Alignment::of([[0.0, 0.0, 0.5, 0.5], [0.2, 0.0, 0.5, 0.7]]);
        expect($turned->map(0.0, 0.2))->toEqualWithDelta([0.3, 0.5], 1e-9);
        $pairs = array_map(static fn (array $p): array => [...$p, 0.8 * $p[0] + 0.1 * $p[1] + 0.05, 0.9 * $p[1] - 0.02], [[0.1, 0.1], [0.9, 0.2], [0.5, 0.9], [0.3, 0.6]]);
        expect(Alignment::of($pairs)->map(0.4, 0.4))->toEqualWithDelta([0.41, 0.34], 1e-9);
    });

    it('turns the subject, not the shares, where a photo is no square', function (): void {
        // 400 x 200 beside 300 x 300: the subject turned by a quarter and half as large again, in pixels u = 200 - 1.5 y, v = 20 + 1.5 x.
        $pair = static fn (float $x, float $y): array => [$x / 400, $y / 200, (200 - 1.5 * $y) / 300, (20 + 1.5 * $x) / 300];
        $spot = $pair(60, 90);
        // By a sixth of a quarter more and smaller.
        $tilt = static fn (float $x, float $y): array => [$x / 400, $y / 200, (30 + 0.8 * ($x * cos(0.26) - $y * sin(0.26))) / 300, (10 + 0.8 * ($x * sin(0.26) + $y * cos(0.26))) / 300];
        $tilted = $tilt(60, 90);
        expect(Alignment::of([$tilt(10, 10), $tilt(150, 40)], 2.0, 1.0)->map($tilted[0], $tilted[1]))->toEqualWithDelta([$tilted[2], $tilted[3]], 1e-9)
            ->and(Alignment::of([$tilt(10, 10), $tilt(150, 40)])->map($tilted[0], $tilted[1]))->not->toEqualWithDelta([$tilted[2], $tilted[3]], 1e-3);
        expect(Alignment::of([$pair(10, 10), $pair(150, 40)], 2.0, 1.0)->map($spot[0], $spot[1]))->toEqualWithDelta([$spot[2], $spot[3]], 1e-9);
    });

    it('refuses pairs that tell nothing', function (array $pairs): void {
        expect(fn () => Alignment::of($pairs))->toThrow(LookRefused::class);
    })->with([[[[0.5, 0.5, 0.1, 0.1], [0.5, 0.5, 0.2, 0.2]]], [[[0.1, 0.1, 0, 0], [0.2, 0.2, 0, 0], [0.3, 0.3, 0, 0]]]]);
});

describe('a transfer print', function (): void {
    it('covers the drawing with sheets that overlap', function (float $width, float $height, string $page): void {
        $tiles = PrintTiles::of($width, $height, $page);
        [$short, $long] = PrintTiles::PAGES[$page];
        for ($i = 0; $i < 400; $i++) {
            $x = $width * ($i % 20 + 0.5) / 20;
            $y = $height * (intdiv($i, 20) + 0.5) / 20;
            $on = array_filter($tiles->tiles, static fn (array $tile): bool => $x >= $tile['x'] && $x <= $tile['x'] + $tile['width'] && $y >= $tile['y'] && $y <= $tile['y'] + $tile['height']);
            expect($on)->not->toBe([]);
        }
        foreach ($tiles->tiles as $tile) {
            expect($tile['width'] + 2 * PrintTiles::MARGIN)->toBeLessThanOrEqual($tiles->pageWidth + 1e-9)->and($tile['height'] + 2 * PrintTiles::MARGIN)->toBeLessThanOrEqual($tiles->pageHeight + 1e-9);
        }
        expect([$tiles->pageWidth, $tiles->pageHeight])->toContain($short, $long)->and($tiles->columns * $tiles->rows)->toBe(count($tiles->tiles));
    })->with([[180.0, 240.0, 'a4'], [240.0, 180.0, 'letter'], [420.0, 297.0, 'a4'], [594.0, 420.0, 'letter'], [21.0, 20.0, 'a4']]);

    it('lies in the middle of the page across and down where one page is enough', function (): void {
        $small = PrintTiles::of(120.0, 90.0, 'a4');
        [$tile] = $small->tiles;
        expect($tile['left'] + 60.0)->toBe($small->pageWidth / 2.0)->and($tile['top'] + 45.0)->toBe($small->pageHeight / 2.0);
        $wide = PrintTiles::of(600.0, 90.0, 'a4');
        expect(array_unique(array_column($wide->tiles, 'left')))->toBe([PrintTiles::MARGIN])->and($wide->tiles[0]['top'] + 45.0)->toBe($wide->pageHeight / 2.0);
    });

    it('lies down where that saves a sheet, and refuses a wall', function (): void {
        expect(PrintTiles::of(260.0, 180.0, 'a4')->tiles)->toHaveCount(1)
            ->and(fn () => PrintTiles::of(1500.0, 1500.0, 'a4'))->toThrow(LookRefused::class, 'Choose a smaller format')
            ->and(fn () => PrintTiles::of(100.0, 100.0, 'a0'))->toThrow(LookRefused::class, 'a4 or letter');
    });
});

describe('reserves', function (): void {
    beforeEach(function (): void {
        $this->paper = Lab::of(95, 0, 2);
        $this->laid = [Lab::of(90, 1, 4), Lab::of(84, -2, 20), Lab::of(80, 10, 3), Lab::of(60, 0, 0), Lab::of(30, 5, -20)];
        // A glint, a thin lit rim, a pale band on a middle ground.
        $this->field = painted(120, 90, static fn (float $x, float $y): Lab => match (true) {
            hypot($x - 0.25, $y - 0.3) < 0.06 => Lab::of(98, 0, 0),
            abs($y - 0.62) < 0.012 && $x > 0.1 && $x < 0.9 => Lab::of(97, 0, 1),
            $y > 0.8 => Lab::of(88, 0, 4),
            default => Lab::of(55, 3, -4),
        });
        $this->zones = ZoneMap::of(120, 90, str_repeat("\1", 120 * 90));
    });

    it('keep the paper where it is nearer than anything that can be laid, thin rims too', function (): void {
        $reserves = Reserves::of($this->field, $this->zones, $this->paper, $this->laid, ToneMap::none());
        $paper = array_values(array_filter($reserves->places, static fn ($place): bool => $place->kind === ReserveKind::Paper));
        expect($paper)->toHaveCount(2)->and(array_column(array_map(static fn ($p): array => ['rim' => $p->rim], $paper), 'rim'))->toContain(true, false)
            ->and($paper[0]->zone)->toBe(1)
            ->and($reserves->share(ReserveKind::Paper))->toBeGreaterThan(0.01)->toBeLessThan(0.05)
            ->and($reserves->share(ReserveKind::Pale))->toEqualWithDelta(0.2, 0.02)
            ->and(strlen($reserves->mask))->toBe(120 * 90);
    });

    it('grow when values are pulled up to the paper, and are all paper with an empty box', function (): void {
        $up = ToneMap::of(RangeMode::Clip, 10.0, 98.0, 93.0, 95.0);
        expect(Reserves::of($this->field, $this->zones, $this->paper, $this->laid, $up)->share(ReserveKind::Paper))->toBeGreaterThan(0.5)
            ->and(Reserves::of($this->field, $this->zones, $this->paper, [], ToneMap::none())->share(ReserveKind::Pale))->toBe(0.0);
    });

    it('are kept by the way of the artist, as wide as they are', function (): void {
        expect(Highlights::Reserve->adviceFor(0.3))->toContain('too thin to draw round')->and(Highlights::Reserve->adviceFor(5.0))->toContain('leave the paper bare')
            ->and(Highlights::Impress->adviceFor(6.0))->toContain('too wide to impress')->and(Highlights::Lift->adviceFor(0.4))->toContain('too thin for the eraser')
            ->and(Highlights::OpaquePen->adviceFor(1.0))->toContain('opaque white pen')->and(Highlights::WhiteFirst->adviceFor(0.5))->toContain('one line with a sharp point');
    });
});
