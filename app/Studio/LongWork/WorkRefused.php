<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

/** It cannot be done; the message says why, and what would be right. */
final class WorkRefused extends \DomainException
{
}
