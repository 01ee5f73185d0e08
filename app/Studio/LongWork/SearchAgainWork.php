<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use App\Models\Zone;
use App\Studio\Catalogue;
use App\Studio\Engine;
use App\Studio\ZoneRecipes;
use Closure;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Prism\Matching\Limits;
use Prism\Matching\Target;

/** Finds the recipes of some zones anew, as the calibration in force sees them. All are exchanged, or none. */
final class SearchAgainWork implements LongWork
{
    public function __construct(private readonly Catalogue $catalogue, private readonly Engine $engine)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        $wanted = Zone::query()->whereHas('recipe')->whereHas('piece', static fn (Builder $piece) => $piece->where('user_id', $artist->id))->with(['recipe', 'piece.paper']);
        $wanted->whereIn('id', $wish['zones'] ?? []);
        $zones = $wanted->get();
        $box = $this->catalogue->box($artist);
        if (count($box) === 0) {
            throw new WorkRefused('Your box is empty; recipes cannot be searched.');
        }
        $found = [];
        foreach ($zones as $done => $zone) {
            $progress(sprintf('Searching for %s', $zone->name), $done / max(1, count($zones)));
            $search = $this->engine->search($zone->piece->paper, $artist, $box);
            $found[$zone->id] = (string) $search->find(Target::colour(ZoneRecipes::target($zone)), new Limits(top: 1, school: $zone->piece->school))[0]->stack;
        }
        $changed = [];
        DB::transaction(static function () use ($zones, $found, &$changed): void {
            foreach ($zones as $zone) {
                $had = $zone->recipe?->stack;
                if ($had !== $found[$zone->id]) {
                    $zone->recipe()->updateOrCreate([], ['stack' => $found[$zone->id]]);
                    $zone->version++;
                    $zone->save();
                    $changed[] = ['zone' => $zone->id, 'name' => $zone->name, 'had' => $had, 'has' => $found[$zone->id]];
                }
            }
        });

        return ['searched' => count($zones), 'changed' => $changed];
    }
}
