<?php

declare(strict_types=1);

namespace Prism\Reference;

use Prism\Colour\Lab;

/**
 * What the artist makes of the colours of a photo: more or less coloured, lights and shadows warmer or cooler, all in one hue, or
 * a thing in another local colour. Values stay as they are.
 */
final readonly class Interpretation
{
    /** Percent of the photo's chroma, and how far lights and shadows go towards warm, CIELAB. */
    public const LEAST_CHROMA = 0;

    public const MOST_CHROMA = 160;

    public const MOST_WARMTH = 15;

    /** Lighter than the first a colour is altogether a light, darker than the second none; and the same for shadows, L*. */
    private const LIGHTS = [80.0, 50.0];

    private const SHADOWS = [25.0, 55.0];

    /** With one colour on toned paper: percent of the chroma in zones that are quiet, usual, and draw the eye. */
    private const DRIFTS = [1 => 45, 2 => 75, 3 => 120];

    /** The hue of the warmest colours, degrees. */
    private const WARMEST_HUE = 55.0;

    /** With less chroma a colour has no hue of its own to keep. */
    private const GREY = 4.0;

    /** A part of a thing has no more than so much of the chroma of its middle, nor less. */
    private const VARIES = [0.35, 1.5];

    /** In one hue, colours are strongest here and lose towards black and white, L*. */
    private const STRONGEST = 50.0;

    private const FADES = 62.0;

    /**
     * @param  int  $chroma  percent of the photo's
     * @param  int  $lights  CIELAB towards warm; negative: towards cool
     * @param  int  $shadows  the same
     * @param  ?Lab  $hue  the one hue of all; null: each its own
     * @param  ?Lab  $local  what the middle of a thing is instead; null: as it is
     */
    public function __construct(public int $chroma = 100, public int $lights = 0, public int $shadows = 0, public ?Lab $hue = null, public ?Lab $local = null)
    {
    }

    /** @param  array<string, mixed>|null  $kept  as {@see toArray()} gives it */
    public static function fromArray(?array $kept): self
    {
        $lab = static fn (mixed $of): ?Lab => is_array($of) ? Lab::of((float) $of[0], (float) $of[1], (float) $of[2]) : null;

        return new self((int) ($kept['chroma'] ?? 100), (int) ($kept['lights'] ?? 0), (int) ($kept['shadows'] ?? 0), $lab($kept['hue'] ?? null), $lab($kept['local'] ?? null));
    }

    /** @return array{chroma: int, lights: int, shadows: int, hue: ?array{float, float, float}, local: ?array{float, float, float}} */
    public function toArray(): array
    {
        $of = static fn (?Lab $lab): ?array => $lab === null ? null : [round($lab->L, 2), round($lab->a, 2), round($lab->b, 2)];

        return ['chroma' => $this->chroma, 'lights' => $this->lights, 'shadows' => $this->shadows, 'hue' => $of($this->hue), 'local' => $of($this->local)];
    }

    public function isNone(): bool
    {
        return $this->chroma === 100 && $this->lights === 0 && $this->shadows === 0 && $this->hue === null && $this->local === null;
    }

    /** Of a picture, with what one of its zones has of its own on top. */
    public function and(self $zone): self
    {
        $most = static fn (int $sum): int => max(-self::MOST_WARMTH, min(self::MOST_WARMTH, $sum));

        return new self(intdiv($this->chroma * $zone->chroma, 100), $most($this->lights + $zone->lights), $most($this->shadows + $zone->shadows), $zone->hue ?? $this->hue, $zone->local);
    }

    /**
     * As one colour is used on toned paper: strong where the eye should go, drifting off elsewhere.
     *
     * @param  int  $importance  of the zone: 1 quiet, 2 usual, 3 draws the eye
     */
    public function drifting(int $importance): self
    {
        return new self(min(self::MOST_CHROMA, intdiv($this->chroma * (self::DRIFTS[$importance] ?? 100), 100)), $this->lights, $this->shadows, $this->hue, $this->local);
    }

    /**
     * @param  Lab  $read  as the photo shows it
     * @param  Lab  $middle  the middle of the thing that it is part of, as the photo shows it
     */
    public function colour(Lab $read, Lab $middle): Lab
    {
        if ($this->isNone()) {
            return $read;
        }
        [$a, $b] = [$read->a, $read->b];
        if ($this->local !== null) {
            [$a, $b] = self::polar($this->local->chroma() * self::share($read, $middle), $this->local->hueDegrees() + self::turned($read, $middle));
        }
        if ($this->hue !== null) {
            $fades = max(0.0, 1.0 - (($read->L - self::STRONGEST) / self::FADES) ** 2);
            [$a, $b] = self::polar($this->hue->chroma() * $fades, $this->hue->hueDegrees());
        }
        $chroma = $this->chroma / 100.0;
        $warmer = $this->lights * self::weight($read->L, ...self::LIGHTS) + $this->shadows * self::weight($read->L, ...self::SHADOWS);

        return Lab::of($read->L, $chroma * $a + $warmer * cos(deg2rad(self::WARMEST_HUE)), $chroma * $b + $warmer * sin(deg2rad(self::WARMEST_HUE)));
    }

    /** How coloured a part is against the middle of its thing. */
    private static function share(Lab $read, Lab $middle): float
    {
        return $middle->chroma() < self::GREY ? 1.0 : max(self::VARIES[0], min(self::VARIES[1], $read->chroma() / $middle->chroma()));
    }

    /** Degrees by which a part's hue lies off that of the middle. */
    private static function turned(Lab $read, Lab $middle): float
    {
        if ($read->chroma() < self::GREY || $middle->chroma() < self::GREY) {
            return 0.0;
        }

        return fmod($read->hueDegrees() - $middle->hueDegrees() + 540.0, 360.0) - 180.0;
    }

    /** @return array{float, float} a*, b* */
    private static function polar(float $chroma, float $degrees): array
    {
        return [$chroma * cos(deg2rad($degrees)), $chroma * sin(deg2rad($degrees))];
    }

    private static function weight(float $L, float $full, float $none): float
    {
        return max(0.0, min(1.0, ($L - $none) / ($full - $none)));
    }
}
