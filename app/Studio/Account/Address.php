<?php

declare(strict_types=1);

namespace App\Studio\Account;

use App\Mail\AddressChanged;
use App\Mail\ConfirmAddress;
use App\Models\User;
use Illuminate\Mail\Mailable;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\URL;
use Throwable;

/**
 * Whether an artist's e-mail is theirs: shown by opening a link that was sent there. Where that is wanted (`prism.confirm_addresses`), nothing
 * goes out of the studio before: no shared links, no tokens.
 */
final class Address
{
    public const DAYS = 3;

    /** What is told where it is wanted and was not shown. */
    public const FIRST = 'Confirm your e-mail first: open the link that was sent there. Studio, under You, sends it again.';

    public static function isOpen(User $artist): bool
    {
        return (bool) config('prism.confirm_addresses') && $artist->email_confirmed_at === null;
    }

    /** Sends the link, where it is wanted. */
    public static function ask(User $artist): void
    {
        if (self::isOpen($artist)) {
            $path = URL::temporarySignedRoute('confirm-address', now()->addDays(self::DAYS), ['artist' => $artist->id, 'digest' => self::digest($artist)], absolute: false);
            self::send($artist->email, new ConfirmAddress(rtrim((string) config('app.url'), '/').$path, self::DAYS));
        }
    }

    /** It is another from now on: that it is theirs has to be shown anew, and the one before is told. */
    public static function changed(User $artist, string $before): void
    {
        $artist->forceFill(['email_confirmed_at' => null])->save();
        self::send($before, new AddressChanged);
        self::ask($artist);
    }

    /** @return bool  whether the link was for the address of now */
    public static function confirm(User $artist, string $digest): bool
    {
        if (! hash_equals(self::digest($artist), $digest)) {
            return false;
        }
        if ($artist->email_confirmed_at === null) {
            $artist->forceFill(['email_confirmed_at' => now()])->save();
            SecurityLog::note('e-mail confirmed', $artist);
        }

        return true;
    }

    private static function digest(User $artist): string
    {
        return hash('sha256', $artist->email);
    }

    /** A post office that is away keeps nobody from work. */
    private static function send(string $to, Mailable $mail): void
    {
        try {
            Mail::to($to)->send($mail);
        } catch (Throwable $away) {
            report($away);
        }
    }
}
