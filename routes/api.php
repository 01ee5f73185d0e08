<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\AdviceController;
use App\Http\Controllers\ArchiveController;
use App\Http\Controllers\AreaController;
use App\Http\Controllers\CalibrationController;
use App\Http\Controllers\ChartController;
use App\Http\Controllers\DrawingController;
use App\Http\Controllers\KeptRecipeController;
use App\Http\Controllers\LookController;
use App\Http\Controllers\MatchController;
use App\Http\Controllers\MaterialController;
use App\Http\Controllers\PaperController;
use App\Http\Controllers\PencilController;
use App\Http\Controllers\PieceController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\PracticeController;
use App\Http\Controllers\RecipeFileController;
use App\Http\Controllers\RecordController;
use App\Http\Controllers\ReferenceController;
use App\Http\Controllers\ReviewController;
use App\Http\Controllers\SchoolController;
use App\Http\Controllers\SecondFactorController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\ShareController;
use App\Http\Controllers\SharedController;
use App\Http\Controllers\SubstituteController;
use App\Http\Controllers\SwatchController;
use App\Http\Controllers\TargetController;
use App\Http\Controllers\WeekPaletteController;
use App\Http\Controllers\WorkController;
use App\Http\Controllers\ZoneController;
use App\Http\Middleware\HasRoom;
use App\Http\Middleware\KeptAnswers;
use App\Http\Middleware\Unlisted;
use App\Studio\Review\DrawingReviews;
use Illuminate\Support\Facades\Route;

Route::get('session', [SessionController::class, 'show']);
Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');
Route::post('session/demo', [SessionController::class, 'demo'])->middleware('throttle:demo');
Route::delete('session', [SessionController::class, 'destroy']);
Route::post('account', [AccountController::class, 'store'])->middleware('throttle:accounts');
Route::post('account/forgot', [AccountController::class, 'forgot'])->middleware('throttle:accounts');
Route::post('account/reset', [AccountController::class, 'reset'])->middleware('throttle:accounts');

Route::middleware([Unlisted::class, 'throttle:shared'])->prefix('shared/{token}')->where(['token' => '[A-Za-z0-9_-]{43}'])->group(static function (): void {
    Route::get('/', [SharedController::class, 'show']);
    Route::get('preview', [SharedController::class, 'preview']);
    Route::get('photo', [SharedController::class, 'photo']);
    Route::get('checks/{mark}', [SharedController::class, 'check'])->whereAlphaNumeric('mark');
});

Route::middleware(['auth', KeptAnswers::class])->group(static function (): void {
    Route::patch('account', [AccountController::class, 'update'])->middleware('throttle:account');
    Route::get('account/room', [AccountController::class, 'room']);
    Route::get('account/sessions', [AccountController::class, 'sessions']);
    Route::delete('account/sessions', [AccountController::class, 'endSessions'])->middleware('throttle:account');
    Route::post('account/second-factor', [SecondFactorController::class, 'begin'])->middleware('throttle:account');
    Route::put('account/second-factor', [SecondFactorController::class, 'confirm'])->middleware('throttle:sign-in');
    Route::delete('account/second-factor', [SecondFactorController::class, 'end'])->middleware('throttle:account');
    Route::post('account/second-factor/codes', [SecondFactorController::class, 'codes'])->middleware('throttle:account');
    Route::delete('account', [AccountController::class, 'destroy'])->middleware('throttle:account');
    Route::get('schools', [SchoolController::class, 'show']);
    Route::put('schools', [SchoolController::class, 'update']);
    Route::get('words', [MaterialController::class, 'words']);
    Route::post('colours', [MaterialController::class, 'colour']);
    Route::post('colours/beside-white', [MaterialController::class, 'besideWhite'])->middleware('throttle:uploads');
    Route::get('papers', [PaperController::class, 'index']);
    Route::post('papers', [PaperController::class, 'store']);
    Route::put('papers/{paper:slug}', [PaperController::class, 'update'])->can('update', 'paper');
    Route::delete('papers/{paper:slug}', [PaperController::class, 'destroy'])->can('update', 'paper');
    Route::post('papers/{paper:slug}/restore', [PaperController::class, 'restore'])->withTrashed()->can('update', 'paper');
    Route::put('box', [MaterialController::class, 'changeBox']);
    Route::patch('box/{pencil}', [MaterialController::class, 'noteInBox']);

    Route::get('pencils', [PencilController::class, 'index']);
    Route::get('nearest-pencils', [PencilController::class, 'nearest']);
    Route::post('pencils', [PencilController::class, 'store']);
    Route::post('pencils/preview', [PencilController::class, 'preview']);
    Route::post('pencils/import', [PencilController::class, 'import']);
    Route::get('pencils.{format}', [PencilController::class, 'export'])->whereIn('format', ['csv', 'gpl']);
    Route::get('pencils/{pencil}', [PencilController::class, 'show']);
    Route::put('pencils/{pencil}', [PencilController::class, 'update']);
    Route::delete('pencils/{pencil}', [PencilController::class, 'destroy']);
    Route::post('substitutes', [SubstituteController::class, 'find'])->middleware('throttle:heavy');

    Route::get('swatches', [SwatchController::class, 'index']);
    Route::post('swatches', [SwatchController::class, 'store']);
    Route::post('swatches/preview', [SwatchController::class, 'preview']);
    Route::post('swatches/import', [SwatchController::class, 'import']);
    Route::get('swatches.{format}', [SwatchController::class, 'export'])->whereIn('format', ['csv', 'txt']);
    Route::patch('swatches/{swatch}', [SwatchController::class, 'update'])->whereNumber('swatch');
    Route::delete('swatches/{swatch}', [SwatchController::class, 'destroy'])->whereNumber('swatch');
    Route::post('swatches/{swatch}/restore', [SwatchController::class, 'restore'])->withTrashed()->whereNumber('swatch');

    Route::get('charts', [ChartController::class, 'index']);
    Route::post('charts', [ChartController::class, 'store']);
    Route::get('charts/{chart}', [ChartController::class, 'show']);
    Route::delete('charts/{chart}', [ChartController::class, 'destroy']);
    Route::post('charts/{chart}/restore', [ChartController::class, 'restore'])->withTrashed();
    Route::get('charts/{chart}/chart.pdf', [ChartController::class, 'pdf'])->middleware('throttle:heavy');
    Route::get('charts/{chart}/sheets/{sheet}.svg', [ChartController::class, 'svg'])->whereNumber('sheet');
    Route::get('charts/{chart}/filled/{sheet}', [ChartController::class, 'filled'])->whereNumber('sheet');
    Route::post('charts/{chart}/readings', [ChartController::class, 'read'])->middleware(['throttle:uploads', HasRoom::class]);
    Route::post('charts/{chart}/swatches', [ChartController::class, 'take']);

    Route::get('calibrations', [CalibrationController::class, 'index']);
    Route::put('calibrations/in-force', [CalibrationController::class, 'putInForce']);
    Route::get('calibrations/{calibration}', [CalibrationController::class, 'show'])->whereNumber('calibration');
    Route::get('lessons', [CalibrationController::class, 'lessons']);

    Route::get('works', [WorkController::class, 'latest']);
    Route::post('works', [WorkController::class, 'store'])->middleware('throttle:uploads');
    Route::get('works/{work}', [WorkController::class, 'show']);
    Route::delete('works/{work}', [WorkController::class, 'cancel']);

    Route::get('recipes', [KeptRecipeController::class, 'index']);
    Route::post('recipes', [KeptRecipeController::class, 'store']);
    Route::post('recipes/ladder', [KeptRecipeController::class, 'keepLadder']);
    Route::get('recipes.{format}', [RecipeFileController::class, 'export'])->whereIn('format', ['csv', 'gpl']);
    Route::get('recipes/cards.pdf', [RecipeFileController::class, 'cards'])->middleware('throttle:heavy');
    Route::post('recipes/preview', [RecipeFileController::class, 'preview']);
    Route::post('recipes/import', [RecipeFileController::class, 'import']);
    Route::put('recipes/{kept}', [KeptRecipeController::class, 'update']);
    Route::delete('recipes/{kept}', [KeptRecipeController::class, 'destroy']);
    Route::post('recipes/{kept}/restore', [KeptRecipeController::class, 'restore'])->withTrashed();
    Route::post('ladders', [KeptRecipeController::class, 'ladder'])->middleware('throttle:heavy');

    Route::get('archives/{archive}', [ArchiveController::class, 'show'])->whereAlphaNumeric('archive');
    Route::post('archives', [ArchiveController::class, 'store'])->middleware(['throttle:uploads', HasRoom::class]);
    Route::get('restores/latest', [ArchiveController::class, 'latest']);
    Route::delete('restores/{restore}', [ArchiveController::class, 'takeBack']);

    Route::get('figures', [RecordController::class, 'figures'])->middleware('throttle:heavy');
    Route::get('practice', [PracticeController::class, 'show']);
    Route::get('practice/week', [WeekPaletteController::class, 'show'])->middleware('throttle:heavy');
    Route::post('practice/week', [WeekPaletteController::class, 'store'])->middleware('throttle:heavy');
    Route::post('practice/rounds', [PracticeController::class, 'store'])->middleware('throttle:heavy');
    Route::get('practice/rounds/{round}', [PracticeController::class, 'round']);
    Route::post('practice/rounds/{round}/answers', [PracticeController::class, 'answer']);

    Route::get('pieces', [PieceController::class, 'index']);
    Route::post('pieces', [PieceController::class, 'store'])->middleware(['throttle:uploads', HasRoom::class]);
    Route::get('pieces/{piece}', [PieceController::class, 'show']);
    Route::patch('pieces/{piece}', [PieceController::class, 'update']);
    Route::delete('pieces/{piece}', [PieceController::class, 'destroy']);
    Route::post('pieces/{piece}/restore', [PieceController::class, 'restore'])->withTrashed();
    Route::post('pieces/{piece}/samples', [PieceController::class, 'sample']);
    Route::post('pieces/{piece}/recipes', [MatchController::class, 'search'])->middleware('throttle:heavy');
    Route::post('pieces/{piece}/predictions', [MatchController::class, 'predict']);
    Route::post('pieces/{piece}/why', [MatchController::class, 'why'])->middleware('throttle:heavy');
    Route::post('pieces/{piece}/nudges', [MatchController::class, 'nudge'])->middleware('throttle:heavy');

    Route::post('pieces/{piece}/references', [ReferenceController::class, 'store'])->middleware(['throttle:uploads', HasRoom::class]);
    Route::patch('references/{reference}', [ReferenceController::class, 'update']);
    Route::post('references/{reference}/photo', [ReferenceController::class, 'replace'])->middleware(['throttle:uploads', HasRoom::class]);
    Route::delete('references/{reference}/photo', [ReferenceController::class, 'takeBack']);
    Route::put('references/{reference}/balance', [ReferenceController::class, 'balance']);
    Route::delete('references/{reference}', [ReferenceController::class, 'destroy']);
    Route::post('references/{reference}/restore', [ReferenceController::class, 'restore'])->withTrashed();
    Route::get('references/{reference}/photos/{view}', [ReferenceController::class, 'photo'])->name('references.photo');

    Route::get('pieces/{piece}/look', [LookController::class, 'show']);
    Route::get('pieces/{piece}/cut', [LookController::class, 'preview'])->middleware('throttle:heavy');
    Route::get('pieces/{piece}/reserves', [LookController::class, 'reserves']);
    Route::post('pieces/{piece}/same-spot', [LookController::class, 'sameSpot'])->middleware('throttle:heavy');
    Route::post('pieces/{piece}/beside', [LookController::class, 'beside']);
    Route::post('pieces/{piece}/lines', [LookController::class, 'lines']);
    Route::get('pieces/{piece}/transfer.pdf', [LookController::class, 'transfer'])->middleware('throttle:heavy');

    Route::put('pieces/{piece}/areas', [AreaController::class, 'update']);
    Route::post('pieces/{piece}/zones', [ZoneController::class, 'store']);
    Route::post('pieces/{piece}/zones/find', [ZoneController::class, 'find']);
    Route::post('pieces/{piece}/zones/merge', [ZoneController::class, 'merge']);
    Route::post('pieces/{piece}/zones/lasso', [ZoneController::class, 'lasso']);
    Route::post('pieces/{piece}/zones/undo', [ZoneController::class, 'undo']);
    Route::post('zones/{zone}/split', [ZoneController::class, 'split']);
    Route::post('zones/{zone}/trio', [MatchController::class, 'trio'])->middleware('throttle:heavy');
    Route::patch('zones/{zone}', [ZoneController::class, 'update']);
    Route::delete('zones/{zone}', [ZoneController::class, 'destroy']);
    Route::post('zones/{zone}/targets', [TargetController::class, 'store']);
    Route::patch('targets/{target}', [TargetController::class, 'update']);
    Route::delete('targets/{target}', [TargetController::class, 'destroy']);
    Route::post('targets/{target}/restore', [TargetController::class, 'restore'])->withTrashed();

    Route::post('pieces/{piece}/advice', [AdviceController::class, 'show'])->middleware('throttle:heavy');
    Route::post('pieces/{piece}/advised', [AdviceController::class, 'store'])->middleware('throttle:heavy');
    Route::delete('pieces/{piece}/advised/{advice}', [AdviceController::class, 'destroy']);
    Route::get('pieces/{piece}/plan', [PlanController::class, 'show']);
    Route::post('pieces/{piece}/toned', [PlanController::class, 'tone']);
    Route::get('pieces/{piece}/neighbours', [PlanController::class, 'neighbours'])->middleware('throttle:heavy');
    Route::get('pieces/{piece}/simulation.png', [PlanController::class, 'simulation'])->middleware('throttle:heavy');
    Route::get('pieces/{piece}/parts', [PlanController::class, 'parts'])->middleware('throttle:heavy');
    Route::get('pieces/{piece}/value-check', [PlanController::class, 'valueCheck'])->middleware('throttle:heavy');
    Route::delete('pieces/{piece}/planning/last', [PlanController::class, 'takeBack']);
    Route::post('pieces/{piece}/gradient', [PlanController::class, 'gradient'])->middleware('throttle:heavy');
    Route::post('pieces/{piece}/designation', [PlanController::class, 'designate'])->middleware('throttle:heavy');
    Route::post('pieces/{piece}/proof', [PlanController::class, 'prove'])->middleware('throttle:heavy');
    Route::get('pieces/{piece}/plan.pdf', [PlanController::class, 'sheet'])->middleware('throttle:heavy');
    Route::get('pieces/{piece}/shares', [ShareController::class, 'index']);
    Route::post('pieces/{piece}/shares', [ShareController::class, 'store']);
    Route::delete('shares/{share}', [ShareController::class, 'destroy']);
    Route::get('pieces/{piece}/record', [RecordController::class, 'show']);
    Route::get('pieces/{piece}/drawing', [DrawingController::class, 'index']);
    Route::get('pieces/{piece}/drawing/replans', [DrawingController::class, 'replans'])->middleware('throttle:heavy');
    Route::post('pieces/{piece}/drawing/replans', [DrawingController::class, 'replan'])->middleware('throttle:heavy');
    Route::post('pieces/{piece}/drawing/photos', [DrawingController::class, 'photograph'])->middleware(['throttle:heavy', HasRoom::class]);
    Route::get('pieces/{piece}/drawing/photos/{mark}', [DrawingController::class, 'photo']);
    Route::get('pieces/{piece}/reviews', [ReviewController::class, 'index']);
    Route::post('pieces/{piece}/reviews/{photo}/corrections', [ReviewController::class, 'correct'])->middleware('throttle:heavy');
    Route::get('pieces/{piece}/reviews/{mark}/{view}', [ReviewController::class, 'picture'])->whereIn('view', DrawingReviews::VIEWS);
    Route::post('pieces/{piece}/reviews/{photo}/hand', [ReviewController::class, 'hand']);
    Route::post('pieces/{piece}/reviews/{photo}/samples', [ReviewController::class, 'sample']);
    Route::post('pieces/{piece}/drawing', [DrawingController::class, 'mark']);
    Route::delete('pieces/{piece}/drawing/last', [DrawingController::class, 'undo']);
    Route::post('pieces/{piece}/drawing/notes', [DrawingController::class, 'note']);
});

Route::any('{any}', static fn () => response()->json(['message' => 'There is nothing at this address.'], 404))->where('any', '.*')->fallback();
