<?php

declare(strict_types=1);

namespace Prism\Charts;

/** A picture in which no chart can be read; the message says why, and what would be right. */
final class ChartRefused extends \DomainException
{
}
