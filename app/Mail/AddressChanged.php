<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** To the address that a studio had until now: whoever changed it without leave is noticed. */
final class AddressChanged extends Mailable
{
    public function envelope(): Envelope
    {
        return new Envelope(subject: 'Your studio has another address');
    }

    public function content(): Content
    {
        return new Content(text: 'mail.address-changed', with: ['url' => rtrim((string) config('app.url'), '/').'/studio#you']);
    }
}
