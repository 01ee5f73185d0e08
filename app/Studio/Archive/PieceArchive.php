<?php

declare(strict_types=1);

namespace App\Studio\Archive;

use App\Models\Piece;
use App\Models\Reference;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\Photos\LinePictures;
use App\Studio\Photos\PhotoRenderer;
use App\Studio\Photos\PhotoStore;
use App\Studio\Planning\PlanSheet;
use App\Studio\Planning\ZoneRecipes;
use App\Studio\Zones\ZoneBook;
use Illuminate\Support\Facades\DB;
use Prism\Exchange\Archive\ArchiveWriter;
use stdClass;

/** Writes a piece down, whole: what it is taken in from again ({@see PieceRestore}), and beside that what other programs and people read. */
final class PieceArchive
{
    public const FORMAT = 'prism-piece-1';

    public const FILE = 'piece.json';

    public function __construct(
        private readonly PhotoStore $photos,
        private readonly LinePictures $lines,
        private readonly DrawingPhotos $drawings,
        private readonly ZoneBook $zones,
        private readonly ZoneRecipes $recipes,
        private readonly PlanSheet $sheet,
        private readonly MaterialArchive $materials,
    ) {
    }

    /**
     * @param  string  $folder  of the archive that it goes to, with a slash at its end; empty for the archive itself
     * @return ArchiveNames what its zones and colours are called there
     */
    public function write(Piece $piece, ArchiveWriter $to, string $folder = ''): ArchiveNames
    {
        $names = new ArchiveNames;
        $zones = $this->zones($piece, $names);
        $row = DB::table('pieces')->where('id', $piece->id)->sole();
        $told = ArchiveRows::out($row, ArchiveRows::PIECE);
        [$log, $entries] = $this->log($piece, $names);
        $document = [
            'format' => self::FORMAT,
            'key' => (string) ($row->origin ?? $piece->id),
            'piece' => [...$told, 'palette' => $names->in($told['palette']), 'advised' => $names->in($told['advised']), 'paper' => $piece->paper->slug],
            'zoneMap' => $this->map($piece),
            'zones' => $zones,
            'references' => array_values($piece->references->map(fn (Reference $reference): array => $this->reference($piece, $reference, $to, $folder))->all()),
            'log' => $log,
            'steps' => $this->steps($piece, $names, $entries),
            'checks' => $this->drawing($piece, $log, $names, $to, $folder),
        ];
        $to->json($folder.self::FILE, [...$document, ...$this->materials->named($piece->user, [$piece->paper_id], json_encode($document, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES))]);
        $this->forPeople($piece, $zones, $log, $to, $folder);

        return $names;
    }

    /** @return list<array<string, mixed>> */
    private function zones(Piece $piece, ArchiveNames $names): array
    {
        $zones = DB::table('zones')->where('piece_id', $piece->id)->whereNull('deleted_at')->orderBy('position')->orderBy('id')->get();
        $targets = DB::table('zone_targets')->whereIn('zone_id', $zones->pluck('id'))->whereNull('deleted_at')->orderBy('id')->get();
        $recipes = DB::table('recipes')->whereIn('target_id', $targets->pluck('id'))->get()->keyBy('target_id');
        $targets = $targets->groupBy('zone_id');
        $told = [];
        foreach ($zones as $zone) {
            $told[] = [
                'key' => $names->give($zone->id, 'zone'), ...ArchiveRows::out($zone, ArchiveRows::ZONE),
                'targets' => array_values(array_map(static fn (stdClass $target): array => [
                    'key' => $names->give($target->id, 'colour'), ...ArchiveRows::out($target, ArchiveRows::TARGET),
                    'recipe' => isset($recipes[$target->id]) ? ArchiveRows::out($recipes[$target->id], ArchiveRows::RECIPE) : null,
                ], ($targets[$zone->id] ?? collect())->all())),
            ];
        }

        return $told;
    }

    /** @return ?array{width: int, height: int, labels: string} */
    private function map(Piece $piece): ?array
    {
        $map = $this->zones->map($piece);

        return $map === null ? null : ['width' => $map->width, 'height' => $map->height, 'labels' => base64_encode((string) gzcompress($map->labels))];
    }

    /** @return array<string, mixed> */
    private function reference(Piece $piece, Reference $reference, ArchiveWriter $to, string $folder): array
    {
        $at = sprintf('pictures/%d/', $reference->position);
        foreach ($this->photos->kept($reference) as $name => $bytes) {
            $to->put($folder.$at.$name, $bytes);
        }
        $row = DB::table('reference_pictures')->where('id', $reference->id)->sole();
        $told = [...ArchiveRows::out($row, ArchiveRows::REFERENCE), 'pictures' => $at, 'line' => null];
        if ($piece->lines !== null && $reference->is($piece->reference())) {
            $ink = $this->lines->of($reference)->ink;
            $to->put($folder.$at.'lines.png', PhotoRenderer::png($ink->width, $ink->height, (string) preg_replace('/./s', '$0$0$0', $ink->darkness)));
            $told['line'] = $ink->line;
        }

        return $told;
    }

    /** @return array{list<array<string, mixed>>, array<int, int>} and which of them each entry is, from 1, by its key */
    private function log(Piece $piece, ArchiveNames $names): array
    {
        $log = $entries = [];
        foreach (DB::table('drawing_entries')->where('piece_id', $piece->id)->orderBy('id')->get() as $row) {
            $told = ArchiveRows::out($row, ArchiveRows::ENTRY);
            foreach (['before', 'did', 'recipeBefore'] as $naming) {
                $told[$naming] = $names->in($told[$naming]);
            }
            foreach ($told['before'] ?? [] as $key => $was) {
                if ($was !== null) {
                    $told['before'][$key]['entry'] = $entries[$was['entry'] ?? 0] ?? null;
                }
            }
            $log[] = $told;
            $entries[$row->id] = count($log);
        }

        return [$log, $entries];
    }

    /**
     * @param  array<int, int>  $entries
     * @return list<array<string, mixed>>
     */
    private function steps(Piece $piece, ArchiveNames $names, array $entries): array
    {
        $steps = [];
        foreach (DB::table('drawn_steps')->where('piece_id', $piece->id)->get() as $row) {
            $told = ArchiveRows::out($row, ArchiveRows::STEP);
            $steps[] = [...$told, 'stepKey' => $names->in($told['stepKey']), 'entry' => $entries[$row->entry_id ?? 0] ?? null];
        }
        usort($steps, static fn (array $one, array $other): int => $one['stepKey'] <=> $other['stepKey']);

        return $steps;
    }

    /**
     * Photos of the drawing, and what they told.
     *
     * @param  list<array<string, mixed>>  $log
     * @return array<string, array<string, mixed>> what was found, by mark
     */
    private function drawing(Piece $piece, array $log, ArchiveNames $names, ArchiveWriter $to, string $folder): array
    {
        $checks = [];
        $numbers = $piece->user->calibrations()->pluck('number', 'id')->all();
        foreach ($log as ['mark' => $mark, 'kind' => $kind]) {
            // Of a store each is asked for: only photos are.
            $photo = $kind === 'photo' ? $this->drawings->path($piece, $mark) : null;
            if ($photo === null) {
                continue;
            }
            $to->file($folder."drawing/$mark.jpg", $photo);
            foreach (DrawingPhotos::CHECKED as $view) {
                $picture = $this->drawings->path($piece, $mark, ".$view.png");
                if ($picture !== null) {
                    $to->file($folder."drawing/$mark-$view.png", $picture);
                }
            }
            $review = $this->drawings->path($piece, $mark, DrawingPhotos::TOLD);
            if ($review !== null) {
                $told = $names->in(json_decode((string) file_get_contents($review), true, flags: JSON_THROW_ON_ERROR));
                if (isset($told['hand'])) {
                    $told['hand']['calibration'] = $numbers[$told['hand']['calibration'] ?? 0] ?? null;
                }
                $checks[$mark] = $told;
            }
        }

        return $checks;
    }

    /**
     * What nothing is taken in from: the plan sheet, colours with their recipes, the order, the log.
     *
     * @param  list<array<string, mixed>>  $zones
     * @param  list<array<string, mixed>>  $log
     */
    private function forPeople(Piece $piece, array $zones, array $log, ArchiveWriter $to, string $folder): void
    {
        $isPlanned = array_filter($zones, static fn (array $zone): bool => array_filter(array_column($zone['targets'], 'recipe')) !== []) !== [];
        $plan = $isPlanned ? $this->recipes->plan($piece) : null;
        if ($plan !== null && $plan->turns !== []) {
            $to->put($folder.'plan.pdf', $this->sheet->pdf($piece, $plan));
        }
        foreach (ArchiveTables::of($zones, $log, $plan) as $name => $table) {
            $to->put($folder."tables/$name.csv", $table);
        }
    }
}
