<?php

declare(strict_types=1);

use App\Models\DrawnStep;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\Records\PieceRecords;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

beforeEach(function (): void {
    $this->artist = artist();
    $this->actingAs($this->artist);
    $this->piece = pieceOf($this->artist);
    $this->press = function (string $mark, string $at, array $more = []): void {
        $this->piece->drawingEntries()->create(['mark' => $mark, 'kind' => 'done', 'turn' => 1, 'before' => [], 'did' => ['laid' => 'QW:5892@50x2', 'planned' => 'QW:5892@50x2', 'role' => 'layer', 'places' => ['float']], 'made_at' => $at, 'undone' => false, ...$more]);
    };
    $this->lay = fn (string $key, string $laid, float $mm2) => $this->piece->drawnSteps()->create(['step_key' => $key, 'state' => 'done', 'laid' => $laid, 'mm2' => $mm2]);
    $this->record = fn (): array => $this->getJson("/api/pieces/{$this->piece->id}/record")->assertOk()->json();
});

it('is empty before anything is drawn', function (): void {
    expect(($this->record)())->toMatchArray(['minutes' => 0, 'turns' => 0, 'sittings' => [], 'pencils' => [], 'checks' => [], 'entries' => []]);
});

it('tells time by sittings, pencils by their share, and what went otherwise', function (): void {
    ($this->press)('a', '2026-11-01 18:00:00');
    ($this->press)('b', '2026-11-01 18:20:00', ['turn' => 2, 'did' => ['laid' => 'QW:6858@40', 'planned' => 'QW:5892@50x2', 'role' => 'layer', 'places' => ['float']]]);
    ($this->press)('c', '2026-11-03 09:00:00', ['turn' => 3]);
    ($this->press)('d', '2026-11-03 09:05:00', ['turn' => 4, 'undone' => true]);
    $this->piece->drawingEntries()->create(['mark' => 'n', 'kind' => 'note', 'note' => 'The rope wants less.', 'made_at' => '2026-11-03 09:10:00', 'undone' => false]);
    ($this->lay)('1', 'QW:5892@50x2', 300.0);
    ($this->lay)('2', 'QW:6858@40', 397.0);
    ($this->lay)('3', 'QW:2794@30', 3.0);
    $record = ($this->record)();
    expect($record['minutes'])->toEqual(32)->and($record['turns'])->toBe(3)->and($record['otherwise'])->toBe(1)
        ->and(array_column($record['sittings'], 'presses'))->toBe([2, 1])
        ->and(array_map(static fn (array $pencil): string => $pencil['number'].' '.$pencil['share'], $record['pencils']))->toBe(['5892 60 %', '6858 40 %', '2794 under 1 %'])
        ->and(array_column($record['entries'], 'mark'))->toBe(['a', 'b', 'c', 'n']);
});

it('has words to publish it with, by number and name and without a maker', function (): void {
    $this->piece->update(['title' => 'Floats', 'width_mm' => 240, 'height_mm' => 180]);
    ($this->press)('a', '2026-11-01 18:00:00');
    ($this->lay)('1', 'QW:5892@50x2', 300.0);
    $caption = ($this->record)()['caption'];
    expect($caption)->toStartWith('Floats. Coloured pencil on ')->toContain('240 × 180 mm. One pencil: 5892 ')->toContain('6 min in 1 sitting.')->not->toContain('QW');
    $this->piece->update(['unit' => 'in']);
    expect(($this->record)()['caption'])->toContain('9.4 × 7.1 in');
});

it('counts what was really laid, also by a pencil that the box has not any more', function (): void {
    ($this->lay)('1', 'QW:5892@50x2', 300.0);
    $this->artist->box()->detach();
    expect(DrawnStep::query()->count())->toBe(1)->and(app(PieceRecords::class)->of($this->piece->refresh())['pencils'][0]['number'])->toBe('5892');
});

it('is its artist’s own', function (): void {
    $this->actingAs(artist());
    $this->getJson("/api/pieces/{$this->piece->id}/record")->assertNotFound();
});

it('sums up months, pencils, the hand and the checks', function (): void {
    $this->travelTo('2026-11-20 12:00:00');
    ($this->press)('a', '2026-09-05 18:00:00');
    ($this->press)('b', '2026-09-05 18:24:00', ['turn' => 2]);
    ($this->press)('c', '2026-11-01 10:00:00', ['turn' => 3]);
    ($this->press)('old', '2025-10-01 10:00:00');
    ($this->lay)('1', 'QW:5892@60x4', 20000.0);
    $this->patchJson('/api/box/QW:6858', ['lengthMm' => 30])->assertSuccessful();
    $review = fn (string $mark, float $steps) => [
        $this->piece->drawingEntries()->create(['mark' => $mark, 'kind' => 'photo', 'made_at' => '2026-11-02 10:00:00', 'undone' => false]),
        app(DrawingPhotos::class)->putKept($this->piece, $mark, [DrawingPhotos::TOLD => (string) json_encode(['meanSteps' => $steps, 'zones' => []])]),
    ];
    $review('first', 1.4);
    $review('last', 0.5);
    $figures = $this->getJson('/api/figures')->assertOk()->json();
    $months = array_column($figures['months'], null, 'month');
    expect($figures['months'])->toHaveCount(12)->and($figures['months'][11]['month'])->toBe('2026-11')
        ->and($months['2026-09'])->toMatchArray(['minutes' => 30, 'sittings' => 1, 'turns' => 2, 'pieces' => 1])->and($months['2026-11']['turns'])->toBe(1)->and($months['2026-10']['minutes'])->toEqual(0)
        ->and($figures['pencils'][0])->toMatchArray(['number' => '6858', 'isShort' => true])->and(array_column($figures['pencils'], 'number'))->toContain('5892')
        ->and($figures['checks'][0])->toMatchArray(['first' => 1.4, 'last' => 0.5, 'count' => 2])
        ->and($figures['hand'])->toBe([])->and(array_column($figures['schools'], 'question'))->toContain('Which value first');
    $this->actingAs(artist());
    expect($this->getJson('/api/figures')->json('checks'))->toBe([])->and(array_sum(array_column($this->getJson('/api/figures')->json('months'), 'minutes')))->toBe(0);
});
