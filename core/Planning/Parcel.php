<?php

declare(strict_types=1);

namespace Prism\Planning;

/** Values of the core as bytes: on their way between two processes, or kept beside the photo they were read in. */
final class Parcel
{
    public static function pack(mixed $value): string
    {
        return serialize($value);
    }

    /**
     * Knows no classes but those of the core, whatever the bytes say: any other comes out as an incomplete object.
     *
     * @return mixed false where the bytes are damaged
     */
    public static function unpack(string $bytes): mixed
    {
        preg_match_all('/[OE]:\d+:"(Prism\\\\[\w\\\\]+)[":]/', $bytes, $found);

        return @unserialize($bytes, ['allowed_classes' => array_values(array_unique($found[1]))]);
    }
}
