<?php

declare(strict_types=1);

namespace App\Console\Bench;

use App\Studio\Photos\PhotoReader;
use App\Studio\Swatches\DrawnPicture;
use App\Studio\Swatches\SwatchReader;
use Prism\Calibration\Calibrator;
use Prism\Calibration\Swatch;
use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\Paper;
use Prism\Planning\Order\Plan;
use Prism\Planning\PartMap;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Planning\Simulation;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Reference\Zones\ZoneMap;
use Prism\Review\BareLines;
use Prism\Review\Corners;
use Prism\Review\DrawingFinder;
use Prism\Review\ExpectedPicture;
use Prism\Review\FoundDrawing;
use Prism\Review\PartReview;
use Prism\Review\PartState;
use Prism\Review\Review;
use Prism\Review\Straightened;

/** Drawings of planned pictures by a simulated hand, photographed askew in warm light from one side: what is read in them, and whether it is true. */
final class ReviewFigures
{
    public const PREVIEW_COLUMNS = ['preview against the drawing', 'dE00 over 5 mm, median', 'p90', 'pairs of zones in another order'];

    /** Zones that lie so far apart, L*, have an order. */
    private const APART = 2.0;

    public const COLUMNS = ['drawing', 'corners off %', 'value map off, median', 'parts off, L* median', 'errors found', 'false alarms', 'seconds', 'corrected', 'dE00 before', 'after', 'made worse'];

    private const WIDTH_MM = PlannedPicture::WIDTH_MM;

    private const MARGIN_MM = 22.0;

    /** Share of the plan's steps that are laid; and how the picture is taken: slant, turn. */
    private const STATES = ['a third' => [0.33, 0.06, 3.0], 'two thirds' => [0.67, 0.12, -5.0], 'finished' => [1.0, 0.1, 7.0], 'finished badly' => [1.0, 0.16, -2.0]];

    /** A hand that errs presses one zone in three so much harder, and one so much less. */
    private const MISHAPS = [1.5, 0.55, 1.0];

    /** An error of value, L*, that must be found; and what is none. */
    private const ERROR = 6.0;

    private const NONE = 2.0;

    /** What is told as an error where there is none. */
    private const TOLD = 4.0;

    public readonly Predictor $predictor;

    private readonly PairLibrary $library;

    public readonly Search $search;

    /** @param  list<Swatch>  $swatches */
    public function __construct(private readonly Kit $kit, array $swatches, private readonly SwatchReader $reader, private readonly PhotoReader $photos, private readonly string $paper)
    {
        $this->predictor = Calibrator::fit($kit, $swatches)->predictor(Paper::cartridge($paper));
        $this->library = PairLibrary::build($this->predictor->model, $kit->ids());
        $this->search = new Search($this->predictor, $kit, $this->library);
    }

    /** @var array<string, array{raster: Raster, map: ZoneMap, zones: list<PictureZone>, plan: Plan}> what was planned last, by name */
    public array $pictures = [];

    /** @var list<list<string>> of what was drawn last, {@see PREVIEW_COLUMNS} */
    public array $previews = [];

    /**
     * @param  list<string>  $names  of demo references
     * @return list<list<string>>
     */
    public function rows(array $names): array
    {
        $rows = [];
        $this->previews = [];
        foreach ($names as $name) {
            ['raster' => $raster, 'map' => $map, 'zones' => $zones, 'plan' => $plan] = $this->pictures[$name] = PlannedPicture::of($name, $this->photos, $this->search, $this->predictor, $this->library, $this->kit);
            $this->previews[] = [$name, ...$this->preview(Field::of($raster, Review::EDGE), $map, $zones, $plan->laid())];
            foreach (self::STATES as $state => [$share, $slant, $turn]) {
                $planned = $plan->laid((int) round($share * count($plan->steps)));
                $laid = $state === 'finished badly' ? self::erring($zones, $planned) : $planned;
                $rows[] = ["$name, $state", ...$this->reviewed($raster, $map, $zones, $planned, $laid, "$name $state", $slant, $turn)];
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
        $rgb = (new Simulation($this->predictor->model))->draw($photo, $map, $zones, $laid, self::WIDTH_MM / $photo->width);
        $decode = Srgb::decodeTable();
        $parts = new PartMap($photo, $map, $zones);
        $light = array_map(fn (PictureTarget $target): array => Srgb::linear($this->reader->read($this->paper, $laid[$target->id] ?? Stack::of(), 'true')), $parts->targets);
        $bare = Srgb::linear($this->reader->read($this->paper, Stack::of(), 'white'));
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
     * @param  array<string, Stack>  $laid
     * @return array{Raster, list<array{float, float}>}
     */
    public function photographed(Raster $photo, ZoneMap $map, array $zones, array $laid, string $seed, float $slant, float $turn): array
    {
        $fine = Field::of($photo, 800);
        $parts = new PartMap($fine, $map->scaled($fine->width, $fine->height), $zones);
        $stacks = [];
        foreach ($parts->targets as $i => $target) {
            $stacks[$i + 1] = $laid[$target->id] ?? Stack::of();
        }

        return $this->reader->photographDrawing(new DrawnPicture($this->paper, self::WIDTH_MM, self::MARGIN_MM, $fine->width, $fine->height, $parts->bytes(), $stacks), $seed, $slant, $turn);
    }

    /**
     * As in the studio: by what the log says is there.
     *
     * @param  list<PictureZone>  $zones
     * @param  array<string, Lab>  $looks  of what the log says lies there, by colour
     */
    public function found(Raster $picture, Field $reference, ZoneMap $map, array $zones, array $looks, Lab $paper): FoundDrawing
    {
        $expected = static fn (): Field => ExpectedPicture::of($reference, $map, $zones, $looks, $paper);

        return DrawingFinder::findBegun($picture, $reference, $expected, static fn (): Field => BareLines::outlines($map, $reference->width, $reference->height), $paper);
    }

    /**
     * @param  list<PictureZone>  $zones
     * @param  array<string, Stack>  $planned
     * @param  array<string, Stack>  $laid
     * @return list<string>
     */
    private function reviewed(Raster $photo, ZoneMap $map, array $zones, array $planned, array $laid, string $seed, float $slant, float $turn): array
    {
        [$picture, $corners] = $this->photographed($photo, $map, $zones, $laid, $seed, $slant, $turn);
        $true = Corners::of($corners);
        $paper = $this->reader->read($this->paper, Stack::of(), 'white');
        $reference = Field::of($photo, Review::EDGE);
        $began = microtime(true);
        $looks = array_map(fn (Stack $stack): Lab => $this->predictor->predict($stack)->colour, $planned);
        $found = $this->found($picture, $reference, $map, $zones, $looks, $paper);
        $review = Review::of($found, $reference, $map, $zones, $paper, $looks);
        $took = microtime(true) - $began;
        $drawn = array_map(fn (PictureTarget $target): Lab => $this->reader->read($this->paper, $laid[$target->id] ?? Stack::of(), 'true'), array_column(array_merge(...array_map(static fn (PictureZone $zone): array => $zone->targets, $zones)), null, 'id'));
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
            ...(str_ends_with($seed, 'badly') ? $this->corrected($errors, $planned, $laid, $drawn) : ['', '', '', '']),
        ];
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
        $parts = new PartMap($review->reference, $map->scaled($width, $height), $zones);
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
     * @param  list<PartReview>  $parts
     * @param  array<string, Stack>  $planned
     * @param  array<string, Stack>  $laid
     * @param  array<string, Lab>  $drawn
     * @return array{string, string, string, string}
     */
    private function corrected(array $parts, array $planned, array $laid, array $drawn): array
    {
        $before = $after = [];
        $worse = 0;
        foreach ($parts as $part) {
            $correction = $this->search->correct($planned[$part->target] ?? Stack::of(), Target::colour($part->wanted), new Limits(top: 1, maxLayers: 3), seen: $part->seen)[0];
            if ($correction->isLeave()) {
                continue;
            }
            $was = $drawn[$part->target]->differenceTo($part->wanted);
            $is = $this->reader->read($this->paper, Stack::of(...($laid[$part->target] ?? Stack::of())->steps, ...$correction->steps->steps), 'true')->differenceTo($part->wanted);
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
