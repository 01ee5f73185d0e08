<?php

declare(strict_types=1);

namespace Prism\Layering;

/** A step no hand can do; the message says what was wrong and what would be right. */
final class InvalidStep extends \DomainException
{
}
