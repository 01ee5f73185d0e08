<?php

declare(strict_types=1);

namespace App\Studio\Review;

use App\Models\Piece;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\Files\Depot;
use App\Studio\Files\WholeFile;
use App\Studio\LongWork\WorkRefused;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\PencilBook;
use App\Studio\Photos\PhotoRenderer;
use App\Studio\Photos\PhotoStore;
use App\Studio\Planning\PictureZones;
use App\Studio\Planning\ZoneRecipes;
use App\Studio\Swatches\DrawnPicture;
use App\Studio\Swatches\SwatchReader;
use App\Studio\Zones\DrawnPart;
use App\Studio\Zones\ZoneBook;
use Closure;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Materials\Pencil;
use Prism\Planning\Order\Passed;
use Prism\Planning\PartFinder;
use Standin\ErringHand;

/**
 * What is ticked in Draw, drawn by the simulated hand and photographed by the simulated camera into the log of the piece: for trying
 * Compare without paper. What the hand has really laid is kept beside, so that it draws on from there.
 */
final class SimulatedDrawings
{
    /** Long edge of what is drawn, pixels; and how wide the paper round it is, of the drawing's width. */
    private const EDGE = 800;

    private const MARGIN = 0.09;

    /** How askew pictures are taken, one after the other: slant, and turn in degrees. */
    private const VIEWS = [[0.06, 3.0], [0.12, -4.0], [0.09, 6.0], [0.14, -2.0]];

    public function __construct(
        private readonly SwatchReader $reader,
        private readonly Depot $depot,
        private readonly DrawingPhotos $photos,
        private readonly DrawingReviews $reviews,
        private readonly ZoneRecipes $recipes,
        private readonly PictureZones $picture,
        private readonly PhotoStore $references,
        private readonly ZoneBook $zones,
        private readonly Catalogue $catalogue,
    ) {
    }

    /**
     * @param  Closure(string, float): void  $progress
     * @return string mark of the photo in the log
     *
     * @throws WorkRefused if nothing is ticked, or the simulated studio has not this paper
     */
    public function photograph(Piece $piece, ErringHand $hand, Closure $progress, ?Carbon $madeAt = null): string
    {
        $plan = $this->recipes->plan($piece);
        $states = $piece->drawnSteps()->pluck('state', 'step_key')->all();
        if ($states === []) {
            throw new WorkRefused('Nothing is ticked in Draw yet; the simulated hand draws what is.');
        }
        $progress('The simulated hand draws', 0.05);
        $out = array_map(static fn (Pencil $pencil): Step => Step::layer($pencil->id), array_column($plan->pullList, 'pencil'));
        $truth = $this->truth($piece);
        $time = count($states) / max(1, count($plan->steps));
        foreach (Passed::through($plan, $states) as $target => $passed) {
            $truth[$target] = $this->drawnOn($truth[$target] ?? ['stands' => 0, 'lies' => []], $passed->present, $hand, "$piece->title {$passed->zone->name}", $time, $out);
        }
        foreach ($plan->steps as $step) {
            // Paper that was to stay, and that the hand has gone over.
            if ($step->step === null && isset($states[$step->key]) && ($truth[$step->zone->id]['lies'] ?? []) === []) {
                $spoilt = $hand->spoils($step->zone->name, $out);
                $truth[$step->zone->id] = ['stands' => 0, 'lies' => $spoilt === null ? [] : [(string) $spoilt]];
            }
        }
        $photo = $this->taken($piece, array_map(static fn (array $lies): Stack => Stack::of(...array_merge(...array_map(static fn (string $step): array => Stack::parse($step)->steps, $lies['lies']))), $truth), $piece->title);
        $progress('The simulated camera takes its picture', 0.2);
        $mark = Str::lower((string) Str::ulid());
        $file = tempnam(sys_get_temp_dir(), 'prism');
        try {
            WholeFile::put((string) $file, $photo);
            $this->photos->keepFile($piece, $mark, (string) $file, ['note' => sprintf('Simulated: %s', self::named($hand))], $madeAt ?? Carbon::now());
        } finally {
            File::delete((string) $file);
        }
        $this->depot->put(self::file($piece), json_encode($truth, JSON_THROW_ON_ERROR));

        return $mark;
    }

    /** A hand in words. */
    public static function named(ErringHand $hand): string
    {
        return match ($hand) {
            ErringHand::True => 'a true hand',
            ErringHand::Heavy => 'a heavy hand',
            ErringHand::Light => 'a light hand',
            ErringHand::Drifting => 'a hand that drifts',
            ErringHand::Careless => 'a careless hand',
        };
    }

    /**
     * @param  array{stands: int, lies: list<string>}  $truth  how many steps of the log it stands for, and what was really laid
     * @param  list<Step>  $out
     * @return array{stands: int, lies: list<string>}
     */
    private function drawnOn(array $truth, Stack $present, ErringHand $hand, string $place, float $time, array $out): array
    {
        if (count($present) < $truth['stands']) {
            // Taken back: as much of what it laid.
            return ['stands' => count($present), 'lies' => array_slice($truth['lies'], 0, count($present))];
        }
        $lies = $truth['lies'];
        foreach (array_slice($present->steps, $truth['stands']) as $n => $step) {
            $laid = $hand->lays($step, $place.' '.($truth['stands'] + $n), $time, $out);
            if ($laid !== null) {
                $lies[] = (string) $laid;
            }
        }

        return ['stands' => count($present), 'lies' => $lies];
    }

    /** @return array<string, array{stands: int, lies: list<string>}> what the hand has really laid, by target */
    private function truth(Piece $piece): array
    {
        $path = $this->depot->latest(self::file($piece));
        if ($path === null) {
            return [];
        }
        $truth = json_decode((string) file_get_contents($path), true, flags: JSON_THROW_ON_ERROR);
        $since = filemtime($path);
        $entries = $piece->drawingEntries();
        $entries->where('kind', 'corrected')->where('undone', false)->where('created_at', '>=', Carbon::createFromTimestamp((int) $since))->orderBy('id');
        foreach ($entries->get() as $entry) {
            // What the log says lies there was reconciled with a photo: the paper is as it was.
            $known = array_column($this->reviews->corrections($piece, (string) ($entry->did['photo'] ?? '')), 'stands', 'target');
            foreach ($entry->did['targets'] ?? [] as $target) {
                if (isset($truth[$target], $known[$target])) {
                    $truth[$target]['stands'] = $known[$target];
                }
            }
        }

        return $truth;
    }

    /** @param  array<string, Stack>  $lies  by target */
    private function taken(Piece $piece, array $lies, string $seed): string
    {
        [$field, $map] = DrawnPart::of($piece, $this->references->field($piece->reference(), self::EDGE), $this->zones->map($piece) ?? throw new WorkRefused('The piece has no zones yet. Read the photo in Look first.'));
        $parts = PartFinder::of($field, $map->scaled($field->width, $field->height), $this->picture->of($piece));
        foreach ($lies as $stack) {
            foreach ($stack->pencils() as $pencil) {
                $row = $this->catalogue->row($piece->user, $pencil);
                if ($row?->L !== null) {
                    $this->reader->take(PencilBook::entry($row));
                }
            }
        }
        $stacks = [];
        foreach ($parts->targets as $i => $target) {
            $stacks[$i + 1] = $lies[$target->id] ?? Stack::of();
        }
        [$slant, $turn] = self::VIEWS[$piece->drawingEntries()->where('kind', 'photo')->count() % count(self::VIEWS)];
        try {
            $this->reader->lay(Catalogue::paper($piece->paper));
            [$picture] = $this->reader->photographDrawing(new DrawnPicture($piece->paper->slug, $piece->width_mm, self::MARGIN * $piece->width_mm, $field->width, $field->height, $parts->bytes(), $stacks), $seed, $slant, $turn);
        } catch (\InvalidArgumentException $problem) {
            throw new WorkRefused($problem->getMessage(), previous: $problem);
        }

        return PhotoRenderer::jpeg(PhotoRenderer::image($picture->width, $picture->height, $picture->rgb()));
    }

    private static function file(Piece $piece): string
    {
        return DrawingPhotos::FOLDER."/$piece->id/simulated.json";
    }
}
