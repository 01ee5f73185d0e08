<?php

declare(strict_types=1);

namespace App\Studio\Pencils;

use App\Models\Pencil as PencilModel;
use App\Models\Range;
use App\Models\User;
use Illuminate\Contracts\Cache\Repository;
use Prism\Box\FoundBy;
use Prism\Box\PencilFinder;
use Prism\Box\Rainbow;
use Prism\Box\Walk;
use Prism\Colour\Lab;
use Prism\Colour\Words\Appearance;
use Prism\Colour\Words\Difference;

/** The pencils of an artist's ranges as they are looked through: filtered, found, laid out. Made for thousands. */
final class PencilList
{
    private const ROLL_KEPT_SECONDS = 604_800;

    public function __construct(private readonly Repository $cache)
    {
    }

    /** @return array{pencils: list<array<string, mixed>>, total: int, owned: int, ranges: list<array<string, mixed>>, families: list<string>} */
    public function find(User $artist, PencilQuery $query): array
    {
        $box = $artist->box()->get(['pencils.id', 'favourite'])->keyBy('id');
        $ranges = Range::seenBy($artist)->get()->sortBy('id')->keyBy('id');
        $counts = $rows = $colours = $families = [];
        foreach (PencilModel::seenBy($artist)->toBase()->orderBy('range_id')->get(['id', 'range_id', 'number', 'name', 'aliases', 'binder', 'status', 'replaced_by', 'L', 'a', 'b']) as $pencil) {
            $owned = $box->get($pencil->id);
            $counts[$pencil->range_id]['count'] = ($counts[$pencil->range_id]['count'] ?? 0) + 1;
            $counts[$pencil->range_id]['owned'] = ($counts[$pencil->range_id]['owned'] ?? 0) + ($owned === null ? 0 : 1);
            if ($query->ownedOnly && $owned === null) {
                continue;
            }
            $range = $ranges[$pencil->range_id];
            $aliases = json_decode((string) $pencil->aliases, true) ?: [];
            $lab = $pencil->L === null ? null : Lab::of((float) $pencil->L, (float) $pencil->a, (float) $pencil->b);
            $appearance = $lab === null ? null : Appearance::of($lab);
            if ($appearance !== null) {
                $families[$appearance->family->word()] = true;
            }
            $found = PencilFinder::answers($query->word, $range->code, $pencil->number, $pencil->name, $aliases, (string) $appearance?->family->word());
            if ($found === null || ! self::passes($query, $range->code, (string) $pencil->binder, $appearance)) {
                continue;
            }
            $id = $range->code.':'.$pencil->number;
            if ($lab !== null) {
                $colours[$id] = $lab;
            }
            $rows[$id] = [...self::row($range->code, $pencil, $aliases, $lab, $appearance, $owned !== null, (bool) $owned?->getRelation('pivot')->favourite), 'rank' => $found->value, 'foundBy' => self::foundBy($found, $query->word, $aliases)];
        }
        ksort($families);

        return [
            'pencils' => $this->ordered($query, $rows, $colours),
            'total' => array_sum(array_column($counts, 'count')),
            'owned' => count($box),
            'ranges' => array_values($ranges->map(static fn (Range $range): array => [
                'code' => $range->code, 'maker' => $range->maker, 'name' => $range->name, 'own' => $range->user_id !== null,
                'count' => $counts[$range->id]['count'] ?? 0, 'owned' => $counts[$range->id]['owned'] ?? 0,
            ])->all()),
            'families' => array_keys($families),
        ];
    }

    /**
     * A pencil in few words.
     *
     * @param  \stdClass|PencilModel  $pencil
     * @param  list<string>  $aliases
     * @return array<string, mixed>
     */
    public static function row(string $range, object $pencil, array $aliases, ?Lab $lab, ?Appearance $appearance, bool $owned, bool $favourite): array
    {
        return [
            'id' => $range.':'.$pencil->number, 'range' => $range, 'number' => $pencil->number, 'name' => $pencil->name, 'aliases' => $aliases,
            'binder' => $pencil->binder, 'status' => $pencil->status, 'replacedBy' => $pencil->replaced_by,
            'owned' => $owned, 'favourite' => $favourite,
            'L' => $lab === null ? null : round($lab->L, 1), 'hex' => $lab?->toHex(),
            'family' => $appearance?->family->word(), 'lean' => $appearance?->lean?->value, 'character' => $appearance?->character->value, 'valueStep' => $appearance?->valueStep,
            'distance' => null, 'misses' => null, 'foundBy' => null,
        ];
    }

    /**
     * By what it was found, where one does not see that on it.
     *
     * @param  list<string>  $aliases
     */
    private static function foundBy(FoundBy $found, string $word, array $aliases): ?string
    {
        return match ($found) {
            FoundBy::FormerName => 'formerly '.PencilFinder::formerName($word, $aliases),
            FoundBy::Family => 'by its family',
            default => null,
        };
    }

    private static function passes(PencilQuery $query, string $range, string $binder, ?Appearance $appearance): bool
    {
        return ($query->range === '' || $query->range === $range)
            && ($query->binder === '' || $query->binder === $binder)
            && ($query->family === '' || $appearance?->family->word() === $query->family)
            && ($query->lean === '' || $appearance?->lean?->value === $query->lean)
            && ($query->valueStep === null || $appearance?->valueStep === $query->valueStep)
            && ($query->near === null || $appearance !== null);
    }

    /**
     * @param  array<string, array<string, mixed>>  $rows
     * @param  array<string, Lab>  $colours
     * @return list<array<string, mixed>>
     */
    private function ordered(PencilQuery $query, array $rows, array $colours): array
    {
        if ($query->near !== null) {
            $ordered = [];
            foreach (PencilFinder::nearest($query->near, $colours) as $id => $distance) {
                $ordered[] = [...$rows[$id], 'distance' => round($distance, 1), 'misses' => Difference::between($colours[$id], $query->near)->words];
            }
        } elseif ($query->layout !== Layout::Number) {
            $ordered = array_map(static fn (string $id): array => $rows[$id], match ($query->layout) {
                Layout::Walk => $this->walk($colours),
                default => Rainbow::order($colours, $query->layout === Layout::Value),
            });
            array_push($ordered, ...array_values(array_diff_key($rows, $colours)));
        } else {
            $ordered = array_values($rows);
            usort($ordered, static fn (array $one, array $other): int => $one['rank'] <=> $other['rank'] ?: strnatcmp($one['id'], $other['id']));
        }

        return array_map(static function (array $row): array {
            unset($row['rank']);

            return $row;
        }, $ordered);
    }

    /**
     * A long walk takes a while to lay out, so it is kept.
     *
     * @param  array<string, Lab>  $colours
     * @return list<string>
     */
    private function walk(array $colours): array
    {
        return $this->cache->remember('roll-'.hash('xxh128', json_encode($colours, JSON_THROW_ON_ERROR)), self::ROLL_KEPT_SECONDS, static fn (): array => Walk::order($colours));
    }
}
