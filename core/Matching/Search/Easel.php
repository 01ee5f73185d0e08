<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Layering\Look;
use Prism\Layering\Passage;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Layering\StepKind;
use Prism\Layering\ToothModel;
use Prism\Matching\Cost\Laid;
use Prism\Matching\Manner;
use Prism\Matching\Sketch;
use Prism\Matching\TouchBook;
use Prism\Materials\PencilId;
use Prism\Schools\Blending;

/** Where a search lays what it tries: layers with the washes or the blender that the manner asks for, judged for one query. */
final readonly class Easel
{
    /** Washes of one passage; more bring nothing. */
    private const WASHES = 3;

    public function __construct(private ToothModel $model, private TouchBook $book, public Query $query, private ShortStacks $short)
    {
    }

    public function candidate(Sketch $sketch): Candidate
    {
        return $this->from($this->query->ground, $sketch, 0);
    }

    /** Of which the layers below `$at` are laid already, with what comes between them. */
    public function from(Passage $passage, Sketch $sketch, int $at): Candidate
    {
        $key = $this->query->bare ? ShortStacks::keyOf($sketch->layers, $this->query->manner->finish->value) : null;
        $look = $key === null ? null : $this->short->get($key);
        if ($look === null) {
            $look = $this->look($passage, $sketch, $at);
            if ($key !== null) {
                $this->short->keep($key, $look);
            }
        }

        return new Candidate($sketch, $look, $this->cost($sketch, $look));
    }

    /** With a doubt of its own in place of what is usual. */
    public function cost(Sketch $sketch, Look $look, ?float $doubt = null): float
    {
        return $this->query->cost->at(Laid::of($sketch, $look, $this->book), $doubt);
    }

    /** The passage with the layers from one to another laid, and what comes after each. */
    public function advance(Passage $passage, Sketch $sketch, int $from, int $to): Passage
    {
        $between = $this->between($sketch);
        for ($at = $from; $at < $to; $at++) {
            [$index, $percent, $coats] = $sketch->layers[$at];
            $passage = $this->model->lay($passage, $this->book->touch($index, $percent, $coats));
            if (isset($between[$at])) {
                $passage = $between[$at] === StepKind::Wash ? $this->model->wash($passage) : $this->model->blend($passage);
            }
        }

        return $passage;
    }

    public function passage(Sketch $sketch): Passage
    {
        return $this->advance($this->query->ground, $sketch, 0, count($sketch->layers));
    }

    /** As steps, without what lay there before. */
    public function stack(Sketch $sketch): Stack
    {
        $between = $this->between($sketch);
        $steps = [];
        foreach ($sketch->layers as $at => [$index, $percent, $coats]) {
            $steps[] = Step::layer(PencilId::of($this->book->ids[$index]), $percent, $coats);
            if (isset($between[$at])) {
                $steps[] = $between[$at] === StepKind::Wash ? Step::wash() : Step::blend();
            }
        }

        return Stack::of(...$steps);
    }

    private function look(Passage $passage, Sketch $sketch, int $at): Look
    {
        $last = count($sketch->layers) - 1;
        if (isset($this->between($sketch)[$last])) {
            $after = $this->advance($passage, $sketch, $at, $last + 1)->look();

            // A blender takes the tooth because it is asked to.
            return $this->query->manner->finish === Blending::Blender ? new Look($after->colour, $after->grain, 1.0) : $after;
        }
        if ($last < 0) {
            return $passage->look();
        }
        [$index, $percent, $coats] = $sketch->layers[$last];

        return $this->model->look($this->advance($passage, $sketch, $at, $last), $this->book->touch($index, $percent, $coats));
    }

    /**
     * What comes after which layer: a wash after each group of enough coats, with dry colour on top of the last; a blender at the end.
     *
     * @return array<int, StepKind>
     */
    private function between(Sketch $sketch): array
    {
        $finish = $this->query->manner->finish;
        $last = count($sketch->layers) - 1;
        if ($last < 0 || ($finish !== Blending::Blender && $finish !== Blending::Solvent)) {
            return [];
        }
        if ($finish === Blending::Blender) {
            return $last > 0 ? [$last => StepKind::Blend] : [];
        }
        $washes = [];
        $coats = 0;
        $ends = $sketch->times > 1 ? range($sketch->from + $sketch->length - 1, $last, $sketch->length) : null;
        foreach ($sketch->layers as $at => [, , $passes]) {
            $coats += $passes;
            $isEnd = $ends === null || in_array($at, $ends, true);
            if ($at < $last && $isEnd && $coats >= Manner::WASH_FROM_COATS && count($washes) < self::WASHES) {
                $washes[$at] = StepKind::Wash;
                $coats = 0;
            }
        }

        return $washes === [] && $coats >= Manner::WASH_FROM_COATS ? [$last => StepKind::Wash] : $washes;
    }
}
