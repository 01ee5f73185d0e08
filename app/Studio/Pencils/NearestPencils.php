<?php

declare(strict_types=1);

namespace App\Studio\Pencils;

use App\Models\User;
use Prism\Colour\Harmony;
use Prism\Colour\Lab;

/** The pencils whose heavy coat comes nearest to a colour, in the box and beside it. */
final class NearestPencils
{
    private const SHOWN = 5;

    public function __construct(private readonly PencilList $list)
    {
    }

    /** @return array{box: list<array<string, mixed>>, others: list<array<string, mixed>>, beside: list<array{what: string, colour: Lab, pencil: array<string, mixed>}>} nearest first */
    public function to(User $artist, Lab $colour): array
    {
        $nearest = $this->list->find($artist, new PencilQuery(near: $colour))['pencils'];
        $few = static fn (bool $owned): array => array_slice(array_values(array_filter($nearest, static fn (array $pencil): bool => $pencil['owned'] === $owned)), 0, self::SHOWN);

        return ['box' => $few(true), 'others' => $few(false), 'beside' => $this->beside($artist, $colour)];
    }

    /** @return list<array{what: string, colour: Lab, pencil: array<string, mixed>}> what goes with it, and the pencil of the box that comes nearest; nothing of a grey or with an empty box */
    private function beside(User $artist, Lab $colour): array
    {
        $harmony = Harmony::of($colour);
        $beside = [];
        foreach ($harmony === null ? [] : ['complement' => $harmony->complement, 'darker' => $harmony->darker, 'lighter' => $harmony->lighter] as $what => $wanted) {
            $pencil = $this->list->find($artist, new PencilQuery(ownedOnly: true, near: $wanted))['pencils'][0] ?? null;
            if ($pencil !== null) {
                $beside[] = ['what' => $what, 'colour' => $wanted, 'pencil' => $pencil];
            }
        }

        return $beside;
    }
}
