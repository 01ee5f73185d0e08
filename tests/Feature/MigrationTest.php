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

// A studio from before pencils had owners and swatches had notes goes on with all that is in it.

/** What the tables looked like, filled as they were. */
function olderStudio(): User
{
    $user = artist();
    $swatches = ['' => [95.4, -0.6, 1.5], 'QW:404@30' => [80, 2, -20], 'QW:404@60 > QW:119@95' => [60, 4, 10], 'QW:404@40 > wash' => [70, 3, -30]];
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
    expect(app(Catalogue::class)->pencils($user))->toHaveCount(120)->and(app(Calibrations::class)->read($user->calibration_id, app(Catalogue::class)->box($user))->pencils)->toHaveKey('QW:404');
});

it('loses on the way back only what the older studio had no place for', function (): void {
    $user = artist();
    $range = $user->ranges()->create(['code' => 'HS', 'maker' => '', 'name' => 'Own']);
    $range->pencils()->create(['number' => '1', 'name' => 'Own', 'aliases' => [], 'binder' => 'wax', 'opacity' => 'semi']);
    test()->artisan('migrate:rollback', ['--step' => backTo('2026_11_25_000001_extend_pencils_and_swatches'), '--force' => true])->assertSuccessful();
    expect(DB::table('ranges')->pluck('code')->sort()->values()->all())->toBe(['LO', 'QW'])->and(DB::table('pencils')->count())->toBe(120);
    test()->artisan('migrate', ['--force' => true])->assertSuccessful();
});
