<?php

declare(strict_types=1);

namespace Symfony\Component\Clock;

final class NativeClock implements ClockInterface
{
    private \DateTimeZone $timezone;

    public function __construct(\DateTimeZone|string|null $timezone = null)
    {
        $this->timezone = $timezone instanceof \DateTimeZone ? $timezone : new \DateTimeZone($timezone ?? date_default_timezone_get());
    }

    public function now(): \DateTimeImmutable
    {
        return new \DateTimeImmutable('now', $this->timezone);
    }

    public function sleep(float|int $seconds): void
    {
        usleep((int) round($seconds * 1e6));
    }

    public function withTimeZone(\DateTimeZone|string $timezone): static
    {
        return new self($timezone);
    }
}
