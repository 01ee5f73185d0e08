<?php

declare(strict_types=1);

namespace App\Studio\Swatches;

use App\Models\Chart;
use App\Models\Paper;
use App\Models\Piece;
use App\Models\User;
use App\Studio\Calibration\CalibrationReview;
use App\Studio\Pencils\Catalogue;
use Illuminate\Validation\ValidationException;
use Prism\Calibration\ChartStacks;
use Prism\Exchange\PastedList;
use Prism\Layering\Stack;
use Prism\Materials\PencilId;
use Prism\Planning\Order\Plan;

/** Lays out charts to be drawn: which stacks go into their cells. */
final class ChartMaker
{
    private const TITLES = [
        'card' => 'Swatch card', 'singles' => 'Every pencil at three pressures', 'pairs' => 'Pairs in both orders', 'triples' => 'Three pencils over one another',
        'stacks' => 'Chosen stacks', 'lessons' => 'Ten that would teach most', 'proof' => 'Prove this plan',
    ];

    public function __construct(private readonly Catalogue $catalogue, private readonly CalibrationReview $review)
    {
    }

    /**
     * @param  list<string>  $pencils  RANGE:NUMBER; the whole box if there are none
     * @param  string  $text  stacks by line, for a chart of chosen stacks
     *
     * @throws ValidationException
     */
    public function make(User $artist, string $kind, Paper $paper, string $page, string $title, array $pencils, string $text): Chart
    {
        if ($kind === 'card' && Catalogue::paper($paper)->isToned()) {
            throw ValidationException::withMessages(['paper' => sprintf('A swatch card gives pencils their colours, and %s would show through them. Draw it on white paper; a chart says how they look on this one.', $paper->name)]);
        }
        $stacks = match ($kind) {
            'stacks' => [Stack::of(), ...PastedList::read($text)->stacks],
            'card' => ChartStacks::card($this->chosen($artist, $pencils, 1)),
            'lessons' => [Stack::of(), ...array_column($this->review->lessons($artist, $paper), 'stack')],
            'pairs' => ChartStacks::pairs($this->chosen($artist, $pencils, 2)),
            'triples' => ChartStacks::triples($this->chosen($artist, $pencils, 3)),
            default => ChartStacks::singles($this->chosen($artist, $pencils, 1)),
        };
        foreach ($stacks as $stack) {
            foreach ($stack->pencils() as $pencil) {
                if ($this->catalogue->row($artist, $pencil) === null) {
                    throw ValidationException::withMessages(['text' => sprintf('There is no pencil %s in your ranges.', $pencil)]);
                }
            }
        }
        if (count($stacks) < ($kind === 'card' ? 1 : 2)) {
            throw ValidationException::withMessages([$kind === 'stacks' ? 'text' : 'pencils' => 'There is nothing to draw on this chart. Choose pencils, or write recipes.']);
        }
        if (count($stacks) > ChartStacks::MOST_CELLS) {
            throw ValidationException::withMessages(['pencils' => sprintf('That would be %d fields; a chart has at most %d. Choose fewer pencils.', count($stacks), ChartStacks::MOST_CELLS)]);
        }

        return $artist->charts()->create([
            'paper_id' => $paper->id, 'kind' => $kind, 'page' => $page, 'title' => $title === '' ? self::TITLES[$kind] : $title,
            'stacks' => array_map(strval(...), $stacks),
        ]);
    }

    /**
     * Each recipe of a plan once, in the order of the plan: to be drawn on scrap, read, and taken into the swatch book.
     *
     * @throws ValidationException if there is nothing to prove
     */
    public function proof(Piece $piece, Plan $plan, string $page): Chart
    {
        $stacks = array_map(strval(...), self::recipes($plan));
        if ($stacks === []) {
            throw ValidationException::withMessages(['piece' => 'This plan has no recipes yet, so there is nothing to prove. Plan the picture first.']);
        }

        return $piece->user->charts()->create([
            'paper_id' => $piece->paper_id, 'kind' => 'proof', 'page' => $page, 'title' => mb_substr(self::TITLES['proof'].': '.$piece->title, 0, 120),
            'stacks' => ['', ...array_slice($stacks, 0, ChartStacks::MOST_CELLS - 1)],
        ]);
    }

    /** @return list<Stack> as the turns lay them */
    public static function recipes(Plan $plan): array
    {
        $stacks = [];
        foreach ($plan->laid() as $stack) {
            $stacks[(string) $stack] = $stack;
        }

        return array_values($stacks);
    }

    /**
     * @param  list<string>  $pencils
     * @return list<PencilId>
     */
    private function chosen(User $artist, array $pencils, int $least): array
    {
        $ids = array_map(PencilId::of(...), $pencils === [] ? $this->catalogue->box($artist)->ids() : array_values(array_unique($pencils)));
        if (count($ids) < $least) {
            throw ValidationException::withMessages(['pencils' => $pencils === [] ? 'Your box has too few pencils for this chart; tick those you own.' : sprintf('This chart needs %d pencils or more.', $least)]);
        }

        return $ids;
    }
}
