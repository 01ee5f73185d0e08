<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;
use Illuminate\Contracts\Validation\DataAwareRule;
use Illuminate\Contracts\Validation\ValidationRule;

/**
 * No password that is tried first: none of those that many have, kept as digests (of ten signs and more, from the MIT-licensed lists of
 * zxcvbn-ts), none that is made of who one is, none of one or two signs again and again.
 */
final class NotCommon implements DataAwareRule, ValidationRule
{
    private const FEWEST_SIGNS = 3;

    /** Of a name, or of the part of an e-mail before the @: shorter ones lie in many words. */
    private const LEAST_OF_NAME = 4;

    /** @var array<string, mixed> */
    private array $data = [];

    /** @param  array<string, mixed>  $data */
    public function setData(array $data): static
    {
        $this->data = $data;

        return $this;
    }

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        if (! is_string($value)) {
            return;
        }
        $said = mb_strtolower($value);
        if (count(array_unique(mb_str_split($said))) < self::FEWEST_SIGNS || in_array(hash('xxh64', $said), self::common(), true)) {
            $fail('This password is one of those that are tried first. Take another: three or four words that have nothing to do with each other are long and easy.');
        } elseif (array_filter($this->own(), static fn (string $own): bool => str_contains($said, $own)) !== []) {
            $fail('Your name or e-mail is in this password: it is tried first. Take another.');
        }
    }

    /** @return list<string> */
    private static function common(): array
    {
        static $common = null;

        return $common ??= file(resource_path('common-passwords.txt'), FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [];
    }

    /** @return list<string> */
    private function own(): array
    {
        $user = request()->user();
        $said = [$this->data['name'] ?? $user?->name, strstr((string) (is_string($this->data['email'] ?? null) ? $this->data['email'] : $user?->email), '@', true)];

        return array_values(array_filter(array_map(static fn (mixed $own): string => is_string($own) ? mb_strtolower(trim($own)) : '', $said), static fn (string $own): bool => mb_strlen($own) >= self::LEAST_OF_NAME));
    }
}
