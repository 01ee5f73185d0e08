<?php

declare(strict_types=1);

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Layering\Stack;
use Prism\Matching\Target;
use Prism\Planning\PartFinder;
use Prism\Planning\PartMap;
use Prism\Planning\PictureColours;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Planning\Simulation;
use Prism\Reference\Light\ZoneLight;
use Prism\Reference\Zones\Distance;
use Prism\Reference\Zones\TargetRole;
use Prism\Reference\Zones\ZoneMap;
use Prism\Schools\Blending;
use Prism\Schools\SchoolSet;
use Prism\Schools\Surface;

use function Tests\Core\model;
use function Tests\Core\Reference\mapped;
use function Tests\Core\Reference\painted;

require_once __DIR__.'/../Reference/scenes.php';

function pictureZone(string $id, int $label, array $targets, float $share = 0.5, int $importance = 2): PictureZone
{
    return new PictureZone($id, "zone $id", $label, $share, $importance, Surface::Soft, ZoneLight::Lit, Distance::Near, true, null, [], $targets);
}

function pictureTarget(string $id, TargetRole $role, Lab $colour, float $share = 1.0): PictureTarget
{
    return new PictureTarget($id, $role, $colour, $colour, $share);
}

/** Mean Lab of a part of a picture, in linear light. */
function meanOfPicture(string $rgb, int $width, Closure $inside): Lab
{
    $decode = Srgb::decodeTable();
    $sum = [0.0, 0.0, 0.0];
    $count = 0;
    for ($at = 0, $pixels = strlen($rgb) / 3; $at < $pixels; $at++) {
        if ($inside($at % $width, intdiv($at, $width))) {
            foreach ($sum as $i => $value) {
                $sum[$i] = $value + $decode[ord($rgb[3 * $at + $i])];
            }
            $count++;
        }
    }

    return Srgb::linearToLab($sum[0] / $count, $sum[1] / $count, $sum[2] / $count);
}

it('draws lines where the photo has them, with their own stack, and nothing beside them', function (): void {
    $seam = painted(480, 320, static fn (float $x): Lab => abs($x - 0.5) < 0.004 ? Lab::of(25, 0, 0) : Lab::of(65, 0, 0));
    $zones = [pictureZone('a', 1, [pictureTarget('middle', TargetRole::Middle, Lab::of(65, 0, 0)), new PictureTarget('seam', TargetRole::Line, Lab::of(25, 0, 0), Lab::of(25, 0, 0), 0.01, 0.008)])];
    $map = ZoneMap::of(480, 320, str_repeat("\1", 480 * 320));
    $mask = PartFinder::of($seam, $map, $zones)->mask(['seam']);
    $on = array_map(static fn (int $at): int => $at % 480, array_keys(array_filter(str_split($mask), static fn (string $byte): bool => $byte !== "\0")));
    expect($on)->not->toBe([])->and(min($on))->toBeGreaterThan(234)->and(max($on))->toBeLessThan(246)
        // As the rest of its zone, a line that is not laid yet is paper.
        ->and(meanOfPicture((new Simulation(model()))->draw(PartFinder::of($seam, $map, $zones), ['middle' => Stack::parse('QW:3769@80x3')]), 480, static fn (int $x, int $y): bool => $x === 240 && $y > 8 && $y < 312)->L)->toBeGreaterThan(85.0);
});

describe('the simulated drawing', function (): void {
    beforeEach(function (): void {
        $this->model = model();
        $this->map = mapped(...array_fill(0, 60, str_repeat('a', 40).str_repeat('b', 40)));
        $this->photo = painted(80, 60, static fn (float $x, float $y): Lab => $x < 0.5 ? Lab::of($y < 0.5 ? 70 : 30, 0, 0) : Lab::of(50, 0, 0));
        $this->zones = [
            pictureZone('a', 1, [pictureTarget('light', TargetRole::Light, Lab::of(70, 0, 0)), pictureTarget('dark', TargetRole::Dark, Lab::of(30, 0, 0))]),
            pictureZone('b', 2, [pictureTarget('middle', TargetRole::Middle, Lab::of(50, 0, 0))]),
        ];
        $this->stacks = ['light' => Stack::parse('QW:6858@30'), 'dark' => Stack::parse('QW:3769@80x2')];
    });

    it('has grain at the scale of the paper: what a pixel shows of more paper is evener, and as dark', function (): void {
        $right = function (float $pixelMm): array {
            $rgb = (new Simulation($this->model))->draw(PartFinder::of($this->photo, $this->map, $this->zones), ['middle' => Stack::parse('QW:3769@35x2')], $pixelMm);
            $lightness = [];
            foreach (range(0, 59) as $y) {
                foreach (range(40, 79) as $x) {
                    $at = 3 * (80 * $y + $x);
                    $lightness[] = Srgb::toLab(ord($rgb[$at]), ord($rgb[$at + 1]), ord($rgb[$at + 2]))->L;
                }
            }
            $mean = array_sum($lightness) / count($lightness);

            return [sqrt(array_sum(array_map(static fn (float $L): float => ($L - $mean) ** 2, $lightness)) / count($lightness)), meanOfPicture($rgb, 80, static fn (int $x): bool => $x >= 40)->L];
        };
        [$near, $dark] = $right(0.15);
        [$far, $same] = $right(0.6);
        expect($near)->toBeGreaterThan(3.0)->and($far)->toBeLessThan(0.4 * $near)->and($same)->toEqualWithDelta($dark, 1.0);
    });

    it('searches by what bears on stacks: no tissue, and no burnish on what is soft', function (): void {
        $limits = static fn (Surface $surface, Blending $blending): Blending => (new PictureZone('z', 'z', 1, 1.0, 2, $surface, ZoneLight::Lit, Distance::Near, true, null, [], [], new SchoolSet(blending: $blending)))->limits(3, Target::colour(Lab::of(60, 0, 0)))->schools->blending;
        expect($limits(Surface::Hard, Blending::Tissue))->toBe(Blending::Layers)->and($limits(Surface::Hard, Blending::Burnish))->toBe(Blending::Burnish)
            ->and($limits(Surface::Soft, Blending::Burnish))->toBe(Blending::Layers)->and($limits(Surface::Soft, Blending::Solvent))->toBe(Blending::Solvent);
    });

    it('looks from a distance as each stack does, each where its value is; what has none stays paper', function (): void {
        $rgb = (new Simulation($this->model))->draw(PartFinder::of($this->photo, $this->map, $this->zones), $this->stacks);
        $light = $this->model->draw($this->stacks['light'])->lab();
        $dark = $this->model->draw($this->stacks['dark'])->lab();
        expect(strlen($rgb))->toBe(3 * 80 * 60)
            ->and(meanOfPicture($rgb, 80, static fn (int $x, int $y): bool => $x < 40 && $y < 30)->differenceTo($light))->toBeLessThan(1.5)
            ->and(meanOfPicture($rgb, 80, static fn (int $x, int $y): bool => $x < 40 && $y >= 30)->differenceTo($dark))->toBeLessThan(1.5)
            ->and(meanOfPicture($rgb, 80, static fn (int $x): bool => $x >= 40)->differenceTo($this->model->bare()->lab()))->toBeLessThan(0.5);
    });

    it('shows the grain of the paper, less of it the fuller the tooth', function (): void {
        $grain = function (string $stack): float {
            $rgb = (new Simulation($this->model))->draw(PartFinder::of($this->photo, $this->map, $this->zones), ['middle' => Stack::parse($stack)]);
            $values = [];
            for ($at = 0; $at < 4800; $at++) {
                if ($at % 80 >= 40) {
                    $values[] = ord($rgb[3 * $at + 1]);
                }
            }
            $mean = array_sum($values) / count($values);

            return sqrt(array_sum(array_map(static fn (int $v): float => ($v - $mean) ** 2, $values)) / count($values));
        };
        expect($grain('QW:3769@35'))->toBeGreaterThan(4.0)->and($grain('QW:3769@35'))->toBeGreaterThan(2 * $grain('QW:3769@95x3'));
    });

    it('blends between two values, and puts an accent where the photo has it', function (): void {
        $ramp = painted(80, 60, static fn (float $x): Lab => Lab::of(30 + 40 * $x, 0, 0));
        $one = mapped(...array_fill(0, 60, str_repeat('a', 80)));
        $rgb = (new Simulation($this->model))->draw(PartFinder::of($ramp, $one, [$this->zones[0]]), $this->stacks);
        $L = array_map(static fn (int $from): float => meanOfPicture($rgb, 80, static fn (int $x): bool => $x >= $from && $x < $from + 10)->L, [2, 22, 42, 62]);
        $sorted = $L;
        sort($sorted);
        expect($L)->toBe($sorted)->and($L[2] - $L[1])->toBeGreaterThan(1.0);

        $glint = painted(80, 60, static fn (float $x, float $y): Lab => hypot($x - 0.5, $y - 0.5) < 0.1 ? Lab::of(97, 0, 0) : Lab::of(30, 0, 0));
        $zone = pictureZone('a', 1, [pictureTarget('dark', TargetRole::Middle, Lab::of(30, 0, 0)), pictureTarget('glint', TargetRole::Accent, Lab::of(97, 0, 0), 0.02)]);
        $rgb = (new Simulation($this->model))->draw(PartFinder::of($glint, $one, [$zone]), ['dark' => $this->stacks['dark']]);
        expect(meanOfPicture($rgb, 80, static fn (int $x, int $y): bool => hypot($x - 40, $y - 30) < 4)->L)->toBeGreaterThan(88.0);
    });

    it('lets strokes of both sides cross a soft border, and none a crisp one', function (): void {
        $wide = mapped(...array_fill(0, 60, str_repeat('a', 500).str_repeat('b', 500)));
        $photo = painted(1000, 60, static fn (): Lab => Lab::of(50, 0, 0));
        $zones = static fn (bool $crisp): array => array_map(static fn (string $id, int $label): PictureZone => new PictureZone($id, $id, $label, 0.5, 2, Surface::Soft, ZoneLight::Lit, Distance::Near, $crisp, null, [], [pictureTarget($id, TargetRole::Middle, Lab::of(50, 0, 0))]), ['a', 'b'], [1, 2]);
        $stacks = ['a' => Stack::parse('QW:3769@80x2'), 'b' => Stack::of()];
        $L = function (bool $crisp, int $from, int $to) use ($wide, $photo, $zones, $stacks): float {
            $rgb = (new Simulation($this->model))->draw(PartFinder::of($photo, $wide, $zones($crisp)), $stacks);

            return meanOfPicture($rgb, 1000, static fn (int $x): bool => $x >= $from && $x < $to)->L;
        };
        [$dark, $paper] = [$L(true, 490, 500), $L(true, 500, 510)];
        expect($paper - $dark)->toBeGreaterThan(30.0)
            ->and($L(false, 496, 500))->toBeGreaterThan($dark + 5.0)->and($L(false, 500, 504))->toBeLessThan($paper - 2.0)
            ->and($L(false, 400, 480))->toEqualWithDelta($L(true, 400, 480), 0.01)->and($L(false, 520, 600))->toEqualWithDelta($L(true, 520, 600), 0.01);
    });

    it('is the same every time, and is checked by value against the photo', function (): void {
        $draw = fn (): string => (new Simulation($this->model))->draw(PartFinder::of($this->photo, $this->map, $this->zones), $this->stacks);
        expect($draw())->toBe($draw());
        $check = Simulation::valueCheck($this->photo, $draw());
        expect($check['mean'])->toBeGreaterThan(0.0)->and($check['dark'])->toBeLessThan($check['light']);
        $paper = Simulation::valueCheck($this->photo, (new Simulation($this->model))->draw(PartFinder::of($this->photo, $this->map, $this->zones), []));
        expect($paper['mean'])->toBeGreaterThan($check['mean']);
    });
});

it('counts a colour by its area, more where it draws the eye, and never for nothing', function (): void {
    $zone = pictureZone('a', 1, [], 0.4, 1);
    $eye = pictureZone('a', 1, [], 0.4, 3);
    $target = pictureTarget('t', TargetRole::Dark, Lab::of(30, 0, 0), 0.5);
    expect($eye->weight($target))->toBeGreaterThan(2 * $zone->weight($target))
        ->and($zone->weight(pictureTarget('t', TargetRole::Accent, Lab::of(30, 0, 0), 0.0001)))->toBeGreaterThan(0.001);
});

it('searches colours of a zone in shadow as what lies in shadow, whatever the artist corrects it to', function (ZoneLight $light, bool $shadow): void {
    $zone = new PictureZone('z', 'zone', 1, 1.0, 2, Surface::Soft, $light, Distance::Near, true, null, [], [pictureTarget('t', TargetRole::Middle, Lab::of(55, 20, 10))]);
    expect(PictureColours::of([$zone])->targets['t']->isShadow())->toBe($shadow);
})->with([[ZoneLight::Lit, false], [ZoneLight::HalfLit, false], [ZoneLight::Shadow, true], [ZoneLight::CastShadow, true]]);

describe('the parts of a zone on the picture', function (): void {
    beforeEach(function (): void {
        // A ramp from dark to light with a red glint in its dark end, beside a zone that is not drawn.
        $this->ramp = painted(80, 20, static fn (float $x, float $y): Lab => $x < 0.1 && $y < 0.3 ? Lab::of(40, 60, 40) : Lab::of(20 + 60 * $x, 0, 0));
        $this->map = mapped(...array_fill(0, 20, str_repeat('a', 70).str_repeat('b', 10)));
        $this->parts = PartFinder::of($this->ramp, $this->map, [pictureZone('a', 1, [
            pictureTarget('light', TargetRole::Light, Lab::of(65, 0, 0)), pictureTarget('middle', TargetRole::Middle, Lab::of(45, 0, 0)), pictureTarget('dark', TargetRole::Dark, Lab::of(25, 0, 0)), pictureTarget('glint', TargetRole::Accent, Lab::of(40, 60, 40)),
        ])]);
        $this->at = static fn (string $mask, int $x, int $y = 10): int => ord($mask[80 * $y + $x]);
    });

    it('follow the photo, soft where the form is, and end at the zone', function (): void {
        $dark = $this->parts->mask(['dark']);
        $darks = array_map(fn (int $x): int => ($this->at)($dark, $x), range(0, 69));
        $sorted = $darks;
        rsort($sorted);
        expect($darks)->toBe($sorted)->and($darks[0])->toBe(255)->and($darks[50])->toBe(0)
            ->and(count(array_filter($darks, static fn (int $share): bool => $share > 20 && $share < 235)))->toBeGreaterThan(10)
            ->and(($this->at)($this->parts->mask(['light', 'middle', 'dark']), 75))->toBe(0);
    });

    it('are the same when they were kept, and of no other zones, nor of damaged bytes', function (): void {
        $zone = static fn (string ...$ids): PictureZone => pictureZone('a', 1, array_map(static fn (string $id): PictureTarget => pictureTarget($id, TargetRole::Middle, Lab::of(45, 0, 0)), $ids));
        $packed = $this->parts->packed();
        $kept = PartMap::unpacked($packed, [$zone('light', 'middle', 'dark', 'glint')]);
        expect($kept?->mask(['dark', 'glint']))->toBe($this->parts->mask(['dark', 'glint']))->and($kept?->bytes())->toBe($this->parts->bytes())
            ->and(PartMap::unpacked($packed, [$zone('light', 'middle')]))->toBeNull()
            ->and(PartMap::unpacked(substr($packed, 0, -9), [$zone('light', 'middle', 'dark', 'glint')]))->toBeNull()
            ->and(PartMap::unpacked('', [$zone('light')]))->toBeNull();
    });

    it('tells more colours apart than a byte holds', function (): void {
        $of = static fn (int $i): Lab => Lab::of(90, $i / 3.0, 50);
        $row = painted(300, 1, static fn (float $x): Lab => $of((int) (300.0 * $x)));
        $accents = array_map(static fn (int $i): PictureTarget => pictureTarget("t$i", TargetRole::Accent, $of($i)), range(0, 299));
        $parts = PartFinder::of($row, ZoneMap::of(300, 1, str_repeat("\1", 300)), [pictureZone('a', 1, [...$accents, pictureTarget('middle', TargetRole::Middle, Lab::of(10, 0, 0))])]);
        expect(array_map(static fn (int $at): ?int => $parts->at($at)[0] ?? null, range(0, 299)))->toBe(range(0, 299))
            ->and(ord($parts->mask(['t280'])[280]))->toBe(255)->and(ord($parts->mask(['t280'])[24]))->toBe(0);
    });

    it('together are the whole zone, and an accent lies only where the photo shows it', function (): void {
        $all = $this->parts->mask(['light', 'middle', 'dark', 'glint']);
        $glint = $this->parts->mask(['glint']);
        expect(substr($all, 0, 70))->toBe(str_repeat(chr(255), 70))
            ->and(($this->at)($glint, 3, 2))->toBe(255)->and(($this->at)($glint, 3, 12))->toBe(0)->and(($this->at)($glint, 40))->toBe(0)
            ->and(($this->at)($this->parts->mask(['dark']), 3, 2))->toBe(0)->and($this->parts->mask(['elsewhere']))->toBe(str_repeat("\0", 1600));
    });
});
