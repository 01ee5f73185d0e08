<?php

declare(strict_types=1);

namespace Prism\Colour\Words;

use Prism\Colour\Lab;
use Prism\Colour\ValueScale;
use Prism\Colour\Wheel;

/**
 * A colour as an artist names it: hue family and lean, warm or cool, tint, tone or shade, and value step of nine.
 */
final readonly class Appearance implements \JsonSerializable
{
    /** A neutral below this C*ab is neither warm nor cool, and leans nowhere. */
    private const LEANING_CHROMA = 1.0;

    private function __construct(
        public Lab $lab,
        public float $wheelPosition,
        public Family $family,
        public ?Hue $lean,
        public Temperature $temperature,
        public Character $character,
        public int $valueStep,
    ) {
    }

    public static function of(Lab $lab): self
    {
        $position = Wheel::position($lab->hueDegrees());
        $leans = $lab->chroma() >= self::LEANING_CHROMA;
        $family = Family::of($lab);

        return new self(
            $lab,
            $position,
            $family,
            match (true) {
                ! $family->kind->isNeutral() => Hue::leaned($position),
                $leans => Hue::nearest($position),
                default => null,
            },
            match (true) {
                ! $leans => Temperature::Neutral,
                Wheel::isWarm($position) => Temperature::Warm,
                default => Temperature::Cool,
            },
            Character::of($lab),
            ValueScale::step($lab->L),
        );
    }

    /** One line to read aloud: "yellow with some green, leans green; a light tint, step 8 of 9". */
    public function sentence(): string
    {
        return sprintf(
            '%s%s; %s, step %d of %d',
            $this->family->word(),
            $this->lean === null ? '' : ', leans '.$this->lean->value,
            $this->character->value,
            $this->valueStep,
            ValueScale::STEPS,
        );
    }

    /** @return array{family: string, lean: ?string, temperature: string, character: string, valueStep: int, valuePosition: float, wheelPosition: float, hueDegrees: float, chroma: float, sentence: string} */
    public function jsonSerialize(): array
    {
        return [
            'family' => $this->family->word(),
            'lean' => $this->lean?->value,
            'temperature' => $this->temperature->value,
            'character' => $this->character->value,
            'valueStep' => $this->valueStep,
            'valuePosition' => round(ValueScale::position($this->lab->L), 2),
            'wheelPosition' => round($this->wheelPosition, 2),
            'hueDegrees' => round($this->lab->hueDegrees(), 1),
            'chroma' => round($this->lab->chroma(), 1),
            'sentence' => $this->sentence(),
        ];
    }
}
