<?php

declare(strict_types=1);

namespace App\Console\Bench;

use App\Studio\Photos\PhotoReader;
use App\Studio\Swatches\DrawnPicture;
use App\Studio\Swatches\SwatchReader;
use Prism\Calibration\Calibrator;
use Prism\Calibration\Swatch;
use Prism\Colour\Lab;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\Paper;
use Prism\Planning\Order\Passed;
use Prism\Planning\Order\Plan;
use Prism\Planning\Order\PlannedZone;
use Prism\Planning\PartFinder;
use Prism\Planning\PictureZone;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Reference\Zones\ZoneMap;
use Prism\Review\BareLines;
use Prism\Review\DrawingFinder;
use Prism\Review\ExpectedPicture;
use Prism\Review\FoundDrawing;
use Prism\Review\LoggedPart;
use Prism\Review\NextLayers;
use Prism\Review\Review;
use Prism\Review\TurnsLeft;
use Prism\Review\ZoneHand;
use Prism\Review\ZoneReview;

/** A demo reference planned, drawn by a simulated hand, photographed and compared, as the studio does it. */
final class ReviewDesk
{
    private const MARGIN_MM = 22.0;

    public readonly Predictor $predictor;

    public readonly Search $search;

    private readonly PairLibrary $library;

    /** @param  list<Swatch>  $swatches */
    public function __construct(private readonly Kit $kit, array $swatches, public readonly SwatchReader $reader, public readonly PhotoReader $photos, public readonly string $paper)
    {
        $this->predictor = Calibrator::fit($kit, $swatches)->predictor(Paper::cartridge($paper));
        $this->library = PairLibrary::build($this->predictor->model, $kit->ids());
        $this->search = new Search($this->predictor, $kit, $this->library);
    }

    /** @return array{raster: Raster, map: ZoneMap, zones: list<PictureZone>, plan: Plan} */
    public function planned(string $name): array
    {
        return PlannedPicture::of($name, $this->photos, $this->search, $this->predictor, $this->library, $this->kit);
    }

    /** What a true hand comes to. */
    public function drawn(Stack $stack): Lab
    {
        return $this->reader->read($this->paper, $stack, 'true');
    }

    /**
     * @param  list<PictureZone>  $zones
     * @param  array<string, Stack>  $laid
     * @return array{Raster, list<array{float, float}>}
     */
    public function photographed(Raster $photo, ZoneMap $map, array $zones, array $laid, string $seed, float $slant, float $turn): array
    {
        $fine = Field::of($photo, 800);
        $parts = PartFinder::of($fine, $map->scaled($fine->width, $fine->height), $zones);
        $stacks = [];
        foreach ($parts->targets as $i => $target) {
            $stacks[$i + 1] = $laid[$target->id] ?? Stack::of();
        }

        return $this->reader->photographDrawing(new DrawnPicture($this->paper, PlannedPicture::WIDTH_MM, self::MARGIN_MM, $fine->width, $fine->height, $parts->bytes(), $stacks), $seed, $slant, $turn);
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
     * What of a zone is seen, the worst first, and what of it is to be told from that.
     *
     * @param  array<string, PlannedZone>  $ways
     * @param  array<string, Stack>  $believed  what lies there by the log, by colour; others are not begun
     * @param  array<string, Stack>  $planned
     * @param  array<string, ?float>  $before  that were corrected already, {@see ZoneHand::lightly()}
     * @return list<LoggedPart>
     */
    public function parts(ZoneReview $zone, array $ways, array $believed, array $planned, array $before): array
    {
        $of = fn (string $target): ?array => isset($ways[$target], $believed[$target]) ? [Passed::laid($ways[$target], $believed[$target], $planned[$target] ?? Stack::of()), $this->predictor] : null;
        $seen = [];
        foreach ($zone->worstFirst() as $part) {
            $logged = $of($part->target);
            if ($logged !== null) {
                $seen[] = [LoggedPart::of($part, ...$logged), $this->predictor];
            }
        }

        return [...array_column($seen, 0), ...ZoneHand::unseen($zone->narrow, $seen, $of, $before)];
    }

    /** What the studio would lay next in a part of a zone. */
    public function next(LoggedPart $logged, PictureZone $zone, Plan $plan, TurnsLeft $left): ?NextLayers
    {
        $target = Target::colour($logged->passed->zone->target);

        return NextLayers::of($logged, $target, $this->predictor, $this->search, $zone->limits(ReviewFigures::TURNS, $target), Kit::of(array_column($plan->pullList, 'pencil')), $left);
    }

    /** @return array<string, PlannedZone> of a plan, by colour */
    public static function ways(Plan $plan): array
    {
        $ways = [];
        foreach ($plan->steps as $step) {
            $ways[$step->zone->id] = $step->zone;
        }

        return $ways;
    }

    /**
     * A drawing photographed and compared, as the studio does it by what the log says is there.
     *
     * @param  list<PictureZone>  $zones
     * @param  array<string, Stack>  $lies
     * @param  array<string, Stack>  $believed
     */
    public function seen(Raster $raster, ZoneMap $map, array $zones, array $lies, array $believed, string $seed, float $slant, float $turn): Review
    {
        [$picture] = $this->photographed($raster, $map, $zones, $lies, $seed, $slant, $turn);
        $paper = $this->reader->read($this->paper, Stack::of(), 'white');
        $reference = Field::of($raster, Review::EDGE);

        $looks = array_map(fn (Stack $stack): Lab => $this->predictor->predict($stack)->colour, $believed);

        return Review::of($this->found($picture, $reference, $map, $zones, $looks, $paper), $reference, $map, $zones, $paper, $looks);
    }
}
