<?php

declare(strict_types=1);

namespace Prism\Box;

/** What of a pencil a word answers to, the surest first. */
enum FoundBy: int
{
    case Number = 0;
    case Beginning = 1;
    case Name = 2;
    case FormerName = 3;
    case PartOfNumber = 4;
    case Family = 5;
}
