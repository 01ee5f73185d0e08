<?php

declare(strict_types=1);

namespace App\Studio\Pencils;

use App\Models\Paper as PaperModel;
use App\Models\Pencil as PencilModel;
use App\Models\Swatch as SwatchModel;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Prism\Calibration\Swatch;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Materials\Binder;
use Prism\Materials\Core;
use Prism\Materials\Kit;
use Prism\Materials\Opacity;
use Prism\Materials\Paper;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;

/**
 * From rows of the database to the materials of the core. Only the pencils that are asked for are read: there may be
 * thousands of them, and an artist draws with a few dozen.
 */
final class Catalogue
{
    /** @var array<int, Kit> boxes by user */
    private array $boxes = [];

    /** @var array<int, array<string, PencilModel>> rows read so far, by user and RANGE:NUMBER */
    private array $rows = [];

    /** Every pencil that an artist can see, by range and number. */
    public function pencils(User $artist): Kit
    {
        return $this->kit($artist, PencilModel::seenBy($artist));
    }

    /** The pencils that an artist owns, in box order. */
    public function box(User $artist): Kit
    {
        if (! isset($this->boxes[$artist->id])) {
            $owned = PencilModel::seenBy($artist);
            $owned->whereIn('id', $artist->box()->select('pencils.id'));
            $this->boxes[$artist->id] = $this->kit($artist, $owned);
        }

        return $this->boxes[$artist->id];
    }

    /** The pencils of one range, in box order. */
    public function range(User $artist, string $code): Kit
    {
        return $this->kit($artist, PencilModel::seenBy($artist)->whereRelation('range', 'code', strtoupper($code)));
    }

    /** The box, and after it what else some stacks are made of. */
    public function desk(User $artist, Stack ...$stacks): Kit
    {
        $box = $this->box($artist);
        $others = [];
        foreach ($stacks as $stack) {
            foreach ($stack->pencils() as $pencil) {
                if (! $box->has($pencil)) {
                    $others[(string) $pencil] = $pencil;
                }
            }
        }
        ksort($others);

        return $others === [] ? $box : Kit::of([...$box, ...$this->some($artist, array_values($others))]);
    }

    /**
     * The pencils of these numbers, as far as there are such.
     *
     * @param  list<PencilId>  $ids
     */
    public function some(User $artist, array $ids): Kit
    {
        $wanted = $missing = [];
        foreach ($ids as $id) {
            $wanted[(string) $id] = true;
            if (! isset($this->rows[$artist->id][(string) $id])) {
                $missing[$id->range][] = $id->number;
            }
        }
        if ($missing !== []) {
            $this->kit($artist, PencilModel::seenBy($artist)->where(static function (Builder $any) use ($missing): void {
                foreach ($missing as $range => $numbers) {
                    $any->orWhere(static function (Builder $one) use ($numbers, $range): void {
                        $one->whereRelation('range', 'code', $range)->whereIn('number', $numbers);
                    });
                }
            }));
        }

        return Kit::of(array_map(self::pencil(...), array_values(array_intersect_key($this->rows[$artist->id] ?? [], $wanted))));
    }

    /** A pencil's row; null if the artist sees no such pencil. */
    public function row(User $artist, PencilId $id): ?PencilModel
    {
        if (! isset($this->rows[$artist->id][(string) $id])) {
            $this->some($artist, [$id]);
        }

        return $this->rows[$artist->id][(string) $id] ?? null;
    }

    /** @return list<Swatch> what an artist has swatched, on any paper */
    public function swatches(User $user): array
    {
        $swatches = [];
        foreach ($user->swatches()->with('paper')->get()->sortBy('id') as $row) {
            $swatches[] = self::swatch($row);
        }

        return $swatches;
    }

    /** @return array<string, Paper> those that ship and an artist's own, by slug */
    public function papers(User $artist): array
    {
        return PaperModel::seenBy($artist)->get()->mapWithKeys(static fn (PaperModel $row): array => [$row->slug => self::paper($row)])->all();
    }

    public static function paper(PaperModel $paper): Paper
    {
        return Paper::of($paper->slug, $paper->name, Lab::of($paper->L, $paper->a, $paper->b), $paper->roughness, $paper->capacity, $paper->adhesion);
    }

    public static function swatch(SwatchModel $row): Swatch
    {
        return new Swatch((string) $row->id, $row->paper->slug, Stack::parse($row->stack), Lab::of($row->L, $row->a, $row->b));
    }

    public static function id(PencilModel $pencil): string
    {
        return $pencil->range->code.':'.$pencil->number;
    }

    public static function pencil(PencilModel $row): Pencil
    {
        return new Pencil(
            PencilId::of(self::id($row)),
            $row->name,
            Binder::from($row->binder),
            Opacity::from($row->opacity),
            $row->lightfastness,
            self::colour($row),
            $row->bands === null ? null : array_map(floatval(...), $row->bands),
            $row->core === null ? null : Core::from($row->core),
            $row->stains,
        );
    }

    /** Of a heavy coat; null if none was measured. */
    public static function colour(PencilModel $row): ?Lab
    {
        return $row->L === null ? null : Lab::of($row->L, (float) $row->a, (float) $row->b);
    }

    /** @param  Builder<PencilModel>  $query */
    private function kit(User $artist, Builder $query): Kit
    {
        $rows = $query->with('range')->get()->sort(
            static fn (PencilModel $a, PencilModel $b): int => [$a->range_id, strnatcmp($a->number, $b->number)] <=> [$b->range_id, 0],
        );
        $pencils = [];
        foreach ($rows as $row) {
            $this->rows[$artist->id][self::id($row)] = $row;
            $pencils[] = self::pencil($row);
        }

        return Kit::of($pencils);
    }
}
