<?php

declare(strict_types=1);

namespace App\Studio\Account;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use TCPDF2DBarcode;

/**
 * What is asked for beside the password, where an artist wants it: a code by the time, or one of ten codes for the day the telephone is lost. No
 * code is taken twice.
 *
 * @phpstan-type Factor array{key: string, confirmed: bool, used: int, codes: list<string>}
 */
final class SecondFactor
{
    private const CODES = 10;

    /** Without 0, 1, l and o. */
    private const SIGNS = '23456789abcdefghjkmnpqrstuvwxyz';

    private const SIGNS_OF_ONE = 10;

    /** Clocks differ: codes of so many steps before and after are taken. */
    private const STEPS_OFF = 1;

    /**
     * A new key, which counts only once a code of it was written: nobody is shut out by a key that was not read.
     *
     * @return array{key: string, uri: string, picture: string} as it is typed, and as it is photographed: SVG
     */
    public static function begin(User $artist): array
    {
        $key = Totp::key();
        self::keep($artist, ['key' => bin2hex($key), 'confirmed' => false, 'used' => 0, 'codes' => []]);
        $uri = Totp::uri($key, $artist->email, (string) config('app.name'));

        return ['key' => Totp::written($key), 'uri' => $uri, 'picture' => str_replace('<svg ', '<svg shape-rendering="crispEdges" ', (new TCPDF2DBarcode($uri, 'QRCODE,M'))->getBarcodeSVGcode(5, 5, 'black'))];
    }

    /** @return ?list<string> codes for the day the telephone is lost; null where the code is not right, or no key was begun */
    public static function confirm(User $artist, string $code): ?array
    {
        return DB::transaction(static function () use ($artist, $code): ?array {
            $factor = self::locked($artist);
            $step = $factor === null || $factor['confirmed'] ? null : self::step($factor, $code);
            if ($factor === null || $step === null) {
                return null;
            }

            return self::withCodes($artist, [...$factor, 'confirmed' => true, 'used' => $step]);
        });
    }

    /** @return ?list<string> new ones, in place of those there were; null where there is no second factor */
    public static function codes(User $artist): ?array
    {
        return DB::transaction(static function () use ($artist): ?array {
            $factor = self::locked($artist);

            return $factor === null || ! $factor['confirmed'] ? null : self::withCodes($artist, $factor);
        });
    }

    public static function end(User $artist): void
    {
        $artist->forceFill(['second_factor' => null])->save();
    }

    public static function isOn(User $artist): bool
    {
        return $artist->second_factor['confirmed'] ?? false;
    }

    public static function codesLeft(User $artist): int
    {
        return count($artist->second_factor['codes'] ?? []);
    }

    /** Whether a code is right; it is used up then. */
    public static function takes(User $artist, string $code): bool
    {
        return DB::transaction(static function () use ($artist, $code): bool {
            $factor = self::locked($artist);
            if ($factor === null || ! $factor['confirmed']) {
                return false;
            }
            $step = self::step($factor, $code);
            if ($step !== null) {
                self::keep($artist, [...$factor, 'used' => $step]);

                return true;
            }
            $digest = self::digest($code);
            $left = array_values(array_filter($factor['codes'], static fn (string $kept): bool => ! hash_equals($kept, $digest)));
            if (count($left) === count($factor['codes'])) {
                return false;
            }
            self::keep($artist, [...$factor, 'codes' => $left]);

            return true;
        });
    }

    /**
     * The step of a code, if it is one about now that was not used yet.
     *
     * @param  Factor  $factor
     */
    private static function step(array $factor, string $code): ?int
    {
        $written = (string) preg_replace('/\s+/', '', $code);
        $now = Totp::stepAt(now()->getTimestamp());
        $taken = null;
        for ($step = $now - self::STEPS_OFF; $step <= $now + self::STEPS_OFF; $step++) {
            if ($step > $factor['used'] && hash_equals(Totp::code((string) hex2bin($factor['key']), $step), $written)) {
                $taken = $step;
            }
        }

        return $taken;
    }

    /**
     * @param  Factor  $factor
     * @return list<string>
     */
    private static function withCodes(User $artist, array $factor): array
    {
        $codes = [];
        for ($i = 0; $i < self::CODES; $i++) {
            $code = '';
            for ($j = 0; $j < self::SIGNS_OF_ONE; $j++) {
                $code .= ($j === self::SIGNS_OF_ONE / 2 ? '-' : '').self::SIGNS[random_int(0, strlen(self::SIGNS) - 1)];
            }
            $codes[] = $code;
        }
        self::keep($artist, [...$factor, 'codes' => array_map(self::digest(...), $codes)]);

        return $codes;
    }

    /** They are long enough, and made by chance, that a plain digest keeps them. */
    private static function digest(string $code): string
    {
        return hash('sha256', (string) preg_replace('/[^a-z0-9]/', '', strtolower($code)));
    }

    /** @return ?Factor as nobody else changes it meanwhile */
    private static function locked(User $artist): ?array
    {
        $row = User::query()->whereKey($artist->id);

        return $row->lockForUpdate()->first()?->second_factor;
    }

    /** @param  Factor  $factor */
    private static function keep(User $artist, array $factor): void
    {
        $artist->forceFill(['second_factor' => $factor])->save();
    }
}
