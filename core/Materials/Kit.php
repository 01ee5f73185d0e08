<?php

declare(strict_types=1);

namespace Prism\Materials;

use Prism\Colour\Lab;

/**
 * The pencils one may use, each once, in box order.
 *
 * @implements \IteratorAggregate<string, Pencil>
 */
final readonly class Kit implements \Countable, \IteratorAggregate
{
    /** @param  array<string, Pencil>  $pencils by RANGE:NUMBER */
    private function __construct(private array $pencils)
    {
    }

    /**
     * @param  iterable<Pencil>  $pencils
     *
     * @throws InvalidMaterial if a pencil is there twice
     */
    public static function of(iterable $pencils): self
    {
        $byId = [];
        foreach ($pencils as $pencil) {
            $id = (string) $pencil->id;
            if (isset($byId[$id])) {
                throw new InvalidMaterial(sprintf('Pencil %s is in the box twice.', $id));
            }
            $byId[$id] = $pencil;
        }

        return new self($byId);
    }

    public function has(PencilId $id): bool
    {
        return isset($this->pencils[(string) $id]);
    }

    /** @throws InvalidMaterial if it is not in the box */
    public function get(PencilId $id): Pencil
    {
        return $this->pencils[(string) $id] ?? throw new InvalidMaterial(sprintf('Pencil %s is not in the box.', $id));
    }

    /**
     * @param  list<PencilId>  $ids
     *
     * @throws InvalidMaterial if one of them is not in the box
     */
    public function only(array $ids): self
    {
        return self::of(array_map($this->get(...), $ids));
    }

    /** @param  callable(Pencil): bool  $keep */
    public function where(callable $keep): self
    {
        return new self(array_filter($this->pencils, $keep));
    }

    /** @return \ArrayIterator<string, Pencil> */
    public function getIterator(): \ArrayIterator
    {
        return new \ArrayIterator($this->pencils);
    }

    public function count(): int
    {
        return count($this->pencils);
    }

    /** @return array<string, Lab> heavy coats by pencil, of those that have a colour */
    public function coats(): array
    {
        return array_filter(array_map(static fn (Pencil $pencil): ?Lab => $pencil->fullCoat, $this->pencils));
    }

    /** @return list<string> */
    public function ids(): array
    {
        return array_keys($this->pencils);
    }
}
