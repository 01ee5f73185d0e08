<?php

declare(strict_types=1);

namespace Prism\Materials;

/** A pencil, paper or kit that cannot be one; the message says what was wrong and what would be right. */
final class InvalidMaterial extends \DomainException
{
}
