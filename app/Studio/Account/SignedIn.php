<?php

declare(strict_types=1);

namespace App\Studio\Account;

use App\Models\User;
use Illuminate\Contracts\Session\Session;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Where an artist is signed in, as the sessions in the database tell it. */
final class SignedIn
{
    private const BROWSERS = ['/Edg/' => 'Edge', '/OPR|Opera/' => 'Opera', '/Firefox|FxiOS/' => 'Firefox', '/Chrome|CriOS/' => 'Chrome', '/Safari/' => 'Safari'];

    private const SYSTEMS = ['/Android/' => 'Android', '/iPhone/' => 'iPhone', '/iPad/' => 'iPad', '/Windows/' => 'Windows', '/Mac OS/' => 'macOS', '/Linux/' => 'Linux'];

    /** @return list<array{here: bool, browser: string, address: string, lastAt: string}> this one first, then the latest */
    public static function of(User $artist, Session $here): array
    {
        $rows = DB::table('sessions')->where('user_id', $artist->id)->where('last_activity', '>=', time() - 60 * (int) config('session.lifetime'))->orderByDesc('last_activity')->limit(50)->get(['id', 'ip_address', 'user_agent', 'last_activity']);
        $all = array_map(static fn (object $row): array => [
            'here' => $row->id === $here->getId(), 'browser' => self::named((string) $row->user_agent), 'address' => (string) $row->ip_address,
            'lastAt' => Carbon::createFromTimestamp($row->last_activity)->toIso8601ZuluString(),
        ], $rows->all());
        usort($all, static fn (array $one, array $other): int => $other['here'] <=> $one['here']);

        return $all;
    }

    /** Everywhere but here; what was to be remembered elsewhere is forgotten. */
    public static function endElsewhere(User $artist, Session $here): void
    {
        DB::table('sessions')->where('user_id', $artist->id)->where('id', '!=', $here->getId())->delete();
        $artist->forceFill(['remember_token' => Str::random(60)])->save();
    }

    private static function named(string $agent): string
    {
        $of = static fn (array $names): ?string => array_find($names, static fn (string $name, string $pattern): bool => preg_match($pattern, $agent) === 1);

        return implode(' on ', array_filter([$of(self::BROWSERS), $of(self::SYSTEMS)])) ?: 'Something else';
    }
}
