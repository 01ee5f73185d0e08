<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Session\DatabaseSessionHandler;

/**
 * Sessions in the database, of which one that says nothing new is written once a minute and not with every request: each write waits for the
 * disk. When somebody was seen last is told to the minute.
 */
final class QuietSessions extends DatabaseSessionHandler
{
    private const SECONDS = 60;

    /** Where somebody was last: of no use to a page that finds its own way. */
    private const NO_NEWS = '_previous';

    private string $was = '';

    /** When what was read was written; 0 where nothing was. */
    private int $written = 0;

    private string $of = '';

    /** @param  string  $sessionId */
    public function read($sessionId): string|false
    {
        $this->written = 0;
        $data = parent::read($sessionId);
        [$this->was, $this->of] = [(string) $data, $sessionId];

        return $data;
    }

    /** @param  \stdClass  $session  its row, or nothing */
    protected function expired($session): bool
    {
        $this->written = (int) ($session->last_activity ?? 0);

        return parent::expired($session);
    }

    /**
     * @param  string  $sessionId
     * @param  array<string, mixed>  $payload
     */
    protected function performUpdate($sessionId, $payload): int
    {
        $isKnown = $sessionId === $this->of && $this->written > $this->currentTime() - self::SECONDS;
        if ($isKnown && self::news((string) base64_decode((string) $payload['payload'], true)) === self::news($this->was)) {
            return 0;
        }

        return $this->getQuery()->where('id', $sessionId)->update($payload);
    }

    /** @return mixed what a session holds; nothing of it that is no news */
    private static function news(string $data): mixed
    {
        $held = @unserialize($data, ['allowed_classes' => false]);

        return is_array($held) ? array_diff_key($held, [self::NO_NEWS => true]) : $held;
    }
}
