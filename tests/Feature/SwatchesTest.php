<?php

declare(strict_types=1);

use App\Models\Chart;
use App\Models\User;
use App\Studio\Swatches\ChartPaper;
use App\Studio\Swatches\SwatchReader;
use Illuminate\Support\Facades\Queue;
use Prism\Colour\Lab;
use Prism\Layering\Stack;

use function Tests\Feature\artist;
use function Tests\Feature\blob;
use function Tests\Feature\bytes;
use function Tests\Feature\picture;
use function Tests\Feature\pieceOf;
use function Tests\Feature\spotIn;

// Swatch book, charts and calibration over HTTP.

beforeEach(function (): void {
    $this->user = artist();
    $this->actingAs($this->user);
});

/** @param  list<string>  $stacks drawn by the simulated hand and written into the book */
function swatch(User $user, array $stacks, string $paper = 'harbour-cartridge'): void
{
    $reader = app(SwatchReader::class);
    foreach ($stacks as $i => $stack) {
        $lab = $reader->read($paper, Stack::parse($stack), "test $i");
        test()->actingAs($user)->postJson('/api/swatches', ['paper' => $paper, 'stack' => $stack, 'colour' => sprintf('%.2f %.2f %.2f', $lab->L, $lab->a, $lab->b)])->assertCreated();
    }
}

/** A box's worth of single coats. @return list<string> */
function coatsOf(array $ids): array
{
    return ['', ...array_merge(...array_map(static fn (string $id): array => ["$id@30", "$id@60", "$id@90x2"], $ids))];
}

/** The chart, filled and photographed by the simulated studio. */
function photographed(Chart $chart, int $sheet = 1): Illuminate\Http\UploadedFile
{
    return bytes('chart.jpg', app(SwatchReader::class)->photograph($chart->paper->slug, ChartPaper::sheets($chart)[$sheet - 1], 'photo'));
}

describe('the swatch book', function (): void {
    it('takes what is typed, in Lab or hex, and finds it again', function (): void {
        foreach ([['QW:6858@40', '60 5 -40'], ['QW:6858@30 > QW:5892@95', '#aabbcc'], ['', '95.4 -0.6 1.5'], ['LO:3512@50 > wash', '50 10 -30']] as [$stack, $colour]) {
            $this->postJson('/api/swatches', ['paper' => 'harbour-cartridge', 'stack' => $stack, 'colour' => $colour, 'note' => 'a note', 'drawnOn' => '2026-11-20'])->assertCreated()->assertJson(['note' => 'a note', 'drawnOn' => '2026-11-20', 'source' => 'typed']);
        }
        $count = fn (string $query): int => $this->getJson('/api/swatches?'.$query)->assertOk()->json('count');
        expect($count(''))->toBe(4)->and($count('pencil=6858'))->toBe(2)->and($count('pencil=QW:6858'))->toBe(2)->and($count('pencil=685'))->toBe(0)
            ->and($count('paper=fog-toned'))->toBe(0)->and($count('technique=burnish'))->toBe(1)->and($count('technique=wash'))->toBe(1)->and($count('technique=paper'))->toBe(1)
            ->and($count('source=typed'))->toBe(4)->and($count('source=picture'))->toBe(0)->and($count('pencil=%25'))->toBe(0);
    });

    it('gives a pencil of one\'s own that has no colour that of its heavy coat, once; until then recipes do without it', function (): void {
        $this->postJson('/api/pencils/import', ['text' => '101, 102', 'range' => 'HB', 'intoBox' => true])->assertOk();
        $colour = fn (string $id): ?array => $this->getJson("/api/pencils/$id")->assertOk()->json('colour');
        $single = fn (): string => $this->postJson('/api/pieces/'.pieceOf($this->user)->id.'/recipes', ['L' => 50, 'a' => 42, 'b' => -30])->assertOk()->json('nearest.stack');
        expect($colour('HB:101'))->toBeNull()->and($single())->not->toContain('HB');
        $write = fn (string $stack, string $lab, string $paper = 'harbour-cartridge') => $this->postJson('/api/swatches', ['paper' => $paper, 'stack' => $stack, 'colour' => $lab])->assertCreated();
        $write('HB:101@60', '70 18 3');
        $write('HB:101@90x2 > HB:102@90x2', '40 10 -3');
        $write('HB:101@90x2', '40 20 -20', 'fog-toned');
        expect($colour('HB:101'))->toBeNull();
        $write('HB:101@90x2', '50 42 -30');
        $write('HB:101@95x3', '45 44 -32');
        expect($colour('HB:101')['L'])->toEqualWithDelta(50.0, 0.1)->and($colour('HB:102'))->toBeNull();
        app()->forgetScopedInstances();
        expect($single())->toContain('HB:101');
        // What ships stays as it is.
        $was = $colour('QW:6858');
        $write('QW:6858@95x2', '10 0 0');
        expect($colour('QW:6858'))->toBe($was);
    });

    it('has the simulated studio draw and read a swatch, and says that it did', function (): void {
        $answer = $this->postJson('/api/swatches', ['paper' => 'harbour-cartridge', 'stack' => 'QW:6858@60', 'simulated' => true])->assertCreated()->assertJson(['source' => 'simulated']);
        $drawn = app(SwatchReader::class)->read('harbour-cartridge', Stack::parse('QW:6858@60'), 'other');
        expect(Lab::of($answer->json('colour.L'), $answer->json('colour.a'), $answer->json('colour.b'))->differenceTo($drawn))->toBeLessThan(5.0);
        $this->postJson('/api/swatches', ['paper' => 'harbour-cartridge', 'stack' => 'XX:1@60', 'simulated' => true])->assertUnprocessable();
    });

    it('refuses in words', function (array $change, string $said): void {
        $answer = $this->postJson('/api/swatches', ['paper' => 'harbour-cartridge', 'stack' => 'QW:6858@40', 'colour' => '60 5 -40', ...$change])->assertUnprocessable();
        expect($answer->json('message').json_encode($answer->json('errors')))->toContain($said);
        expect($this->user->swatches()->count())->toBe(0);
    })->with([
        [['stack' => 'QW:6858@400'], 'the pressure is 400'], [['stack' => 'XX:1@40'], 'no pencil XX:1'], [['colour' => 'bluish'], 'is not a colour'],
        [['colour' => ''], 'Give the colour that was read'], [['paper' => 'vellum'], 'no such paper'], [['drawnOn' => 'today'], '2026-11-24'],
    ]);

    it('is noted in, taken out of and put back into', function (): void {
        $id = $this->postJson('/api/swatches', ['paper' => 'harbour-cartridge', 'stack' => 'QW:6858@40', 'colour' => '60 5 -40'])->json('id');
        $this->patchJson("/api/swatches/$id", ['note' => 'streaky'])->assertOk()->assertJsonPath('note', 'streaky');
        $this->deleteJson("/api/swatches/$id")->assertNoContent();
        expect($this->getJson('/api/swatches')->json('count'))->toBe(0);
        $this->postJson("/api/swatches/$id/restore")->assertNoContent();
        expect($this->getJson('/api/swatches')->json('swatches.0.note'))->toBe('streaky');
    });

    it('takes in a table or instrument readings, all or nothing, and gives them out again', function (): void {
        $csv = "id,paper,steps,L,a,b,note\n1,harbour-cartridge,,95,0,1,\n2,harbour-cartridge,QW:6858@40,70,2,-20,first\n";
        $this->postJson('/api/swatches/preview', ['text' => $csv])->assertOk()->assertJson(['count' => 2])->assertJsonPath('rows.1.stack', 'QW:6858@40');
        expect($this->user->swatches()->count())->toBe(0);
        $bad = $csv."3,vellum,QW:6858@40,70,2,-20,\n4,harbour-cartridge,QW:1@40,70,2,-20,\n";
        $this->postJson('/api/swatches/import', ['text' => $bad])->assertUnprocessable()->assertJsonCount(2, 'rows');
        expect($this->user->swatches()->count())->toBe(0);
        $this->postJson('/api/swatches/import', ['text' => $csv])->assertOk()->assertJson(['written' => 2]);
        $cgats = $this->get('/api/swatches.txt')->assertOk()->getContent();
        $this->postJson('/api/swatches/import', ['text' => $cgats, 'paper' => 'fog-toned'])->assertOk()->assertJson(['written' => 2]);
        expect($this->getJson('/api/swatches?paper=fog-toned')->json('count'))->toBe(2);
        $again = $this->get('/api/swatches.csv')->getContent();
        $this->postJson('/api/swatches/preview', ['text' => $again])->assertOk()->assertJson(['count' => 4]);
    });

    it('is its owner\'s alone', function (): void {
        $id = $this->postJson('/api/swatches', ['paper' => 'harbour-cartridge', 'stack' => 'QW:6858@40', 'colour' => '60 5 -40'])->json('id');
        $this->actingAs(User::factory()->create());
        expect($this->getJson('/api/swatches')->json('count'))->toBe(0);
        $this->patchJson("/api/swatches/$id", ['note' => 'mine'])->assertNotFound();
        $this->deleteJson("/api/swatches/$id")->assertNotFound();
        $this->postJson("/api/swatches/$id/restore")->assertNotFound();
    });
});

describe('swatch cards', function (): void {
    beforeEach(function (): void {
        $this->postJson('/api/pencils/import', ['text' => '101-103, 207 Rose', 'range' => 'HB', 'binder' => 'oil', 'intoBox' => false])->assertOk();
        $this->card = $this->postJson('/api/charts', ['kind' => 'card', 'paper' => 'harbour-cartridge', 'page' => 'a4', 'pencils' => ['HB:207', 'HB:101', 'HB:102', 'HB:103']])->assertCreated()->assertJsonPath('title', 'Swatch card')->json();
        $this->take = fn (array $fields, array $more = []): Illuminate\Testing\TestResponse => $this->postJson("/api/charts/{$this->card['id']}/swatches", [
            'simulated' => true, 'intoBox' => true, ...$more,
            'fields' => array_map(static fn (array $field): array => ['number' => $field['number'], 'L' => $field['colour']['L'], 'a' => $field['colour']['a'], 'b' => $field['colour']['b'], 'spread' => $field['spread']], $fields),
        ]);
    });

    it('are filled with pencils without a colour, and read into colours, traits, box and book', function (): void {
        expect($this->card['fields'])->toHaveCount(12)->and($this->card['fields'][0])->toBe('HB:207@30');
        $this->get("/api/charts/{$this->card['id']}/sheets/1.svg")->assertOk()->assertSee('90 % burnish, 2 coats', false);
        $this->postJson('/api/works', ['kind' => 'filling', 'chart' => $this->card['id']])->assertAccepted();
        $jpeg = (string) file_get_contents(app(App\Studio\Swatches\ChartPictures::class)->path(Chart::query()->findOrFail($this->card['id']), 1));
        $fields = $this->postJson("/api/charts/{$this->card['id']}/readings", ['picture' => bytes('card.jpg', $jpeg)])->assertAccepted()->assertJsonPath('state', 'done')->json('result.fields');
        expect(array_column($fields, 'doubts'))->each->toBe([])->and($fields[2]['over']['hex'])->toStartWith('#')->and($fields[1]['over'])->toBeNull();
        ($this->take)($fields, ['pencils' => [['id' => 'HB:207', 'opacity' => 'opaque', 'core' => 'soft', 'stains' => true], ['id' => 'HB:101', 'binder' => 'wax']]])->assertOk()->assertJson(['written' => 12]);
        $rose = $this->getJson('/api/pencils/HB:207')->json();
        expect($rose['pencil']['owned'])->toBeTrue()->and([$rose['opacity'], $rose['core'], $rose['stains']])->toBe(['opaque', 'soft', true])
            ->and($rose['colour']['L'])->toEqualWithDelta($fields[2]['colour']['L'], 0.01)
            ->and($this->getJson('/api/pencils/HB:101')->json('pencil.binder'))->toBe('wax')
            ->and($this->getJson('/api/pencils/HB:103')->json('colour'))->not->toBeNull()
            ->and($this->getJson('/api/swatches')->json('count'))->toBe(12);
    });

    it('are taken in all at once or not at all', function (): void {
        $field = ['number' => 3, 'colour' => ['L' => 50, 'a' => 10, 'b' => 10], 'spread' => 1];
        expect(($this->take)([$field], ['pencils' => [['id' => 'HB:101', 'stains' => true], ['id' => 'QW:6858', 'stains' => true]]])->assertUnprocessable()->json('message'))->toContain('Range QW ships with the studio');
        app()->forgetScopedInstances();
        expect($this->getJson('/api/pencils/HB:101')->json('stains'))->toBeFalse();
        ($this->take)([$field, ['number' => 13] + $field])->assertUnprocessable();
        ($this->take)([$field], ['pencils' => [['id' => 'HB:999', 'stains' => true]]])->assertUnprocessable();
        ($this->take)([$field], ['pencils' => [['id' => 'HB:101', 'opacity' => 'thick']]])->assertUnprocessable()->assertJsonValidationErrors('pencils.0.opacity');
        expect($this->getJson('/api/swatches')->json('count'))->toBe(0);
    });

    it('are drawn on white paper: a toned one would show through the colours', function (): void {
        expect($this->postJson('/api/charts', ['kind' => 'card', 'paper' => 'fog-toned', 'page' => 'a4', 'pencils' => ['HB:101']])->assertUnprocessable()->json('errors.paper.0'))->toContain('Fog Toned would show through');
        $this->postJson('/api/charts', ['kind' => 'singles', 'paper' => 'fog-toned', 'page' => 'a4', 'pencils' => ['HB:101']])->assertCreated();
    });

    it('on a plain sheet are read by the rows one points at', function (): void {
        $sheet = picture('png', 600, 200, '#f4f3ee', static function (Imagick $image): void {
            foreach (['#e8b0a0', '#c86450', '#a03020', '#a8c0e0', '#6080b8', '#203880', '#c8d8b0', '#80a060', '#406020', '#e0d0b8', '#b09060', '#705020'] as $i => $colour) {
                $draw = new ImagickDraw;
                $draw->setFillColor($colour);
                $draw->rectangle(20 + 95 * ($i % 6), 20 + 90 * intdiv($i, 6), 75 + 95 * ($i % 6), 75 + 90 * intdiv($i, 6));
                $image->drawImage($draw);
            }
        });
        $rows = [['from' => [48 / 600, 48 / 200], 'to' => [523 / 600, 48 / 200], 'fields' => 6], ['from' => [48 / 600, 138 / 200], 'to' => [523 / 600, 138 / 200], 'fields' => 6]];
        $read = fn (array $rows) => $this->post("/api/charts/{$this->card['id']}/readings", ['picture' => $sheet, 'rows' => $rows], ['Accept' => 'application/json']);
        $fields = $read($rows)->assertAccepted()->json('result.fields');
        expect($fields)->toHaveCount(12)->and($fields[2]['stack'])->toBe('HB:207@90x2')->and($fields[2]['colour']['a'])->toBeGreaterThan(40.0)->and($fields[5]['colour']['b'])->toBeLessThan(-30.0)->and($fields[0]['over'])->toBeNull();
        expect($read([$rows[0]])->assertAccepted()->json('problem'))->toContain('hold 6 fields, and there are 12');
        $read([['fields' => 1] + $rows[0]])->assertUnprocessable()->assertJsonValidationErrors('rows.0.fields');
        $read([['from' => [7, 0]] + $rows[0]])->assertUnprocessable();
    });
});

describe('charts', function (): void {
    it('are laid out of the box, of chosen pencils, of stacks', function (array $wish, int $fields): void {
        $chart = $this->postJson('/api/charts', ['paper' => 'harbour-cartridge', 'page' => 'a4', ...$wish])->assertCreated()->json();
        expect($chart['fields'])->toHaveCount($fields)->and($chart['fields'][0])->toBe('');
    })->with([
        [['kind' => 'singles'], 46], [['kind' => 'singles', 'pencils' => ['QW:6858']], 4], [['kind' => 'pairs', 'pencils' => ['QW:6858', 'QW:5892', 'LO:3512']], 7],
        [['kind' => 'triples', 'pencils' => ['QW:6858', 'QW:5892', 'LO:3512']], 3], [['kind' => 'stacks', 'text' => "QW:6858@40 > QW:5892@50\nQW:6858@30"], 3], [['kind' => 'lessons'], 11],
    ]);

    it('are refused in words', function (array $wish, string $said): void {
        $answer = $this->postJson('/api/charts', ['paper' => 'harbour-cartridge', 'page' => 'a4', ...$wish])->assertUnprocessable();
        expect(json_encode($answer->json(), JSON_UNESCAPED_UNICODE))->toContain($said);
    })->with([
        [['kind' => 'pairs', 'pencils' => ['QW:6858']], 'needs 2 pencils'], [['kind' => 'singles', 'pencils' => ['blue']], 'is not a pencil'], [['kind' => 'singles', 'pencils' => ['XX:1']], 'no pencil XX:1'],
        [['kind' => 'stacks', 'text' => 'red please'], 'is not a step'], [['kind' => 'triples'], 'a chart has at most 320'], [['kind' => 'singles', 'page' => 'a5'], 'page'],
    ]);

    it('are printed as PDF with its fonts and as SVG, in true size', function (): void {
        $id = $this->postJson('/api/charts', ['kind' => 'pairs', 'paper' => 'harbour-cartridge', 'page' => 'letter', 'pencils' => array_map(static fn (string $number): string => "QW:$number", array_slice(Tests\Feature\BOX['QW'], 0, 8))])->json('id');
        $pdf = $this->get("/api/charts/$id/chart.pdf")->assertOk()->assertHeader('Content-Type', 'application/pdf')->getContent();
        expect($pdf)->toStartWith('%PDF')->and(preg_match_all('/\/Type \/Page\b/', $pdf))->toBe(2)->and(preg_match_all('/\/MediaBox \[0\.0+ 0\.0+ 612\.0+ 792\.0+\]/', $pdf))->toBe(2)->and($pdf)->toContain('FontFile2');
        $this->get("/api/charts/$id/sheets/2.svg")->assertOk()->assertSee('width="215.9mm"', false);
        $this->get("/api/charts/$id/sheets/3.svg")->assertNotFound();
    });

    it('are filled by the simulated studio, read from its picture and written into the book', function (): void {
        $id = $this->postJson('/api/charts', ['kind' => 'stacks', 'paper' => 'harbour-cartridge', 'page' => 'a4', 'text' => "QW:6858@60\nQW:5892@60\nQW:7432@90x2\nQW:6858@45 > QW:5892@55"])->json('id');
        $this->get("/api/charts/$id/filled/1")->assertNotFound();
        $work = $this->postJson('/api/works', ['kind' => 'filling', 'chart' => $id])->assertAccepted()->json('id');
        $filled = $this->getJson("/api/works/$work")->assertJsonPath('state', 'done')->json('result.picture');
        $jpeg = $this->get($filled)->assertOk()->streamedContent();
        $reading = $this->postJson("/api/charts/$id/readings", ['picture' => bytes('filled.jpg', $jpeg)])->assertAccepted()->assertJsonPath('state', 'done')->json('result');
        expect($reading['sheet'])->toBe(1)->and(array_column($reading['fields'], 'stack'))->toBe(['', 'QW:6858@60', 'QW:5892@60', 'QW:7432@90x2', 'QW:6858@45 > QW:5892@55'])
            ->and($reading['fields'][0]['colour']['L'])->toEqualWithDelta(95.4, 1.0)->and($this->user->swatches()->count())->toBe(0);
        // Another drawing of the same stack, so near as a hand repeats itself.
        $drawn = app(SwatchReader::class)->read('harbour-cartridge', Stack::parse('QW:5892@60'), 'other');
        expect(Lab::of(...array_values(array_intersect_key($reading['fields'][2]['colour'], array_flip(['L', 'a', 'b']))))->differenceTo($drawn))->toBeLessThan(5.0);
        $fields = array_map(static fn (array $field): array => ['number' => $field['number'], 'L' => $field['colour']['L'], 'a' => $field['colour']['a'], 'b' => $field['colour']['b'], 'spread' => $field['spread']], $reading['fields']);
        $this->postJson("/api/charts/$id/swatches", ['simulated' => true, 'fields' => $fields])->assertOk()->assertJson(['written' => 5]);
        expect($this->getJson('/api/swatches?source=simulated')->json('count'))->toBe(5)->and($this->getJson("/api/charts/$id")->json('read'))->toBe(5);
        $this->postJson("/api/charts/$id/swatches", ['simulated' => false, 'fields' => [['number' => 9, 'L' => 50, 'a' => 0, 'b' => 0]]])->assertUnprocessable();
        expect($this->user->swatches()->count())->toBe(5);
    });

    it('say what is wrong with a picture', function (): void {
        $id = $this->postJson('/api/charts', ['kind' => 'singles', 'paper' => 'harbour-cartridge', 'page' => 'a4', 'pencils' => ['QW:6858']])->json('id');
        foreach ([[bytes('x.jpg', 'no picture'), 'not a picture'], [bytes('x.jpg', blob('jpeg', 200, 280, '#f0f0f0')), 'none can be seen'], [bytes('x.jpg', substr(blob(), 0, -50)), 'cut off']] as [$picture, $said]) {
            $answer = $this->postJson("/api/charts/$id/readings", ['picture' => $picture]);
            expect($answer->json('message') ?? $answer->assertAccepted()->json('problem'))->toContain($said);
        }
        $this->postJson("/api/charts/$id/readings", [])->assertUnprocessable();
    });

    it('are their owner\'s alone, and come back when taken away', function (): void {
        $id = $this->postJson('/api/charts', ['kind' => 'singles', 'paper' => 'harbour-cartridge', 'page' => 'a4', 'pencils' => ['QW:6858']])->json('id');
        $this->deleteJson("/api/charts/$id")->assertNoContent();
        $this->getJson("/api/charts/$id")->assertNotFound();
        $this->postJson("/api/charts/$id/restore")->assertNoContent();
        $this->getJson("/api/charts/$id")->assertOk();
        $this->actingAs(User::factory()->create());
        foreach (['', '/chart.pdf', '/sheets/1.svg', '/filled/1'] as $what) {
            $this->get("/api/charts/$id$what")->assertNotFound();
        }
        $this->postJson("/api/charts/$id/readings", ['picture' => bytes('x.jpg', 'x')])->assertNotFound();
        $this->postJson("/api/charts/$id/swatches", ['simulated' => false, 'fields' => [['number' => 1, 'L' => 50, 'a' => 0, 'b' => 0]]])->assertNotFound();
        $this->deleteJson("/api/charts/$id")->assertNotFound();
        $this->postJson("/api/charts/$id/restore")->assertNotFound();
        expect($this->getJson('/api/charts')->json())->toBe([]);
        $work = $this->postJson('/api/works', ['kind' => 'filling', 'chart' => $id])->json('id');
        $this->getJson("/api/works/$work")->assertJsonPath('problem', 'This chart is no longer there.');
    });
});

describe('calibration', function (): void {
    it('takes in new swatches alone, where that is asked: the hand and the other pencils stay as they were', function (): void {
        $fit = fn (int $id): array => App\Models\Calibration::query()->findOrFail($id)->fit;
        $made = function (array $wish): int {
            $work = $this->postJson('/api/works', ['kind' => 'calibration', ...$wish])->json('id');
            $this->user->refresh();

            return $this->getJson("/api/works/$work")->assertJsonPath('state', 'done')->json('result.calibration');
        };
        swatch($this->user, coatsOf(['QW:6858', 'QW:5892', 'QW:7432', 'QW:2794']));
        $first = $fit($made([]));
        swatch($this->user, [...coatsOf(['QW:4973'])]);
        $second = $fit($made(['onlyNew' => true]));
        expect($second['hand'])->toEqual($first['hand'])->and($second['pencils']['QW:6858'])->toEqual($first['pencils']['QW:6858'])
            ->and($second['pencils'])->toHaveKey('QW:4973');
    });

    it('is made in the queue, counted, compared, and undone', function (): void {
        $piece = pieceOf($this->user);
        $zone = $this->postJson("/api/pieces/{$piece->id}/zones", ['name' => 'Float', 'x' => 0.2, 'y' => 0.2, 'radius' => 0.01, 'stack' => 'QW:6858@60'])->json('id');
        $predicted = fn (): array => $this->postJson("/api/pieces/{$piece->id}/predictions", ['stack' => 'QW:6858@60', 'L' => 50, 'a' => 0, 'b' => 0])->json();
        $before = $predicted();
        expect($before['calibration'])->toBeNull();
        swatch($this->user, coatsOf(['QW:6858', 'QW:5892', 'QW:7432', 'QW:2794']));
        expect($this->getJson('/api/calibrations')->json())->toMatchArray(['inForce' => null, 'swatches' => 13, 'newer' => 13, 'calibrations' => []]);

        $work = $this->postJson('/api/works', ['kind' => 'calibration'])->json('id');
        $first = $this->getJson("/api/works/$work")->assertJsonPath('state', 'done')->json('result.calibration');
        $this->user->refresh();
        $all = $this->getJson('/api/calibrations')->json();
        expect($all['inForce'])->toBe($first)->and($all['calibrations'][0])->toMatchArray(['number' => 1, 'swatches' => 13])
            ->and($all['calibrations'][0]['after'])->toBeLessThan($all['calibrations'][0]['before']);
        app()->forgetScopedInstances();
        $after = $predicted();
        expect($after['calibration'])->toMatchArray(['id' => $first, 'number' => 1, 'swatches' => 13])->and($after['recipe']['sigma'])->toBeLessThan($before['recipe']['sigma'])
            ->and($after['recipe']['predicted']['L'])->not->toBe($before['recipe']['predicted']['L']);

        $review = $this->getJson("/api/calibrations/$first")->assertOk()->json();
        expect($review['against'])->toBeNull()->and($review['pencils'])->toHaveCount(4)->and($review['recipes'][0]['zone'])->toBe($zone)
            ->and($review['recipes'][0]['old']['L'])->toEqualWithDelta($before['recipe']['predicted']['L'], 0.01)->and($review['recipes'][0]['new']['L'])->toEqualWithDelta($after['recipe']['predicted']['L'], 0.01)
            ->and($review['shifted'])->toBe(count(array_filter($review['recipes'], static fn (array $recipe): bool => $recipe['shift'] > 2.0)));
        expect($this->getJson('/api/pencils/QW:6858')->json('error.swatches'))->toBe(3);

        // Undo, and back again.
        $this->putJson('/api/calibrations/in-force', ['calibration' => null])->assertNoContent();
        $this->user->refresh();
        app()->forgetScopedInstances();
        expect($predicted()['recipe']['predicted']['L'])->toBe($before['recipe']['predicted']['L']);
        $this->putJson('/api/calibrations/in-force', ['calibration' => $first])->assertNoContent();
        $this->user->refresh();
        app()->forgetScopedInstances();
        expect($predicted()['recipe']['predicted']['L'])->toBe($after['recipe']['predicted']['L']);
    });

    it('shows which swatch does not fit, and goes on without it', function (): void {
        swatch($this->user, coatsOf(['QW:6858', 'QW:5892', 'QW:7432', 'QW:2794', 'QW:3131']));
        $wrong = $this->postJson('/api/swatches', ['paper' => 'harbour-cartridge', 'stack' => 'QW:6858@65', 'colour' => '40 45 40'])->json('id');
        $work = $this->postJson('/api/works', ['kind' => 'calibration'])->json('id');
        $id = $this->getJson("/api/works/$work")->json('result.calibration');
        $outliers = $this->getJson("/api/calibrations/$id")->json('outliers');
        expect($outliers[0]['swatch']['id'])->toBe($wrong)->and($outliers[0]['dE00'])->toBeGreaterThan(10.0);
        $this->deleteJson("/api/swatches/$wrong")->assertNoContent();
        expect(array_column(array_column($this->getJson("/api/calibrations/$id")->json('outliers'), 'swatch'), 'id'))->not->toContain($wrong);
    });

    it('searches recipes again, all that are named and only one\'s own', function (): void {
        $piece = pieceOf($this->user);
        $zone = $this->postJson("/api/pieces/{$piece->id}/zones", ['name' => 'Float', 'x' => 0.2, 'y' => 0.2, 'radius' => 0.01, 'stack' => 'QW:3769@95'])->json();
        $other = artist();
        $theirs = spotIn(pieceOf($other), 'theirs', [50, 0, 0], 'QW:3769@95');
        $target = $zone['targets'][0];
        $work = $this->postJson('/api/works', ['kind' => 'search-again', 'targets' => [$target['id'], $theirs->id]])->json('id');
        $result = $this->getJson("/api/works/$work")->assertJsonPath('state', 'done')->json('result');
        expect($result['searched'])->toBe(1)->and($result['changed'][0])->toMatchArray(['target' => $target['id'], 'name' => 'Float', 'had' => 'QW:3769@95'])
            ->and($theirs->recipe()->first()->stack)->toBe('QW:3769@95');
        // Whoever has the zone open elsewhere is told that it changed.
        $this->patchJson("/api/targets/{$target['id']}", ['version' => $target['version'], 'stack' => ''])->assertConflict();
    });

    it('needs some swatches, and asks for those that would teach most', function (): void {
        $work = $this->postJson('/api/works', ['kind' => 'calibration'])->json('id');
        $this->getJson("/api/works/$work")->assertJson(['state' => 'failed', 'problem' => 'A calibration needs 3 swatches or more; there are 0 in your book. Print a chart, or type some in.']);
        $lessons = $this->getJson('/api/lessons?paper=harbour-cartridge')->assertOk()->json();
        expect($lessons)->toHaveCount(10)->and($lessons[0]['why'])->toContain('has no swatch yet');
        $this->getJson('/api/lessons?paper=vellum')->assertUnprocessable();
    });

    it('is its owner\'s alone', function (): void {
        swatch($this->user, coatsOf(['QW:6858']));
        Queue::fake();
        $id = app(App\Studio\Calibration\Calibrations::class)->calibrate($this->user)->id;
        $this->actingAs(User::factory()->create());
        $this->getJson("/api/calibrations/$id")->assertNotFound();
        $this->putJson('/api/calibrations/in-force', ['calibration' => $id])->assertNotFound();
        expect($this->getJson('/api/calibrations')->json('calibrations'))->toBe([]);
    });
});
