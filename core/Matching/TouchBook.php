<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Layering\Passage;
use Prism\Layering\PencilOptics;
use Prism\Layering\ToothModel;
use Prism\Layering\Touch;
use Prism\Materials\Binder;
use Prism\Materials\Core;
use Prism\Materials\Kit;
use Prism\Materials\Opacity;
use Prism\Materials\PencilId;
use Prism\Materials\PencilKind;

/** The pencils of a box as a search lays them: made once, kept, asked for by index. */
final class TouchBook
{
    /** Two pencils whose heavy coats differ by less, dE00, are one pencil to an artist. */
    private const TWINS = 5.0;

    /** @var list<PencilOptics> */
    private readonly array $optics;

    /** @var list<PencilCoat> */
    private readonly array $coats;

    /** @var list<int>|null by index: the first pencil that this one is a twin of */
    private ?array $twins = null;

    /** @var array<int, Touch> */
    private array $touches = [];

    /** @var array<int, Passage> */
    private array $grounds = [];

    public readonly float $paperL;

    /**
     * @param  list<string>  $ids  RANGE:NUMBER, all known to the model
     * @param  ?Kit  $kit  tells wax from oil, and black and white by their own coats
     */
    public function __construct(private readonly ToothModel $model, public readonly array $ids, ?Kit $kit = null)
    {
        $this->paperL = $model->bare()->lab()->L;
        $this->optics = array_map($model->opticsOf(...), $ids);
        $this->coats = array_map(static function (string $id, PencilOptics $optics) use ($model, $kit): PencilCoat {
            $own = PencilId::of($id);
            $pencil = $kit?->has($own) === true ? $kit->get($own) : null;
            $coat = $model->layer($model->bare(), $optics, PencilKind::HEAVY_PERCENT / 100.0, (float) PencilKind::HEAVY_COATS)->lab();

            // A white is a white on dark paper too, on which its coat is none.
            return new PencilCoat($coat, PencilKind::of($pencil->fullCoat ?? $coat), $pencil?->binder, $pencil->opacity ?? Opacity::Semi, $pencil?->core === Core::Soft, $pencil->stains ?? false);
        }, $ids, $this->optics);
    }

    /** @param  int  $passes  1-9 */
    public function touch(int $index, int $percent, int $passes): Touch
    {
        return $this->touches[($index * 128 + $percent) * 16 + $passes] ??= $this->model->touch($this->optics[$index], $percent / 100.0, (float) $passes);
    }

    /** A first layer on the bare paper. */
    public function ground(int $index, int $percent, int $passes): Passage
    {
        return $this->grounds[($index * 128 + $percent) * 16 + $passes] ??= $this->model->lay($this->model->bare(), $this->touch($index, $percent, $passes));
    }

    public function coat(int $index): PencilCoat
    {
        return $this->coats[$index];
    }

    public function isWhite(int $index): bool
    {
        return $this->coats[$index]->kind === PencilKind::White;
    }

    public function isBlack(int $index): bool
    {
        return $this->coats[$index]->kind === PencilKind::Black;
    }

    /** Whether wax would lie under oil, where the oil slides. */
    public function slides(int $below, int $above): bool
    {
        return $this->coats[$below]->binder === Binder::Wax && $this->coats[$above]->binder === Binder::Oil;
    }

    /** The pencil that stands for this one where near-twins count as one. */
    public function twin(int $index): int
    {
        if ($this->twins === null) {
            $twins = [];
            foreach ($this->coats as $i => $coat) {
                $twin = $i;
                foreach ($twins as $other => $first) {
                    if ($first === $other && $coat->coat->differenceTo($this->coats[$other]->coat) < self::TWINS) {
                        $twin = $other;

                        break;
                    }
                }
                $twins[] = $twin;
            }
            $this->twins = $twins;
        }

        return $this->twins[$index];
    }
}
