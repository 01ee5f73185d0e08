<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

/** The artist does not want it any more. */
final class WorkCancelled extends \RuntimeException
{
}
