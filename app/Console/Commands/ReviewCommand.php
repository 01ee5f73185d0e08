<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Studio\Photos\PhotoReader;
use Imagick;
use Prism\Colour\Lab;
use Prism\Exchange\PlanFile;
use Prism\Layering\Predictor;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Target;
use Prism\Materials\Paper;
use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Reference\Image\Field;
use Prism\Reference\PictureReading;
use Prism\Reference\Zones\MergeTree;
use Prism\Reference\Zones\ZoneReader;
use Prism\Review\BareLines;
use Prism\Review\Corners;
use Prism\Review\DrawingFinder;
use Prism\Review\PartReview;
use Prism\Review\PartState;
use Prism\Review\Resumption;
use Prism\Review\Review;
use Prism\Review\ZoneReview;

/** A picture of a drawing beside its reference: where it is off, value first, and what to lay next. */
final class ReviewCommand extends StudioFiles
{
    protected $signature = 'prism:review {reference : a JPEG, PNG or WebP} {drawing : a picture of the drawing with paper round it} {--out= : review.json}
        {--map= : errors.png} {--plan= : plan.json} {--pencils=} {--swatches=} {--paper=} {--corners= : x,y of the upper left, upper right, lower right and lower left}';

    protected $description = 'Compares a picture of a drawing with its reference';

    /** Zones that are looked for where no plan tells of them. */
    private const ZONES = 16;

    /** A zone takes no more corrections than this at once. */
    private const MOST_FOR_A_ZONE = 3;

    private PhotoReader $reader;

    public function __construct(PhotoReader $reader)
    {
        parent::__construct();
        $this->reader = $reader;
    }

    protected function perform(): void
    {
        $photo = $this->picture($this->reader, 'reference');
        $drawing = $this->picture($this->reader, 'drawing');
        $plan = $this->text('plan') === '' ? null : PlanFile::read($this->read('plan'));
        $corners = $this->corners();
        $search = $predictor = null;
        $paper = Paper::cartridge()->colour;
        if ($this->text('pencils') !== '') {
            $kit = $this->kit();
            $calibration = $this->calibration($kit, $this->swatches($kit));
            $search = $this->searchIn($calibration, $kit);
            $predictor = $calibration->predictor($this->paper($calibration, $this->text('paper')));
            $paper = $predictor->model->bare()->lab();
        }
        $reference = Field::of($photo, Review::EDGE);
        $reading = PictureReading::of($photo);
        $map = $reading->tree->cut($plan === null ? self::ZONES : max(MergeTree::FEWEST, min(MergeTree::MOST, count($plan->names))));
        $outlines = static fn (): Field => BareLines::outlines($map, $reference->width, $reference->height);
        $found = $corners !== null ? DrawingFinder::find($drawing, $reference, $paper, $corners) : DrawingFinder::findBegun($drawing, $reference, null, $outlines, $paper);
        $this->progress($found->isSure ? 'the drawing was found' : 'the drawing may lie there; look at the corners');
        $zones = array_map(
            static fn ($read): PictureZone => self::planned(PictureZone::read($read), $plan),
            array_values((new ZoneReader(Field::of($photo, PictureReading::EDGE), $map, $reading->light))->read()),
        );
        $review = Review::of($found, $reference, $map, $zones, $paper);
        $this->write('out', json_encode([
            'corners' => array_map(static fn (array $point): array => array_map(static fn (float $value): float => round($value, 1), $point), $found->cornersInPicture()->points),
            'found' => $found->isSure,
            'light' => ['uneven' => round($found->unevenness(), 2), 'cast' => $found->cast(), 'shaded' => round($found->light->shaded(), 3)],
            'range' => array_map(static fn (array $range): array => array_map(static fn (float $L): float => round($L, 1), $range), $review->range),
            'zones' => array_map(static fn (ZoneReview $zone): array => [
                'id' => $zone->id, 'name' => $zone->name, 'at' => array_map(static fn (float $share): float => round($share, 4), $zone->at),
                'dL' => round($zone->difference->dL, 2), 'dE00' => round($zone->dE00, 2), 'state' => $zone->state->value, 'words' => $zone->words(),
            ], $review->zones),
            'corrections' => $plan === null || $search === null ? [] : self::corrections($review, $plan, $search, $predictor),
            'warnings' => [...$found->warnings(), ...array_filter([$review->unjudgedWords()])],
        ], JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)."\n");
        if ($this->text('map') !== '') {
            $this->write('map', self::greys($reference->width, $reference->height, $review->map(), $photo->width, $photo->height));
        }
        $this->progress(sprintf('%d zones compared', count($review->zones)));
    }

    /** The zone by what the plan calls it and makes of its colours. */
    private static function planned(PictureZone $zone, ?PlanFile $plan): PictureZone
    {
        return $plan === null ? $zone : new PictureZone(
            $zone->id, $plan->names[$zone->id] ?? $zone->name, $zone->label, $zone->share, $zone->importance, $zone->surface, $zone->light, $zone->distance, $zone->crisp, $zone->direction, $zone->touching,
            array_map(static fn (PictureTarget $target): PictureTarget => new PictureTarget($target->id, $target->role, $target->read, $plan->drawn[$target->id] ?? $target->drawn, $target->share, $target->lineWidth, $target->edgeWidth), $zone->targets),
            $zone->schools, $zone->highlights, $zone->gradient, $zone->across, $zone->down,
        );
    }

    /**
     * What to lay next where colours are off: what is begun goes on by the plan's own layers, from as far as it seems to be.
     *
     * @return list<array<string, mixed>>
     */
    private static function corrections(Review $review, PlanFile $plan, Search $search, Predictor $predictor): array
    {
        $corrections = [];
        foreach ($review->zones as $zone) {
            $off = array_values(array_filter($zone->parts, static fn (PartReview $part): bool => in_array($part->state, [PartState::Off, PartState::Begun, PartState::Spoiled], true)));
            foreach (array_slice($off, 0, self::MOST_FOR_A_ZONE) as $part) {
                $stack = $plan->stacks[$part->target] ?? throw new FileRefused(sprintf('The plan does not tell what is laid for colour %s.', $part->target));
                $on = $part->state === PartState::Begun ? Resumption::of($stack, $part->seen, $predictor) : null;
                if ($on !== null && count($on->rest) > 0) {
                    $corrections[] = ['zone' => $zone->id, 'target' => $part->target, 'steps' => (string) $on->rest, 'before' => self::lab($part->seen), 'after' => self::lab($on->after), 'words' => $on->words($part->wanted)];

                    continue;
                }
                $correction = $search->correct($stack, Target::colour($part->wanted), new Limits(top: 1, maxLayers: 3), seen: $part->seen)[0];
                $corrections[] = [
                    'zone' => $zone->id, 'target' => $part->target, 'steps' => (string) $correction->steps,
                    'before' => self::lab($correction->before), 'after' => self::lab($correction->after->colour), 'words' => $correction->words(),
                ];
            }
        }

        return $corrections;
    }

    private function corners(): ?Corners
    {
        $text = $this->text('corners');
        if ($text === '') {
            return null;
        }
        $numbers = array_map(trim(...), explode(',', $text));
        if (count($numbers) !== 8 || array_filter($numbers, static fn (string $number): bool => preg_match('/^-?\d+(\.\d+)?\z/', $number) !== 1) !== []) {
            throw new FileRefused(sprintf('--corners: "%s"; write eight numbers, x,y of the upper left, upper right, lower right and lower left corner in pixels.', $text));
        }
        $values = array_map(floatval(...), $numbers);

        return Corners::of([[$values[0], $values[1]], [$values[2], $values[3]], [$values[4], $values[5]], [$values[6], $values[7]]]);
    }

    /** A PNG of one channel, as large as the reference. */
    private static function greys(int $width, int $height, string $bytes, int $newWidth, int $newHeight): string
    {
        $image = new Imagick;
        $image->readImageBlob("P5 $width $height 255\n".$bytes);
        $image->resizeImage($newWidth, $newHeight, Imagick::FILTER_TRIANGLE, 1.0);
        $image->setImageFormat('png');
        $image->setOption('png:color-type', '0');
        $image->setOption('png:bit-depth', '8');

        return $image->getImageBlob();
    }

    /** @return array{L: float, a: float, b: float} */
    private static function lab(Lab $lab): array
    {
        return ['L' => round($lab->L, 2), 'a' => round($lab->a, 2), 'b' => round($lab->b, 2)];
    }
}
