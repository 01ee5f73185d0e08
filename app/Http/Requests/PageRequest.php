<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Pagination\Cursor;

/** So many of a list at a time, and where to go on. */
final class PageRequest extends StudioRequest
{
    private const MOST = 100;

    private const GO_ON = 'Go on at the address that the header Link named as next.';

    /** By which lists are in order. */
    private const ORDER = ['updated_at', 'id'];

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'limit' => ['bail', 'integer', 'between:1,'.self::MOST],
            'cursor' => ['bail', 'string', 'max:400', static function (string $field, string $value, \Closure $fail): void {
                $to = Cursor::fromEncoded($value)?->toArray() ?? [];
                if (array_filter(self::ORDER, static fn (string $by): bool => ! is_scalar($to[$by] ?? null)) !== []) {
                    $fail(self::GO_ON);
                }
            }],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'limit.*' => 'A page of a list has 1 to '.self::MOST.'.',
            'cursor.string' => self::GO_ON,
            'cursor.max' => self::GO_ON,
        ];
    }

    /** @return ?int<1, 100> all if null */
    public function limit(): ?int
    {
        return $this->has('limit') ? max(1, min(self::MOST, $this->integer('limit'))) : null;
    }
}
