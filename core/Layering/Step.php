<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Materials\PencilId;

/** One thing done to a passage: a layer of a pencil, or a wash, blend or lift. */
final readonly class Step implements \Stringable
{
    public const MAX_PASSES = 9;

    private function __construct(
        public StepKind $kind,
        public ?PencilId $pencil,
        public float $pressurePercent,
        public int $passes,
    ) {
    }

    /**
     * @param  float  $pressurePercent  1-100
     * @param  int  $passes  1-9
     *
     * @throws InvalidStep if pressure or passes are outside
     */
    public static function layer(PencilId $pencil, float $pressurePercent = Pressure::DEFAULT_PERCENT, int $passes = 1): self
    {
        if (! ($pressurePercent >= Pressure::MIN_PERCENT && $pressurePercent <= Pressure::MAX_PERCENT)) {
            throw new InvalidStep(sprintf('The pressure of %s is %s; it goes from 1 to 100 percent.', $pencil, $pressurePercent));
        }
        if ($passes < 1 || $passes > self::MAX_PASSES) {
            throw new InvalidStep(sprintf('%s has %d passes; it takes 1 to %d.', $pencil, $passes, self::MAX_PASSES));
        }

        return new self(StepKind::Layer, $pencil, round($pressurePercent, 2), $passes);
    }

    public static function wash(): self
    {
        return new self(StepKind::Wash, null, 0.0, 1);
    }

    public static function blend(): self
    {
        return new self(StepKind::Blend, null, 0.0, 1);
    }

    public static function lift(): self
    {
        return new self(StepKind::Lift, null, 0.0, 1);
    }

    public function isLayer(): bool
    {
        return $this->pencil !== null;
    }

    /** Does this step close the paper? */
    public function isBurnish(): bool
    {
        return $this->kind === StepKind::Blend || $this->pressurePercent >= Pressure::BURNISH_PERCENT;
    }

    public function withPressure(float $percent): self
    {
        return $this->pencil === null ? $this : self::layer($this->pencil, $percent, $this->passes);
    }

    /** A layer pressed so much harder, as far as one can; other steps as they are. */
    public function pressing(float $by): self
    {
        return $this->isLayer() ? $this->withPressure(max(Pressure::MIN_PERCENT, min(Pressure::MAX_PERCENT, $this->pressurePercent * $by))) : $this;
    }

    public function withPasses(int $passes): self
    {
        return $this->pencil === null ? $this : self::layer($this->pencil, $this->pressurePercent, $passes);
    }

    public function __toString(): string
    {
        if ($this->pencil === null) {
            return $this->kind->value;
        }
        $pressure = rtrim(rtrim(sprintf('%.2f', $this->pressurePercent), '0'), '.');

        return $this->pencil.'@'.$pressure.($this->passes > 1 ? 'x'.$this->passes : '');
    }
}
