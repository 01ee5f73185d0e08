<?php

declare(strict_types=1);

namespace App\Studio\Records;

use App\Models\Calibration;
use App\Models\DrawingEntry;
use App\Models\Piece;
use App\Models\User;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\Stubs;
use App\Studio\Planning\SchoolChoices;
use App\Studio\Review\DrawingReviews;
use Prism\Materials\PencilId;
use Prism\Planning\Order\Sittings;

/** What an artist's work comes to over the months. */
final class Figures
{
    private const MONTHS = 12;

    private const PENCILS = 12;

    /** A pencil with less left, mm, is nearly used up. */
    private const SHORT_MM = 45.0;

    public function __construct(private readonly Catalogue $catalogue, private readonly Stubs $stubs, private readonly DrawingReviews $reviews)
    {
    }

    /**
     * @return array{months: list<array{month: string, minutes: float, sittings: int, turns: int, pieces: int}>, pencils: list<array{id: string, number: string, name: string, usedMm: float, leftMm: ?float, isShort: bool}>, hand: list<array{at: string, percent: int}>, checks: list<array{piece: string, title: string, first: float, last: float, count: int}>, schools: list<array{question: string, answer: string, pieces: int}>}
     *                                                                                                                                                                                                                                                                                                                                                                                                                                   months oldest first; hand in hundredths of what swatches say, in order; checks in value steps
     */
    public function of(User $artist): array
    {
        $pieces = array_values($artist->pieces()->get()->all());

        return ['months' => $this->months($artist), 'pencils' => $this->pencils($artist), 'hand' => $this->hand($artist), 'checks' => $this->checks($pieces), 'schools' => self::schools($pieces)];
    }

    /** @return list<array{month: string, minutes: float, sittings: int, turns: int, pieces: int}> */
    private function months(User $artist): array
    {
        $from = now()->startOfMonth()->subMonths(self::MONTHS - 1);
        $rows = DrawingEntry::query();
        $rows->whereIn('piece_id', $artist->pieces()->select('id'))->where('kind', 'done')->where('undone', false)->where('made_at', '>=', $from);
        $byMonth = [];
        foreach ($rows->get(['piece_id', 'turn', 'made_at']) as $entry) {
            $byMonth[$entry->made_at->format('Y-m')][] = $entry;
        }
        $months = [];
        for ($i = 0; $i < self::MONTHS; $i++) {
            $month = $from->copy()->addMonths($i)->format('Y-m');
            $of = $byMonth[$month] ?? [];
            $sittings = Sittings::of(array_map(static fn (DrawingEntry $entry): int => (int) $entry->made_at->timestamp, $of));
            $months[] = [
                'month' => $month, 'minutes' => round(array_sum(array_column($sittings, 'minutes'))), 'sittings' => count($sittings),
                'turns' => count(array_unique(array_map(static fn (DrawingEntry $entry): string => $entry->piece_id.' '.$entry->turn, $of))),
                'pieces' => count(array_unique(array_map(static fn (DrawingEntry $entry): string => $entry->piece_id, $of))),
            ];
        }

        return $months;
    }

    /** @return list<array{id: string, number: string, name: string, usedMm: float, leftMm: ?float, isShort: bool}> those that are used most */
    private function pencils(User $artist): array
    {
        $pencils = [];
        foreach ($this->stubs->of($artist) as $id => ['usedMm' => $used, 'leftMm' => $left]) {
            if ($used > 0.0 || $left !== null && $left < self::SHORT_MM) {
                $pencils[] = ['id' => $id, 'number' => PencilId::of($id)->number, 'name' => (string) $this->catalogue->row($artist, PencilId::of($id))?->name, 'usedMm' => round($used, 1), 'leftMm' => $left === null ? null : round($left), 'isShort' => $left !== null && $left < self::SHORT_MM];
            }
        }
        usort($pencils, static fn (array $one, array $other): int => [$other['isShort'], $other['usedMm']] <=> [$one['isShort'], $one['usedMm']]);

        return array_slice($pencils, 0, self::PENCILS);
    }

    /** @return list<array{at: string, percent: int}> */
    private function hand(User $artist): array
    {
        $rows = $artist->calibrations();
        $rows->orderBy('id');

        return array_values($rows->get(['id', 'weight', 'created_at'])->map(static fn (Calibration $row): array => ['at' => $row->created_at->toIso8601ZuluString(), 'percent' => (int) round(100.0 * $row->weight)])->all());
    }

    /**
     * @param  list<Piece>  $pieces
     * @return list<array{piece: string, title: string, first: float, last: float, count: int}> of pieces that were compared, the last begun first
     */
    private function checks(array $pieces): array
    {
        $checks = [];
        foreach ($pieces as $piece) {
            // The latest photo first.
            $reviews = array_values(array_filter($this->reviews->of($piece), static fn (array $review): bool => isset($review['meanSteps'])));
            if ($reviews !== []) {
                $checks[] = ['piece' => $piece->id, 'title' => $piece->title, 'first' => (float) $reviews[count($reviews) - 1]['meanSteps'], 'last' => (float) $reviews[0]['meanSteps'], 'count' => count($reviews)];
            }
        }

        return array_reverse($checks);
    }

    /**
     * @param  list<Piece>  $pieces
     * @return list<array{question: string, answer: string, pieces: int}> the answer that most pieces go by, for each question
     */
    private static function schools(array $pieces): array
    {
        $counts = [];
        foreach ($pieces as $piece) {
            foreach (SchoolChoices::ofPiece($piece)->chosen as $question => $answer) {
                $counts[$question][$answer] = ($counts[$question][$answer] ?? 0) + 1;
            }
        }
        $schools = [];
        foreach ($counts as $question => $answers) {
            arsort($answers);
            $answer = (string) array_key_first($answers);
            [$name, $of] = SchoolChoices::QUESTIONS[$question];
            $schools[] = ['question' => $name, 'answer' => $of::from($answer)->label(), 'pieces' => $answers[$answer]];
        }

        return $schools;
    }
}
