<?php

declare(strict_types=1);

namespace Prism\Matching\Search;

use Prism\Colour\Lab;
use Prism\Layering\Look;
use Prism\Layering\ToothModel;
use Prism\Matching\TouchBook;

/**
 * The colours of all stacks of one and two layers that a kit gives on a paper: where a search starts.
 *
 * Flat and packed, since it is built once per kit, paper and calibration and then read by every search. Entries of one
 * ordered pair of pencils stand together; a pair with itself stands for the single pencil.
 */
final class PairLibrary
{
    /** Percent and coats tried for the lower and for the upper layer of a pair: a whisper, light, built up; none so firm that it moves what lies below. */
    private const LOWER = [[25, 1], [35, 2], [45, 3], [50, 5]];

    private const UPPER = [[30, 1], [45, 2], [50, 4], [50, 6]];

    /** Percent and coats tried for a pencil alone. */
    private const SINGLE = [[20, 1], [30, 1], [25, 2], [40, 1], [35, 2], [50, 1], [45, 2], [40, 3], [50, 3], [45, 5], [50, 6], [60, 2], [60, 4], [70, 1], [70, 2], [80, 2]];

    /** Of these what a pencil is alone as it lies below in a pair, by LOWER; and one that is built up. */
    private const ALONE = [2, 4, 8, 10];

    private const BUILT_UP = 9;

    public const GROUP = 16;

    private const FORMAT = 'prism-pairs-3';

    /**
     * @param  list<string>  $ids  pencils, RANGE:NUMBER
     * @param  array<int, float>  $L  GROUP entries for each ordered pair of pencils
     * @param  array<int, float>  $a
     * @param  array<int, float>  $b
     * @param  array<int, float>  $grain  spread of L* between peaks and valleys
     */
    private function __construct(
        public readonly array $ids,
        public readonly array $L,
        public readonly array $a,
        public readonly array $b,
        private readonly array $grain,
    ) {
    }

    /** @param  list<string>  $ids pencils that the model knows */
    public static function build(ToothModel $model, array $ids): self
    {
        $L = $a = $b = $grain = [];
        $put = static function (Look $look) use (&$L, &$a, &$b, &$grain): void {
            $L[] = $look->colour->L;
            $a[] = $look->colour->a;
            $b[] = $look->colour->b;
            $grain[] = $look->grain;
        };
        $book = new TouchBook($model, $ids);
        $count = count($ids);
        for ($lower = 0; $lower < $count; $lower++) {
            for ($upper = 0; $upper < $count; $upper++) {
                foreach (self::looks($model, $book, $lower, $upper) as $look) {
                    $put($look);
                }
            }
        }

        return new self($ids, $L, $a, $b, $grain);
    }

    /**
     * The GROUP colours of one pencil over another, or of a pencil alone where both are the same.
     *
     * @return list<Lab>
     */
    public static function group(ToothModel $model, TouchBook $book, int $lower, int $upper): array
    {
        return array_map(static fn (Look $look): Lab => $look->colour, self::looks($model, $book, $lower, $upper));
    }

    /** What is seen of an entry, but for its tooth, of which there is enough. */
    public function look(int $entry): Look
    {
        return new Look(Lab::of($this->L[$entry], $this->a[$entry], $this->b[$entry]), $this->grain[$entry], 1.0);
    }

    /** @return list<Look> */
    private static function looks(ToothModel $model, TouchBook $book, int $lower, int $upper): array
    {
        $bare = $model->bare();
        $group = [];
        if ($upper === $lower) {
            foreach (self::SINGLE as [$percent, $passes]) {
                $group[] = $model->look($bare, $book->touch($lower, $percent, $passes));
            }

            return $group;
        }
        foreach (self::LOWER as [$percent, $coats]) {
            $passage = $book->ground($lower, $percent, $coats);
            foreach (self::UPPER as [$over, $passes]) {
                $group[] = $model->look($passage, $book->touch($upper, $over, $passes));
            }
        }

        return $group;
    }

    /**
     * What a light layer of one pencil changes over another that was laid alone, in so many coats: about, from what is known.
     *
     * @return array{float, float, float} in L*, a*, b*
     */
    public function change(int $lower, int $passes, int $upper): array
    {
        $near = 0;
        foreach (self::LOWER as $i => [, $coats]) {
            $near = abs($coats - $passes) < abs(self::LOWER[$near][1] - $passes) ? $i : $near;
        }
        $count = count($this->ids);
        $own = ($lower * $count + $lower) * self::GROUP;
        $pair = ($lower * $count + $upper) * self::GROUP + 4 * $near;
        // The two lightest touches of the upper pencil.
        [$first, $second] = $lower === $upper ? [$own + self::BUILT_UP, $own + self::BUILT_UP] : [$pair, $pair + 1];
        $change = [];
        foreach ([$this->L, $this->a, $this->b] as $column) {
            $change[] = 0.5 * ($column[$first] + $column[$second]) - $column[$own + self::ALONE[$near]];
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
            return [[$lower, ...self::SINGLE[$within]]];
        }

        return [[$lower, ...self::LOWER[intdiv($within, 4)]], [$upper, ...self::UPPER[$within % 4]]];
    }

    /**
     * Which entries of a group a manner allows whose last layer may be pressed so hard: of a pencil alone, and of pairs.
     *
     * @return array{list<int>, list<int>}
     */
    public static function within(int $mostLast): array
    {
        $singles = array_keys(array_filter(self::SINGLE, static fn (array $touch): bool => $touch[0] <= $mostLast));
        $pairs = array_values(array_filter(range(0, self::GROUP - 1), static fn (int $entry): bool => self::UPPER[$entry % 4][0] <= $mostLast));

        return [$singles, $pairs];
    }

    public function pack(): string
    {
        $head = json_encode(['format' => self::FORMAT, 'ids' => $this->ids], JSON_THROW_ON_ERROR);

        return pack('V', strlen($head)).$head.pack('g*', ...$this->L).pack('g*', ...$this->a).pack('g*', ...$this->b).pack('g*', ...$this->grain);
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
        if (strlen($bytes) !== $body + 16 * $entries) {
            throw new \UnexpectedValueException('The packed pair library is not whole.');
        }
        $column = static fn (int $k): array => array_values(unpack('g*', substr($bytes, $body + 4 * $entries * $k, 4 * $entries)) ?: []);

        return new self($ids, $column(0), $column(1), $column(2), $column(3));
    }
}
