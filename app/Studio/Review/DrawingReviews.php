<?php

declare(strict_types=1);

namespace App\Studio\Review;

use App\Models\DrawingEntry;
use App\Models\Piece;
use App\Studio\Calibration\Engine;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\LongWork\WorkRefused;
use App\Studio\Pencils\Catalogue;
use App\Studio\Photos\PhotoReader;
use App\Studio\Photos\PhotoRenderer;
use App\Studio\Photos\PhotoStore;
use App\Studio\Planning\PictureZones;
use App\Studio\Zones\DrawnPart;
use App\Studio\Zones\ZoneBook;
use Closure;
use Prism\Colour\Lab;
use Prism\Colour\Srgb;
use Prism\Colour\ValueScale;
use Prism\Reference\Image\Field;
use Prism\Review\BareLines;
use Prism\Review\Corners;
use Prism\Review\DrawingFinder;
use Prism\Review\ExpectedPicture;
use Prism\Review\FoundDrawing;
use Prism\Review\LostEdges;
use Prism\Review\NextLayers;
use Prism\Review\Outlines;
use Prism\Review\Review;
use Prism\Review\ZoneLog;
use Prism\Review\ZoneReview;

/** Photos of a drawing, out of its log, compared with the reference; kept beside them until they are compared anew. */
final class DrawingReviews
{
    /** Pictures of a review. */
    public const VIEWS = DrawingPhotos::CHECKED;

    /** Entries of the log after which another drawing lies on the desk. */
    private const DRAWN = ['done', 'skipped', 'open', 'replanned'];

    /** Greys that are told apart. */
    private const GREYS = 1000;

    public function __construct(
        private readonly DrawingPhotos $photos,
        private readonly PhotoStore $references,
        private readonly PhotoReader $reader,
        private readonly ZoneBook $zones,
        private readonly PictureZones $picture,
        private readonly Engine $engine,
        private readonly Catalogue $catalogue,
        private readonly CorrectionSearch $corrections,
    ) {
    }

    /**
     * @param  string  $mark  of the photo in the log
     * @param  ?list<array{float, float}>  $corners  as the artist has set them, shares of the photo's width and height; null: looked for
     * @param  Closure(string, float): void  $progress
     * @param  bool  $taped  tape lies round the drawing, and no bare paper
     *
     * @throws WorkRefused if there is no such photo, or no zones to compare
     * @throws \Prism\Review\ReviewRefused if no drawing can be read in it
     */
    public function make(Piece $piece, string $mark, ?array $corners, Closure $progress, bool $taped = false): void
    {
        $entry = $this->entry($piece, $mark);
        if (! $entry instanceof DrawingEntry) {
            throw new WorkRefused('This photo is not in the log of the piece; take it anew.');
        }
        $zones = $this->picture->of($piece);
        $map = $this->zones->map($piece);
        if ($zones === [] || $map === null) {
            throw new WorkRefused('The piece has no zones yet. Read the photo in Look first; then the drawing can be compared with it zone by zone.');
        }
        $progress('Reading the photo of the drawing', 0.05);
        $drawing = $this->reader->pixels($this->photos->path($piece, $mark) ?? throw new WorkRefused('The file of this photo is not there any more; take it anew.'));
        $paper = $this->engine->predictor($piece->paper, $piece->user, $this->catalogue->box($piece->user))->model->bare()->lab();
        [$reference, $map] = DrawnPart::of($piece, $this->references->field($piece->reference(), Review::EDGE), $map);
        $progress('Finding the drawing', 0.2);
        $given = $corners === null ? null : Corners::of(array_map(static fn (array $point): array => [$point[0] * $drawing->width, $point[1] * $drawing->height], $corners));
        // The log tells what lies there now; of a photo from before it says nothing.
        $later = $piece->drawingEntries();
        $later->where('undone', false)->where('id', '>', $entry->id)->whereIn('kind', [...self::DRAWN, 'corrected']);
        $log = $later->exists() ? PictureLog::none() : $this->corrections->log($piece);
        $expected = $log->isBegun() ? static fn (): Field => ExpectedPicture::of($reference, $map, $zones, $log->expected, $paper) : null;
        $outlines = static fn (): Field => BareLines::outlines($map, $reference->width, $reference->height);
        $looks = ! $taped ? null : ($expected === null ? $reference : $expected());
        $found = $given !== null ? DrawingFinder::find($drawing, $reference, $paper, $given, $looks) : DrawingFinder::findBegun($drawing, $reference, $expected, $outlines, $paper, $looks);
        $progress('Comparing zone by zone', 0.8);
        $review = Review::of($found, $reference, $map, $zones, $paper, $log->expected);
        $progress('Looking for what to lay next', 0.85);
        $next = $this->corrections->of($piece, $log, $review, $this->corrected($piece), static fn (float $share) => $progress('Looking for what to lay next', 0.85 + 0.14 * $share));
        $onlyLines = $review->isBare() && ! $log->isBegun();
        // Lines run where zones end; colours where the photo's do.
        $outlinesOff = Outlines::of($found, $onlyLines ? $outlines() : $reference, $map, $zones, $piece->width_mm);
        // The pictures first: what is told of a review never stands without them.
        $this->photos->putKept($piece, $mark, ['.straight.png' => self::picture($review->seen), '.values.png' => self::values($review->seen), '.errors.png' => self::errors($review)]);
        $this->photos->putKept($piece, $mark, [DrawingPhotos::TOLD => json_encode([
            ...self::told($review, $next, $found, [$drawing->width, $drawing->height], $corners !== null),
            'merged' => $review->merged($zones),
            'lost' => $found->isBlurred ? [] : array_map(static fn (LostEdges $edge): string => $edge->sentence(), LostEdges::of($review, $map, $zones, $piece->width_mm)),
            'outlines' => array_map(static fn (Outlines $zone): string => $zone->sentence(), $outlinesOff),
            ...$onlyLines ? ['onlyLines' => true, 'range' => Outlines::together($outlinesOff), 'meanErrorWords' => '', 'course' => null] : [],
            'hand' => CorrectionSearch::hand($log, $next['readings'], $piece->user->calibration_id),
        ], JSON_THROW_ON_ERROR)]);
    }

    /** @return array<string, ?float> of colours whose corrections were taken, the share of the ticked pressure at which they lay when the first was; null where no photo showed it */
    public function corrected(Piece $piece): array
    {
        $pressed = [];
        foreach ($piece->drawingEntries()->where('undone', false)->where('kind', 'corrected')->orderBy('id')->get() as $entry) {
            $then = array_column($this->corrections($piece, (string) ($entry->did['photo'] ?? '')), 'pressed', 'target');
            foreach ($entry->did['targets'] ?? [] as $target) {
                $pressed += [$target => $then[$target] ?? null];
            }
        }

        return $pressed;
    }

    /** @return list<array<string, mixed>> what was compared, the latest photo first */
    public function of(Piece $piece): array
    {
        $reviews = [];
        $goneOn = false;
        $taken = [];
        foreach ($piece->drawingEntries()->where('undone', false)->orderByDesc('id')->get() as $entry) {
            $goneOn = $goneOn || in_array($entry->kind, self::DRAWN, true);
            if ($entry->kind === 'corrected') {
                $photo = (string) ($entry->did['photo'] ?? '');
                $taken[$photo] = [...$taken[$photo] ?? [], ...$entry->did['targets'] ?? []];
            }
            if ($entry->kind !== 'photo') {
                continue;
            }
            $path = $this->photos->path($piece, $entry->mark, DrawingPhotos::TOLD);
            if ($path !== null) {
                $reviews[] = [
                    'photo' => $entry->mark, 'madeAt' => $entry->made_at->toIso8601ZuluString(), 'goneOn' => $goneOn, 'taken' => $taken[$entry->mark] ?? [],
                    ...array_combine(self::VIEWS, array_map(static fn (string $view): string => "/api/pieces/$piece->id/reviews/$entry->mark/$view?v=".filemtime($path), self::VIEWS)),
                    ...json_decode((string) file_get_contents($path), true, flags: JSON_THROW_ON_ERROR),
                ];
            }
        }

        return $reviews;
    }

    /**
     * What a review of a photo would lay next.
     *
     * @return list<array{target: string, zone: string, name: string, steps: string, laid: string, present: string, rest: string, stands: int, pressed?: ?float, ...}>
     */
    public function corrections(Piece $piece, string $mark): array
    {
        return $this->kept($piece, $mark)['corrections'] ?? [];
    }

    /**
     * What a review of a photo has learnt of the hand.
     *
     * @return ?array{factor: float, calibration: ?int, ...}
     */
    public function hand(Piece $piece, string $mark): ?array
    {
        return $this->kept($piece, $mark)['hand'] ?? null;
    }

    /** Where a picture of a review lies; null if there is none. */
    public function pictureOf(Piece $piece, string $mark, string $view): ?string
    {
        return $this->entry($piece, $mark) instanceof DrawingEntry ? $this->photos->path($piece, $mark, ".$view.png") : null;
    }

    /** The colour of a spot of the drawing, as large as it is asked for in the whole photo of the piece; null if there is none, or it lies beyond the crop. */
    public function sample(Piece $piece, string $mark, float $x, float $y, float $radius): ?Lab
    {
        $path = $this->pictureOf($piece, $mark, 'straight');
        $crop = $piece->crop ?? ['x' => 0.0, 'y' => 0.0, 'width' => 1.0, 'height' => 1.0];
        [$x, $y] = [($x - $crop['x']) / $crop['width'], ($y - $crop['y']) / $crop['height']];
        if ($path === null || min($x, $y) < 0.0 || max($x, $y) > 1.0) {
            return null;
        }

        return $this->reader->pixels($path)->sample($x, $y, $radius / $crop['width'])->colour;
    }

    /** @return array<string, mixed> what was found in a photo that is in the log; nothing where it was not compared */
    private function kept(Piece $piece, string $mark): array
    {
        $path = $this->entry($piece, $mark) instanceof DrawingEntry ? $this->photos->path($piece, $mark, DrawingPhotos::TOLD) : null;

        return $path !== null ? json_decode((string) file_get_contents($path), true, flags: JSON_THROW_ON_ERROR) : [];
    }

    private function entry(Piece $piece, string $mark): ?DrawingEntry
    {
        return $piece->drawingEntries()->where('mark', $mark)->where('kind', 'photo')->where('undone', false)->first();
    }

    private static function picture(Field $seen): string
    {
        $rgb = '';
        foreach ($seen->L as $i => $L) {
            foreach (Srgb::linear(Lab::of($L, $seen->a[$i], $seen->b[$i])) as $value) {
                $rgb .= chr(Srgb::encode($value));
            }
        }

        return PhotoRenderer::png($seen->width, $seen->height, $rgb);
    }

    /** Where values are off; what is hidden is no grey. */
    private static function errors(Review $review): string
    {
        $rgb = '';
        foreach (str_split($review->map()) as $at => $byte) {
            $rgb .= $review->hidden->at($at) ? "\x80\0\0" : str_repeat($byte, 3);
        }

        return PhotoRenderer::png($review->seen->width, $review->seen->height, $rgb);
    }

    /** The drawing in greys of its values. */
    private static function values(Field $seen): string
    {
        $greys = [];
        for ($step = 0; $step <= self::GREYS; $step++) {
            $greys[] = str_repeat(chr(Srgb::encode(Srgb::linear(Lab::of(100.0 * $step / self::GREYS, 0.0, 0.0))[1])), 3);
        }

        return PhotoRenderer::png($seen->width, $seen->height, implode('', array_map(static fn (float $L): string => $greys[(int) round(max(0.0, min(100.0, $L)) / 100.0 * self::GREYS)], $seen->L)));
    }

    /**
     * @param  array{logs: array<string, ZoneLog>, next: list<NextLayers>, spent: array<string, true>, ...}  $next
     * @param  array{int, int}  $size  of the photo
     * @return array<string, mixed>
     */
    private static function told(Review $review, array $next, FoundDrawing $found, array $size, bool $given): array
    {
        $corrected = array_flip(array_map(static fn (NextLayers $layers): string => $layers->logged->passed->zone->zone, $next['next']));

        return [
            'found' => $found->isSure, 'given' => $given, 'taped' => $found->isTaped,
            'corners' => array_map(static fn (array $point): array => [round($point[0] / $size[0], 5), round($point[1] / $size[1], 5)], $found->cornersInPicture()->points),
            'width' => $review->seen->width, 'height' => $review->seen->height,
            'range' => $review->rangeWords(), 'meanError' => round($review->meanError(), 2), 'meanSteps' => round($review->meanError() / ValueScale::stepSize(), 2), 'meanErrorWords' => $review->meanErrorWords(), 'warnings' => [...$found->warnings(), ...array_filter([$review->unjudgedWords()])],
            'zones' => array_map(static fn (ZoneReview $zone): array => [
                'id' => $zone->id, 'name' => $zone->name, 'state' => $zone->state->value, 'isToCome' => ($next['logs'][$zone->id] ?? null)?->isToCome() ?? false, 'words' => implode('; ', array_filter([$zone->words(isset($corrected[$zone->id])), ($next['logs'][$zone->id] ?? null)?->words(), isset($next['spent'][$zone->id]) ? ZoneLog::SPENT : null])),
                'dL' => round($zone->difference->dL, 2), 'stepsOff' => round($zone->difference->dL / ValueScale::stepSize(), 2), 'dE00' => round($zone->dE00, 2),
            ], $review->zones),
            'hidden' => round($review->hidden->share(), 4), 'rangeSteps' => round($review->rangeSteps()['drawing'], 2), 'photoSteps' => round($review->rangeSteps()['reference'], 2),
            'course' => ZoneLog::together(array_values($next['logs'])),
            'corrections' => array_map(CorrectionSearch::told(...), $next['next']),
        ];
    }
}
