<?php

declare(strict_types=1);

namespace Prism\Practice;

/** A drill cannot be made of this box; the message says what would be right. */
final class PracticeRefused extends \DomainException
{
}
