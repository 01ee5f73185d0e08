<?php

declare(strict_types=1);

use App\Models\Paper;
use App\Models\Pencil;
use App\Models\User;
use App\Studio\Calibration\Calibrations;
use App\Studio\Pencils\Catalogue;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Prism\Colour\Bands;

use function Tests\Feature\artist;
use function Tests\Feature\backTo;
use function Tests\Feature\pieceOf;
use function Tests\Feature\spotIn;

// A studio from before pencils had owners and swatches had notes goes on with all that is in it.

/** What the tables looked like, filled as they were. */
function olderStudio(): User
{
    $user = artist();
    $swatches = ['' => [95.4, -0.6, 1.5], 'QW:6858@30' => [80, 2, -20], 'QW:6858@60 > QW:5892@95' => [60, 4, 10], 'QW:6858@40 > wash' => [70, 3, -30]];
    foreach ($swatches as $stack => [$L, $a, $b]) {
        $user->swatches()->create(['paper_id' => Paper::query()->where('slug', 'harbour-cartridge')->value('id'), 'stack' => $stack, 'L' => $L, 'a' => $a, 'b' => $b, 'source' => 'typed']);
    }
    app(Calibrations::class)->calibrate($user);
    app(Calibrations::class)->calibrate($user);

    return $user;
}

it('keeps pencils, boxes, swatches and the calibration in force', function (): void {
    $user = olderStudio();
    $latest = (int) $user->calibrations()->max('id');
    $box = $user->box()->pluck('pencils.id')->sort()->values()->all();
    test()->artisan('migrate:rollback', ['--step' => backTo('2026_11_25_000001_extend_pencils_and_swatches'), '--force' => true])->assertSuccessful();
    expect(Schema::hasColumn('pencils', 'L'))->toBeFalse()->and(Schema::hasColumn('users', 'calibration_id'))->toBeFalse()->and(Schema::hasTable('works'))->toBeFalse()
        ->and(DB::table('swatches')->count())->toBe(4)->and(DB::table('pencils')->count())->toBe(120);

    test()->artisan('migrate', ['--force' => true])->assertSuccessful();
    $user = User::query()->findOrFail($user->id);
    expect($user->calibration_id)->toBe($latest)
        ->and(DB::table('calibrations')->orderBy('id')->pluck('number')->all())->toBe([1, 2])
        ->and(DB::table('swatches')->orderBy('id')->pluck('technique')->all())->toBe(['paper', 'single', 'burnish', 'wash'])
        ->and($user->box()->pluck('pencils.id')->sort()->values()->all())->toBe($box)
        ->and(DB::table('ranges')->whereNotNull('user_id')->exists())->toBeFalse();
    foreach (Pencil::query()->get() as $pencil) {
        $lab = Bands::toLab(array_map(floatval(...), $pencil->bands ?? []));
        expect($pencil->L)->toEqualWithDelta($lab->L, 1e-6)->and($pencil->b)->toEqualWithDelta($lab->b, 1e-6)->and($pencil->status)->toBe('current');
    }
    expect(app(Catalogue::class)->pencils($user))->toHaveCount(120)->and(app(Calibrations::class)->read($user->calibration_id, app(Catalogue::class)->box($user))->pencils)->toHaveKey('QW:6858');
});

it('loses on the way back only what the older studio had no place for', function (): void {
    $user = artist();
    $range = $user->ranges()->create(['code' => 'HS', 'maker' => '', 'name' => 'Own']);
    $range->pencils()->create(['number' => '1', 'name' => 'Own', 'aliases' => [], 'binder' => 'wax', 'opacity' => 'semi']);
    test()->artisan('migrate:rollback', ['--step' => backTo('2026_11_25_000001_extend_pencils_and_swatches'), '--force' => true])->assertSuccessful();
    expect(DB::table('ranges')->pluck('code')->sort()->values()->all())->toBe(['LO', 'QW'])->and(DB::table('pencils')->count())->toBe(120);
    test()->artisan('migrate', ['--force' => true])->assertSuccessful();
});

it('goes on naming the same pencils when the ranges that ship get other numbers', function (): void {
    $user = olderStudio();
    $piece = pieceOf($user);
    $piece->update(['pinned' => ['QW:6858'], 'banned' => ['LO:3512']]);
    $target = spotIn($piece, 'Float', [60, 4, 10], 'QW:6858@40 > QW:5892@50x2');
    $marks = array_map(static fn (int $upTo): string => sprintf('%s-%d-%s', $target->id, $upTo, substr(sha1(['', 'QW:6858@40', 'QW:6858@40 > QW:5892@50x2'][$upTo]), 0, 8)), [1, 2]);
    foreach ($marks as $mark) {
        $piece->drawnSteps()->create(['step_key' => $mark, 'state' => 'done']);
    }
    $all = static fn (): array => [
        DB::table('recipes')->orderBy('id')->pluck('stack')->all(), DB::table('swatches')->orderBy('id')->pluck('stack')->all(), DB::table('pieces')->pluck('pinned', 'banned')->all(),
        DB::table('drawn_steps')->orderBy('id')->pluck('step_key')->all(), DB::table('calibrations')->orderBy('id')->pluck('fit')->all(),
        DB::table('pencils')->orderBy('id')->pluck('number', 'name')->all(), DB::table('pencils')->orderBy('id')->pluck('replaced_by')->all(),
    ];
    $now = $all();
    test()->artisan('migrate:rollback', ['--step' => backTo('2026_11_28_000012_renumber_the_ranges_that_ship'), '--force' => true])->assertSuccessful();
    expect(DB::table('recipes')->value('stack'))->toBe('QW:404@40 > QW:119@50x2')->and(DB::table('pencils')->where('name', 'Pennant Blue')->value('number'))->toBe('404')
        ->and((string) DB::table('pieces')->value('banned'))->toContain('LO:7206')->and(DB::table('drawn_steps')->pluck('step_key')->all())->not->toContain($marks[0])
        ->and((string) DB::table('calibrations')->value('fit'))->toContain('QW:404')->and(DB::table('pencils')->where('name', 'Brass Lamp')->value('replaced_by'))->toBe('QW:119');
    test()->artisan('migrate', ['--force' => true])->assertSuccessful();
    expect($all())->toBe($now);
});
