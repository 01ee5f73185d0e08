<?php

declare(strict_types=1);

namespace App\Studio\Archive;

/**
 * What zones and colours are called in an archive: numbered, in place of the keys that they have in a studio. So the same piece is
 * written the same, whichever studio it lies in.
 */
final class ArchiveNames
{
    /** @var array<string, string> */
    private array $names = [];

    /** Its name there. */
    public function give(string $key, string $kind): string
    {
        return $this->names[$key] = sprintf('@%s:%04d', $kind, 1 + count($this->names));
    }

    /** Its name there, if it has one. */
    public function of(string $key): ?string
    {
        return $this->names[$key] ?? null;
    }

    /**
     * With all that is known called otherwise, as keys and as values, however deep.
     *
     * @template T
     *
     * @param  T  $told  of plain values
     * @return T
     */
    public function in(mixed $told): mixed
    {
        return $told === null ? null : json_decode(strtr(json_encode($told, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), $this->names), true, flags: JSON_THROW_ON_ERROR);
    }

    /**
     * The other way: of each name, which key it has now.
     *
     * @param  array<string, string>  $keys  by name
     */
    public static function back(array $keys): self
    {
        $names = new self;
        $names->names = $keys;

        return $names;
    }
}
