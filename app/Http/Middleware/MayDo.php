<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use App\Studio\Account\SecurityLog;
use App\Studio\Account\TokenAbility;
use App\Studio\LongWork\WorkKind;
use Closure;
use Illuminate\Http\Request;
use Laravel\Sanctum\Exceptions\MissingAbilityException;
use Symfony\Component\HttpFoundation\Response;

/** A script does what its token is for, and nothing else. */
final class MayDo
{
    /** The first word of addresses that belong to pieces. */
    private const PIECES = ['pieces', 'zones', 'targets', 'references', 'works', 'archives', 'shares', 'practice'];

    private const FIRST_WORD = 3;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $artist = $request->user();
        $wanted = match (true) {
            KeptAnswers::isReadOnly($request) => TokenAbility::Read,
            $request->segment(self::FIRST_WORD) === 'works' && (WorkKind::tryFrom($request->string('kind')->toString())?->isAboutBox() ?? false) => TokenAbility::Box,
            in_array($request->segment(self::FIRST_WORD), self::PIECES, true) => TokenAbility::Pieces,
            default => TokenAbility::Box,
        };
        if (! $artist instanceof User || ! $artist->tokenCan($wanted->value)) {
            SecurityLog::note("a token was not let $wanted->value", $artist);
            throw new MissingAbilityException($wanted->value);
        }

        return $next($request);
    }
}
