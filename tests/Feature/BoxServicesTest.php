<?php

declare(strict_types=1);

use App\Jobs\PrepareBox;
use App\Models\Paper;
use App\Models\Pencil;
use App\Models\User;
use App\Studio\Calibration\CalibrationReview;
use App\Studio\Calibration\Calibrations;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\PencilBook;
use App\Studio\Swatches\ChartPaper;
use App\Studio\Swatches\SwatchBook;
use App\Studio\Swatches\SwatchReader;
use App\Studio\Zones\Targets;
use Illuminate\Support\Facades\DB;
use Prism\Colour\Lab;
use Prism\Exchange\PencilEntry;
use Prism\Layering\Stack;
use Prism\Layering\UnknownPencil;
use Prism\Matching\EmptyBox;
use Prism\Materials\Binder;
use Prism\Materials\Pencil as CorePencil;
use Prism\Materials\PencilId;

use function Tests\Feature\artist;
use function Tests\Feature\pieceOf;
use function Tests\Feature\spotIn;

// The services behind pencils and swatches, by themselves.

beforeEach(function (): void {
    $this->user = artist();
    $this->paper = Paper::query()->where('slug', 'harbour-cartridge')->firstOrFail();
});

function entry(string $id, ?Lab $colour = null): PencilEntry
{
    return new PencilEntry(new CorePencil(PencilId::of($id), "Pencil $id", Binder::Wax, fullCoat: $colour));
}

describe('the desk', function (): void {
    it('is the box, and after it what else stacks are made of', function (): void {
        $catalogue = app(Catalogue::class);
        $box = $catalogue->box($this->user)->ids();
        expect($catalogue->desk($this->user, Stack::parse('QW:6858@40'))->ids())->toBe($box)
            ->and($catalogue->desk($this->user, Stack::parse('QW:3464@40 > QW:6858@50'), Stack::parse('LO:6945@50'))->ids())->toBe([...$box, 'QW:3464', 'LO:6945'])
            ->and($catalogue->desk($this->user, Stack::parse('XX:1@40'))->ids())->toBe($box);
    });

    it('reads only the rows that it needs, and none twice', function (): void {
        $catalogue = app(Catalogue::class);
        $catalogue->box($this->user);
        DB::enableQueryLog();
        $catalogue->box($this->user);
        $catalogue->row($this->user, PencilId::of('QW:6858'));
        expect(DB::getQueryLog())->toBe([]);
        $catalogue->row($this->user, PencilId::of('QW:3464'));
        $catalogue->row($this->user, PencilId::of('QW:3464'));
        expect(count(array_filter(DB::getQueryLog(), static fn (array $query): bool => str_contains($query['query'], '`pencils`'))))->toBe(1);
    });

    it('takes a range by its code, in any case', function (): void {
        expect(app(Catalogue::class)->range($this->user, 'lo'))->toHaveCount(60)->and(app(Catalogue::class)->range($this->user, 'ZZ'))->toHaveCount(0);
    });
});

describe('a search', function (): void {
    it('leaves out pencils of which no colour is known, until they are swatched and calibrated', function (): void {
        $row = app(PencilBook::class)->put($this->user, entry('HS:1'));
        $this->user->box()->attach($row->id);
        app()->forgetScopedInstances();
        $box = app(Catalogue::class)->box($this->user);
        expect($box)->toHaveCount(16)->and(app(Engine::class)->searchable($this->paper, $this->user, $box))->toHaveCount(15);

        foreach (['HS:1@30' => [80, 20, 10], 'HS:1@60' => [65, 35, 18], 'HS:1@90x2' => [45, 50, 28]] as $stack => [$L, $a, $b]) {
            app(SwatchBook::class)->write($this->user, $this->paper, Stack::parse($stack), Lab::of($L, $a, $b), 'typed');
        }
        app(Calibrations::class)->calibrate($this->user);
        expect(app(Engine::class)->searchable($this->paper, $this->user, $box))->toHaveCount(16)
            ->and(app(Engine::class)->predictor($this->paper, $this->user, $box)->predict(Stack::parse('HS:1@60'))->colour->differenceTo(Lab::of(65, 35, 18)))->toBeLessThan(4.0);
    });

    it('takes of a very large box so many that every other lies near one', function (): void {
        $range = $this->user->ranges()->create(['code' => 'BIG', 'maker' => '', 'name' => 'Big']);
        $like = Pencil::query()->where('number', '6858')->firstOrFail();
        for ($i = 0; $i < 200; $i++) {
            $entry = entry("BIG:$i", Lab::of(25 + ($i * 17) % 65, 45 * cos($i), 45 * sin($i)));
            $range->pencils()->create(['number' => (string) $i, ...PencilBook::columns($entry), 'bands' => $like->bands]);
        }
        $this->user->box()->attach($range->pencils()->pluck('id'));
        app()->forgetScopedInstances();
        $box = app(Catalogue::class)->box($this->user);
        expect($box)->toHaveCount(215)->and(app(Engine::class)->searchable($this->paper, $this->user, $box))->toHaveCount(160);
    });

    it('refuses a box without any colour', function (): void {
        $user = User::factory()->create();
        $user->box()->attach(app(PencilBook::class)->put($user, entry('HS:1'))->id);
        expect(fn () => app(Engine::class)->search($this->paper, $user, app(Catalogue::class)->box($user)))->toThrow(EmptyBox::class);
        // Nor does it disturb what the queue prepares.
        pieceOf($user);
        (new PrepareBox($user))->handle(app(Catalogue::class), app(Engine::class));
        expect(is_dir(config('prism.storage').'/engine'))->toBeTrue();
    });
});

describe('a calibration in force', function (): void {
    beforeEach(function (): void {
        foreach (['' => [95.4, -0.6, 1.5], 'QW:6858@30' => [80, 2, -20], 'QW:6858@60' => [62, 5, -38], 'QW:6858@90x2' => [36, 14, -58]] as $stack => [$L, $a, $b]) {
            app(SwatchBook::class)->write($this->user, $this->paper, Stack::parse($stack), Lab::of($L, $a, $b), 'typed');
        }
        $this->calibrations = app(Calibrations::class);
    });

    it('is the one just made, numbered for each artist by themselves', function (): void {
        $first = $this->calibrations->calibrate($this->user);
        $second = $this->calibrations->calibrate($this->user);
        $other = artist();
        app(SwatchBook::class)->write($other, $this->paper, Stack::parse('QW:6858@60'), Lab::of(60, 5, -38), 'typed');
        expect([$first->number, $second->number, $this->calibrations->calibrate($other)->number])->toBe([1, 2, 1])
            ->and($this->calibrations->inForce($this->user))->toBe($second->id);
    });

    it('keeps only the pencils that are swatched or owned', function (): void {
        $row = $this->calibrations->calibrate($this->user);
        expect(array_keys($row->fit['pencils']))->toHaveCount(15)->toContain('QW:6858')->not->toContain('QW:3464');
    });

    it('knows pencils that it has not met by their table, and leaves the others alone', function (): void {
        $row = $this->calibrations->calibrate($this->user);
        $few = app(Catalogue::class)->some($this->user, [PencilId::of('QW:6858')]);
        $more = app(Catalogue::class)->some($this->user, [PencilId::of('QW:6858'), PencilId::of('QW:3464')]);
        $look = fn ($kit, string $stack): Lab => $this->calibrations->of($row, $kit)->model(Catalogue::paper($this->paper))->draw(Stack::parse($stack))->lab();
        expect($look($more, 'QW:6858@60'))->toEqual($look($few, 'QW:6858@60'))
            ->and($look($more, 'QW:3464@90x2')->differenceTo($more->get(PencilId::of('QW:3464'))->fullCoat))->toBeLessThan(8.0)
            ->and(fn () => $look($few, 'QW:3464@90x2'))->toThrow(UnknownPencil::class);
    });

    it('is compared with another on every recipe, largest shift first', function (): void {
        $piece = pieceOf($this->user);
        foreach (['QW:6858@60' => 'blue', 'QW:5892@60' => 'yellow'] as $stack => $name) {
            spotIn($piece, $name, [50, 0, 0], $stack);
        }
        $made = $this->calibrations->calibrate($this->user);
        $recipes = app(CalibrationReview::class)->recipes($this->user, null, $made);
        expect($recipes)->toHaveCount(2)->and($recipes[0]['shift'])->toBeGreaterThanOrEqual($recipes[1]['shift']);
        foreach ($recipes as $recipe) {
            expect($recipe['shift'])->toEqualWithDelta($recipe['old']->differenceTo($recipe['new']), 1e-9)
                ->and($recipe['newMiss'])->toEqualWithDelta(Lab::of(50, 0, 0)->differenceTo($recipe['new']), 1e-9);
        }
        expect(app(CalibrationReview::class)->recipes($this->user, $made, $made)[0]['shift'])->toBe(0.0);
    });
});

describe('the simulated studio', function (): void {
    it('draws with pencils that it is handed, as heavy as their colour is', function (): void {
        $reader = app(SwatchReader::class);
        $reader->take(entry('HS:77', Lab::of(45, 45, 30)));
        $light = $reader->read('harbour-cartridge', Stack::parse('HS:77@30'), 'a');
        $heavy = $reader->read('harbour-cartridge', Stack::parse('HS:77@95x3'), 'a');
        expect($heavy->L)->toBeLessThan($light->L - 20.0)->and($heavy->differenceTo(Lab::of(45, 45, 30)))->toBeLessThan(12.0);
    });

    it('fills a sheet with a picture, another one each time', function (): void {
        $chart = $this->user->charts()->create(['paper_id' => $this->paper->id, 'kind' => 'stacks', 'page' => 'a4', 'title' => 'x', 'stacks' => ['', 'QW:6858@60']]);
        [$sheet] = ChartPaper::sheets($chart);
        $told = [];
        $one = app(SwatchReader::class)->photograph('harbour-cartridge', $sheet, 'one', static function (float $share) use (&$told): void {
            $told[] = $share;
        });
        $sorted = $told;
        sort($sorted);
        expect(substr($one, 0, 2))->toBe("\xFF\xD8")->and($told)->toBe($sorted)->and(end($told))->toBeLessThanOrEqual(1.0)->and($told)->not->toBe([])
            ->and(app(SwatchReader::class)->photograph('harbour-cartridge', $sheet, 'one'))->toBe($one)
            ->and(app(SwatchReader::class)->photograph('harbour-cartridge', $sheet, 'two'))->not->toBe($one)
            ->and(fn () => app(SwatchReader::class)->photograph('vellum', $sheet, 'one'))->toThrow(InvalidArgumentException::class);
    });
});

it('gathers the targets of an artist\'s own zones alone', function (): void {
    $own = spotIn(pieceOf($this->user), 'a', [50, 1, 2])->id;
    spotIn(pieceOf(artist()), 'a', [50, 1, 2]);
    $targets = Targets::of($this->user);
    expect(array_keys($targets))->toBe([$own])->and($targets[$own]->colour)->toEqual(Lab::of(50, 1, 2));
});
