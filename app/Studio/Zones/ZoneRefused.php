<?php

declare(strict_types=1);

namespace App\Studio\Zones;

/** Zones cannot be changed in this way; the message says what would be right. */
final class ZoneRefused extends \DomainException
{
}
