<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Paper as PaperModel;
use App\Models\Pencil as PencilModel;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Prism\Calibration\Swatch;
use Prism\Colour\Bands;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Materials\Binder;
use Prism\Materials\Kit;
use Prism\Materials\Opacity;
use Prism\Materials\Paper;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;

/** From rows of the database to the materials of the core. */
final class Catalogue
{
    private ?Kit $pencils = null;

    /** @var array<string, PencilModel> */
    private array $rows = [];

    /** Every pencil of every range, by range and number. */
    public function pencils(): Kit
    {
        if ($this->pencils === null) {
            foreach ($this->ordered(PencilModel::query()) as $row) {
                $this->rows[self::id($row)] = $row;
            }
            $this->pencils = Kit::of(array_map(self::pencil(...), array_values($this->rows)));
        }

        return $this->pencils;
    }

    /** The pencils that an artist owns, in box order. */
    public function box(User $user): Kit
    {
        $all = $this->pencils();
        $owned = $user->box()->pluck('pencils.id')->flip();

        return $all->where(fn (Pencil $pencil): bool => $owned->has($this->rows[(string) $pencil->id]->id));
    }

    /** @return array<string, PencilModel> every pencil's row by RANGE:NUMBER */
    public function rows(): array
    {
        $this->pencils();

        return $this->rows;
    }

    /** @return list<Swatch> what an artist has swatched, on any paper */
    public function swatches(User $user): array
    {
        $swatches = [];
        foreach ($user->swatches()->with('paper')->get()->sortBy('id') as $row) {
            $swatches[] = new Swatch((string) $row->id, $row->paper->slug, Stack::parse($row->stack), Lab::of($row->L, $row->a, $row->b));
        }

        return $swatches;
    }

    /** @return array<string, Paper> by slug */
    public function papers(): array
    {
        return PaperModel::query()->get()->mapWithKeys(static fn (PaperModel $row): array => [$row->slug => self::paper($row)])->all();
    }

    public static function paper(PaperModel $paper): Paper
    {
        return Paper::of($paper->slug, $paper->name, Lab::of($paper->L, $paper->a, $paper->b), $paper->roughness, $paper->capacity, $paper->adhesion);
    }

    public static function id(PencilModel $pencil): string
    {
        return $pencil->range->code.':'.$pencil->number;
    }

    /**
     * @param  Builder<PencilModel>  $query
     * @return Collection<int, PencilModel>
     */
    private function ordered(Builder $query): Collection
    {
        return $query->with('range')->get()->sort(
            static fn (PencilModel $a, PencilModel $b): int => [$a->range_id, strnatcmp($a->number, $b->number)] <=> [$b->range_id, 0],
        )->values();
    }

    private static function pencil(PencilModel $row): Pencil
    {
        return new Pencil(
            PencilId::of(self::id($row)),
            $row->name,
            Binder::from($row->binder),
            Opacity::from($row->opacity),
            $row->lightfastness,
            Bands::toLab($row->bands),
            array_map(floatval(...), $row->bands),
        );
    }
}
