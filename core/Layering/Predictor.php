<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Colour\Bands;

/** Speaks of stacks in the studio's words: colour, doubt, tooth, room. */
final readonly class Predictor
{
    /** A layer that changes the colour by less is no change. */
    private const ROOM_NOTICED = 1.0;

    private const ROOM_PRESSURE = 0.35;

    public const ROOM_MOST = 12;

    public function __construct(public ToothModel $model, private Doubt $doubt = new Doubt)
    {
    }

    /** @throws UnknownPencil */
    public function predict(Stack $stack): Prediction
    {
        return $this->of($stack, $this->model->draw($stack), Sensitivity::of($this->model, $stack));
    }

    /**
     * The bare paper, then the prediction after each step.
     *
     * @return non-empty-list<Prediction>
     *
     * @throws UnknownPencil
     */
    public function strip(Stack $stack): array
    {
        $passage = $this->model->bare();
        $done = Stack::of();
        $sensitivities = Sensitivity::along($this->model, $stack);
        $strip = [$this->of($done, $passage, $sensitivities[0])];
        foreach ($stack->steps as $at => $step) {
            $passage = $this->model->apply($passage, $step);
            $done = $done->then($step);
            $strip[] = $this->of($done, $passage, $sensitivities[$at + 1]);
        }

        return $strip;
    }

    /**
     * How many more light layers (35 %) would still change the colour, up to {@see self::ROOM_MOST}. Tried with a pencil
     * that contrasts: a dark one on a light passage, a pale opaque one on a dark.
     */
    public function room(Passage $passage): int
    {
        $dark = $passage->lab()->L > 55.0;
        $probe = new PencilOptics(
            array_fill(0, Bands::COUNT, $dark ? 6.0 : 0.01),
            array_fill(0, Bands::COUNT, $dark ? 0.2 : 1.2),
            1.0, 0.1, 0.05,
        );
        $before = $passage->lab();
        for ($layers = 0; $layers < self::ROOM_MOST; $layers++) {
            $passage = $this->model->layer($passage, $probe, self::ROOM_PRESSURE, 1.0);
            $after = $passage->lab();
            if ($after->differenceTo($before) < self::ROOM_NOTICED) {
                return $layers;
            }
            $before = $after;
        }

        return self::ROOM_MOST;
    }

    private function of(Stack $stack, Passage $passage, Sensitivity $sensitivity): Prediction
    {
        return new Prediction($passage->lab(), $this->doubt->of($stack, $sensitivity), $passage->toothLeft(), $passage->grain(), $sensitivity->total());
    }
}
