<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Appearance;
use Prism\Colour\Wheel;
use Prism\Layering\Passage;
use Prism\Layering\PencilOptics;
use Prism\Layering\ToothModel;
use Prism\Layering\Touch;

/** The pencils of a box as a search lays them: made once, kept, asked for by index. */
final class TouchBook
{
    /** The heavy coat by which a pencil's own colour is judged. */
    private const COAT_PRESSURE = 0.9;

    private const COAT_PASSES = 2.0;

    private const BLACK_L = 24.0;

    /** @var list<PencilOptics> */
    private readonly array $optics;

    /** @var list<array{float, float, float}> L*, chroma, wheel position of the heavy coat */
    private readonly array $coats;

    /** @var array<int, Touch> */
    private array $touches = [];

    /** @var array<int, Passage> */
    private array $grounds = [];

    /** @var array<int, LaidColour> */
    private array $laid = [];

    /** @param  list<string>  $ids  RANGE:NUMBER, all known to the model */
    public function __construct(private readonly ToothModel $model, public readonly array $ids)
    {
        $this->optics = array_map($model->opticsOf(...), $ids);
        $this->coats = array_map(static function (PencilOptics $optics) use ($model): array {
            $lab = $model->layer($model->bare(), $optics, self::COAT_PRESSURE, self::COAT_PASSES)->lab();

            return [$lab->L, $lab->chroma(), Wheel::position($lab->hueDegrees())];
        }, $this->optics);
    }

    public function touch(int $index, int $percent, int $passes): Touch
    {
        return $this->touches[($index * 128 + $percent) * 16 + $passes] ??= $this->model->touch($this->optics[$index], $percent / 100.0, (float) $passes);
    }

    /** A light or heavier first layer on the bare paper. */
    public function ground(int $index, int $percent): Passage
    {
        return $this->grounds[$index * 128 + $percent] ??= $this->model->lay($this->model->bare(), $this->touch($index, $percent, 1));
    }

    /** As the schools see it. */
    public function laid(int $index, int $percent): LaidColour
    {
        return $this->laid[$index * 128 + $percent] ??= new LaidColour(...[...$this->coats[$index], $percent]);
    }

    public function isBlack(int $index): bool
    {
        [$L, $chroma] = $this->coats[$index];

        return $L < self::BLACK_L && $chroma < Appearance::NEUTRAL_CHROMA;
    }
}
