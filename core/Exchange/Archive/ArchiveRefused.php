<?php

declare(strict_types=1);

namespace Prism\Exchange\Archive;

/** An archive that is not taken in: what is wrong, where, and what would be right. */
final class ArchiveRefused extends \DomainException
{
}
