<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\KeptRecipe;
use App\Models\Piece;
use App\Models\User;
use App\Models\ZoneTarget;
use App\Studio\Pencils\TypedColour;
use App\Studio\Records\KeptRecipes;
use Illuminate\Support\Collection;

/** The book of recipes of the demo: what somebody keeps who has drawn in it for half a year. */
final class DemoRecipes
{
    /** Zones of the harbour whose recipes are kept: purpose, tags, note; how many days ago. */
    private const HARBOUR = [
        'Green float, upper' => ['Glass, green, lit', 'glass', ['glass', 'green'], 'Leave the glint first, then go round it.', 21],
        'Green float, lower' => ['Glass, green, deep', 'glass', ['glass', 'green', 'shade'], '', 21],
        'Buoy, light red' => ['Paint, red, lit', 'painted metal', ['red', 'metal'], '', 20],
        'Buoy, shadow red' => ['Paint, red, shade', 'painted metal', ['red', 'metal', 'shade'], 'The green underneath keeps it quiet.', 20],
        'Buoy, cream band' => ['Cream paint', 'painted metal', ['pale'], '', 20],
        'Small float, blue' => ['Glass, blue', 'glass', ['glass', 'blue'], '', 19],
        'Wall boards' => ['Boards, grey, far', 'wood', ['wood', 'far'], 'Along the grain; no hard edge.', 19],
        'Planks in front' => ['Planks, warm, near', 'wood', ['wood', 'near'], '', 18],
    ];

    /** Ladders that are kept: colour, name, purpose, tags, rungs, days ago. */
    private const LADDERS = [
        ['#9a6b3f', 'Old wood', 'wood', ['wood', 'ladder'], 5, 96],
        ['#3f6f8c', 'Sea water', 'water', ['water', 'ladder'], 5, 61],
    ];

    /** Of the piece that is drawn so many are kept, those that cover most of it. */
    private const OF_DRAWN = 4;

    public function __construct(private readonly KeptRecipes $recipes, private readonly TypedColour $typed)
    {
    }

    /** From the planned harbour, and ladders of the box. */
    public function fill(User $artist, Piece $piece): void
    {
        foreach (self::LADDERS as [$colour, $name, $purpose, $tags, $rungs, $days]) {
            $ladder = $this->recipes->ladder($artist, $piece->paper, $this->typed->read($artist, $colour, 'colour'), $rungs, false);
            $called = static fn (int $at): array => ['name' => sprintf('%s %d', $name, $at + 1), 'purpose' => $purpose, 'tags' => $tags, 'note' => ''];
            $this->ago($days, fn () => $this->recipes->keep($artist, $piece->paper, array_map(static fn (array $rung, int $at): array => [...$called($at), 'stack' => (string) $rung['recipe']->stack], $ladder, array_keys($ladder)), isLadder: true));
        }
        foreach ($piece->zones()->with('targets.recipe')->get() as $zone) {
            $keep = self::HARBOUR[$zone->name] ?? null;
            $target = $zone->targets->sortByDesc('share')->first(static fn (ZoneTarget $one): bool => ($one->recipe->stack ?? '') !== '');
            if ($keep !== null && $target instanceof ZoneTarget) {
                [$name, $purpose, $tags, $note, $days] = $keep;
                $this->keep($artist, $piece, $target, $name, $purpose, $tags, $note, $days);
            }
        }
    }

    /** From the piece that was drawn: these have come out in one way or another. */
    public function ofDrawn(User $artist, Piece $piece): void
    {
        $kept = 0;
        foreach ($piece->zones()->with('targets.recipe')->orderByDesc('share')->get() as $zone) {
            $target = $zone->targets->sortByDesc('share')->first(static fn (ZoneTarget $one): bool => ($one->recipe->stack ?? '') !== '');
            if ($target instanceof ZoneTarget && $kept < self::OF_DRAWN && $this->keep($artist, $piece, $target, 'Lantern, '.$zone->name, 'enamel and rope', ['lantern'], '', 3)) {
                $kept++;
            }
        }
    }

    /** @param  list<string>  $tags */
    private function keep(User $artist, Piece $piece, ZoneTarget $target, string $name, string $purpose, array $tags, string $note, int $days): bool
    {
        $stack = (string) $target->recipe?->stack;
        if ($this->recipes->same($artist, $piece->paper, $stack) !== null) {
            return false;
        }
        $this->ago($days, fn () => $this->recipes->keep($artist, $piece->paper, [['name' => $name, 'purpose' => $purpose, 'tags' => $tags, 'note' => $note, 'stack' => $stack]], $target));

        return true;
    }

    /** @param  \Closure(): Collection<int, KeptRecipe>  $keep */
    private function ago(int $days, \Closure $keep): void
    {
        $at = now()->subDays($days);
        foreach ($keep() as $kept) {
            $kept->forceFill(['created_at' => $at, 'updated_at' => $at])->saveQuietly();
        }
    }
}
