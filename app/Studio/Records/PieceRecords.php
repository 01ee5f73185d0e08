<?php

declare(strict_types=1);

namespace App\Studio\Records;

use App\Models\DrawingEntry;
use App\Models\Piece;
use App\Studio\Pencils\Catalogue;
use App\Studio\Review\DrawingReviews;
use Prism\Layering\Stack;
use Prism\Materials\PencilId;
use Prism\Planning\Order\PencilShares;
use Prism\Planning\Order\Sittings;

/** What a drawing took and what became of it: time, pencils, checks, in words to publish and as a diary. */
final class PieceRecords
{
    /** A pencil of a smaller share is told as under one in a hundred. */
    private const LEAST_SHARE = 0.01;

    public function __construct(private readonly Catalogue $catalogue, private readonly DrawingReviews $reviews)
    {
    }

    /**
     * @return array{sittings: list<array{from: int, to: int, minutes: float, presses: int}>, minutes: float, pencils: list<array{id: string, number: string, name: string, hex: ?string, share: float}>, turns: int, otherwise: int, checks: list<array<string, mixed>>, caption: string, entries: list<DrawingEntry>} entries oldest first, without those that were taken back
     */
    public function of(Piece $piece): array
    {
        $rows = $piece->drawingEntries();
        $rows->where('undone', false)->orderBy('made_at')->orderBy('id');
        $entries = array_values($rows->get()->all());
        $presses = array_filter($entries, static fn (DrawingEntry $entry): bool => $entry->kind === 'done');
        $sittings = Sittings::of(array_values(array_map(static fn (DrawingEntry $entry): int => (int) $entry->made_at->timestamp, $presses)));
        $minutes = array_sum(array_column($sittings, 'minutes'));
        $pencils = $this->pencils($piece);

        return [
            'sittings' => $sittings,
            'minutes' => $minutes,
            'pencils' => $pencils,
            'turns' => count(array_unique(array_map(static fn (DrawingEntry $entry): int => (int) $entry->turn, $presses))),
            'otherwise' => count(array_filter($presses, static fn (DrawingEntry $entry): bool => isset($entry->did['planned']) && ($entry->did['laid'] ?? null) !== null && $entry->did['laid'] !== $entry->did['planned'])),
            'checks' => array_reverse($this->reviews->of($piece)),
            'caption' => self::caption($piece, $pencils, $minutes, count($sittings)),
            'entries' => $entries,
        ];
    }

    /** @return list<array{id: string, number: string, name: string, hex: ?string, share: float}> the most first; what was really laid */
    private function pencils(Piece $piece): array
    {
        $laid = [];
        foreach ($piece->drawnSteps()->where('state', 'done')->whereNotNull('laid')->whereNotNull('mm2')->get() as $row) {
            foreach (Stack::parse((string) $row->laid)->steps as $step) {
                $laid[] = [$step, (float) $row->mm2];
            }
        }
        $pencils = [];
        foreach (PencilShares::of($laid) as $id => $share) {
            $row = $this->catalogue->row($piece->user, PencilId::of($id));
            $pencils[] = ['id' => $id, 'number' => PencilId::of($id)->number, 'name' => (string) $row?->name, 'hex' => $row === null ? null : Catalogue::colour($row)?->toHex(), 'share' => $share];
        }

        return $pencils;
    }

    /**
     * As one would publish it: no makers, no ranges.
     *
     * @param  list<array{id: string, number: string, name: string, hex: ?string, share: float}>  $pencils
     */
    private static function caption(Piece $piece, array $pencils, float $minutes, int $sittings): string
    {
        $size = $piece->unit === 'in'
            ? sprintf('%.1f × %.1f in', $piece->width_mm / 25.4, $piece->height_mm / 25.4)
            : sprintf('%.0f × %.0f mm', $piece->width_mm, $piece->height_mm);
        $words = [sprintf('%s. Coloured pencil on %s, %s.', $piece->title, $piece->paper->name, $size)];
        if ($pencils !== []) {
            $words[] = sprintf('%s: %s.', count($pencils) === 1 ? 'One pencil' : count($pencils).' pencils', implode(', ', array_map(static fn (array $pencil): string => trim($pencil['number'].' '.$pencil['name']), $pencils)));
        }
        if ($minutes >= 1.0) {
            $hours = intdiv((int) round($minutes), 60);
            $words[] = sprintf('%s in %d %s.', $hours > 0 ? sprintf('%d h %d min', $hours, (int) round($minutes) % 60) : sprintf('%.0f min', $minutes), $sittings, $sittings === 1 ? 'sitting' : 'sittings');
        }

        return implode(' ', $words);
    }

    /** In hundredths of all that was laid. */
    public static function percent(float $share): string
    {
        return $share < self::LEAST_SHARE ? 'under 1 %' : sprintf('%.0f %%', 100.0 * $share);
    }
}
