<?php

declare(strict_types=1);

namespace App\Studio\Photos;

/**
 * What is kept beside a photo, without the ids of the zones and colours that it speaks of: those of a copy of the piece are others,
 * and all else is the same.
 */
final readonly class Unnamed
{
    /** @var array<string, string> by id, a name as long as it: lengths that are written down stay true */
    private array $names;

    /** @param  list<string>  $ids  in an order that is the same in a copy */
    public function __construct(array $ids)
    {
        $names = [];
        foreach ($ids as $at => $id) {
            $names[$id] = str_pad((string) $at, strlen($id), '~', STR_PAD_LEFT);
        }
        $this->names = $names;
    }

    public function from(string $text): string
    {
        return strtr($text, $this->names);
    }

    public function back(string $text): string
    {
        return strtr($text, array_flip($this->names));
    }
}
