<?php

declare(strict_types=1);

namespace App\Console\Bench;

use App\Studio\Photos\Photo;
use App\Studio\Photos\PhotoRenderer;
use Closure;
use Illuminate\Support\Facades\File;
use Imagick;
use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Planning\Order\Passed;
use Prism\Planning\Order\Plan;
use Prism\Planning\PartFinder;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Planning\Simulation;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Reference\Zones\ZoneMap;
use Prism\Review\Corners;
use Prism\Review\LoggedPart;
use Prism\Review\PartReview;
use Prism\Review\PartState;
use Prism\Review\Review;
use Prism\Review\Straightened;
use Prism\Review\TurnsLeft;

/** Drawings of planned pictures by a simulated hand, photographed askew in warm light from one side: what is read in them, and whether it is true. */
final class ReviewFigures
{
    public const PREVIEW_COLUMNS = ['preview against the drawing', 'dE00 over 5 mm, median', 'p90', 'pairs of zones in another order'];

    /** Zones that lie so far apart, L*, have an order. */
    private const APART = 2.0;

    public const COLUMNS = ['drawing', 'corners off %', 'value map off, median', 'parts off, L* median', 'errors found', 'false alarms', 'seconds', 'corrected', 'dE00 before', 'after', 'made worse'];

    public const LARGE_COLUMNS = ['photo of 24 megapixels', 'decoded s', 'decoded to read s', 'found and compared s', 'all s'];

    /** As a phone takes it, pixels. */
    private const LARGE = [6000, 4000];

    private const WIDTH_MM = PlannedPicture::WIDTH_MM;

    /** Share of the plan's steps that are laid; and how the picture is taken: slant, turn. */
    private const STATES = ['a third' => [0.33, 0.06, 3.0], 'two thirds' => [0.67, 0.12, -5.0], 'finished' => [1.0, 0.1, 7.0], 'finished badly' => [1.0, 0.16, -2.0]];

    /** A hand that errs presses one zone in three so much harder, and one so much less. */
    private const MISHAPS = [1.5, 0.55, 1.0];

    /** An error of value, L*, that must be found; and what is none. */
    private const ERROR = 6.0;

    private const NONE = 2.0;

    /** A zone takes so many turns at once. */
    public const TURNS = 3;

    /** What is told as an error where there is none. */
    private const TOLD = 4.0;

    public function __construct(private readonly ReviewDesk $desk)
    {
    }

    /** @var array<string, array{raster: Raster, map: ZoneMap, zones: list<PictureZone>, plan: Plan}> what was planned last, by name */
    public array $pictures = [];

    /** @var list<list<string>> of what was drawn last, {@see PREVIEW_COLUMNS} */
    public array $previews = [];

    /** @var list<list<string>> {@see LARGE_COLUMNS} */
    public array $large = [];

    /**
     * @param  list<string>  $names  of demo references
     * @return list<list<string>>
     */
    public function rows(array $names): array
    {
        $rows = [];
        $this->previews = $this->large = [];
        foreach ($names as $name) {
            ['raster' => $raster, 'map' => $map, 'zones' => $zones, 'plan' => $plan] = $this->pictures[$name] = $this->desk->planned($name);
            $this->previews[] = [$name, ...$this->preview(Field::of($raster, Review::EDGE), $map, $zones, $plan->laid())];
            foreach (self::STATES as $state => [$share, $slant, $turn]) {
                $planned = $plan->laid((int) round($share * count($plan->steps)));
                $laid = $state === 'finished badly' ? self::erring($zones, $planned) : $planned;
                $rows[] = ["$name, $state", ...$this->reviewed($raster, $map, $zones, $plan, $planned, $laid, "$name $state", $slant, $turn)];
            }
        }

        return $rows;
    }

    /**
     * The simulated drawing of the plan beside what a true hand draws by it.
     *
     * @param  list<PictureZone>  $zones
     * @param  array<string, Stack>  $laid
     * @return array{string, string, string}
     */
    private function preview(Field $photo, ZoneMap $map, array $zones, array $laid): array
    {
        $map = $map->scaled($photo->width, $photo->height);
        $parts = PartFinder::of($photo, $map, $zones);
        $rgb = (new Simulation($this->desk->predictor->model))->draw($parts, $laid, self::WIDTH_MM / $photo->width);
        $decode = Srgb::decodeTable();
        $light = array_map(fn (PictureTarget $target): array => Srgb::linear($this->desk->drawn($laid[$target->id] ?? Stack::of())), $parts->targets);
        $bare = Srgb::linear($this->desk->reader->read($this->desk->paper, Stack::of(), 'white'));
        $drawn = $shown = [[], [], []];
        for ($at = 0, $count = $photo->count(); $at < $count; $at++) {
            $lies = $parts->at($at);
            for ($i = 0; $i < 3; $i++) {
                $shown[$i][] = $decode[ord($rgb[3 * $at + $i])];
                $drawn[$i][] = $lies === null ? $bare[$i] : $light[$lies[0]][$i] + $lies[2] * ($light[$lies[1]][$i] - $light[$lies[0]][$i]);
            }
        }
        [$columns, $rows] = [intdiv($photo->width, 10), intdiv($photo->height, 10)];
        $small = static fn (array $planes): array => array_map(static fn (array $plane): array => Straightened::resized($plane, $photo->width, $photo->height, $columns, $rows), $planes);
        [$drawn, $shown] = [$small($drawn), $small($shown)];
        $off = [];
        $of = [];
        for ($i = 0; $i < $columns * $rows; $i++) {
            $one = Srgb::linearToLab($drawn[0][$i], $drawn[1][$i], $drawn[2][$i]);
            $other = Srgb::linearToLab($shown[0][$i], $shown[1][$i], $shown[2][$i]);
            $off[] = $one->differenceTo($other);
            $zone = $map->at(($i % $columns + 0.5) / $columns, (intdiv($i, $columns) + 0.5) / $rows);
            $of[$zone][] = [$one->L, $other->L];
        }
        $means = array_map(static fn (array $pairs): array => [Clock::mean(array_column($pairs, 0)), Clock::mean(array_column($pairs, 1))], array_values($of));
        $turned = $all = 0;
        foreach ($means as $i => [$one, $shownOne]) {
            foreach (array_slice($means, $i + 1) as [$other, $shownOther]) {
                if (abs($one - $other) > self::APART) {
                    $all++;
                    $turned += ($one - $other) * ($shownOne - $shownOther) < 0.0 ? 1 : 0;
                }
            }
        }

        return [sprintf('%.2f', Clock::quantile($off, 0.5)), sprintf('%.2f', Clock::quantile($off, 0.9)), "$turned of $all"];
    }

    /**
     * @param  list<PictureZone>  $zones
     * @param  array<string, Stack>  $planned
     * @param  array<string, Stack>  $laid
     * @return list<string>
     */
    private function reviewed(Raster $photo, ZoneMap $map, array $zones, Plan $plan, array $planned, array $laid, string $seed, float $slant, float $turn): array
    {
        [$picture, $corners] = $this->desk->photographed($photo, $map, $zones, $laid, $seed, $slant, $turn);
        $true = Corners::of($corners);
        $paper = $this->desk->reader->read($this->desk->paper, Stack::of(), 'white');
        $reference = Field::of($photo, Review::EDGE);
        $began = microtime(true);
        $looks = array_map(fn (Stack $stack): Lab => $this->desk->predictor->predict($stack)->colour, $planned);
        $found = $this->desk->found($picture, $reference, $map, $zones, $looks, $paper);
        $review = Review::of($found, $reference, $map, $zones, $paper, $looks);
        $took = microtime(true) - $began;
        if (str_ends_with($seed, ' finished')) {
            $this->large[] = [$seed, ...$this->asLarge($picture, fn (Raster $read): Review => Review::of($this->desk->found($read, $reference, $map, $zones, $looks, $paper), $reference, $map, $zones, $paper, $looks))];
        }
        $drawn = array_map(fn (PictureTarget $target): Lab => $this->desk->drawn($laid[$target->id] ?? Stack::of()), array_column(array_merge(...array_map(static fn (PictureZone $zone): array => $zone->targets, $zones)), null, 'id'));
        $off = $errors = [];
        $hits = $all = $false = $quiet = 0;
        foreach ($review->zones as $zone) {
            $dL = $pixels = 0.0;
            foreach ($zone->parts as $part) {
                $off[] = abs($part->seen->L - $drawn[$part->target]->L);
                $dL += $part->pixels * ($drawn[$part->target]->L - $part->wanted->L);
                $pixels += $part->pixels;
                if (in_array($part->state, [PartState::Off, PartState::Begun], true)) {
                    $errors[] = $part;
                }
            }
            $dL /= $pixels;
            $told = abs($zone->difference->dL) > self::TOLD || in_array($zone->state, [PartState::Bare, PartState::Begun, PartState::Spoiled], true);
            if (abs($dL) >= self::ERROR) {
                $all++;
                $hits += $told ? 1 : 0;
            } elseif (abs($dL) <= self::NONE) {
                $quiet++;
                $false += $told ? 1 : 0;
            }
        }

        return [
            sprintf('%.2f', 100.0 * $found->cornersInPicture()->distanceTo($true) / $true->longEdge()),
            sprintf('%.2f', self::mapOff($review, $map, $zones, $drawn)),
            sprintf('%.2f', Clock::quantile($off, 0.5)),
            "$hits of $all", "$false of $quiet", sprintf('%.1f', $took),
            ...(str_ends_with($seed, 'badly') ? $this->corrected($errors, $zones, $plan, $planned, $laid, $drawn) : ['', '', '', '']),
        ];
    }

    /**
     * The same photo as large as a phone takes it: what the studio does when it is sent, and when it is compared.
     *
     * @param  Closure(Raster): Review  $compare
     * @return list<string>
     */
    private function asLarge(Raster $picture, Closure $compare): array
    {
        $sent = tempnam(sys_get_temp_dir(), 'prism');
        try {
            $image = PhotoRenderer::image($picture->width, $picture->height, $picture->rgb());
            $image->resizeImage(self::LARGE[0], self::LARGE[1], Imagick::FILTER_TRIANGLE, 1.0);
            File::put($sent, PhotoRenderer::jpeg($image));
            [$photo, $decoded] = Clock::milliseconds(fn (): Photo => $this->desk->photos->read($sent));
            File::put($sent, $photo->large);
            [$read, $again] = Clock::milliseconds(fn (): Raster => $this->desk->photos->pixels($sent));
            [, $compared] = Clock::milliseconds(static fn (): Review => $compare($read));
        } finally {
            File::delete($sent);
        }

        return array_map(static fn (float $took): string => sprintf('%.1f', $took / 1000.0), [$decoded, $again, $compared, $decoded + $again + $compared]);
    }

    /**
     * L* over squares of five millimetres, as it is seen against as it was drawn.
     *
     * @param  list<PictureZone>  $zones
     * @param  array<string, Lab>  $drawn
     */
    private static function mapOff(Review $review, ZoneMap $map, array $zones, array $drawn): float
    {
        [$width, $height] = [$review->reference->width, $review->reference->height];
        $parts = PartFinder::of($review->reference, $map->scaled($width, $height), $zones);
        $light = array_map(static fn (PictureTarget $target): float => Srgb::xyz(Srgb::linear($drawn[$target->id]))[1], $parts->targets);
        $L = [];
        for ($at = 0; $at < $width * $height; $at++) {
            [$low, $high, $share] = $parts->at($at) ?? [0, 0, 0.0];
            $Y = $light[$low] + $share * ($light[$high] - $light[$low]);
            $L[] = Lab::fromRelativeXyz($Y, $Y, $Y)->L;
        }
        [$columns, $rows] = [intdiv($width, 10), intdiv($height, 10)];
        $true = Straightened::resized($L, $width, $height, $columns, $rows);
        $seen = Straightened::resized($review->seen->L, $width, $height, $columns, $rows);

        return Clock::quantile(array_map(static fn (float $one, float $other): float => abs($one - $other), $true, $seen), 0.5);
    }

    /**
     * Each part by itself, as if it were the only one of its zone.
     *
     * @param  list<PartReview>  $parts
     * @param  list<PictureZone>  $zones
     * @param  array<string, Stack>  $planned
     * @param  array<string, Stack>  $laid
     * @param  array<string, Lab>  $drawn
     * @return array{string, string, string, string}
     */
    private function corrected(array $parts, array $zones, Plan $plan, array $planned, array $laid, array $drawn): array
    {
        $ways = ReviewDesk::ways($plan);
        $of = [];
        foreach ($zones as $zone) {
            $of += array_fill_keys(array_column($zone->targets, 'id'), $zone);
        }
        $before = $after = [];
        $worse = 0;
        foreach ($parts as $part) {
            if (! isset($ways[$part->target])) {
                continue;
            }
            $way = $ways[$part->target];
            $stack = $planned[$part->target] ?? Stack::of();
            $next = $this->desk->next(LoggedPart::of($part, Passed::laid($way, $stack, $stack), $this->desk->predictor), $of[$part->target], $plan, new TurnsLeft(self::TURNS));
            if ($next === null) {
                continue;
            }
            $was = $drawn[$part->target]->differenceTo($way->target);
            $is = $this->desk->drawn(Stack::of(...($laid[$part->target] ?? Stack::of())->steps, ...$next->steps->steps))->differenceTo($way->target);
            $before[] = $was;
            $after[] = $is;
            $worse += $is > $was + 1.0 ? 1 : 0;
        }

        return [(string) count($before), sprintf('%.2f', Clock::quantile($before, 0.5)), sprintf('%.2f', Clock::quantile($after, 0.5)), (string) $worse];
    }

    /**
     * @param  list<PictureZone>  $zones
     * @param  array<string, Stack>  $laid
     * @return array<string, Stack>
     */
    public static function erring(array $zones, array $laid): array
    {
        foreach ($zones as $i => $zone) {
            $by = self::MISHAPS[$i % count(self::MISHAPS)];
            foreach ($zone->targets as $target) {
                if (isset($laid[$target->id])) {
                    $laid[$target->id] = Stack::of(...array_map(
                        static fn (Step $step): Step => $step->pressing($by),
                        $laid[$target->id]->steps,
                    ));
                }
            }
        }

        return $laid;
    }
}
