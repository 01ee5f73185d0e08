<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Calibration;
use App\Models\Chart;
use App\Models\DrillRound;
use App\Models\KeptRecipe;
use App\Models\Piece;
use App\Models\Reference;
use App\Models\Restore;
use App\Models\Share;
use App\Models\Swatch;
use App\Models\Work;
use App\Models\Zone;
use App\Models\ZoneTarget;
use App\Studio\Account\SecurityLog;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\SoftDeletingScope;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Route;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * What an address names is looked for among the things of whoever asks, before anything of the request is read: what is another's, or
 * part of what was removed, is not there. Routes `withTrashed` find what was removed itself too.
 */
final class Bindings
{
    /** What is called otherwise on the screen. */
    private const WORDS = ['reference' => 'photo', 'target' => 'colour', 'kept' => 'recipe', 'restore' => 'archive', 'share' => 'link'];

    public static function register(): void
    {
        $own = static fn (Builder $of) => $of->where('user_id', Auth::id());
        $ofPiece = static fn (Builder $of) => $of->whereHas('piece', $own);
        self::bind('piece', Piece::class, $own);
        self::bind('swatch', Swatch::class, $own);
        self::bind('chart', Chart::class, $own);
        self::bind('work', Work::class, $own);
        self::bind('round', DrillRound::class, $own);
        self::bind('kept', KeptRecipe::class, $own);
        self::bind('restore', Restore::class, $own);
        self::bind('calibration', Calibration::class, $own);
        self::bind('reference', Reference::class, $ofPiece);
        self::bind('share', Share::class, $ofPiece);
        self::bind('zone', Zone::class, $ofPiece);
        self::bind('target', ZoneTarget::class, static fn (Builder $of) => $of->whereHas('zone', $ofPiece));
    }

    /**
     * @param  class-string<Model>  $class
     * @param  \Closure(Builder<Model>): Builder<Model>  $own
     */
    private static function bind(string $name, string $class, \Closure $own): void
    {
        Route::bind($name, static function (string $key, \Illuminate\Routing\Route $route) use ($name, $class, $own): Model {
            $rows = $own($class::query());
            if ($route->allowsTrashedBindings()) {
                $rows->withoutGlobalScope(SoftDeletingScope::class);
            }

            return $rows->whereKey($key)->firstOr(static function () use ($name, $class, $key): never {
                if ($class::query()->withoutGlobalScope(SoftDeletingScope::class)->whereKey($key)->exists()) {
                    SecurityLog::note("asked for another's $name $key, or for what was removed", Auth::user());
                }

                throw new NotFoundHttpException(sprintf('There is no such %s in your studio.', self::WORDS[$name] ?? $name));
            });
        });
    }
}
