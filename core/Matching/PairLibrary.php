<?php

declare(strict_types=1);

namespace Prism\Matching;

use Prism\Colour\Lab;
use Prism\Layering\ToothModel;

/**
 * The colours of all stacks of one and two layers that a kit gives on a paper: where a search starts.
 *
 * Flat and packed, since it is built once per kit, paper and calibration and then read by every search. Entries of one
 * ordered pair of pencils stand together; a pair with itself stands for the single pencil.
 */
final class PairLibrary
{
    /** Pressures in percent tried for the lower and for the upper layer of a pair. */
    private const LOWER = [25, 40, 55, 75];

    private const UPPER = [30, 50, 70, 92];

    /** Pressures tried for a pencil alone, and passes. */
    private const SINGLE = [[20, 1], [30, 1], [40, 1], [50, 1], [60, 1], [70, 1], [80, 1], [92, 1], [30, 2], [40, 3], [50, 2], [60, 2], [60, 3], [75, 2], [92, 2], [100, 2]];

    /** Of these the two between which a pencil lies alone as it lies below in a pair, by LOWER; and one that is built up. */
    private const ALONE = [[0, 1], [2, 2], [3, 4], [5, 6]];

    private const BUILT_UP = 9;

    public const GROUP = 16;

    private const FORMAT = 'prism-pairs-1';

    /**
     * @param  list<string>  $ids  pencils, RANGE:NUMBER
     * @param  array<int, float>  $L  GROUP entries for each ordered pair of pencils
     * @param  array<int, float>  $a
     * @param  array<int, float>  $b
     */
    private function __construct(
        public readonly array $ids,
        public readonly array $L,
        public readonly array $a,
        public readonly array $b,
    ) {
    }

    /** @param  list<string>  $ids pencils that the model knows */
    public static function build(ToothModel $model, array $ids): self
    {
        $L = $a = $b = [];
        $put = static function (Lab $lab) use (&$L, &$a, &$b): void {
            $L[] = $lab->L;
            $a[] = $lab->a;
            $b[] = $lab->b;
        };
        $book = new TouchBook($model, $ids);
        $count = count($ids);
        for ($lower = 0; $lower < $count; $lower++) {
            for ($upper = 0; $upper < $count; $upper++) {
                foreach (self::group($model, $book, $lower, $upper) as $lab) {
                    $put($lab);
                }
            }
        }

        return new self($ids, $L, $a, $b);
    }

    /**
     * The GROUP colours of one pencil over another, or of a pencil alone where both are the same.
     *
     * @return list<Lab>
     */
    public static function group(ToothModel $model, TouchBook $book, int $lower, int $upper): array
    {
        $bare = $model->bare();
        $group = [];
        if ($upper === $lower) {
            foreach (self::SINGLE as [$percent, $passes]) {
                $group[] = $model->glance($bare, $book->touch($lower, $percent, $passes));
            }

            return $group;
        }
        foreach (self::LOWER as $below) {
            $passage = $book->ground($lower, $below);
            foreach (self::UPPER as $percent) {
                $group[] = $model->glance($passage, $book->touch($upper, $percent, 1));
            }
        }

        return $group;
    }

    /**
     * What a light layer of one pencil changes over another that was laid alone at so many percent: about, from what is known.
     *
     * @return array{float, float, float} in L*, a*, b*
     */
    public function change(int $lower, int $percent, int $upper): array
    {
        $near = 0;
        foreach (self::LOWER as $i => $below) {
            $near = abs($below - $percent) < abs(self::LOWER[$near] - $percent) ? $i : $near;
        }
        $count = count($this->ids);
        $own = ($lower * $count + $lower) * self::GROUP;
        $pair = ($lower * $count + $upper) * self::GROUP + 4 * $near;
        [$one, $other] = self::ALONE[$near];
        // The two lightest touches of the upper pencil.
        [$first, $second] = $lower === $upper ? [$own + self::BUILT_UP, $own + self::BUILT_UP] : [$pair, $pair + 1];
        $change = [];
        foreach ([$this->L, $this->a, $this->b] as $column) {
            $change[] = 0.5 * ($column[$first] + $column[$second] - $column[$own + $one] - $column[$own + $other]);
        }

        return $change;
    }

    /**
     * The layers of an entry, bottom to top, as [index of the pencil, percent, passes].
     *
     * @return list<array{int, int, int}>
     */
    public function layers(int $entry): array
    {
        $count = count($this->ids);
        $group = intdiv($entry, self::GROUP);

        return self::layersOf(intdiv($group, $count), $group % $count, $entry % self::GROUP);
    }

    /**
     * The layers of one colour of a {@see group()}.
     *
     * @return list<array{int, int, int}>
     */
    public static function layersOf(int $lower, int $upper, int $within): array
    {
        if ($lower === $upper) {
            return [[$lower, self::SINGLE[$within][0], self::SINGLE[$within][1]]];
        }

        return [[$lower, self::LOWER[intdiv($within, 4)], 1], [$upper, self::UPPER[$within % 4], 1]];
    }

    public function pack(): string
    {
        $head = json_encode(['format' => self::FORMAT, 'ids' => $this->ids], JSON_THROW_ON_ERROR);

        return pack('V', strlen($head)).$head.pack('g*', ...$this->L).pack('g*', ...$this->a).pack('g*', ...$this->b);
    }

    /** @throws \UnexpectedValueException if the bytes are not a packed library of these pencils */
    public static function unpack(string $bytes): self
    {
        $length = strlen($bytes) >= 4 ? unpack('V', $bytes) : false;
        $head = $length === false ? null : json_decode(substr($bytes, 4, (int) $length[1]), true);
        if (! is_array($head) || ($head['format'] ?? null) !== self::FORMAT || ! is_array($head['ids'] ?? null)) {
            throw new \UnexpectedValueException('This is not a packed pair library.');
        }
        $ids = array_map(strval(...), array_values($head['ids']));
        $entries = count($ids) ** 2 * self::GROUP;
        $body = 4 + (int) $length[1];
        if (strlen($bytes) !== $body + 12 * $entries) {
            throw new \UnexpectedValueException('The packed pair library is not whole.');
        }
        $column = static fn (int $k): array => array_values(unpack('g*', substr($bytes, $body + 4 * $entries * $k, 4 * $entries)) ?: []);

        return new self($ids, $column(0), $column(1), $column(2));
    }
}
