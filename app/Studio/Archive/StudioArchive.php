<?php

declare(strict_types=1);

namespace App\Studio\Archive;

use App\Models\Piece;
use App\Models\Reference;
use App\Models\User;
use App\Studio\Pencils\PencilBook;
use App\Studio\Swatches\SwatchBook;
use Closure;
use Illuminate\Support\Facades\DB;
use Prism\Exchange\Archive\ArchiveWriter;
use stdClass;

/** Writes a whole studio down: pencils, box, papers, swatches, calibrations, recipes, practice, and each piece in a folder of its own. */
final class StudioArchive
{
    public const FORMAT = 'prism-studio-1';

    public const FILE = 'studio.json';

    public function __construct(private readonly PieceArchive $pieces, private readonly MaterialArchive $materials, private readonly PencilBook $pencils, private readonly SwatchBook $swatches)
    {
    }

    /** @param  Closure(string, float): void  $progress */
    public function write(User $artist, ArchiveWriter $to, Closure $progress): void
    {
        $own = Piece::query()->whereBelongsTo($artist);
        $own->orderBy('created_at')->orderBy('id');
        $pieces = $own->get();
        $folders = $numbers = $zones = $photos = [];
        foreach ($pieces as $at => $piece) {
            $progress(sprintf('Writing %s', $piece->title), $at / (1 + count($pieces)));
            $folders[] = $folder = sprintf('pieces/%d/', $at + 1);
            $numbers[$piece->id] = $at + 1;
            $photos += $piece->references->mapWithKeys(static fn (Reference $photo): array => [$photo->id => ($at + 1).'/'.$photo->position])->all();
            $zones[$piece->id] = $this->pieces->write($piece, $to, $folder);
        }
        $progress('Writing swatches and recipes', count($pieces) / (1 + count($pieces)));
        $papers = DB::table('papers')->pluck('slug', 'id')->all();
        $calibrations = $artist->calibrations()->pluck('number', 'id')->all();
        $charts = DB::table('charts')->where('user_id', $artist->id)->whereNull('deleted_at')->orderBy('created_at')->orderBy('id')->get();
        $chart = array_flip($charts->pluck('id')->all());
        $rows = static fn (string $table): array => array_values(DB::table($table)->where('user_id', $artist->id)->orderBy('created_at')->orderBy('id')->get()->all());
        $there = static fn (string $table): array => array_values(array_filter($rows($table), static fn (stdClass $row): bool => $row->deleted_at === null));
        $ladders = array_map(static fn (int $at): string => 'ladder-'.($at + 1), array_flip(array_values(array_unique(array_filter(array_column($there('kept_recipes'), 'ladder'))))));
        $document = [
            'format' => self::FORMAT,
            'studio' => [...ArchiveRows::out(DB::table('users')->where('id', $artist->id)->sole(), ArchiveRows::STUDIO), 'paper' => $papers[$artist->paper_id] ?? null, 'calibration' => $calibrations[$artist->calibration_id] ?? null],
            'box' => self::box($artist),
            'charts' => array_values($charts->map(static fn (stdClass $row): array => [...ArchiveRows::out($row, ArchiveRows::CHART), 'paper' => $papers[$row->paper_id]])->all()),
            'swatches' => array_map(static fn (stdClass $row): array => [...ArchiveRows::out($row, ArchiveRows::SWATCH), 'paper' => $papers[$row->paper_id], 'chart' => isset($chart[$row->chart_id ?? '']) ? $chart[$row->chart_id] + 1 : null], $there('swatches')),
            'calibrations' => array_map(static fn (stdClass $row): array => ArchiveRows::out($row, ArchiveRows::CALIBRATION), $rows('calibrations')),
            'recipes' => array_map(static fn (stdClass $row): array => [
                ...ArchiveRows::out($row, ArchiveRows::KEPT), 'ladder' => $row->ladder === null ? null : $ladders[$row->ladder], 'paper' => $papers[$row->paper_id], 'piece' => $numbers[$row->piece_id ?? ''] ?? null,
                'zone' => isset($zones[$row->piece_id ?? '']) ? $zones[$row->piece_id]->of((string) $row->zone_id) : null, 'calibration' => $calibrations[$row->calibration_id ?? 0] ?? null,
            ], $there('kept_recipes')),
            'practice' => array_map(static fn (stdClass $row): array => self::pictured(ArchiveRows::out($row, ArchiveRows::ROUND), $photos), $rows('drill_rounds')),
            'pieces' => $folders,
        ];
        $used = array_values(array_unique(array_intersect(array_flip($papers), [...array_column($there('swatches'), 'paper_id'), ...array_column($there('kept_recipes'), 'paper_id'), ...$charts->pluck('paper_id')->all(), $artist->paper_id])));
        $text = json_encode([$document['box'], $document['swatches'], $document['recipes'], $document['charts']], JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES);
        $to->json(self::FILE, [...$document, ...$this->materials->all($artist, $used, $text)]);
        $to->put('tables/box.csv', $this->pencils->csv($artist->box()->with('range')->get()));
        $to->put('tables/swatches.csv', $this->swatches->csv($artist));
    }

    /**
     * Questions that are asked of a photo tell which by the number of its piece and its place there.
     *
     * @param  array<string, mixed>  $round
     * @param  array<string, string>  $photos  by key
     * @return array<string, mixed>
     */
    public static function pictured(array $round, array $photos): array
    {
        foreach ($round['questions'] as $at => $question) {
            $photo = $photos[$question['picture'] ?? ''] ?? null;
            unset($round['questions'][$at]['picture']);
            if ($photo !== null) {
                $round['questions'][$at]['picture'] = $photo;
            } else {
                unset($round['questions'][$at]['spots']);
            }
        }

        return $round;
    }

    /** @return list<array<string, mixed>> */
    private static function box(User $artist): array
    {
        $rows = DB::table('box_pencils')->join('pencils', 'pencils.id', '=', 'pencil_id')->join('ranges', 'ranges.id', '=', 'range_id')
            ->where('box_pencils.user_id', $artist->id)->orderBy('code')->orderBy('number')->get(['box_pencils.*', 'code', 'number']);

        return array_values($rows->map(static fn (stdClass $row): array => ['pencil' => "$row->code:$row->number", ...ArchiveRows::out($row, ArchiveRows::IN_BOX)])->all());
    }
}
