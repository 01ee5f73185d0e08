<?php

declare(strict_types=1);

namespace App\Studio\Pencils;

use App\Models\User;
use Prism\Box\PencilFinder;
use Prism\Colour\Harmony;
use Prism\Colour\Lab;
use Prism\Colour\Words\Difference;

/** The pencils whose heavy coat comes nearest to a colour, in the box and beside it. */
final class NearestPencils
{
    private const SHOWN = 5;

    public function __construct(private readonly PencilList $list, private readonly Catalogue $catalogue)
    {
    }

    /** @return array{box: list<array<string, mixed>>, others: list<array<string, mixed>>, beside: list<array{what: string, colour: Lab, pencil: array<string, mixed>}>} nearest first */
    public function to(User $artist, Lab $colour): array
    {
        $nearest = $this->list->find($artist, new PencilQuery(near: $colour))['pencils'];
        $few = static fn (bool $owned): array => array_slice(array_values(array_filter($nearest, static fn (array $pencil): bool => $pencil['owned'] === $owned)), 0, self::SHOWN);

        return ['box' => $few(true), 'others' => $few(false), 'beside' => $this->beside($artist, $colour, array_column($nearest, null, 'id'))];
    }

    /**
     * What goes with it, and the pencil of the box that comes nearest; nothing of a grey or with an empty box.
     *
     * @param  array<string, array<string, mixed>>  $rows  pencils in few words
     * @return list<array{what: string, colour: Lab, pencil: array<string, mixed>}>
     */
    private function beside(User $artist, Lab $colour, array $rows): array
    {
        $harmony = Harmony::of($colour);
        $coats = $this->catalogue->box($artist)->coats();
        if ($harmony === null || $coats === []) {
            return [];
        }
        $beside = [];
        foreach (['complement' => $harmony->complement, 'darker' => $harmony->darker, 'lighter' => $harmony->lighter] as $what => $wanted) {
            $nearest = PencilFinder::nearest($wanted, $coats);
            $id = (string) array_key_first($nearest);
            $beside[] = ['what' => $what, 'colour' => $wanted, 'pencil' => [...$rows[$id], 'distance' => round($nearest[$id], 1), 'misses' => Difference::between($coats[$id], $wanted)->words]];
        }

        return $beside;
    }
}
