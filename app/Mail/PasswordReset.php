<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** Plain text on purpose: no Markdown package is installed (docs/decisions/0002-compat.md). */
final class PasswordReset extends Mailable
{
    public function __construct(private readonly string $address, private readonly string $token)
    {
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: 'A new password for your studio');
    }

    public function content(): Content
    {
        return new Content(text: 'mail.password-reset', with: [
            // Of the studio's own address: that of the request is written by whoever asks.
            'url' => rtrim((string) config('app.url'), '/').'/reset-password?'.http_build_query(['token' => $this->token, 'email' => $this->address]),
            'minutes' => config('auth.passwords.users.expire'),
        ]);
    }
}
