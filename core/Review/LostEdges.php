<?php

declare(strict_types=1);

namespace Prism\Review;

use Prism\Planning\PictureZone;
use Prism\Reference\Zones\ZoneMap;

/** Edges between zones that are crisp in the photo and soft in the drawing. */
final readonly class LostEdges
{
    /** So far to either side of a border is looked, pixels of the frame; and there both zones must lie. */
    private const REACH = 8;

    /** A border is looked at piece by piece, over squares of so many pixels; pieces of fewer places tell nothing, nor do so few along the whole. */
    private const PIECE = 40;

    private const PLACES = 10;

    private const LEAST = 30;

    /** It is lost in part where so much of it is, and lost where so much is. */
    private const PART = 0.3;

    private const LARGELY = 0.75;

    /** An edge climbs at least so much, L*; in the drawing at least such a share of that, or there is none to be soft. */
    private const CLIMBS = 8.0;

    private const SHARE = 0.35;

    /** An edge climbs from this to this share of it over its width. */
    private const FROM = 0.2;

    private const TO = 0.8;

    /** Over more pixels nobody calls it crisp; wider than this many times as much, and so many more, it is lost. */
    private const CRISP = 3.0;

    private const TIMES = 1.8;

    private const MORE = 1.8;

    private function __construct(private string $one, private string $other, private float $share, private float $widthMm)
    {
    }

    /**
     * @param  ZoneMap  $map  of the reference as it is cropped
     * @param  list<PictureZone>  $zones
     * @param  float  $widthMm  of the drawing
     * @return list<self> the widest first
     */
    public static function of(Review $review, ZoneMap $map, array $zones, float $widthMm): array
    {
        $map = $map->scaled($review->reference->width, $review->reference->height);
        $laid = array_filter($review->zones, static fn (ZoneReview $zone): bool => in_array($zone->state, [PartState::Near, PartState::Off], true));
        $crisp = array_filter(array_column($zones, null, 'label'), static fn (PictureZone $zone): bool => $zone->crisp && in_array($zone->id, array_column($laid, 'id'), true));
        $told = [];
        foreach (self::profiles($review, $map, $crisp) as $pair => $pieces) {
            foreach ($pieces as [$reference, $drawing, $places]) {
                $wanted = self::width($reference, $places);
                $seen = self::width($drawing, $places);
                if ($places < self::PLACES || $wanted === null || $seen === null || $wanted[1] < self::CLIMBS || $wanted[0] > self::CRISP || $seen[1] < self::SHARE * $wanted[1]) {
                    continue;
                }
                $told[$pair] ??= [0, 0, 0.0];
                $told[$pair][0] += $places;
                if ($seen[0] >= max(self::TIMES * $wanted[0], $wanted[0] + self::MORE)) {
                    $told[$pair][1] += $places;
                    $told[$pair][2] += $places * $seen[0];
                }
            }
        }
        $lost = [];
        foreach ($told as $pair => [$all, $soft, $wide]) {
            if ($all >= self::LEAST && $soft >= self::PART * $all) {
                $lost[] = new self($crisp[intdiv($pair, 256)]->name, $crisp[$pair % 256]->name, $soft / $all, $wide / $soft * $widthMm / $map->width);
            }
        }
        usort($lost, static fn (self $one, self $other): int => $other->widthMm <=> $one->widthMm);

        return $lost;
    }

    /** "Crate and planks: the edge between them is lost; crisp in the photo, about 3 mm wide in the drawing." */
    public function sentence(): string
    {
        return sprintf(
            '%s and %s: the edge between them is lost%s; crisp in the photo, about %d mm wide in the drawing.',
            ucfirst($this->one), $this->other, $this->share < self::LARGELY ? ' in part' : '', max(1, (int) round($this->widthMm)),
        );
    }

    /**
     * How values climb across the borders of zones, added up along each piece: by 256 times the lower label and the other, from the first to the second.
     *
     * @param  array<int, PictureZone>  $zones  by label
     * @return array<int, array<int, array{list<float>, list<float>, int}>> by piece L* of the photo and of the drawing, and of how many places
     */
    private static function profiles(Review $review, ZoneMap $map, array $zones): array
    {
        $profiles = [];
        foreach ([[1, self::REACH, 0], [$map->width, 0, self::REACH]] as [$step, $across, $down]) {
            for ($y = $down; $y < $map->height - $down - 1; $y++) {
                for ($x = $across; $x < $map->width - $across - 1; $x++) {
                    $at = $y * $map->width + $x;
                    [$one, $other] = [ord($map->labels[$at]), ord($map->labels[$at + $step])];
                    if ($one === $other || ! isset($zones[$one], $zones[$other]) || ! self::isBorder($map, $at, $step, $one, $other, $review)) {
                        continue;
                    }
                    $by = $one < $other ? $step : -$step;
                    $from = $one < $other ? $at - (self::REACH - 1) * $step : $at + self::REACH * $step;
                    $pair = 256 * min($one, $other) + max($one, $other);
                    $piece = 256 * intdiv($y, self::PIECE) + intdiv($x, self::PIECE);
                    [$reference, $drawing, $places] = $profiles[$pair][$piece] ?? [array_fill(0, 2 * self::REACH, 0.0), array_fill(0, 2 * self::REACH, 0.0), 0];
                    $sums = [[], []];
                    for ($i = 0; $i < 2 * self::REACH; $i++) {
                        $sums[0][] = $reference[$i] + $review->reference->L[$from + $i * $by];
                        $sums[1][] = $drawing[$i] + $review->seen->L[$from + $i * $by];
                    }
                    $profiles[$pair][$piece] = [...$sums, $places + 1];
                }
            }
        }

        return $profiles;
    }

    /** Whether one zone lies wholly on the one side of a place and the other on the other, and nothing hides them. */
    private static function isBorder(ZoneMap $map, int $at, int $step, int $one, int $other, Review $review): bool
    {
        for ($i = 0; $i < self::REACH; $i++) {
            [$before, $after] = [$at - $i * $step, $at + ($i + 1) * $step];
            if (ord($map->labels[$before]) !== $one || ord($map->labels[$after]) !== $other || $review->hidden->at($before) || $review->hidden->at($after)) {
                return false;
            }
        }

        return true;
    }

    /**
     * Over how many pixels a profile climbs, and how much, L*.
     *
     * @param  list<float>  $sums
     * @return ?array{float, float} null where it does not climb from side to side
     */
    private static function width(array $sums, int $places): ?array
    {
        $values = array_map(static fn (float $sum): float => $sum / max(1, $places), $sums);
        $low = ($values[0] + $values[1]) / 2.0;
        $high = ($values[count($values) - 1] + $values[count($values) - 2]) / 2.0;
        $climb = $high - $low;
        if (abs($climb) < 1e-6) {
            return null;
        }
        $shares = array_map(static fn (float $value): float => ($value - $low) / $climb, $values);
        [$from, $to] = [self::crossing($shares, self::FROM), self::crossing($shares, self::TO)];

        return $from === null || $to === null || $to < $from ? null : [$to - $from, abs($climb)];
    }

    /** @param  list<float>  $shares */
    private static function crossing(array $shares, float $level): ?float
    {
        // From the middle outwards, so that what the zones do by themselves does not count.
        $middle = intdiv(count($shares), 2);
        if ($shares[$middle] >= $level) {
            for ($i = $middle; $i > 0; $i--) {
                if ($shares[$i - 1] < $level) {
                    return $i - ($shares[$i] - $level) / max(1e-9, $shares[$i] - $shares[$i - 1]);
                }
            }

            return null;
        }
        for ($i = $middle; $i < count($shares) - 1; $i++) {
            if ($shares[$i + 1] >= $level) {
                return $i + ($level - $shares[$i]) / max(1e-9, $shares[$i + 1] - $shares[$i]);
            }
        }

        return null;
    }
}
