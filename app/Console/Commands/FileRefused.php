<?php

declare(strict_types=1);

namespace App\Console\Commands;

/** A file or option that a command cannot work with. */
final class FileRefused extends \RuntimeException
{
}
