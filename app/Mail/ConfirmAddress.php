<?php

declare(strict_types=1);

namespace App\Mail;

use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** The link by which an artist shows that an address is theirs. */
final class ConfirmAddress extends Mailable
{
    public function __construct(private readonly string $link, private readonly int $days)
    {
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: 'Is this your address?');
    }

    public function content(): Content
    {
        return new Content(text: 'mail.confirm-address', with: ['url' => $this->link, 'days' => $this->days]);
    }
}
