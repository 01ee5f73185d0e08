<?php

declare(strict_types=1);

namespace App\Studio\Papers;

use App\Models\Paper;
use App\Models\User;
use Illuminate\Support\Str;
use Prism\Colour\Lab;
use Prism\Materials\PaperKind;

/** Papers of an artist's own: called what they call them, with a tooth in words until swatches on them say more. Those that ship stay as they are. */
final class PaperBook
{
    private const SLUG_LETTERS = 32;

    /** That tell two papers of one name apart. */
    private const APART_LETTERS = 6;

    /** @param  array{?float, ?float}  $sheet  width and height, mm */
    public function write(User $artist, string $name, PaperKind $kind, Lab $colour, array $sheet): Paper
    {
        return $artist->papers()->create(['slug' => self::slug($name), ...self::columns($name, $kind, $colour, $sheet)]);
    }

    /** @param  array{?float, ?float}  $sheet */
    public function change(Paper $paper, string $name, PaperKind $kind, Lab $colour, array $sheet): void
    {
        $paper->update(self::columns($name, $kind, $colour, $sheet));
    }

    /** What rests on a paper, in words; null if nothing does. */
    public static function uses(User $artist, Paper $paper): ?string
    {
        $counts = array_filter([
            'piece' => $artist->pieces()->where('paper_id', $paper->id)->count(),
            'swatch' => $artist->swatches()->where('paper_id', $paper->id)->count(),
            'recipe' => $artist->keptRecipes()->where('paper_id', $paper->id)->count(),
            'chart' => $artist->charts()->where('paper_id', $paper->id)->count(),
        ]);

        return $counts === [] ? null : implode(', ', array_map(static fn (int $count, string $what): string => $count.' '.Str::plural($what, $count), $counts, array_keys($counts)));
    }

    /**
     * @param  array{?float, ?float}  $sheet
     * @return array<string, mixed>
     */
    private static function columns(string $name, PaperKind $kind, Lab $colour, array $sheet): array
    {
        [$roughness, $capacity, $adhesion] = $kind->tooth();

        return [
            'name' => $name, 'kind' => $kind, 'L' => $colour->L, 'a' => $colour->a, 'b' => $colour->b,
            'roughness' => $roughness, 'capacity' => $capacity, 'adhesion' => $adhesion, 'width_mm' => $sheet[0], 'height_mm' => $sheet[1],
        ];
    }

    /** What it is called in files; two artists may have papers of one name. */
    private static function slug(string $name): string
    {
        $slug = Str::limit(Str::slug($name), self::SLUG_LETTERS, '');
        $slug = $slug === '' ? 'paper' : $slug;

        return Paper::withTrashed()->where('slug', $slug)->exists() ? $slug.'-'.strtolower(Str::random(self::APART_LETTERS)) : $slug;
    }
}
