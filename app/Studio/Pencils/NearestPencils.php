<?php

declare(strict_types=1);

namespace App\Studio\Pencils;

use App\Models\User;
use Prism\Colour\Lab;

/** The pencils whose heavy coat comes nearest to a colour, in the box and beside it. */
final class NearestPencils
{
    private const SHOWN = 5;

    public function __construct(private readonly PencilList $list)
    {
    }

    /** @return array{box: list<array<string, mixed>>, others: list<array<string, mixed>>} nearest first */
    public function to(User $artist, Lab $colour): array
    {
        $nearest = $this->list->find($artist, new PencilQuery(near: $colour))['pencils'];
        $few = static fn (bool $owned): array => array_slice(array_values(array_filter($nearest, static fn (array $pencil): bool => $pencil['owned'] === $owned)), 0, self::SHOWN);

        return ['box' => $few(true), 'others' => $few(false)];
    }
}
