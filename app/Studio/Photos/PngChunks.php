<?php

declare(strict_types=1);

namespace App\Studio\Photos;

/** What a PNG is made of (W3C, Portable Network Graphics, section 5): a signature and chunks of length, type, data and checksum. */
final class PngChunks
{
    private const SIGNATURE = "\x89PNG\r\n\x1A\n";

    /** The picture, its colours, and which way is up. */
    private const NEEDED = ['IHDR', 'PLTE', 'IDAT', 'IEND', 'tRNS', 'sRGB', 'gAMA', 'cHRM', 'iCCP', 'eXIf', 'sBIT'];

    /** A profile of more is none of a camera's. */
    private const LONGEST_PROFILE = 1_000_000;

    /** Texts and what else may be packed a thousandfold are left out, unread. A damaged file stays as it is: its decoder says so. */
    public static function withoutExtras(string $bytes): string
    {
        $kept = self::SIGNATURE;
        for ($at = strlen(self::SIGNATURE); $at + 12 <= strlen($bytes); $at += 12 + $length) {
            $length = unpack('N', $bytes, $at)[1] ?? PHP_INT_MAX;
            if ($at + 12 + $length > strlen($bytes)) {
                return $bytes;
            }
            $type = substr($bytes, $at + 4, 4);
            if (in_array($type, self::NEEDED, true) && ($type !== 'iCCP' || $length <= self::LONGEST_PROFILE)) {
                $kept .= substr($bytes, $at, 12 + $length);
            }
        }

        return $kept;
    }
}
