<?php

declare(strict_types=1);

namespace Prism\Planning\Order;

use Prism\Layering\InvalidStep;
use Prism\Layering\Pressure;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Materials\PencilId;

/** What the hand did otherwise than a step says: another pencil, pressure or number of coats, and whether it was lifted again. */
final readonly class Deviation
{
    /** More dabs of the eraser take nothing more off. */
    public const MOST_DABS = 4;

    /** Colour that came where nothing should: so lightly if nothing is said, percent. */
    private const SMUDGE_PERCENT = 20.0;

    private function __construct(private ?PencilId $pencil, private ?float $pressurePercent, private ?int $coats, private int $dabs)
    {
    }

    /**
     * @param  ?PencilId  $pencil  null: that of the step
     * @param  ?float  $pressurePercent  1-100; null: that of the step
     * @param  ?int  $coats  1-9; null: as many as the step says
     * @param  int  $dabs  with the eraser, afterwards: 0-4
     *
     * @throws InvalidStep if one of them is outside, or nothing is otherwise
     */
    public static function of(?PencilId $pencil = null, ?float $pressurePercent = null, ?int $coats = null, int $dabs = 0): self
    {
        if ($pressurePercent !== null && ! ($pressurePercent >= Pressure::MIN_PERCENT && $pressurePercent <= Pressure::MAX_PERCENT)) {
            throw new InvalidStep(sprintf('The pressure is %s; it goes from 1 to 100 percent.', $pressurePercent));
        }
        if ($coats !== null && ($coats < 1 || $coats > Step::MAX_PASSES)) {
            throw new InvalidStep(sprintf('There are %d coats; it takes 1 to %d.', $coats, Step::MAX_PASSES));
        }
        if ($dabs < 0 || $dabs > self::MOST_DABS) {
            throw new InvalidStep(sprintf('There are %d dabs; it takes 0 to %d.', $dabs, self::MOST_DABS));
        }
        if ($pencil === null && $pressurePercent === null && $coats === null && $dabs === 0) {
            throw new InvalidStep('Say what was otherwise: pencil, pressure, coats, or how often it was dabbed off.');
        }

        return new self($pencil, $pressurePercent, $coats, $dabs);
    }

    /**
     * What lies from a step then.
     *
     * @param  ?Step  $planned  null where nothing was to be laid
     * @param  ?Stack  $laid  what lies from it already; null: it is not done yet
     *
     * @throws InvalidStep if nothing is said that can be laid or lifted there
     */
    public function from(?Step $planned, ?Stack $laid = null): Stack
    {
        $layer = $this->layer($planned);
        $lies = match (true) {
            $layer !== null => Stack::of($layer),
            $laid !== null => $laid,
            $planned !== null => Stack::of($planned),
            default => Stack::of(),
        };
        if (count($lies) === 0) {
            throw new InvalidStep('Nothing lies there: say which pencil came there.');
        }

        return Stack::of(...$lies->steps, ...array_fill(0, $this->dabs, Step::lift()));
    }

    private function layer(?Step $planned): ?Step
    {
        if ($this->pencil === null && $this->pressurePercent === null && $this->coats === null) {
            return null;
        }
        $pencil = $this->pencil ?? $planned->pencil ?? throw new InvalidStep('No pencil belongs to this step: say which it was.');
        $isLaid = $planned !== null && $planned->pencil !== null;

        return Step::layer($pencil, $this->pressurePercent ?? ($isLaid ? $planned->pressurePercent : self::SMUDGE_PERCENT), $this->coats ?? ($isLaid ? $planned->passes : 1));
    }
}
