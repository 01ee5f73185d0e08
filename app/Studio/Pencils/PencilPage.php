<?php

declare(strict_types=1);

namespace App\Studio\Pencils;

use App\Models\Paper as PaperModel;
use App\Models\Pencil;
use App\Models\User;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Calibrations;
use App\Studio\Calibration\Engine;
use App\Studio\Zones\Targets;
use Prism\Box\Substitution;
use Prism\Layering\GrainSection;
use Prism\Layering\Prediction;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Matching\Partners;
use Prism\Materials\PencilId;

/** All that the studio knows of one pencil, on one paper. */
final class PencilPage
{
    /** Swatches that are shown. */
    private const LATEST = 12;

    public function __construct(private readonly Catalogue $catalogue, private readonly Engine $engine, private readonly Calibrations $calibrations, private readonly Stubs $stubs)
    {
    }

    public function of(User $artist, PaperModel $paper, Pencil $pencil): PencilSheet
    {
        $id = PencilId::of(Catalogue::id($pencil));
        $mine = $artist->box()->whereKey($pencil->id)->first()?->getRelation('pivot');
        $swatches = $artist->swatches();
        $swatches->where('stack', 'like', '%'.$id.'@%');
        $count = $swatches->count();
        $swatches->with('paper')->latest('id')->limit(self::LATEST);

        return new PencilSheet(
            $pencil, $artist, $paper, $mine !== null, (bool) $mine?->favourite, (int) $mine?->spare, $mine?->length_mm, $this->stubs->of($artist)[(string) $id] ?? null,
            $this->strengths($artist, $paper, $id),
            array_map(fn (array $partner): array => [...$partner, 'pencil' => $this->catalogue->row($artist, $partner['pencil'])], $this->partners($artist, $paper, $id)),
            $this->usedIn($artist, $id), $count, $swatches->get(), $this->error($artist, $id),
        );
    }

    /** @return list<array{strength: string, notation: string, prediction: Prediction, section: GrainSection}> lightly, in the middle, heavily; empty where no colour is known */
    public function strengths(User $artist, PaperModel $paper, PencilId $id): array
    {
        $predictor = $this->engine->predictor($paper, $artist, $this->catalogue->desk($artist, self::one($id)));
        if (! isset($predictor->model->optics[(string) $id])) {
            return [];
        }
        $strengths = [];
        foreach (Substitution::STRENGTHS as $strength => [$percent, $passes]) {
            $stack = Stack::of(Step::layer($id, $percent, $passes));
            $strengths[] = ['strength' => $strength, 'notation' => (string) $stack, 'prediction' => $predictor->predict($stack), 'section' => GrainSection::of($predictor->model->draw($stack), $predictor->model->tooth)];
        }

        return $strengths;
    }

    /** @return list<array{pencil: PencilId, gained: int, stack: Stack, prediction: Prediction}> of the box, best first */
    public function partners(User $artist, PaperModel $paper, PencilId $id): array
    {
        $desk = $this->catalogue->desk($artist, self::one($id));
        $predictor = $this->engine->predictor($paper, $artist, $desk);
        if (! isset($predictor->model->optics[(string) $id])) {
            return [];
        }
        $found = Partners::of($predictor->model, $id, $this->engine->searchable($paper, $artist, $desk)->ids());

        return array_map(static fn (array $partner): array => [...$partner, 'prediction' => $predictor->predict($partner['stack'])], $found);
    }

    /** @return list<ZoneTarget> of the artist's pieces whose recipe has it */
    public function usedIn(User $artist, PencilId $id): array
    {
        $uses = [];
        foreach (Targets::withRecipe($artist) as $target) {
            if (str_contains((string) $target->recipe?->stack, $id.'@')) {
                $uses[] = $target;
            }
        }
        usort($uses, static fn (ZoneTarget $a, ZoneTarget $b): int => [$a->zone->piece_id, $a->zone->position] <=> [$b->zone->piece_id, $b->zone->position]);

        return $uses;
    }

    /** @return ?array{before: float, after: float, swatches: int} mean dE00 of its swatches under the calibration in force */
    public function error(User $artist, PencilId $id): ?array
    {
        $number = $this->calibrations->inForce($artist);

        return $number === null ? null : $this->calibrations->read($number, $this->catalogue->some($artist, [$id]))->pencils[(string) $id] ?? null;
    }

    private static function one(PencilId $id): Stack
    {
        return Stack::of(Step::layer($id));
    }
}
