<?php

declare(strict_types=1);

namespace Prism\Planning;

/** Which colours of a picture lie at each pixel of it: between which two, and how far on the way from the first to the second. */
final readonly class PartMap
{
    /** Steps between two colours that are told apart. */
    public const SHARES = 255;

    /**
     * @param  list<PictureTarget>  $targets  colours of all zones
     * @param  list<array{int, int}>  $pairs  of them that pixels lie between, by index, from the second on: the first stands for none
     * @param  string  $lies  three bytes a pixel: the pair, low byte first, and the share of the way of {@see self::SHARES}
     */
    public function __construct(public int $width, public int $height, public array $targets, private array $pairs, private string $lies)
    {
    }

    public function count(): int
    {
        return $this->width * $this->height;
    }

    /**
     * The two colours that a pixel lies between, by index, and how far it is on the way from the first to the second.
     *
     * @return ?array{int, int, float} null: no zone, or none with a light, a middle or a dark
     */
    public function at(int $pixel): ?array
    {
        $pair = ord($this->lies[3 * $pixel]) | ord($this->lies[3 * $pixel + 1]) << 8;

        return $pair === 0 ? null : [$this->pairs[$pair][0], $this->pairs[$pair][1], ord($this->lies[3 * $pixel + 2]) / (float) self::SHARES];
    }

    /**
     * All of it: for each pixel three bytes, the two colours that it lies between, counted from 1 (0: none), and how far it is on the
     * way from the first to the second, of 255. Colours beyond the 255th are none.
     */
    public function bytes(): string
    {
        $told = array_map(static fn (array $pair): ?string => max($pair) > 254 ? null : chr($pair[0] + 1).chr($pair[1] + 1), $this->pairs);
        $told[0] = null;
        $bytes = '';
        for ($at = 0, $end = strlen($this->lies); $at < $end; $at += 3) {
            $pair = $told[ord($this->lies[$at]) | ord($this->lies[$at + 1]) << 8];
            $bytes .= $pair === null ? "\0\0\0" : $pair.$this->lies[$at + 2];
        }

        return $bytes;
    }

    /**
     * Where some colours lie.
     *
     * @param  list<string>  $targets  ids
     * @return string a byte a pixel: 0 nowhere, 255 altogether
     */
    public function mask(array $targets): string
    {
        $wanted = array_map(static fn (PictureTarget $target): int => in_array($target->id, $targets, true) ? self::SHARES : 0, $this->targets);
        $mask = '';
        for ($at = 0, $count = $this->count(); $at < $count; $at++) {
            $lies = $this->at($at);
            $mask .= $lies === null ? "\0" : chr((int) round($wanted[$lies[0]] + $lies[2] * ($wanted[$lies[1]] - $wanted[$lies[0]])));
        }

        return $mask;
    }

    /** All of it but the colours themselves, to be kept. */
    public function packed(): string
    {
        return Parcel::pack([$this->width, $this->height, count($this->targets), $this->pairs, $this->lies]);
    }

    /**
     * @param  list<PictureZone>  $zones  whose map it was
     * @return ?self null where the bytes are damaged, or of other zones
     */
    public static function unpacked(string $packed, array $zones): ?self
    {
        $kept = Parcel::unpack($packed);
        $targets = self::targetsOf($zones);
        if (! is_array($kept) || count($kept) !== 5) {
            return null;
        }
        [$width, $height, $count, $pairs, $lies] = array_values($kept);
        if (! is_int($width) || ! is_int($height) || ! is_array($pairs) || ! is_string($lies) || $count !== count($targets) || strlen($lies) !== 3 * $width * $height) {
            return null;
        }

        /** @var list<array{int, int}> $pairs */
        return new self($width, $height, $targets, $pairs, $lies);
    }

    /**
     * @param  list<PictureZone>  $zones
     * @return list<PictureTarget> zone by zone
     */
    public static function targetsOf(array $zones): array
    {
        return array_merge(...array_map(static fn (PictureZone $zone): array => $zone->targets, $zones));
    }
}
