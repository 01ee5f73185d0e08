<?php

declare(strict_types=1);

namespace Prism\Colour;

/** A colour that cannot be one; the message says what was wrong and what would be right. */
final class InvalidColour extends \DomainException
{
}
