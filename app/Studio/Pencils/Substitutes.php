<?php

declare(strict_types=1);

namespace App\Studio\Pencils;

use App\Models\Paper as PaperModel;
use App\Models\User;
use App\Studio\Calibration\Engine;
use Illuminate\Validation\ValidationException;
use Prism\Box\Substitution;
use Prism\Exchange\PastedList;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Matching\EmptyBox;
use Prism\Matching\Recipe;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;

/** What to take instead: for pencils and recipes that an artist pastes, out of the box or of another range. */
final class Substitutes
{
    public function __construct(private readonly Catalogue $catalogue, private readonly Engine $engine)
    {
    }

    /**
     * @param  string  $into  a range code; the box if empty
     * @return array{from: Kit, pencils: list<array{pencil: PencilId, replacedBy: ?PencilId, nearest: ?PencilId, strengths: array<string, array{wanted: Recipe, pencil: ?Recipe, mix: Recipe}>}>, stacks: list<array{wanted: Recipe, swapped: ?Recipe, mix: Recipe, swaps: array<string, PencilId>}>}
     *
     * @throws EmptyBox
     * @throws ValidationException if the text cannot be read or names pencils that are not known
     */
    public function for(User $artist, PaperModel $paper, string $text, string $into): array
    {
        $list = PastedList::read($text);
        $kit = $into === '' ? $this->catalogue->box($artist) : $this->catalogue->range($artist, $into);
        $asked = [...$list->stacks, ...array_map(static fn (PencilId $id): Stack => Stack::of(Step::layer($id)), $list->pencils)];
        $all = $this->with($kit, $artist, $asked);
        $this->refuseUnknown($asked, $all);
        $predictor = $this->engine->predictor($paper, $artist, $all);
        $kit = $this->engine->searchable($paper, $artist, $kit);
        $substitution = new Substitution($predictor, $kit, $this->engine->search($paper, $artist, $kit), $all);
        $pencils = [];
        foreach ($list->pencils as $id) {
            if (! isset($predictor->model->optics[(string) $id])) {
                throw ValidationException::withMessages(['text' => sprintf('Pencil %s has no colour yet: give it one, or swatch it.', $id)]);
            }
            $replacedBy = $this->catalogue->row($artist, $id)?->replaced_by;
            $pencils[] = [
                'pencil' => $id,
                'replacedBy' => $replacedBy === null ? null : PencilId::of($replacedBy),
                'nearest' => $substitution->nearestPencil($id),
                'strengths' => $substitution->ofPencil($id),
            ];
        }

        return ['from' => $kit, 'pencils' => $pencils, 'stacks' => array_map(static fn (Stack $stack): array => $substitution->ofStack($stack), $list->stacks)];
    }

    /** @param  list<Stack>  $stacks */
    private function with(Kit $kit, User $artist, array $stacks): Kit
    {
        $missing = [];
        foreach ($stacks as $stack) {
            foreach ($stack->pencils() as $pencil) {
                if (! $kit->has($pencil)) {
                    $missing[(string) $pencil] = $pencil;
                }
            }
        }

        return Kit::of([...array_values(iterator_to_array($kit)), ...array_values(iterator_to_array($this->catalogue->some($artist, array_values($missing))))]);
    }

    /** @param  list<Stack>  $stacks */
    private function refuseUnknown(array $stacks, Kit $all): void
    {
        $unknown = [];
        foreach ($stacks as $stack) {
            foreach ($stack->pencils() as $pencil) {
                if (! $all->has($pencil)) {
                    $unknown[(string) $pencil] = true;
                }
            }
        }
        if ($unknown !== []) {
            throw ValidationException::withMessages(['text' => sprintf('There is no pencil %s in your ranges. Import its range under Pencils first.', implode(', ', array_keys($unknown)))]);
        }
    }
}
