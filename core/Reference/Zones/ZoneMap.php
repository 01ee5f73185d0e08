<?php

declare(strict_types=1);

namespace Prism\Reference\Zones;

use Prism\Reference\Image\Field;

/**
 * Which zone each pixel of a picture belongs to: 1-255, or 0 where there is none. Zones lie side by side and never
 * over one another.
 */
final readonly class ZoneMap
{
    public const MOST = 255;

    /** @param  string  $labels  a byte a pixel, row by row from the top */
    private function __construct(public int $width, public int $height, public string $labels)
    {
    }

    /** @throws \InvalidArgumentException if the bytes are not width x height */
    public static function of(int $width, int $height, string $labels): self
    {
        if ($width < 1 || $height < 1 || strlen($labels) !== $width * $height) {
            throw new \InvalidArgumentException(sprintf('A map of %d x %d needs %d bytes; here are %d.', $width, $height, $width * $height, strlen($labels)));
        }

        return new self($width, $height, $labels);
    }

    public static function none(int $width, int $height): self
    {
        return self::of($width, $height, str_repeat("\0", $width * $height));
    }

    /**
     * The whole map in a few kilobytes.
     *
     * @see self::unpack()
     */
    public function pack(): string
    {
        $labels = (string) gzcompress($this->labels, 6);

        return pack('VVV', $this->width, $this->height, crc32($labels)).$labels;
    }

    /** @throws \UnexpectedValueException if the bytes are no map */
    public static function unpack(string $bytes): self
    {
        $head = strlen($bytes) > 12 ? unpack('V3', substr($bytes, 0, 12)) : false;
        $packed = substr($bytes, 12);
        if ($head === false || crc32($packed) !== $head[3]) {
            throw new \UnexpectedValueException('Not a map of zones.');
        }

        return self::of($head[1], $head[2], (string) gzuncompress($packed));
    }

    /** @return array<int, int> pixels of each zone that has any, by zone */
    public function areas(): array
    {
        $areas = count_chars($this->labels, 1);
        unset($areas[0]);

        return $areas;
    }

    public function isEmpty(): bool
    {
        return $this->areas() === [];
    }

    /** A number that no zone has; null if there is none left. */
    public function free(): ?int
    {
        $used = count_chars($this->labels, 1);
        for ($label = 1; $label <= self::MOST; $label++) {
            if (! isset($used[$label])) {
                return $label;
            }
        }

        return null;
    }

    /** The zone at a place, in shares of width and height; 0 if none. */
    public function at(float $x, float $y): int
    {
        $column = max(0, min($this->width - 1, (int) floor($x * $this->width)));
        $row = max(0, min($this->height - 1, (int) floor($y * $this->height)));

        return ord($this->labels[$row * $this->width + $column]);
    }

    /**
     * Some zones become others.
     *
     * @param  array<int, int>  $numbers  old number to new; what is not named stays
     */
    public function renumbered(array $numbers): self
    {
        $from = $to = '';
        foreach ($numbers as $old => $new) {
            $from .= chr($old);
            $to .= chr($new);
        }

        return new self($this->width, $this->height, strtr($this->labels, $from, $to));
    }

    /** All of the second zone goes to the first. */
    public function merged(int $into, int $gone): self
    {
        return $this->renumbered([$gone => $into]);
    }

    /**
     * What lies within a closed line goes to a zone, from whichever it was in, or from one only.
     *
     * @param  list<array{float, float}>  $line  corners as shares of width and height
     * @param  int  $to  0 leaves no zone there
     * @param  ?int  $from  only what was in this zone
     */
    public function lassoed(array $line, int $to, ?int $from = null): self
    {
        $labels = $this->labels;
        foreach (self::spans($line, $this->width, $this->height) as [$row, $first, $last]) {
            for ($at = $row * $this->width + $first, $end = $row * $this->width + $last; $at <= $end; $at++) {
                if ($from === null || ord($labels[$at]) === $from) {
                    $labels[$at] = chr($to);
                }
            }
        }

        return new self($this->width, $this->height, $labels);
    }

    /** What lies in a rectangle, in shares of width and height, as a map of its own. */
    public function clipped(float $x, float $y, float $width, float $height): self
    {
        [$left, $top, $columns, $rows] = Field::box($this->width, $this->height, $x, $y, $width, $height);
        $labels = '';
        for ($row = $top; $row < $top + $rows; $row++) {
            $labels .= substr($this->labels, $row * $this->width + $left, $columns);
        }

        return new self($columns, $rows, $labels);
    }

    /** No zones but in a rectangle, in shares of width and height. */
    public function within(float $x, float $y, float $width, float $height): self
    {
        [$left, $top, $columns, $rows] = Field::box($this->width, $this->height, $x, $y, $width, $height);
        $labels = str_repeat("\0", $top * $this->width);
        for ($row = $top; $row < $top + $rows; $row++) {
            $labels .= str_repeat("\0", $left).substr($this->labels, $row * $this->width + $left, $columns).str_repeat("\0", $this->width - $left - $columns);
        }

        return new self($this->width, $this->height, str_pad($labels, $this->width * $this->height, "\0"));
    }

    /** The part of it in a rectangle; the same as {@see Field::within()} of a field of this size. */
    public function cutOut(float $x, float $y, float $width, float $height): self
    {
        [$left, $top, $columns, $rows] = Field::box($this->width, $this->height, $x, $y, $width, $height);
        $labels = '';
        for ($row = $top; $row < $top + $rows; $row++) {
            $labels .= substr($this->labels, $row * $this->width + $left, $columns);
        }

        return new self($columns, $rows, $labels);
    }

    /**
     * How many pixels each zone of this map shares with each of another of the same size.
     *
     * @return array<int, array<int, int>> this map's zone, the other's, pixels
     */
    public function overlap(self $other): array
    {
        $pairs = [];
        $count = $this->width * $this->height;
        for ($at = 0; $at < $count; $at++) {
            $key = (ord($this->labels[$at]) << 8) | ord($other->labels[$at]);
            $pairs[$key] = ($pairs[$key] ?? 0) + 1;
        }
        $overlap = [];
        foreach ($pairs as $key => $pixels) {
            $overlap[$key >> 8][$key & 255] = $pixels;
        }

        return $overlap;
    }

    /** At another size: nearest neighbour. */
    public function scaled(int $width, int $height): self
    {
        if ($width === $this->width && $height === $this->height) {
            return $this;
        }
        $labels = '';
        for ($y = 0; $y < $height; $y++) {
            $row = intdiv((2 * $y + 1) * $this->height, 2 * $height) * $this->width;
            for ($x = 0; $x < $width; $x++) {
                $labels .= $this->labels[$row + intdiv((2 * $x + 1) * $this->width, 2 * $width)];
            }
        }

        return new self($width, $height, $labels);
    }

    /**
     * Length of the border between each pair of zones that touch, in pixels.
     *
     * @return array<int, array<int, int>> both ways
     */
    public function touching(): array
    {
        $touching = [];
        $count = $this->width * $this->height;
        for ($at = 0; $at < $count; $at++) {
            $own = $this->labels[$at];
            if (($at + 1) % $this->width !== 0 && $this->labels[$at + 1] !== $own) {
                $key = $own.$this->labels[$at + 1];
                $touching[$key] = ($touching[$key] ?? 0) + 1;
            }
            if ($at + $this->width < $count && $this->labels[$at + $this->width] !== $own) {
                $key = $own.$this->labels[$at + $this->width];
                $touching[$key] = ($touching[$key] ?? 0) + 1;
            }
        }
        $both = [];
        foreach ($touching as $key => $length) {
            $key = (string) $key;
            $i = ord($key[0]);
            $j = ord($key[1]);
            if ($i > 0 && $j > 0) {
                $both[$i][$j] = ($both[$i][$j] ?? 0) + $length;
                $both[$j][$i] = ($both[$j][$i] ?? 0) + $length;
            }
        }

        return $both;
    }

    /**
     * For each pixel how far it is from the nearest of another zone or the margin of the picture, in pixels; measured
     * across and down and by the diagonal (chamfer 3-4, Borgefors 1986).
     *
     * @return list<float>
     */
    public function depths(): array
    {
        [$width, $height, $labels] = [$this->width, $this->height, $this->labels];
        $count = $width * $height;
        $depths = array_fill(0, $count, 1e6);
        for ($y = 0; $y < $height; $y++) {
            for ($x = 0; $x < $width; $x++) {
                $at = $y * $width + $x;
                $own = $labels[$at];
                $least = $x === 0 || $y === 0 ? 1.0 : min(
                    $labels[$at - 1] === $own ? $depths[$at - 1] + 1.0 : 1.0,
                    $labels[$at - $width] === $own ? $depths[$at - $width] + 1.0 : 1.0,
                    $labels[$at - $width - 1] === $own ? $depths[$at - $width - 1] + 1.33 : 1.33,
                );
                if ($y > 0 && $x < $width - 1) {
                    $least = min($least, $labels[$at - $width + 1] === $own ? $depths[$at - $width + 1] + 1.33 : 1.33);
                }
                $depths[$at] = $least;
            }
        }
        for ($y = $height - 1; $y >= 0; $y--) {
            for ($x = $width - 1; $x >= 0; $x--) {
                $at = $y * $width + $x;
                $own = $labels[$at];
                $least = $x === $width - 1 || $y === $height - 1 ? 1.0 : min(
                    $labels[$at + 1] === $own ? $depths[$at + 1] + 1.0 : 1.0,
                    $labels[$at + $width] === $own ? $depths[$at + $width] + 1.0 : 1.0,
                    $labels[$at + $width + 1] === $own ? $depths[$at + $width + 1] + 1.33 : 1.33,
                );
                if ($y < $height - 1 && $x > 0) {
                    $least = min($least, $labels[$at + $width - 1] === $own ? $depths[$at + $width - 1] + 1.33 : 1.33);
                }
                $depths[$at] = min($depths[$at], $least);
            }
        }

        return array_values($depths);
    }

    /**
     * Rows of pixels whose centres lie within a closed line, by the even-odd rule.
     *
     * @param  list<array{float, float}>  $line
     * @return list<array{int, int, int}> row, first and last column
     */
    private static function spans(array $line, int $width, int $height): array
    {
        $spans = [];
        $corners = count($line);
        for ($row = 0; $row < $height; $row++) {
            $y = ($row + 0.5) / $height;
            $cuts = [];
            for ($i = 0; $i < $corners; $i++) {
                [$x1, $y1] = $line[$i];
                [$x2, $y2] = $line[($i + 1) % $corners];
                if (($y1 <= $y) !== ($y2 <= $y)) {
                    $cuts[] = $x1 + ($y - $y1) / ($y2 - $y1) * ($x2 - $x1);
                }
            }
            sort($cuts);
            for ($i = 0; $i + 1 < count($cuts); $i += 2) {
                $first = max(0, (int) ceil($cuts[$i] * $width - 0.5));
                $last = min($width - 1, (int) ceil($cuts[$i + 1] * $width - 0.5) - 1);
                if ($first <= $last) {
                    $spans[] = [$row, $first, $last];
                }
            }
        }

        return $spans;
    }
}
