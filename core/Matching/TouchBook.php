<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Appearance;
use Prism\Colour\Wheel;
use Prism\Layering\Passage;
use Prism\Layering\PencilOptics;
use Prism\Layering\ToothModel;
use Prism\Layering\Touch;
use Prism\Materials\Binder;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;

/** The pencils of a box as a search lays them: made once, kept, asked for by index. */
final class TouchBook
{
    /** The heavy coat by which a pencil's own colour is judged. */
    private const COAT_PRESSURE = 0.9;

    private const COAT_PASSES = 2.0;

    private const BLACK_L = 24.0;

    private const WHITE_L = 88.0;

    private const BLACK = 1;

    private const WHITE = 2;

    private const YELLOW = 3;

    /** Where a yellow begins and ends on the wheel, and how coloured it is. */
    private const YELLOWS = [4.8, 7.4];

    private const YELLOW_CHROMA = 22.0;

    private const YELLOW_L = 70.0;

    /** @var list<PencilOptics> */
    private readonly array $optics;

    /** @var list<array{float, float, float}> L*, chroma, wheel position of the heavy coat */
    private readonly array $coats;

    /** @var list<int> black, white, yellow or none of these */
    private readonly array $kinds;

    /** @var array<int, Touch> */
    private array $touches = [];

    /** @var array<int, Passage> */
    private array $grounds = [];

    /** @var array<int, LaidColour> */
    private array $laid = [];

    public readonly float $paperL;

    /** @var list<?Binder> */
    private readonly array $binders;

    /**
     * @param  list<string>  $ids  RANGE:NUMBER, all known to the model
     * @param  ?Kit  $kit  tells wax from oil, and black and white by their own coats
     */
    public function __construct(private readonly ToothModel $model, public readonly array $ids, ?Kit $kit = null)
    {
        $this->paperL = $model->bare()->lab()->L;
        $this->binders = array_map(static fn (string $id): ?Binder => $kit?->has(PencilId::of($id)) === true ? $kit->get(PencilId::of($id))->binder : null, $ids);
        $this->optics = array_map($model->opticsOf(...), $ids);
        $this->coats = array_map(static function (PencilOptics $optics) use ($model): array {
            $lab = $model->layer($model->bare(), $optics, self::COAT_PRESSURE, self::COAT_PASSES)->lab();

            return [$lab->L, $lab->chroma(), Wheel::position($lab->hueDegrees())];
        }, $this->optics);
        // A white is a white on dark paper too, on which its coat is none.
        $this->kinds = array_map(static function (string $id, array $coat) use ($kit): int {
            $own = $kit?->has(PencilId::of($id)) === true ? $kit->get(PencilId::of($id))->fullCoat : null;

            return self::kind($own === null ? $coat : [$own->L, $own->chroma(), Wheel::position($own->hueDegrees())]);
        }, $ids, $this->coats);
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

    public function isWhite(int $index): bool
    {
        return $this->kinds[$index] === self::WHITE;
    }

    public function isYellow(int $index): bool
    {
        return $this->kinds[$index] === self::YELLOW;
    }

    /** Whether wax would lie under oil, where the oil slides. */
    public function slides(int $below, int $above): bool
    {
        return $this->binders[$below] === Binder::Wax && $this->binders[$above] === Binder::Oil;
    }

    public function isBlack(int $index): bool
    {
        return $this->kinds[$index] === self::BLACK;
    }

    /** @param  array{float, float, float}  $coat */
    private static function kind(array $coat): int
    {
        [$L, $chroma, $position] = $coat;

        return match (true) {
            $L < self::BLACK_L && $chroma < Appearance::NEUTRAL_CHROMA => self::BLACK,
            $L > self::WHITE_L && $chroma < Appearance::NEUTRAL_CHROMA => self::WHITE,
            $L > self::YELLOW_L && $chroma > self::YELLOW_CHROMA && $position >= self::YELLOWS[0] && $position <= self::YELLOWS[1] => self::YELLOW,
            default => 0,
        };
    }
}
