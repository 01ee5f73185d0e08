<?php

declare(strict_types=1);

namespace App\Studio\Files;

use RuntimeException;

/** The store in which the pictures of all machines lie does not answer, or refuses. */
final class Unreachable extends RuntimeException
{
}
