<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use UnexpectedValueException;

/** The entries of a pair library that come anywhere near a target: where many stacks for it are found. Can be kept as bytes. */
final readonly class Nearby
{
    /** Of an entry: its place in the library and its miss. */
    private const ENTRY_BYTES = 8;

    /**
     * @param  array<int, float>  $singles  of each pencil the nearest: miss by entry, in dE00, nearest first
     * @param  array<int, float>  $pairs  of each ordered pair the nearest, likewise
     */
    public function __construct(public array $singles, public array $pairs)
    {
    }

    public function pack(): string
    {
        $both = $this->singles + $this->pairs;

        return pack('V', count($this->singles)).pack('V*', ...array_keys($both)).pack('g*', ...$both);
    }

    /** @throws UnexpectedValueException if the bytes are not whole */
    public static function unpack(string $bytes): self
    {
        $count = intdiv(max(0, strlen($bytes) - 4), self::ENTRY_BYTES);
        $singles = strlen($bytes) === 4 + $count * self::ENTRY_BYTES ? unpack('V', $bytes) : false;
        $entries = $singles === false ? false : unpack("V$count", $bytes, 4);
        $misses = $entries === false ? false : unpack("g$count", $bytes, 4 + 4 * $count);
        if ($singles === false || $entries === false || $misses === false || $singles[1] > $count) {
            throw new UnexpectedValueException('What comes near a colour is not whole.');
        }
        $both = array_combine($entries, $misses);

        return new self(array_slice($both, 0, $singles[1], true), array_slice($both, $singles[1], null, true));
    }
}
