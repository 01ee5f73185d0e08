<?php

declare(strict_types=1);

namespace Prism\Colour;

/**
 * A colour in CIE 1976 L*a*b*, illuminant D50, 2 degree observer. L* 0-100; a*, b* about -130 to 130.
 */
final readonly class Lab implements \JsonSerializable
{
    public const EPSILON = 216.0 / 24389.0;

    public const KAPPA = 24389.0 / 27.0;

    /** Below this C*ab a colour counts as a grey, a black or a white. */
    private const NEUTRAL_CHROMA = 7.0;

    private const NUMBER = '(-?(?:\d+\.?\d*|\.\d+))';

    private function __construct(public float $L, public float $a, public float $b)
    {
    }

    /**
     * @throws InvalidColour if a value is not finite, L* is outside 0-100 or a*, b* outside -200 to 200
     */
    public static function of(float $L, float $a, float $b): self
    {
        if (! is_finite($L) || $L < 0.0 || $L > 100.0) {
            throw new InvalidColour(sprintf('L* is %s; it goes from 0 (black) to 100 (white).', self::spoken($L)));
        }
        foreach (['a*' => $a, 'b*' => $b] as $axis => $value) {
            if (! is_finite($value) || abs($value) > 200.0) {
                throw new InvalidColour(sprintf('%s is %s; it goes from -200 to 200.', $axis, self::spoken($value)));
            }
        }

        return new self($L, $a, $b);
    }

    /**
     * X, Y, Z each divided by that of the white: 0-1 for surfaces. Negative values count as 0. CIE 15:2004, 8.2.1.
     *
     * @throws InvalidColour if a value is not finite
     */
    public static function fromRelativeXyz(float $x, float $y, float $z): self
    {
        if (! is_finite($x + $y + $z)) {
            throw new InvalidColour(sprintf('X, Y, Z are %s, %s, %s; each must be a number.', self::spoken($x), self::spoken($y), self::spoken($z)));
        }
        $fx = self::f($x);
        $fy = self::f($y);
        $fz = self::f($z);

        return new self(max(0.0, min(100.0, 116.0 * $fy - 16.0)), 500.0 * ($fx - $fy), 200.0 * ($fy - $fz));
    }

    /**
     * @param  string  $hex  #rgb or #rrggbb, with or without #
     *
     * @throws InvalidColour if it is neither
     */
    public static function fromHex(string $hex): self
    {
        $digits = ltrim(trim($hex), '#');
        if (preg_match('/^[0-9a-fA-F]{3}\z/', $digits) === 1) {
            $digits = $digits[0].$digits[0].$digits[1].$digits[1].$digits[2].$digits[2];
        }
        if (preg_match('/^[0-9a-fA-F]{6}\z/', $digits) !== 1) {
            throw new InvalidColour(self::refused($hex));
        }

        return Srgb::toLab((int) hexdec(substr($digits, 0, 2)), (int) hexdec(substr($digits, 2, 2)), (int) hexdec(substr($digits, 4, 2)));
    }

    /**
     * As an artist types it: #rrggbb, or three numbers L* a* b*. Without its # it may be the number of a pencil, and is no colour.
     *
     * @throws InvalidColour if it is neither
     */
    public static function typed(string $text): self
    {
        if (preg_match('/^\s*'.self::NUMBER.'[\s,;]+'.self::NUMBER.'[\s,;]+'.self::NUMBER.'\s*\z/', $text, $lab) === 1) {
            return self::of((float) $lab[1], (float) $lab[2], (float) $lab[3]);
        }
        if (! str_starts_with(trim($text), '#')) {
            throw new InvalidColour(self::refused($text));
        }

        return self::fromHex($text);
    }

    private static function refused(string $text): string
    {
        return sprintf('"%s" is not a colour; write it as # and six hexadecimal digits, such as #7a8b9c.', $text);
    }

    /** As #rrggbb in sRGB; what the screen cannot show is clipped. */
    public function toHex(): string
    {
        return Srgb::hex($this);
    }

    /** @return array{float, float, float} X, Y, Z relative to white */
    public function toRelativeXyz(): array
    {
        $fy = ($this->L + 16.0) / 116.0;

        return [self::inverse($fy + $this->a / 500.0), self::inverse($fy), self::inverse($fy - $this->b / 200.0)];
    }

    /** Whether it counts as a grey, a black or a white. */
    public function isNeutral(): bool
    {
        return $this->chroma() < self::NEUTRAL_CHROMA;
    }

    /** C*ab, 0 and up. */
    public function chroma(): float
    {
        return hypot($this->a, $this->b);
    }

    /** Hue angle hab in degrees, 0 up to 360; 0 for a neutral. */
    public function hueDegrees(): float
    {
        if ($this->a === 0.0 && $this->b === 0.0) {
            return 0.0;
        }
        $degrees = rad2deg(atan2($this->b, $this->a));

        return $degrees < 0.0 ? $degrees + 360.0 : $degrees;
    }

    /** CIEDE2000 colour difference, 0 and up. */
    public function differenceTo(self $other): float
    {
        return DeltaE::ciede2000($this->L, $this->a, $this->b, $other->L, $other->a, $other->b);
    }

    /** A share of the way to another, 0-1, straight through CIELAB. */
    public function towards(self $other, float $share): self
    {
        return self::of($this->L + $share * ($other->L - $this->L), $this->a + $share * ($other->a - $this->a), $this->b + $share * ($other->b - $this->b));
    }

    public function withLightness(float $L): self
    {
        return self::of($L, $this->a, $this->b);
    }

    /** @return array{L: float, a: float, b: float} */
    public function jsonSerialize(): array
    {
        return ['L' => round($this->L, 3), 'a' => round($this->a, 3), 'b' => round($this->b, 3)];
    }

    private static function f(float $t): float
    {
        return $t > self::EPSILON ? $t ** (1.0 / 3.0) : (self::KAPPA * max(0.0, $t) + 16.0) / 116.0;
    }

    private static function inverse(float $f): float
    {
        $cube = $f ** 3;

        return $cube > self::EPSILON ? $cube : (116.0 * $f - 16.0) / self::KAPPA;
    }

    private static function spoken(float $value): string
    {
        return is_finite($value) ? (string) round($value, 2) : 'not a number';
    }
}
