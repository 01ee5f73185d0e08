<?php

declare(strict_types=1);

namespace App\Studio\Account;

/** Codes that change with the time, from a key that two share: RFC 6238, over RFC 4226. */
final class Totp
{
    /** A code lasts so long, seconds; and has so many figures. */
    public const STEP = 30;

    private const DIGITS = 6;

    private const KEY_BYTES = 20;

    /** RFC 4648. */
    private const BASE32 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    public static function key(): string
    {
        return random_bytes(self::KEY_BYTES);
    }

    /** Steps since 1970. */
    public static function stepAt(int $seconds): int
    {
        return intdiv($seconds, self::STEP);
    }

    /** The code of a step. */
    public static function code(string $key, int $step, int $digits = self::DIGITS, string $hash = 'sha1'): string
    {
        $mac = hash_hmac($hash, pack('J', $step), $key, true);
        $at = ord($mac[strlen($mac) - 1]) & 0x0F;
        $number = (unpack('N', substr($mac, $at, 4))[1] ?? 0) & 0x7FFFFFFF;

        return str_pad((string) ($number % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    /** A key as it is typed into an authenticator. */
    public static function written(string $key): string
    {
        $bits = implode('', array_map(static fn (string $byte): string => sprintf('%08b', ord($byte)), str_split($key)));

        return implode('', array_map(static fn (string $five): string => self::BASE32[(int) bindec(str_pad($five, 5, '0'))], str_split($bits, 5)));
    }

    /** The same as an address that an authenticator reads. */
    public static function uri(string $key, string $whose, string $where): string
    {
        return sprintf('otpauth://totp/%1$s:%2$s?secret=%3$s&issuer=%1$s', rawurlencode($where), rawurlencode($whose), self::written($key));
    }
}
