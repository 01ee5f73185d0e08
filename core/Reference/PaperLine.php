<?php

declare(strict_types=1);

namespace Prism\Reference;

/**
 * A straight line between two places of a drawing, as one holds a pencil at arm's length against what one draws: how long it is on the
 * paper, how far it goes across and up, and how it leans. Which of its ends comes first says nothing.
 */
final readonly class PaperLine
{
    /** Within so many degrees of it a line is plumb, or level. */
    private const STRAIGHT = 0.5;

    /** Shorter than that, mm, two places are one. */
    private const LEAST = 0.5;

    private const MM_PER_INCH = 25.4;

    /** Lines are alike for the hand within so many mm, and as large a share of their length. */
    private const ALIKE_MM = 1.0;

    private const ALIKE_SHARE = 0.01;

    /**
     * @param  float  $across  mm from the lower end to the upper, to the right
     * @param  float  $up  mm, 0 and more
     */
    private function __construct(public float $across, public float $up)
    {
    }

    /**
     * Between two places, mm from the upper left corner of the drawing.
     *
     * @throws LookRefused if they are one
     */
    public static function between(float $x1, float $y1, float $x2, float $y2): self
    {
        $across = $x2 - $x1;
        $up = $y1 - $y2;
        if (hypot($across, $up) < self::LEAST) {
            throw new LookRefused('Both ends lie on one spot. Put the second one farther away.');
        }

        return $up < 0.0 || ($up === 0.0 && $across < 0.0) ? new self(-$across, -$up) : new self($across, $up);
    }

    /** Length on the paper, mm. */
    public function length(): float
    {
        return hypot($this->across, $this->up);
    }

    /** Degrees from plumb, more than -90 to 90; to the right is positive: 90 is level. */
    public function lean(): float
    {
        return rad2deg(atan2($this->across, $this->up));
    }

    /** @param  bool  $inInches  else in millimetres */
    public function words(bool $inInches = false): string
    {
        $lean = $this->lean();

        return sprintf('%s long, %s', self::measured($this->length(), $inInches), match (true) {
            abs($lean) <= self::STRAIGHT => 'plumb',
            abs($lean) >= 90.0 - self::STRAIGHT => 'level',
            abs($lean) <= 45.0 => sprintf('leans %.0f° to the %s of plumb', abs($lean), $lean > 0.0 ? 'right' : 'left'),
            default => sprintf('%s %.0f° to the right', $lean > 0.0 ? 'rises' : 'falls', 90.0 - abs($lean)),
        });
    }

    /**
     * How this one, in the drawing, differs from the same in the photo.
     *
     * @param  bool  $inInches  else in millimetres
     */
    public function against(self $photo, bool $inInches = false): string
    {
        $longer = $this->length() - $photo->length();
        $turned = fmod($this->lean() - $photo->lean() + 270.0, 180.0) - 90.0;
        $alike = max(self::ALIKE_MM, self::ALIKE_SHARE * $photo->length());
        $told = [];
        if (abs($longer) > $alike) {
            $told[] = sprintf('%s too %s', self::measured(abs($longer), $inInches), $longer > 0.0 ? 'long' : 'short');
        }
        // As far as its end has gone aside.
        if (abs(deg2rad($turned)) * $photo->length() > $alike) {
            $told[] = sprintf('turned %s° too far %s', self::rounded(abs($turned), 5.0), $turned > 0.0 ? 'clockwise' : 'counter-clockwise');
        }

        return $told === [] ? 'as in the photo' : implode(', ', $told);
    }

    private static function measured(float $mm, bool $inInches): string
    {
        return $inInches ? sprintf('%.2f in', $mm / self::MM_PER_INCH) : self::rounded($mm, 20.0).' mm';
    }

    /** With one decimal below a bound. */
    private static function rounded(float $value, float $bound): string
    {
        return $value < $bound ? sprintf('%.1f', $value) : sprintf('%.0f', $value);
    }
}
