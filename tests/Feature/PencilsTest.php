<?php

declare(strict_types=1);

use App\Jobs\DoWork;
use App\Models\Pencil;
use App\Models\Range;
use App\Models\User;
use App\Studio\LongWork\WorkQueue;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\Layout;
use App\Studio\Pencils\PencilList;
use App\Studio\Pencils\PencilQuery;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Prism\Box\Rainbow;
use Prism\Box\Walk;
use Prism\Colour\Lab;
use Prism\Exchange\GplPalette;
use Prism\Exchange\PencilTable;
use Prism\Materials\Binder;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;

// Pencils over HTTP: looked through, looked at, written down, taken in and out as files.

const HEADER = "range,number,name,binder,aliases,status,replaced_by,opacity,lightfastness,L,a,b\n";

beforeEach(function (): void {
    $this->user = artist();
    $this->actingAs($this->user);
});

/** @return list<string> ids that a query finds */
function listed(string $query): array
{
    return array_column(test()->getJson('/api/pencils?'.$query)->assertOk()->json('pencils'), 'id');
}

describe('looking through', function (): void {
    it('finds by number, former name and family, in the box and in all', function (): void {
        expect(listed(''))->toHaveCount(120)->and(listed('scope=box'))->toHaveCount(15)
            ->and(listed('q=6858'))->toBe(['QW:6858'])->and(listed('q=whitewash'))->toBe(['QW:1823'])->and(listed('q=nothing+like+it'))->toBe([])
            ->and(listed('range=LO&scope=box'))->each->toStartWith('LO:')
            ->and(listed('binder=oil'))->toHaveCount(60)->and(listed('value=9&order=number'))->not->toBe([]);
        foreach ($this->getJson('/api/pencils?family=blue')->json('pencils') as $pencil) {
            expect($pencil['family'])->toBe('blue');
        }
    });

    it('puts the nearest to a colour first: hex, Lab or another pencil', function (): void {
        expect(listed('near=QW:6858')[0])->toBe('QW:6858')->and(listed('near='.urlencode('38.1 8.4 -55.6'))[0])->toBe('QW:6858');
        $hex = Lab::of(38.1, 8.4, -55.6)->toHex();
        expect(listed('near='.urlencode($hex)))->toContain('QW:6858');
        $this->getJson('/api/pencils?near=nonsense')->assertUnprocessable()->assertJsonPath('errors.near.0', '"nonsense" is not a colour; write it as # and six hexadecimal digits, such as #7a8b9c. Three numbers L* a* b* or a pencil such as QW:5892 are read too.');
        $this->getJson('/api/pencils?near=QW:9999')->assertUnprocessable();
        // A number alone is a pencil and never a hex colour; one that two ranges have asks which is meant.
        expect(listed('near=6858')[0])->toBe('QW:6858');
        $this->getJson('/api/pencils?near=112233')->assertUnprocessable()->assertJsonPath('errors.near.0', '"112233" is not a colour; write it as # and six hexadecimal digits, such as #7a8b9c. Three numbers L* a* b* or a pencil such as QW:5892 are read too.');
        $own = $this->user->ranges()->create(['code' => 'OWN', 'maker' => '', 'name' => '']);
        $own->pencils()->create(['number' => '6858', 'name' => 'Mine', 'aliases' => [], 'binder' => 'wax', 'opacity' => 'semi', 'L' => 50, 'a' => 0, 'b' => 0]);
        $this->getJson('/api/pencils?near=6858')->assertUnprocessable()->assertJsonPath('errors.near.0', '2 pencils have the number 6858: write OWN:6858 or QW:6858.');
        $own->delete();
    });

    it('names the nearest of the box and of what is beside it, and which way each misses', function (): void {
        $found = $this->getJson('/api/nearest-pencils?to='.urlencode('38.1 8.4 -55.6'))->assertOk()->json();
        expect(array_column($found['box'], 'id')[0])->toBe('QW:6858')->and($found['box'][0]['misses'])->toBe('on target')
            ->and(array_filter(array_column($found['box'], 'owned')))->toHaveCount(5)->and(array_filter(array_column($found['others'], 'owned')))->toBe([])
            ->and($found['others'])->toHaveCount(5)->and(array_column($found['others'], 'misses'))->each->not->toBe('');
        foreach (['box', 'others'] as $of) {
            $distances = array_column($found[$of], 'distance');
            expect($distances)->toBe(collect($distances)->sort()->values()->all());
        }
        // Said of a favourite too, and of the list that is laid out by nearness.
        $this->patchJson('/api/box/QW:6858', ['favourite' => true])->assertSuccessful();
        expect(array_column($found['beside'], 'what'))->toBe(['complement', 'darker', 'lighter'])->and($found['beside'][0]['colour']['b'])->toBeGreaterThan(30.0);
        foreach ($found['beside'] as $one) {
            expect($one['pencil']['owned'])->toBeTrue()->and($one['pencil']['misses'])->not->toBe('');
        }
        $this->getJson('/api/nearest-pencils?to=808080')->assertUnprocessable();
        $this->getJson('/api/nearest-pencils?to='.urlencode('#808080'))->assertOk()->assertJsonPath('beside', []);
        $this->getJson('/api/nearest-pencils?to=QW:6858')->assertOk()->assertJsonPath('box.0.favourite', true);
        $this->getJson('/api/pencils?near=QW:6858')->assertOk()->assertJsonPath('pencils.0.misses', 'on target');
        $this->getJson('/api/nearest-pencils')->assertUnprocessable()->assertJsonValidationErrors('to');
        $this->getJson('/api/nearest-pencils?to=130')->assertUnprocessable()->assertJsonValidationErrors('to');
        $this->user->box()->detach();
        $this->getJson('/api/nearest-pencils?to=QW:6858')->assertOk()->assertJsonPath('box', [])->assertJsonPath('others.0.id', 'QW:6858');
    });

    it('lays the box out as the core does', function (): void {
        $coats = [];
        foreach (app(Catalogue::class)->box($this->user) as $id => $pencil) {
            $coats[$id] = $pencil->fullCoat;
        }
        expect(listed('scope=box&order=roll'))->toBe(Rainbow::order($coats))
            ->and(listed('scope=box&order=value'))->toBe(Rainbow::order($coats, byValue: true))
            ->and(listed('scope=box&order=walk'))->toBe(Walk::order($coats));
        $this->getJson('/api/pencils?order=price')->assertUnprocessable()->assertJsonValidationErrors('order');
    });

    it('asks the database no more for five thousand pencils than for a hundred', function (): void {
        $count = static function (): int {
            DB::enableQueryLog();
            DB::flushQueryLog();
            app(PencilList::class)->find(test()->user, new PencilQuery(layout: Layout::Walk));

            return count(DB::getQueryLog());
        };
        $before = $count();
        $rows = [];
        for ($range = 0; $range < 10; $range++) {
            $own = $this->user->ranges()->create(['code' => "R$range", 'maker' => '', 'name' => '']);
            for ($i = 0; $i < 60; $i++) {
                $rows[] = ['range_id' => $own->id, 'number' => (string) $i, 'name' => "N$i", 'aliases' => '[]', 'binder' => 'wax', 'opacity' => 'semi', 'L' => 20 + ($i * 7 + $range) % 75, 'a' => 40 * cos($i + $range), 'b' => 40 * sin($i + $range)];
            }
        }
        Pencil::query()->insert($rows);
        expect($count())->toBe($before)->and(listed('range=R3'))->toHaveCount(60);
        // A prediction reads the box and what is in the stack, not the catalogue.
        app()->forgetScopedInstances();
        expect(app(Catalogue::class)->desk($this->user, Prism\Layering\Stack::parse('R3:7@40')))->toHaveCount(16);
    });
});

describe('a pencil', function (): void {
    it('tells all that is known of it', function (): void {
        $piece = pieceOf($this->user);
        $this->postJson("/api/pieces/{$piece->id}/zones", ['name' => 'Float', 'x' => 0.2, 'y' => 0.2, 'radius' => 0.01, 'stack' => 'QW:5892@40 > QW:6858@50'])->assertCreated();
        $this->postJson('/api/swatches', ['paper' => 'harbour-cartridge', 'stack' => 'QW:6858@60', 'colour' => '60 5 -40'])->assertCreated();
        $page = $this->getJson('/api/pencils/QW:6858?paper=harbour-cartridge')->assertOk()->json();
        expect($page['strengths'])->toHaveCount(3)->and(array_column($page['strengths'], 'strength'))->toBe(['light', 'medium', 'heavy'])
            ->and($page['strengths'][0]['colour']['L'])->toBeGreaterThan($page['strengths'][2]['colour']['L'])
            ->and($page['strengths'][0]['section'])->not->toBe([])->and($page['strengths'][0]['sigma'])->toBeGreaterThan(0.0)
            ->and($page['partners'])->toHaveCount(6)->and($page['partners'][0]['gained'])->toBeGreaterThanOrEqual($page['partners'][5]['gained'])
            ->and($page['usedIn'][0]['name'])->toBe('Float')->and($page['swatchCount'])->toBe(1)->and($page['error'])->toBeNull()->and($page['calibration'])->toBeNull()
            ->and($page['measured'])->toBe('spectrum')->and($page['own'])->toBeFalse()->and($page['pencil']['aliases'])->toBe(['Flag Blue']);
        $this->getJson('/api/pencils/QW:9999')->assertNotFound();
        $this->getJson('/api/pencils/QW:6858?paper=vellum')->assertUnprocessable();
    });

    it('looks otherwise on another paper', function (): void {
        $L = static fn (string $paper): float => test()->getJson("/api/pencils/QW:3737?paper=$paper")->json('strengths.0.colour.L');
        expect($L('fog-toned'))->toBeLessThan($L('harbour-cartridge') - 10.0);
    });

    it('is noted in the box, if it is there', function (): void {
        $this->patchJson('/api/box/QW:6858', ['favourite' => true, 'spare' => 2, 'lengthMm' => 60])->assertNoContent();
        expect($this->getJson('/api/pencils/QW:6858')->json())->toMatchArray(['spare' => 2, 'lengthMm' => 60])->and($this->getJson('/api/pencils/QW:6858')->json('pencil.favourite'))->toBeTrue();
        $this->patchJson('/api/box/QW:3464', ['favourite' => true])->assertUnprocessable();
        $this->patchJson('/api/box/QW:6858', ['lengthMm' => 900])->assertUnprocessable()->assertJsonPath('errors.lengthMm.0', 'A stub is 5 to 180 mm long.');
    });
});

describe('writing down', function (): void {
    beforeEach(function (): void {
        $this->form = ['range' => 'HS', 'rangeName' => 'Harbour Set', 'number' => '12', 'name' => 'Rope', 'aliases' => ['Old Rope'], 'binder' => 'oil', 'opacity' => 'semi', 'status' => 'current', 'colour' => '60 5 22'];
    });

    it('adds, changes and takes away a pencil of an own range', function (): void {
        $this->postJson('/api/pencils', $this->form)->assertCreated()->assertJsonPath('id', 'HS:12');
        $this->postJson('/api/pencils', $this->form)->assertUnprocessable()->assertJsonPath('errors.number.0', 'There is a pencil HS:12 already; open it to change it.');
        $this->putJson('/api/pencils/HS:12', [...$this->form, 'name' => 'Tarred Rope', 'status' => 'discontinued', 'replacedBy' => 'HS:13', 'colour' => '#554433'])->assertOk();
        $page = $this->getJson('/api/pencils/HS:12')->json();
        expect($page['pencil'])->toMatchArray(['name' => 'Tarred Rope', 'status' => 'discontinued', 'replacedBy' => 'HS:13', 'hex' => '#554433'])->and($page['own'])->toBeTrue()->and($page['strengths'])->toHaveCount(3);
        $this->putJson('/api/pencils/HS:12', [...$this->form, 'rangeName' => 'Harbour Set, large', 'maker' => 'Quay & Sons'])->assertOk();
        app()->forgetScopedInstances();
        expect($this->getJson('/api/pencils/HS:12')->json())->toMatchArray(['rangeName' => 'Harbour Set, large', 'maker' => 'Quay & Sons']);
        $this->deleteJson('/api/pencils/HS:12')->assertNoContent();
        app()->forgetScopedInstances();
        $this->getJson('/api/pencils/HS:12')->assertNotFound();
    });

    it('keeps what is known of a lead: core and stain, through a table too', function (): void {
        $this->postJson('/api/pencils', [...$this->form, 'core' => 'hard', 'stains' => true])->assertCreated();
        expect($this->getJson('/api/pencils/HS:12')->json())->toMatchArray(['core' => 'hard', 'stains' => true]);
        $csv = (string) $this->get('/api/pencils.csv')->assertOk()->getContent();
        $known = PencilTable::read($csv)->entries['HS:12']->pencil;
        expect([$known->core?->value, $known->stains])->toBe(['hard', true]);
        $this->putJson('/api/pencils/HS:12', $this->form)->assertOk();
        app()->forgetScopedInstances();
        expect($this->getJson('/api/pencils/HS:12')->json())->toMatchArray(['core' => null, 'stains' => false]);
        $this->postJson('/api/pencils', [...$this->form, 'number' => '13', 'core' => 'crumbly'])->assertUnprocessable()->assertJsonValidationErrorFor('core');
    });

    it('leaves a measured spectrum alone when only the name changes', function (): void {
        $csv = PencilTable::write([PencilTable::read((string) file_get_contents(database_path('demo/pencils.csv')))->entries['QW:6858']]);
        $this->postJson('/api/pencils/import', ['text' => str_replace('QW,6858', 'HS,404', $csv)])->assertOk()->assertJsonPath('written', 1);
        $form = [...$this->form, 'number' => '6858', 'name' => 'Renamed'];
        unset($form['colour']);
        $this->putJson('/api/pencils/HS:404', $form)->assertOk();
        expect($this->getJson('/api/pencils/HS:404')->json('measured'))->toBe('spectrum');
    });

    it('refuses bad input in words, and ranges that ship', function (array $change, string $field, string $said): void {
        $this->postJson('/api/pencils', [...$this->form, ...$change])->assertUnprocessable()->assertJsonPath("errors.$field.0", $said);
        expect(Range::query()->where('code', 'HS')->exists())->toBeFalse();
    })->with([
        [['colour' => 'mauve'], 'colour', '"mauve" is not a colour; write it as # and six hexadecimal digits, such as #7a8b9c. Or write three numbers L* a* b*.'],
        [['colour' => '120 0 0'], 'colour', 'L* is 120; it goes from 0 (black) to 100 (white). Or write three numbers L* a* b*.'],
        [['number' => 'a b'], 'number', '"HS:a b" is not a pencil; write its range and number, such as GW:2140.'],
        [['replacedBy' => 'next one'], 'replacedBy', '"next one" is not a pencil; write its range and number, such as GW:2140.'],
        [['number' => ''], 'number', 'Give the number on the barrel.'],
    ]);

    it('changes nothing of a range that ships', function (): void {
        $said = 'Range QW ships with the studio and stays as it is. What you find out about its pencils belongs in the swatch book.';
        $this->postJson('/api/pencils', [...$this->form, 'range' => 'QW'])->assertUnprocessable()->assertJsonPath('message', $said);
        $this->putJson('/api/pencils/QW:6858', $this->form)->assertUnprocessable();
        $this->deleteJson('/api/pencils/QW:6858')->assertUnprocessable();
        expect(Pencil::query()->where('number', '6858')->value('name'))->toBe('Pennant Blue');
    });

    it('keeps a pencil that recipes or swatches use', function (): void {
        $this->postJson('/api/pencils', $this->form)->assertCreated();
        $this->postJson('/api/swatches', ['paper' => 'harbour-cartridge', 'stack' => 'HS:12@60', 'colour' => '60 5 20'])->assertCreated();
        $this->deleteJson('/api/pencils/HS:12')->assertUnprocessable()->assertJsonPath('message', 'Pencil HS:12 is in 0 of your recipes and 1 of your swatches. Mark it discontinued instead.');
    });

    it('is seen by its owner alone', function (): void {
        $this->postJson('/api/pencils', $this->form)->assertCreated();
        $other = User::factory()->create();
        $this->actingAs($other);
        app()->forgetScopedInstances();
        expect(listed('q=HS:12'))->toBe([]);
        $this->getJson('/api/pencils/HS:12')->assertNotFound();
        $this->putJson('/api/pencils/HS:12', $this->form)->assertNotFound();
        $this->putJson('/api/box', ['add' => ['HS:12']])->assertUnprocessable();
        // They may use the same code and number for a pencil of their own.
        $this->postJson('/api/pencils', [...$this->form, 'name' => 'Theirs'])->assertCreated();
        expect($this->getJson('/api/pencils/HS:12')->json('pencil.name'))->toBe('Theirs');
        $this->actingAs($this->user);
        app()->forgetScopedInstances();
        expect($this->getJson('/api/pencils/HS:12')->json('pencil.name'))->toBe('Rope');
    });
});

describe('files', function (): void {
    it('shows what a file would bring, and takes in all of it or nothing', function (): void {
        $bad = HEADER."HS,1,One,wax,,,,,,50,10,10\nHS,2,Two,chalk,,,,,,50,10,10\nQW,6858,Stolen,wax,,,,,,50,10,10\nHS,1,Again,wax,,,,,,50,10,10\n";
        foreach (['preview', 'import'] as $what) {
            $answer = $this->postJson("/api/pencils/$what", ['text' => $bad])->assertUnprocessable()->assertJsonPath('message', '3 things in this file cannot be taken in; nothing of it was.');
            expect(array_map(static fn (array $row): array => [$row['row'], $row['column']], $answer->json('rows')))->toBe([[3, 'binder'], [4, 'range'], [5, 'number']]);
        }
        expect($this->user->ranges()->exists())->toBeFalse();
        $good = HEADER."HS,1,One,wax,Uno|Eins,,,opaque,II,50,10,10\nHS,2,Two,oil,,,,,,,,\n";
        $this->postJson('/api/pencils/preview', ['text' => $good])->assertOk()->assertJson(['new' => 2, 'changed' => 0, 'unchanged' => 0]);
        $this->postJson('/api/pencils/import', ['text' => $good, 'intoBox' => true])->assertOk()->assertJson(['written' => 2]);
        $this->postJson('/api/pencils/preview', ['text' => str_replace('One', 'First', $good)])->assertOk()->assertJson(['new' => 0, 'changed' => 1, 'unchanged' => 1]);
        expect($this->user->box()->count())->toBe(17)->and(listed('q=eins'))->toBe(['HS:1']);
    });

    it('takes numbers as they are written down into the box: of a range that ships those it has, of one\'s own new ones', function (): void {
        $send = fn (string $text, string $range, string $what = 'import') => $this->postJson("/api/pencils/$what", ['text' => $text, 'range' => $range, 'binder' => 'oil', 'intoBox' => true]);
        $box = fn (): array => $this->user->box()->with('range')->get()->map(static fn (Pencil $pencil): string => $pencil->range->code.':'.$pencil->number)->sort()->values()->all();
        $this->user->box()->detach();

        $this->getJson('/api/pencils?range=QW&order=number')->assertOk();
        $between = collect(listed('range=QW&order=number'))->filter(static fn (string $id): bool => (int) substr($id, 3) >= 1800 && (int) substr($id, 3) <= 2400)->values()->all();
        expect(count($between))->toBeGreaterThan(2);
        $send("1800-2400, 5892\n6858 my blue", 'QW', 'preview')->assertOk()->assertJsonPath('new', 0)->assertJsonPath('unchanged', count($between) + 2);
        expect($box())->toBe([]);
        $send("1800-2400, 5892\n6858 my blue", 'QW')->assertOk()->assertJsonPath('written', 0);
        expect($box())->toEqualCanonicalizing([...$between, 'QW:5892', 'QW:6858']);
        // One that it has not is refused, a stretch without any too, and nothing comes into the box.
        $send("7432\n9998", 'QW')->assertUnprocessable()->assertJsonPath('rows.0.row', 2)->assertJsonPath('rows.0.right', 'QW has no pencil 9998.');
        $send('1-9', 'QW')->assertUnprocessable()->assertJsonPath('rows.0.right', 'QW has no pencils with these numbers.');
        expect($box())->not->toContain('QW:7432');

        $send('101-103, 130 Rose', 'HB')->assertOk()->assertJsonPath('written', 4);
        expect(array_filter($box(), static fn (string $id): bool => str_starts_with($id, 'HB')))->toHaveCount(4);
        $rose = Pencil::query()->where('number', '130')->whereRelation('range', 'code', 'HB')->sole();
        expect($rose->name)->toBe('Rose')->and($rose->binder)->toBe('oil')->and($rose->L)->toBeNull();
        // What is known of one stays; another name makes the old one a former one.
        $rose->update(['L' => 60, 'a' => 30, 'b' => 5]);
        $send('130, 101 Mist', 'HB')->assertOk()->assertJsonPath('written', 1);
        $send('130 Old Rose', 'HB')->assertOk()->assertJsonPath('written', 1);
        expect($rose->refresh()->name)->toBe('Old Rose')->and($rose->aliases)->toBe(['Rose'])->and($rose->L)->toEqualWithDelta(60.0, 0.01);

        $send('', 'HB')->assertUnprocessable()->assertJsonPath('errors.text.0', 'Write the numbers of your pencils, such as 101-124, 130 Rose, 133.');
        $send('101', 'H B')->assertUnprocessable()->assertJsonValidationErrors('range');
        // Nobody else's range.
        $this->actingAs(artist());
        $send('130', 'HB')->assertOk()->assertJsonPath('written', 1);
        expect($rose->refresh()->name)->toBe('Old Rose');
    });

    it('gives out what it takes in again', function (): void {
        $csv = $this->get('/api/pencils.csv?scope=box')->assertOk()->assertHeader('Content-Type', 'text/csv; charset=UTF-8')->getContent();
        expect(PencilTable::read($csv)->kit)->toHaveCount(15);
        $this->postJson('/api/pencils/preview', ['text' => $this->get('/api/pencils.csv')->getContent()])->assertOk()->assertJson(['new' => 0, 'changed' => 0, 'unchanged' => 120]);
        $gpl = $this->get('/api/pencils.gpl?range=LO')->assertOk()->getContent();
        expect(GplPalette::read($gpl, Binder::Oil))->toHaveCount(60);
        $this->postJson('/api/pencils/preview', ['text' => str_replace('LO:', 'HS:', $gpl), 'binder' => 'oil'])->assertOk()->assertJson(['new' => 60]);
    });

    it('refuses empty, foreign and endless files', function (): void {
        $this->postJson('/api/pencils/preview', ['text' => ''])->assertUnprocessable();
        $this->postJson('/api/pencils/preview', ['text' => "name,colour\nx,y\n"])->assertOk()->assertJsonPath('missing', ['range', 'number'])->assertJsonPath('new', 0);
        $this->postJson('/api/pencils/preview', ['text' => HEADER.implode('', array_map(static fn (int $i): string => "HS,$i,x,wax,,,,,,,,\n", range(1, 10_001)))])->assertUnprocessable()
            ->assertJsonPath('rows.0.right', 'At most 10000 pencils are taken in at once.');
    });
});

describe('instead of', function (): void {
    it('finds the nearest pencil and mix for pencils and recipes', function (): void {
        $found = $this->postJson('/api/substitutes', ['text' => "LO:6945\nQW:3464@40 > QW:6858@50", 'paper' => 'harbour-cartridge'])->assertOk()->json();
        expect($found['pencils'])->toHaveCount(1)->and($found['pencils'][0]['strengths'])->toHaveCount(3)->and($found['pencils'][0]['nearest']['owned'])->toBeTrue()
            ->and($found['recipes'][0]['swapped']['stack'])->not->toContain('3464')->and($found['recipes'][0]['mix']['difference']['words'])->toBeString();
        $into = $this->postJson('/api/substitutes', ['text' => 'QW:6858', 'paper' => 'harbour-cartridge', 'into' => 'LO'])->assertOk()->json();
        expect($into['pencils'][0]['nearest']['range'])->toBe('LO');
    });

    it('says what it cannot read, or does not know', function (): void {
        $this->postJson('/api/substitutes', ['text' => "QW:6858\nblue", 'paper' => 'harbour-cartridge'])->assertUnprocessable()->assertJsonPath('rows.0.row', 2);
        $this->postJson('/api/substitutes', ['text' => 'XX:1', 'paper' => 'harbour-cartridge'])->assertUnprocessable()->assertJsonPath('errors.text.0', 'There is no pencil XX:1 in your ranges. Import its range under Pencils first.');
        $this->postJson('/api/substitutes', ['text' => 'QW:6858', 'paper' => 'harbour-cartridge', 'into' => 'ZZ'])->assertUnprocessable();
        $this->actingAs(User::factory()->create())->postJson('/api/substitutes', ['text' => 'QW:6858', 'paper' => 'harbour-cartridge'])->assertUnprocessable()
            ->assertJsonPath('message', 'There is nothing to choose from: your box, or that range, has no pencil with a colour.');
    });
});

describe('long work', function (): void {
    it('looks the box through and keeps what it found', function (): void {
        $work = $this->postJson('/api/works', ['kind' => 'audit', 'paper' => 'harbour-cartridge'])->assertAccepted()->json();
        $done = $this->getJson("/api/works/{$work['id']}")->assertOk()->json();
        expect($done['state'])->toBe('done')->and($done['result']['box'])->toBe(15)->and($done['result']['reached'])->toBeLessThan($done['result']['reachable'])
            ->and($done['result']['nextInGeneral'])->toHaveCount(3)->and($done['result']['nextForPieces'])->toBe([])
            ->and(array_column($done['result']['curve'], 'size'))->toBe([6, 8, 12, 15]);
        $owned = listed('scope=box');
        foreach ($done['result']['nextInGeneral'] as $next) {
            expect($owned)->not->toContain($next['pencil']);
        }
        expect(end($done['result']['curve'])['dE00'])->toBeLessThan($done['result']['curve'][0]['dE00'])
            ->and($this->getJson('/api/works?kind=audit')->json('work.id'))->toBe($work['id'])->and($this->getJson('/api/works?kind=calibration')->json('work'))->toBeNull();
    });

    it('fails in words, waits its turn once, and is cancelled', function (): void {
        $this->actingAs(artist(withBox: false));
        $work = $this->postJson('/api/works', ['kind' => 'audit', 'paper' => 'harbour-cartridge'])->json('id');
        $this->getJson("/api/works/$work")->assertJson(['state' => 'failed', 'problem' => 'Your box is empty. Tick the pencils you own; then there is something to look through.', 'result' => null]);

        Queue::fake();
        $one = $this->postJson('/api/works', ['kind' => 'calibration'])->assertAccepted()->json();
        expect($one['state'])->toBe('waiting')->and($this->postJson('/api/works', ['kind' => 'calibration'])->json('id'))->toBe($one['id']);
        Queue::assertPushed(DoWork::class, 1);
        $this->deleteJson("/api/works/{$one['id']}")->assertJsonPath('state', 'cancelled');
        app()->call([new DoWork(WorkQueue::Later), 'handle']);
        $this->getJson("/api/works/{$one['id']}")->assertJsonPath('state', 'cancelled');
        $this->postJson('/api/works', ['kind' => 'audit', 'paper' => 'vellum'])->assertUnprocessable();
        $this->postJson('/api/works', ['kind' => 'sorcery'])->assertUnprocessable();
    });

    it('stops when it is cancelled on the way, and says so when it dies', function (): void {
        $work = $this->user->works()->create(['kind' => 'audit', 'wish' => ['paper' => 'harbour-cartridge']]);
        DB::listen(static function ($query) use ($work): void {
            if (str_contains($query->sql, '`progress`') && str_starts_with($query->sql, 'update')) {
                DB::table('works')->where('id', $work->id)->where('state', 'running')->update(['state' => 'cancelled']);
            }
        });
        app()->call([new DoWork(WorkQueue::Later), 'handle']);
        expect($work->refresh()->state)->toBe('cancelled')->and($work->result)->toBeNull();
        $dying = $this->user->works()->create(['kind' => 'audit', 'wish' => ['paper' => 'no such paper']]);
        expect(static fn () => app()->call([new DoWork(WorkQueue::Later), 'handle']))->toThrow(ModelNotFoundException::class)
            ->and($dying->refresh()->state)->toBe('failed')->and($dying->problem)->toContain('Nothing was changed');
    });

    it('is its owner\'s alone', function (): void {
        $work = $this->postJson('/api/works', ['kind' => 'calibration'])->json('id');
        $this->actingAs(User::factory()->create());
        $this->getJson("/api/works/$work")->assertNotFound();
        $this->deleteJson("/api/works/$work")->assertNotFound();
    });
});

it('takes in a table whose columns were explained, and refuses it before', function (): void {
    $this->actingAs(Tests\Feature\artist());
    $text = "Farbe,Nr,Bezeichnung\n#336699,12,Hafen\n#993333,14,Boje\n";
    $asks = $this->postJson('/api/pencils/preview', ['text' => $text, 'binder' => 'oil'])->assertOk()->json();
    expect($asks['missing'])->toBe(['range'])->and($asks['rows'])->toBe([])->and(array_column($asks['columns'], 'means'))->toBe([null, 'number', null]);
    $this->postJson('/api/pencils/import', ['text' => $text, 'binder' => 'oil'])->assertStatus(422)->assertSee('Say which column it is.');
    $said = ['text' => $text, 'binder' => 'oil', 'rangeOfAll' => 'hs', 'columns' => [['header' => 'Farbe', 'means' => 'hex'], ['header' => 'Bezeichnung', 'means' => 'name']]];
    expect($this->postJson('/api/pencils/preview', $said)->assertOk()->json('new'))->toBe(2);
    $this->postJson('/api/pencils/import', $said)->assertOk()->assertJson(['written' => 2]);
    $this->getJson('/api/pencils/HS:12')->assertOk()->assertJsonPath('pencil.name', 'Hafen')->assertJsonPath('pencil.hex', '#336699')->assertJsonPath('pencil.binder', 'oil');
    $this->postJson('/api/pencils/preview', [...$said, 'columns' => [['header' => 'Farbe', 'means' => 'flavour']]])->assertStatus(422)->assertSee('Choose what this column means');
});
