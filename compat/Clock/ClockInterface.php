<?php

declare(strict_types=1);

namespace Symfony\Component\Clock;

/** What Carbon expects of symfony/clock; see docs/decisions/0002-compat.md. */
interface ClockInterface extends \Psr\Clock\ClockInterface
{
    public function sleep(float|int $seconds): void;

    public function withTimeZone(\DateTimeZone|string $timezone): static;
}
