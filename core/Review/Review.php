<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Colour\ValueScale;
use Prism\Maths\AreaSums;
use Prism\Planning\PartFinder;
use Prism\Planning\PartMap;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Reference\Image\Field;
use Prism\Reference\Zones\TargetRole;
use Prism\Reference\Zones\ZoneMap;

/** A drawing, set straight and in even light, beside what it is drawn from. */
final readonly class Review
{
    /** Long edge of the frame in which they are compared, pixels. */
    public const EDGE = 480;

    /** Values are compared over squares of so many pixels: about five millimetres of a drawing a hand wide and two long. */
    private const SQUARE = 10;

    /** Zones whose values should lie so far apart, L*, run together where they lie nearer than such a share of it. */
    private const APART = 8.0;

    private const RUN_TOGETHER = 0.35;

    /** Beside one another they must also be alike in colour, dE00. */
    private const ALIKE = 7.0;

    private const SPECKS = 0.01;

    /** A zone of which more than this is hidden is not judged by the rest. */
    private const COVERED = 0.6;

    /** Pixels so near to another zone may be that one's: the picture was laid over by eye of a program. */
    private const BORDER = 2;

    /** A colour that is seen in fewer pixels is not judged. */
    private const LEAST_PIXELS = 30;

    /** What shows over so many pixels each way may show in place of a pixel: no photo of a drawing lies on it more closely, or is sharper. */
    private const ASKEW = 2;

    /** A colour that would look so different so far away, dE00, is too small among its neighbours to be judged. */
    private const TOO_SMALL = 4.0;

    /** How far a pixel may be on the way to a colour's neighbour and still speak for it. */
    private const OWN = 0.3;

    /**
     * @param  Field  $seen  the drawing in the reference's frame
     * @param  list<ZoneReview>  $zones  the one that hurts most first
     * @param  array{reference: array{float, float}, drawing: array{float, float}}  $range  darkest and lightest, L*
     * @param  list<float>  $errors  L* of the drawing less that of the reference, over squares about each pixel
     * @param  list<string>  $unjudged  names of zones of which glare or shadow leave too little to be seen
     * @param  list<string>  $tooSmall  names of zones of which every colour is too small in the photo
     */
    private function __construct(public Field $reference, public Field $seen, public array $zones, public array $range, private array $errors, public Hidden $hidden, private array $unjudged, private array $tooSmall)
    {
    }

    /**
     * @param  Field  $reference  of which the long edge is {@see self::EDGE}
     * @param  list<PictureZone>  $zones  by what their colours are to become
     * @param  array<string, Lab>  $expected  by colour what its place should look like by now, as far as there is a log: without any, bare
     */
    public static function of(FoundDrawing $found, Field $reference, ZoneMap $map, array $zones, Lab $paper, array $expected = []): self
    {
        [$width, $height] = [$reference->width, $reference->height];
        [$red, $green, $blue] = Straightened::planes($found->picture, $found->corners, $found->light, $width, $height);
        $seen = Field::ofPlanes($width, $height, ...Srgb::planesToLab($red, $green, $blue));
        $hidden = Hidden::of($found, $green, $width, $height);
        $map = $map->scaled($width, $height);
        $parts = PartFinder::of($reference, $map, $zones);
        $wanted = array_map(static fn (PictureTarget $target): array => Srgb::linear($target->drawn), $parts->targets);
        $by = array_map(static fn (PictureTarget $target): array => Srgb::linear($expected[$target->id] ?? $paper), $parts->targets);
        $places = array_map($parts->at(...), range(0, $width * $height - 1));
        $blurred = self::blurred($places, $by, Srgb::linear($paper), $width, $height);
        $inner = array_map(static fn (): ColourSum => new ColourSum, $wanted);
        $rim = array_map(static fn (): ColourSum => new ColourSum, $wanted);
        for ($at = 0, $count = $width * $height; $at < $count; $at++) {
            $lies = $places[$at];
            if ($lies === null || $hidden->at($at)) {
                continue;
            }
            [$low, $high, $share] = $lies;
            $of = $share <= self::OWN ? $low : ($share >= 1.0 - self::OWN ? $high : null);
            if ($of === null) {
                continue;
            }
            $sum = self::isAtBorder($map, $at) ? $rim[$of] : $inner[$of];
            $sum->add(
                [$red[$at], $green[$at], $blue[$at]],
                self::between($wanted[$low], $wanted[$high], $share),
                self::between($by[$low], $by[$high], $share),
                [$blurred[0][$at], $blurred[1][$at], $blurred[2][$at]],
            );
        }
        $covered = $hidden->share() > 0.0 ? self::covered($map, $hidden) : [];
        $reviewed = $unjudged = $tooSmall = [];
        $n = 0;
        foreach ($zones as $zone) {
            $of = $narrow = [];
            $weight = 0.0;
            foreach ($zone->targets as $target) {
                $weight += $zone->weight($target);
                // Within the zone if there is enough of it; else with its borders.
                $sum = $inner[$n]->pixels >= self::LEAST_PIXELS ? $inner[$n] : $inner[$n]->with($rim[$n]);
                $n++;
                if ($sum->pixels >= self::LEAST_PIXELS && $sum->blurs() < self::TOO_SMALL && $target->role !== TargetRole::Line) {
                    $of[] = PartReview::of($target->id, $target->role, $sum->seen(), $sum->wanted(), $paper, $sum->pixels, $sum->expected());
                } else {
                    $narrow[] = $target;
                }
            }
            if (($covered[$zone->label] ?? 0.0) > self::COVERED) {
                $unjudged[] = $zone->name;
            } elseif ($of !== []) {
                $reviewed[] = ZoneReview::of($zone->id, $zone->name, [$zone->across, $zone->down], $of, $paper, $weight, $narrow);
            } elseif ($narrow !== []) {
                $tooSmall[] = $zone->name;
            }
        }
        usort($reviewed, static fn (ZoneReview $one, ZoneReview $other): int => $other->harm <=> $one->harm);

        $smoothed = static fn (Field $field): array => AreaSums::of($width, $height, $field->L)->means(intdiv(self::SQUARE, 2), intdiv(self::SQUARE, 2));
        $values = $smoothed($reference);
        $drawn = $smoothed($seen);

        $errors = [];
        foreach ($drawn as $at => $one) {
            $errors[] = $hidden->at($at) ? 0.0 : $one - $values[$at];
        }

        return new self($reference, $seen, $reviewed, ['reference' => self::rangeOf($values), 'drawing' => self::rangeOf($drawn, $hidden)], $errors, $hidden, $unjudged, $tooSmall);
    }

    /**
     * Zones that touch and have run together: laid, and hardly apart in value where they should be.
     *
     * @param  list<PictureZone>  $zones
     * @return list<string>
     */
    public function merged(array $zones): array
    {
        $reviewed = array_column($this->zones, null, 'id');
        $byLabel = array_column($zones, null, 'label');
        $isLaid = static fn (?ZoneReview $zone): bool => $zone !== null && in_array($zone->state, [PartState::Near, PartState::Off], true);
        $said = [];
        foreach ($zones as $zone) {
            foreach ($zone->touching as $label) {
                $other = $byLabel[$label] ?? null;
                if ($other === null || $other->label <= $zone->label || ! $isLaid($reviewed[$zone->id] ?? null) || ! $isLaid($reviewed[$other->id] ?? null)) {
                    continue;
                }
                [$one, $two] = [$reviewed[$zone->id]->means(), $reviewed[$other->id]->means()];
                $should = abs($one['wanted']->L - $two['wanted']->L);
                if ($should >= self::APART && abs($one['seen']->L - $two['seen']->L) < self::RUN_TOGETHER * $should && $one['seen']->differenceTo($two['seen']) < self::ALIKE) {
                    $said[] = sprintf('%s and %s run together; %s should be the darker.', $zone->name, $other->name, $one['wanted']->L < $two['wanted']->L ? $zone->name : $other->name);
                }
            }
        }

        return $said;
    }

    /** Which zones cannot be judged, and why; null where there are none. */
    public function unjudgedWords(): ?string
    {
        // Names of zones have commas of their own.
        $said = array_filter([
            'Not judged for glare or shadow: %s.' => $this->unjudged,
            'Too small in the photo to be judged, look at the drawing itself: %s.' => $this->tooSmall,
        ]);

        return $said === [] ? null : implode(' ', array_map(static fn (string $words, array $zones): string => sprintf($words, implode('; ', $zones)), array_keys($said), $said));
    }

    /** How far the values are off on average, L*, where they can be judged. */
    public function meanError(): float
    {
        return array_sum(array_map(abs(...), $this->errors)) / max(1.0, (1.0 - $this->hidden->share()) * count($this->errors));
    }

    /** The same in words. */
    public function meanErrorWords(): string
    {
        $steps = $this->meanError() / ValueScale::stepSize();

        return $steps < 0.05 ? 'Its values are those of the photo.' : sprintf('Values are off by %.1f %s on average.', $steps, abs($steps - 1.0) < 0.05 ? 'step' : 'steps');
    }

    /** Whether no zone that is seen has any colour yet. */
    public function isBare(): bool
    {
        return $this->zones !== [] && array_filter($this->zones, static fn (ZoneReview $zone): bool => $zone->state !== PartState::Bare) === [];
    }

    /**
     * Steps of the ladder from the darkest to the lightest.
     *
     * @return array{reference: float, drawing: float}
     */
    public function rangeSteps(): array
    {
        return array_map(static fn (array $range): float => ValueScale::position($range[1]) - ValueScale::position($range[0]), $this->range);
    }

    /** What of the reference's range of values the drawing has, in steps of the ladder. */
    public function rangeWords(): string
    {
        $steps = array_map(static fn (array $range): array => array_map(ValueScale::step(...), $range), $this->range);
        [$darkest, $lightest] = $steps['drawing'];
        [$dark, $light] = $steps['reference'];

        return match (true) {
            $darkest > $dark => sprintf('Your darkest is step %d, the photo’s is %d.', $darkest, $dark),
            $lightest < $light => sprintf('Your lightest is step %d, the photo’s is %d.', $lightest, $light),
            default => 'The drawing has the photo’s whole range of values.',
        };
    }

    /** Where and how far the values are off: a byte a pixel, 128 + 2 (L* of the drawing - L* of the reference), in the reference's frame; 128 where it is hidden. */
    public function map(): string
    {
        $bytes = '';
        foreach ($this->errors as $error) {
            $bytes .= chr((int) round(max(0.0, min(255.0, 128.0 + 2.0 * $error))));
        }

        return $bytes;
    }

    /**
     * @param  array{float, float, float}  $one
     * @param  array{float, float, float}  $other
     * @return array{float, float, float}
     */
    private static function between(array $one, array $other, float $share): array
    {
        return [$one[0] + $share * ($other[0] - $one[0]), $one[1] + $share * ($other[1] - $one[1]), $one[2] + $share * ($other[2] - $one[2])];
    }

    /**
     * What the log says is there, as it looks in a photo that is not laid over exactly: linear, plane by plane.
     *
     * @param  list<?array{int, int, float}>  $places  {@see PartMap::at()}
     * @param  list<array{float, float, float}>  $by  of each part, linear
     * @param  array{float, float, float}  $paper
     * @return array{list<float>, list<float>, list<float>}
     */
    private static function blurred(array $places, array $by, array $paper, int $width, int $height): array
    {
        $planes = [[], [], []];
        foreach ($places as $lies) {
            $light = $lies === null ? $paper : self::between($by[$lies[0]], $by[$lies[1]], $lies[2]);
            for ($i = 0; $i < 3; $i++) {
                $planes[$i][] = $light[$i];
            }
        }

        return array_map(static fn (array $plane): array => AreaSums::of($width, $height, $plane)->means(self::ASKEW, self::ASKEW + 1), $planes);
    }

    private static function isAtBorder(ZoneMap $map, int $at): bool
    {
        $x = $at % $map->width;
        $y = intdiv($at, $map->width);
        $label = $map->labels[$at];
        $left = max(0, $x - self::BORDER) - $x;
        $right = min($map->width - 1, $x + self::BORDER) - $x;
        $up = (max(0, $y - self::BORDER) - $y) * $map->width;
        $down = (min($map->height - 1, $y + self::BORDER) - $y) * $map->width;

        return $map->labels[$at + $left] !== $label || $map->labels[$at + $right] !== $label || $map->labels[$at + $up] !== $label || $map->labels[$at + $down] !== $label;
    }

    /** @return array<int, float> share of each zone that is hidden, by label */
    private static function covered(ZoneMap $map, Hidden $hidden): array
    {
        $all = $of = [];
        for ($at = 0, $count = $map->width * $map->height; $at < $count; $at++) {
            $label = ord($map->labels[$at]);
            $all[$label] = ($all[$label] ?? 0) + 1;
            $of[$label] = ($of[$label] ?? 0) + ($hidden->at($at) ? 1 : 0);
        }

        $shares = [];
        foreach ($all as $label => $pixels) {
            $shares[$label] = $of[$label] / $pixels;
        }

        return $shares;
    }

    /**
     * @param  list<float>  $values
     * @return array{float, float}
     */
    private static function rangeOf(array $values, ?Hidden $without = null): array
    {
        $seen = $without === null ? $values : array_filter($values, static fn (int $at): bool => ! $without->at($at), ARRAY_FILTER_USE_KEY);
        $values = $seen === [] ? $values : $seen;
        // They are means of squares: one tells of its neighbours.
        $values = array_column(array_chunk($values, self::SQUARE), 0);
        sort($values);
        $last = count($values) - 1;

        return [$values[(int) (self::SPECKS * $last)], $values[(int) ((1.0 - self::SPECKS) * $last)]];
    }
}
