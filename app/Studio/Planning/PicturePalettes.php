<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use App\Models\Zone;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Engine;
use App\Studio\LongWork\SideBySide;
use App\Studio\LongWork\WorkRefused;
use App\Studio\Pencils\Catalogue;
use App\Studio\Zones\Grounds;
use Closure;
use Prism\Calibration\ChartStacks;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Matching\Search;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;
use Prism\Materials\PencilKind;
use Prism\Planning\Gradient\Designation;
use Prism\Planning\Gradient\Feathering;
use Prism\Planning\Palette\Palette;
use Prism\Planning\Palette\PaletteFinder;
use Prism\Planning\Palette\TonedSet;
use Prism\Planning\Palette\TrioShading;
use Prism\Planning\PictureColours;
use Prism\Planning\PictureZone;
use Prism\Planning\ValuePart;
use Prism\Reference\LookRefused;
use Prism\Schools\BlackAndWhite;

/** Few pencils for a whole piece: found for all of its colours together, or given and set to light, middle and dark. */
final class PicturePalettes
{
    /** Sizes of palettes that are compared, beside the whole box and the size wanted. */
    private const SIZES = [6, 8, 12, 18, 24];

    /** Pencils that a new piece is planned with, until the artist wants others. */
    public const FIRST_SIZE = 12;

    /** Black, white and one colour. */
    private const TONED = 3;

    public const WHITE_PAPER = 'This paper is white, and white does not show on it. Choose a toned paper in Look first.';

    public function __construct(
        private readonly Engine $engine,
        private readonly Catalogue $catalogue,
        private readonly PictureZones $zones,
        private readonly GatheredStacks $gathered,
    ) {
    }

    /**
     * The palettes of a curve, and of the size that the piece wants.
     *
     * @param  Closure(string, float): void  $progress
     * @param  bool  $anew  whether recipes that the artist has chosen are found anew too, unless they are begun
     * @return array{chosen: Palette, trio: array{zones: int, without: int, further: float}|null, size: int|null, curve: array<int, Palette>, rows: list<ZoneTarget>, own: list<string>} own: targets whose recipes stay
     *
     * @throws WorkRefused if there is nothing to plan, or to plan with
     */
    public function palettes(Piece $piece, Closure $progress, bool $anew = false): array
    {
        $progress('Gathering the colours of the picture', 0.02);
        $rows = [];
        $zones = $piece->zones()->with('targets.recipe')->get();
        foreach ($zones as $zone) {
            foreach ($zone->targets as $row) {
                $rows[] = $row->setRelation('zone', $zone->setRelation('piece', $piece));
            }
        }
        if ($rows === []) {
            throw new WorkRefused('There are no zones yet, so there is nothing to plan. Find zones in Look first.');
        }
        $box = $this->catalogue->box($piece->user);
        if (count($box) === 0) {
            throw new WorkRefused('Your box is empty; recipes are made from pencils you own. Put pencils in the box first.');
        }
        $picture = $this->zones->of($piece);
        $colours = $this->colours($piece, $picture);
        $progress('Mixing pairs of your pencils', 0.08);
        $search = $this->engine->search($piece->paper, $piece->user, $box);
        $known = $this->engine->searchable($piece->paper, $piece->user, $box);
        $pinned = self::ids($piece->pinned ?? []);
        $own = [];
        $begun = array_flip(Begun::of($piece));
        foreach ($rows as $row) {
            if ($row->recipe !== null && ($row->recipe->by_hand && ! $anew || isset($begun[$row->id]))) {
                $own[] = $row->id;
                array_push($pinned, ...Stack::parse($row->recipe->stack)->pencils());
            }
        }
        $most = count($known);
        $wanted = min($most, $piece->palette_size ?? $most);
        $sizes = array_values(array_unique(array_filter([...self::SIZES, $wanted, $most], static fn (int $size): bool => $size <= $most)));
        $banned = self::ids($piece->banned ?? []);
        $grounds = Grounds::byTarget($piece, fn (Zone $zone): Search => $this->engine->search(Grounds::paper($piece, $zone), $piece->user, $box));
        // On a ground of its own a colour is tried anew.
        $gathered = $this->gathered->of($piece, $search, array_diff_key($colours->targets, $grounds), $colours->limits, $known, self::free($piece, $known), static fn (float $share) => $progress('Trying stacks for each of them', 0.1 + 0.5 * $share));
        $curve = (new PaletteFinder($search, $known, $grounds))->curve($colours->wish($sizes, array_values(array_unique($pinned, SORT_REGULAR)), $banned), progress: static fn (float $share) => $progress('Choosing pencils that serve all of them', max(0.6, 0.95 * $share)), gathered: $gathered, parts: new SideBySide);
        ksort($curve);

        $progress('Shading by trios', 0.97);
        $chosen = TrioShading::of($curve[$wanted], $picture, $search, $known->only($curve[$wanted]->pencils), $colours->targets, $colours->weights, $colours->limits, $own);

        return ['chosen' => $chosen->palette, 'trio' => $chosen->zones + $chosen->without === 0 ? null : ['zones' => $chosen->zones, 'without' => $chosen->without, 'further' => round($chosen->further, 2)], 'size' => $piece->palette_size, 'curve' => $curve, 'rows' => $rows, 'own' => $own];
    }

    /**
     * A few pencils set to light, middle and dark, what each makes over each, and all feathered into one gradient.
     *
     * @param  array<string, ValuePart>  $parts  set by hand
     * @return array{designation: Designation, gradient: Feathering, combinations: list<array{stack: Stack, colour: Lab}>, triples: list<array{stack: Stack, colour: Lab}>} each
     *     over each, the lower by row; every three, from the lightest up and from the darkest up
     */
    public function designated(Piece $piece, Kit $pencils, array $parts = []): array
    {
        $predictor = $this->engine->predictor($piece->paper, $piece->user, $pencils);
        $designation = Designation::of($pencils, $predictor, $parts);
        $ids = array_map(static fn (array $own): PencilId => $own['pencil']->id, $designation->pencils);
        $combinations = [];
        foreach ($ids as $lower) {
            foreach ($ids as $upper) {
                $stack = (string) $lower === (string) $upper ? ChartStacks::doubled($lower) : ChartStacks::pair($lower, $upper);
                $combinations[] = ['stack' => $stack, 'colour' => $predictor->predict($stack)->colour];
            }
        }

        $triples = array_map(static fn (Stack $stack): array => ['stack' => $stack, 'colour' => $predictor->predict($stack)->colour], array_slice(ChartStacks::triples($ids), 1));

        return ['designation' => $designation, 'gradient' => Feathering::of($ids, $predictor), 'combinations' => $combinations, 'triples' => $triples];
    }

    /** @param  list<PictureZone>  $zones  of the piece */
    private function colours(Piece $piece, array $zones): PictureColours
    {
        return PictureColours::of($zones, $piece->value_only, $this->ruledOut($piece));
    }

    /**
     * Of the pinned pencils those that the schools of the piece may rule out; the others need no permission, and a pin gathers nothing.
     *
     * @return list<string>
     */
    private function ruledOut(Piece $piece): array
    {
        $box = $this->catalogue->box($piece->user);
        $never = SchoolChoices::ofPiece($piece)->schools()->blackAndWhite === BlackAndWhite::Never;
        $kinds = $never ? [PencilKind::Black, PencilKind::White] : [PencilKind::Black];

        return array_values(array_filter($piece->pinned ?? [], static function (string $id) use ($box, $kinds): bool {
            $coat = $box->has(PencilId::of($id)) ? $box->get(PencilId::of($id))->fullCoat : null;

            return $coat !== null && in_array(PencilKind::of($coat), $kinds, true);
        }));
    }

    private static function free(Piece $piece, Kit $known): Kit
    {
        $banned = $piece->banned ?? [];

        return $known->where(static fn (Pencil $pencil): bool => ! in_array((string) $pencil->id, $banned, true));
    }

    /**
     * Sets a piece on toned paper to black, white and one colour: that one, or the one that serves it best. Recipes follow when it
     * is planned.
     *
     * @throws LookRefused if the paper is white, or the box has no black or no white
     */
    public function tone(Piece $piece, ?PencilId $colour): void
    {
        if (! Catalogue::paper($piece->paper)->isToned()) {
            throw new LookRefused(self::WHITE_PAPER);
        }
        $box = $this->catalogue->box($piece->user);
        $known = $this->engine->searchable($piece->paper, $piece->user, $box);
        $set = TonedSet::of($known, $this->engine->predictor($piece->paper, $piece->user, $box)->model);
        if ($set->black === null || $set->white === null) {
            throw new LookRefused(sprintf('Your box has no %s pencil. Put one in the box first.', $set->black === null ? 'black' : 'white'));
        }
        if ($colour !== null && ! $known->has($colour)) {
            throw new LookRefused(sprintf('%s is not in your box.', $colour));
        }
        $pinned = array_values(array_unique(array_map(strval(...), array_filter([$set->black, $set->white, $colour]))));
        $piece->update([
            'palette_size' => self::TONED, 'pinned' => $pinned, 'banned' => array_values(array_diff($piece->banned ?? [], $pinned)), 'value_only' => false,
            'schools' => SchoolChoices::answered($piece->schools, ['blackAndWhite' => BlackAndWhite::Toned->value]),
        ]);
    }

    /** Whether a piece is drawn with black, white and one colour on toned paper. */
    public static function isOneColour(Piece $piece): bool
    {
        return $piece->palette_size === self::TONED && SchoolChoices::ofPiece($piece)->schools()->blackAndWhite === BlackAndWhite::Toned && Catalogue::paper($piece->paper)->isToned();
    }

    /**
     * @param  list<string>  $ids
     * @return list<PencilId>
     */
    private static function ids(array $ids): array
    {
        return array_map(PencilId::of(...), $ids);
    }
}
