<?php

declare(strict_types=1);

namespace App\Studio\Photos;

/** A picture that cannot be a reference; the message says what is wrong and what would be right. */
final class PhotoRefused extends \DomainException
{
}
