<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use App\Studio\Calibration\Engine;
use App\Studio\Files\WholeFile;
use App\Studio\LongWork\SideBySide;
use App\Studio\Photos\PhotoStore;
use Closure;
use Prism\Matching\EmptyBox;
use Prism\Matching\Limits;
use Prism\Matching\Search;
use Prism\Matching\Search\Nearby;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Planning\Palette\TargetStacks;
use UnexpectedValueException;

/**
 * The stacks that the colours of a piece could be made by, kept beside its picture: where a pencil is pinned or the school of
 * one zone changes, only what changed is gathered anew, and nothing where it changes back. Nothing stale is ever read: each
 * goes by a digest of all it rests on.
 */
final class GatheredStacks
{
    private const FILE = 'stacks.kept';

    /** What is kept: the stacks of a colour by a wish, and what of the pencils comes near it by any. */
    private const STACKS = 'stacks';

    private const NEARBY = 'nearby';

    /** Goes up when stacks are gathered differently. */
    private const VERSION = 8;

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
        $found = $keys = $targetKeys = [];
        foreach ($targets as $id => $target) {
            $targetKeys[$id] = hash('xxh128', serialize([$rests, $target]));
            $key = hash('xxh128', serialize([$rests, $target, $limits[$id]]));
            $stacks = self::whole($kept[self::STACKS][$key] ?? null, TargetStacks::unpack(...));
            if ($stacks === null) {
                $keys[$id] = $key;
            } else {
                $found[$id] = $stacks;
            }
        }
        if ($keys === []) {
            return $found;
        }
        $ids = array_keys($keys);
        $part = static function (int $i) use ($ids, $targets, $limits, $targetKeys, $kept, $search, $free): string {
            $id = $ids[$i];
            $nearby = self::whole($kept[self::NEARBY][$targetKeys[$id]] ?? null, Nearby::unpack(...)) ?? $search->nearby($targets[$id], $free);

            return serialize([$nearby->pack(), TargetStacks::of($search, $targets[$id], $limits[$id], $free, $nearby)->pack()]);
        };
        $nearby = $stacks = [];
        foreach ((new SideBySide)->each(count($ids), $part, $progress) as $i => $bytes) {
            [$nearby[$targetKeys[$ids[$i]]], $stacks[$keys[$ids[$i]]]] = unserialize($bytes, ['allowed_classes' => false]);
            $found[$ids[$i]] = TargetStacks::unpack($stacks[$keys[$ids[$i]]]);
        }
        WholeFile::keep($path, serialize([
            self::STACKS => array_slice($stacks + $kept[self::STACKS], 0, self::WISHES * count($targets), true),
            self::NEARBY => array_slice($nearby + $kept[self::NEARBY], 0, count($targets), true),
        ]));

        return $found;
    }

    /** @return array<string, array<string, string>> of each kind the packed bytes by digest */
    private function read(string $path): array
    {
        $kept = is_file($path) ? @unserialize((string) file_get_contents($path), ['allowed_classes' => false]) : [];
        $of = static fn (string $kind): array => is_array($kept) && is_array($kept[$kind] ?? null) ? array_filter($kept[$kind], is_string(...)) : [];

        return [self::STACKS => $of(self::STACKS), self::NEARBY => $of(self::NEARBY)];
    }

    /**
     * @template T of object
     *
     * @param  Closure(string): T  $unpack
     * @return ?T
     */
    private static function whole(?string $bytes, Closure $unpack): ?object
    {
        try {
            return $bytes === null ? null : $unpack($bytes);
        } catch (UnexpectedValueException) {
            return null;
        }
    }
}
