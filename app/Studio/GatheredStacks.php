<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Piece;
use App\Studio\LongWork\SideBySide;
use Closure;
use Illuminate\Support\Facades\File;
use Prism\Matching\EmptyBox;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Planning\TargetStacks;
use UnexpectedValueException;

/**
 * The stacks that the colours of a piece could be made by, kept beside its picture: where a pencil is pinned or the school of
 * one zone changes, only what changed is gathered anew, and nothing where it changes back. Nothing stale is ever read: each
 * goes by a digest of all it rests on.
 */
final class GatheredStacks
{
    private const FILE = 'stacks.kept';

    /** Goes up when stacks are gathered differently. */
    private const VERSION = 3;

    /** Of each colour, the stacks of so many different wishes are kept, the latest. */
    private const WISHES = 4;

    /** Fewer colours than this are done before a second process is under way. */
    private const WORTH_SPLITTING = 8;

    public function __construct(private readonly PhotoStore $photos, private readonly Engine $engine)
    {
    }

    /**
     * @param  array<string, Target>  $targets
     * @param  array<string, Limits>  $limits  by target
     * @param  Kit  $box  what the search was made of
     * @param  Kit  $free  of these, what may be used
     * @param  Closure(float): void  $progress  0-1; may throw to stop
     * @return array<string, TargetStacks>
     *
     * @throws EmptyBox
     */
    public function of(Piece $piece, Search $search, array $targets, array $limits, Kit $box, Kit $free, Closure $progress): array
    {
        $path = $this->photos->folderOf($piece->reference()).'/'.self::FILE;
        $kept = $this->read($path);
        $rests = [self::VERSION, $this->engine->digest($piece->paper, $piece->user, $box), $free->ids()];
        $found = $keys = [];
        foreach ($targets as $id => $target) {
            $key = hash('xxh128', serialize([$rests, $target, $limits[$id]]));
            $stacks = self::whole($kept[$key] ?? null);
            if ($stacks === null) {
                $keys[$id] = $key;
            } else {
                $found[$id] = $stacks;
            }
        }
        $new = $this->packed(array_keys($keys), static fn (string $id): string => TargetStacks::of($search, $targets[$id], $limits[$id], $free)->pack(), $progress);
        if ($new !== []) {
            $keep = array_combine($keys, $new) + $kept;
            File::replace($path, serialize(array_slice($keep, 0, self::WISHES * count($targets), true)));
        }

        return $found + array_map(TargetStacks::unpack(...), $new);
    }

    /**
     * Many of them in two halves at the same time.
     *
     * @param  list<string>  $ids
     * @param  Closure(string): string  $pack
     * @param  Closure(float): void  $progress
     * @return array<string, string> by id, in their order
     */
    private function packed(array $ids, Closure $pack, Closure $progress): array
    {
        $half = static function (int $of, int $from) use ($ids, $pack, $progress): array {
            $packed = [];
            for ($i = $from; $i < count($ids); $i += $of) {
                if ($from === 0) {
                    $progress($i / count($ids));
                }
                $packed[] = $pack($ids[$i]);
            }

            return $packed;
        };
        if (count($ids) < self::WORTH_SPLITTING) {
            $packed = $half(1, 0);
        } else {
            // Every other one: neighbours are much alike, so both halves take as long.
            [$even, $odd] = SideBySide::both(static fn (): array => $half(2, 0), static fn (): array => $half(2, 1));
            $packed = array_map(static fn (int $i): string => $i % 2 === 0 ? $even[intdiv($i, 2)] : $odd[intdiv($i, 2)], array_keys($ids));
        }

        return array_combine($ids, $packed);
    }

    /** @return array<string, string> packed stacks by digest */
    private function read(string $path): array
    {
        $kept = is_file($path) ? @unserialize((string) file_get_contents($path), ['allowed_classes' => false]) : [];

        return is_array($kept) ? array_filter($kept, is_string(...)) : [];
    }

    private static function whole(?string $bytes): ?TargetStacks
    {
        try {
            return $bytes === null ? null : TargetStacks::unpack($bytes);
        } catch (UnexpectedValueException) {
            return null;
        }
    }
}
