<?php

declare(strict_types=1);

namespace Prism\Reference\Reserves;

use Prism\Colour\DeltaE;
use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;
use Prism\Reference\Image\Field;
use Prism\Reference\Light\ToneMap;
use Prism\Reference\Zones\ZoneMap;

/**
 * What of a picture must stay paper: where the bare paper is nearer to the photo than anything that the box can lay on it.
 * Beside it what must stay pale: where only what is nearly as light as the paper comes near.
 */
final readonly class Reserves
{
    public const NONE = 0;

    public const PAPER = 1;

    public const PALE = 2;

    /** Colours this near in CIELAB are looked up once. */
    private const CELL = 1.5;

    /** What can be laid counts as pale when it is at most so much darker than the paper, in L*. */
    private const PALE_WITHIN = 9.0;

    /** Colours further below the paper than this are neither. */
    private const LOOK_WITHIN = 26.0;

    /** Fewer pixels are a speck of noise. */
    private const SPECK = 4;

    /** A rim is this many times longer than wide. */
    private const RIM = 5.0;

    private const MOST = 60;

    /**
     * @param  string  $mask  a byte a pixel: {@see self::NONE}, {@see self::PAPER} or {@see self::PALE}
     * @param  list<Reserve>  $places  largest first
     */
    private function __construct(public int $width, public int $height, public string $mask, public array $places)
    {
    }

    /**
     * @param  list<Lab>  $laid  colours that the box can lay on this paper, a few hundred are enough
     */
    public static function of(Field $field, ZoneMap $zones, Lab $paper, array $laid, ToneMap $tone): self
    {
        $candidates = array_values(array_filter($laid, static fn (Lab $lab): bool => $lab->L > $paper->L - self::LOOK_WITHIN - self::PALE_WITHIN));
        $known = [];
        $mask = '';
        $count = $field->count();
        for ($at = 0; $at < $count; $at++) {
            $L = $tone->lightness($field->L[$at]);
            if ($L < $paper->L - self::LOOK_WITHIN) {
                $mask .= "\0";

                continue;
            }
            $a = $field->a[$at];
            $b = $field->b[$at];
            $key = ((int) round($L / self::CELL) << 18) | (((int) round($a / self::CELL) + 256) << 9) | ((int) round($b / self::CELL) + 256);
            $known[$key] ??= chr(self::decide($L, $a, $b, $paper, $candidates));
            $mask .= $known[$key];
        }

        return new self($field->width, $field->height, $mask, self::places($mask, $zones));
    }

    /** Share of the picture that must stay paper, and pale. */
    public function share(ReserveKind $kind): float
    {
        return substr_count($this->mask, chr($kind === ReserveKind::Paper ? self::PAPER : self::PALE)) / strlen($this->mask);
    }

    /** @param  list<Lab>  $laid */
    private static function decide(float $L, float $a, float $b, Lab $paper, array $laid): int
    {
        $best = null;
        $least = INF;
        foreach ($laid as $lab) {
            $square = ($lab->L - $L) ** 2 + ($lab->a - $a) ** 2 + ($lab->b - $b) ** 2;
            if ($square < $least) {
                $least = $square;
                $best = $lab;
            }
        }
        // Where the eye sees no difference, bare paper does.
        if ($best === null || DeltaE::ciede2000($L, $a, $b, $best->L, $best->a, $best->b) + Difference::TOLERANCE >= DeltaE::ciede2000($L, $a, $b, $paper->L, $paper->a, $paper->b)) {
            return self::PAPER;
        }

        return $best->L > $paper->L - self::PALE_WITHIN ? self::PALE : self::NONE;
    }

    /** @return list<Reserve> */
    private static function places(string $mask, ZoneMap $zones): array
    {
        [$width, $height] = [$zones->width, $zones->height];
        $depths = ZoneMap::of($width, $height, $mask)->depths();
        $count = $width * $height;
        $seen = array_fill(0, $count, false);
        $places = [];
        for ($start = 0; $start < $count; $start++) {
            if ($seen[$start] || $mask[$start] === "\0") {
                continue;
            }
            $kind = $mask[$start];
            $seen[$start] = true;
            $piece = [$start];
            for ($head = 0; $head < count($piece); $head++) {
                $at = $piece[$head];
                $x = $at % $width;
                $y = intdiv($at, $width);
                for ($k = 0; $k < 9; $k++) {
                    $nx = $x + $k % 3 - 1;
                    $ny = $y + intdiv($k, 3) - 1;
                    if ($nx < 0 || $ny < 0 || $nx >= $width || $ny >= $height) {
                        continue;
                    }
                    $next = $ny * $width + $nx;
                    if (! $seen[$next] && $mask[$next] === $kind) {
                        $seen[$next] = true;
                        $piece[] = $next;
                    }
                }
            }
            if (count($piece) < self::SPECK) {
                continue;
            }
            $middle = $piece[0];
            foreach ($piece as $at) {
                if ($depths[$at] > $depths[$middle]) {
                    $middle = $at;
                }
            }
            $wide = max(1.0, 2.0 * $depths[$middle] - 1.0);
            $places[] = new Reserve(
                ord($kind) === self::PAPER ? ReserveKind::Paper : ReserveKind::Pale,
                count($piece) / $count,
                $wide / $width,
                count($piece) / ($wide * $wide) >= self::RIM,
                ($middle % $width + 0.5) / $width,
                (intdiv($middle, $width) + 0.5) / $height,
                ord($zones->labels[$middle]),
            );
        }
        usort($places, static fn (Reserve $a, Reserve $b): int => $b->share <=> $a->share);

        return array_slice($places, 0, self::MOST);
    }
}
