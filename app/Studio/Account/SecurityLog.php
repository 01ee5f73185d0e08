<?php

declare(strict_types=1);

namespace App\Studio\Account;

use App\Models\User;
use Illuminate\Auth\Access\Events\GateEvaluated;
use Illuminate\Auth\Access\Response;
use Illuminate\Auth\Events\Failed;
use Illuminate\Auth\Events\Login;
use Illuminate\Auth\Events\Logout;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Events\Dispatcher;
use Illuminate\Support\Facades\Log;

/** Who came in, who did not, who asked for what is another's, and what became of accounts: when, from which address, by number. No name, no address of mail, no secret. */
final class SecurityLog
{
    public function subscribe(Dispatcher $events): void
    {
        $events->listen(Login::class, static fn (Login $event) => self::note($event->remember ? 'signed in, to stay' : 'signed in', $event->user));
        $events->listen(Logout::class, static function (Logout $event): void {
            // Whoever is signed out already is no news.
            if ($event->user instanceof User) {
                self::note('signed out', $event->user);
            }
        });
        $events->listen(GateEvaluated::class, static function (GateEvaluated $event): void {
            /** @var bool|Response|null $result */
            $result = $event->result;
            if ($result === false || ($result instanceof Response && $result->denied())) {
                $of = $event->arguments[0] ?? null;
                self::note(sprintf('was not let %s %s', $event->ability, $of instanceof Model ? class_basename($of).' '.$of->getKey() : ''), $event->user);
            }
        });
        $events->listen(Failed::class, static fn (Failed $event) => self::note('did not get in', $event->user));
    }

    /** @param  string  $what  happened, in a few words */
    public static function note(string $what, ?Authenticatable $whom): void
    {
        Log::channel('security')->info($what, ['artist' => $whom instanceof User ? $whom->id : null, 'address' => request()->ip()]);
    }
}
