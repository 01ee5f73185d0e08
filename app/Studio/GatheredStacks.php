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
    private const VERSION = 5;

    /** Of each colour, the stacks of so many different wishes are kept, the latest. */
    private const WISHES = 4;

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
        $ids = array_keys($keys);
        $new = array_combine($ids, SideBySide::each(count($ids), static fn (int $i): string => TargetStacks::of($search, $targets[$ids[$i]], $limits[$ids[$i]], $free)->pack(), $progress));
        if ($new !== []) {
            $keep = array_combine($keys, $new) + $kept;
            File::replace($path, serialize(array_slice($keep, 0, self::WISHES * count($targets), true)));
        }

        return $found + array_map(TargetStacks::unpack(...), $new);
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
