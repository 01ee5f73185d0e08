<?php

declare(strict_types=1);

namespace App\Studio\Backup;

use RuntimeException;

/** Why there is no backup, or none is brought back, as a sentence. */
final class BackupRefused extends RuntimeException
{
}
