<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Lab;
use Prism\Colour\Wheel;
use Prism\Materials\Binder;
use Prism\Materials\Opacity;
use Prism\Materials\PencilKind;

/** A pencil as the rules of the trade see it: by its heavy coat. */
final readonly class PencilCoat
{
    /** Less coloured than this it is no complement of anything, C*ab. */
    public const COLOURED = 12.0;

    /** Greys, violets and dark cool colours, darker than this, L*: what shadow form is drawn in. */
    private const FORM_L = 75.0;

    private const FORM_POSITIONS = [11.0, 16.5];

    /** Blues, and magentas with violets, on the wheel of 18: what neutral greys are mixed of. */
    private const BLUES = [10.8, 13.9];

    private const MAGENTAS = [14.4, 18.0];

    private const RED = 0.5;

    /** Up to here, L*, a pencil is dark enough to anchor. */
    private const DARK_L = 45.0;

    /** L* from which, and chroma within which, a pale colour that is no white softens a passage at the end. */
    private const PALE = 76.0;

    private const PALE_CHROMA = [2.5, 26.0];

    public float $L;

    public float $chroma;

    /** On the wheel of 18. */
    public float $position;

    public function __construct(public Lab $coat, public PencilKind $kind, public ?Binder $binder, public Opacity $opacity, public bool $isSoft = false, public bool $stains = false)
    {
        $this->L = $coat->L;
        $this->chroma = $coat->chroma();
        $this->position = Wheel::position($coat->hueDegrees());
    }

    public function isColoured(): bool
    {
        return $this->chroma > self::COLOURED;
    }

    /** Cream, ivory, a pale flesh, a light grey: what passages are softened with. */
    public function isLightener(): bool
    {
        return $this->L >= self::PALE && $this->chroma >= self::PALE_CHROMA[0] && $this->chroma <= self::PALE_CHROMA[1];
    }

    public function isForm(): bool
    {
        return $this->L < self::FORM_L && (! $this->isColoured() || ($this->position >= self::FORM_POSITIONS[0] && $this->position <= self::FORM_POSITIONS[1]));
    }

    public function isBlue(): bool
    {
        return $this->isColoured() && $this->position >= self::BLUES[0] && $this->position <= self::BLUES[1];
    }

    public function isMagenta(): bool
    {
        return $this->isColoured() && (($this->position >= self::MAGENTAS[0] && $this->position <= self::MAGENTAS[1]) || $this->position < self::RED);
    }

    /** What may be laid firmly early where that is the school: darks, and what is opaque. */
    public function anchors(): bool
    {
        return $this->L < self::DARK_L || $this->opacity === Opacity::Opaque;
    }
}
