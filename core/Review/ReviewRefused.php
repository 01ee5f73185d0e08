<?php

declare(strict_types=1);

namespace Prism\Review;

/** A picture in which no drawing can be compared; the message says what is wrong and what to do. */
final class ReviewRefused extends \DomainException
{
}
