<?php

declare(strict_types=1);

namespace Prism\Reference;

/** Something cannot be read in a photo in the way that was asked for; the message says what would be right. */
final class LookRefused extends \DomainException
{
}
