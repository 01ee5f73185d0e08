<?php

declare(strict_types=1);

namespace App\Studio\LongWork;

use App\Models\User;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Planning\SchoolChoices;
use App\Studio\Zones\Grounds;
use App\Studio\Zones\Targets;
use App\Studio\Zones\ZoneTraits;
use Closure;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Prism\Matching\Limits;

/** Finds the recipes of some targets anew, as the calibration in force sees them. All are exchanged, or none. */
final class SearchAgainWork implements LongWork
{
    public function __construct(private readonly Catalogue $catalogue, private readonly Engine $engine)
    {
    }

    public function do(User $artist, array $wish, Closure $progress): array
    {
        $wanted = ZoneTarget::query()->whereHas('recipe')->whereHas('zone.piece', static fn (Builder $piece) => $piece->where('user_id', $artist->id))->with(['recipe', 'zone.targets', 'zone.piece.paper']);
        $wanted->whereIn('id', $wish['targets'] ?? []);
        $targets = $wanted->get();
        $box = $this->catalogue->box($artist);
        if (count($box) === 0) {
            throw new WorkRefused('Your box is empty; recipes cannot be searched.');
        }
        $found = [];
        foreach ($targets as $done => $target) {
            $progress(sprintf('Searching for %s', Targets::name($target)), $done / max(1, count($targets)));
            $piece = $target->zone->piece;
            $search = $this->engine->search(Grounds::paper($piece, $target->zone), $artist, $box);
            $found[$target->id] = (string) $search->find(Targets::wanted($target), new Limits(top: 1, schools: SchoolChoices::ofZone($target->zone)->schools(), surface: ZoneTraits::surface($target->zone)))[0]->stack;
        }
        $changed = [];
        DB::transaction(static function () use ($targets, $found, &$changed): void {
            $now = ZoneTarget::query();
            $versions = $now->whereKey($targets->modelKeys())->lockForUpdate()->pluck('version', 'id');
            foreach ($targets as $target) {
                // What the artist has changed meanwhile stays as they left it.
                if ($versions->get($target->id) !== $target->version) {
                    continue;
                }
                $had = $target->recipe?->stack;
                if ($had !== $found[$target->id]) {
                    $target->recipe()->updateOrCreate([], ['stack' => $found[$target->id]]);
                    $target->version++;
                    $target->save();
                    $changed[] = ['target' => $target->id, 'name' => Targets::name($target), 'had' => $had, 'has' => $found[$target->id]];
                }
            }
        });

        return ['searched' => count($targets), 'changed' => $changed];
    }
}
