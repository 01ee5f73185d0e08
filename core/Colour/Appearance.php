<?php

declare(strict_types=1);

namespace Prism\Colour;

/**
 * A colour as an artist names it: hue family and lean, warm or cool, tint, tone or shade, and value step of nine.
 */
final readonly class Appearance implements \JsonSerializable
{
    /** Below this C*ab a colour counts as a grey, a black or a white. */
    public const NEUTRAL_CHROMA = 7.0;

    private function __construct(
        public Lab $lab,
        public float $wheelPosition,
        public string $family,
        public ?string $lean,
        public string $temperature,
        public string $character,
        public int $valueStep,
    ) {
    }

    public static function of(Lab $lab): self
    {
        $position = Wheel::position($lab->hueDegrees());
        $chroma = $lab->chroma();
        $warm = Wheel::isWarm($position);
        $neutral = $chroma < self::NEUTRAL_CHROMA;

        return new self(
            $lab,
            $position,
            $neutral ? self::neutralName($lab, $warm) : self::familyName($lab, $position),
            $neutral ? ($chroma < 1.0 ? null : Wheel::HUES[((int) round($position / 3.0)) % 6]) : Wheel::lean($position),
            $chroma < 1.0 ? 'neutral' : ($warm ? 'warm' : 'cool'),
            self::characterOf($lab, $chroma),
            ValueScale::step($lab->L),
        );
    }

    public function isNeutral(): bool
    {
        return $this->lab->chroma() < self::NEUTRAL_CHROMA;
    }

    /** One line to read aloud: "yellow with some green, leans green; a light tint, step 8 of 9". */
    public function sentence(): string
    {
        return sprintf(
            '%s%s; %s, step %d of %d',
            $this->family,
            $this->lean === null ? '' : ', leans '.$this->lean,
            $this->character,
            $this->valueStep,
            ValueScale::STEPS,
        );
    }

    /** @return array{family: string, lean: ?string, temperature: string, character: string, valueStep: int, valuePosition: float, wheelPosition: float, hueDegrees: float, chroma: float, sentence: string} */
    public function jsonSerialize(): array
    {
        return [
            'family' => $this->family,
            'lean' => $this->lean,
            'temperature' => $this->temperature,
            'character' => $this->character,
            'valueStep' => $this->valueStep,
            'valuePosition' => round(ValueScale::position($this->lab->L), 2),
            'wheelPosition' => round($this->wheelPosition, 2),
            'hueDegrees' => round($this->lab->hueDegrees(), 1),
            'chroma' => round($this->lab->chroma(), 1),
            'sentence' => $this->sentence(),
        ];
    }

    private static function neutralName(Lab $lab, bool $warm): string
    {
        if ($lab->L >= 93.0) {
            return 'white';
        }
        if ($lab->L < 20.0) {
            return 'black';
        }
        if ($lab->chroma() < 1.0) {
            return 'grey';
        }

        return $warm ? 'warm grey' : 'cool grey';
    }

    /** Browns are dark, dull oranges; they are named by what they lean to, as a box is checked. */
    private static function familyName(Lab $lab, float $position): string
    {
        $brown = $position <= 5.6 && $lab->L < 62.0 && $lab->chroma() < 12.0 + 0.55 * $lab->L;
        if (! $brown) {
            return Wheel::family($position);
        }

        return match (true) {
            $lab->L < 33.0 => 'dark brown',
            $position < 2.4 => 'brown with some red',
            $position > 3.8 => 'brown with some yellow',
            default => 'brown',
        };
    }

    private static function characterOf(Lab $lab, float $chroma): string
    {
        if ($chroma < self::NEUTRAL_CHROMA) {
            return match (true) {
                $lab->L >= 75.0 => 'light',
                $lab->L >= 45.0 => 'middle',
                default => 'dark',
            };
        }

        return match (true) {
            $lab->L >= 78.0 && $chroma < 45.0 => 'a tint',
            $lab->L < 38.0 && $chroma < 42.0 => 'a shade',
            $chroma < 28.0 => 'a tone',
            default => 'clean',
        };
    }
}
