<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\CalibrationController;
use App\Http\Controllers\ChartController;
use App\Http\Controllers\MatchController;
use App\Http\Controllers\MaterialController;
use App\Http\Controllers\PencilController;
use App\Http\Controllers\PieceController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SubstituteController;
use App\Http\Controllers\SwatchController;
use App\Http\Controllers\WorkController;
use App\Http\Controllers\ZoneController;
use Illuminate\Support\Facades\Route;

Route::get('session', [SessionController::class, 'show']);
Route::post('session', [SessionController::class, 'store'])->middleware('throttle:sign-in');
Route::post('session/demo', [SessionController::class, 'demo'])->middleware('throttle:demo');
Route::delete('session', [SessionController::class, 'destroy']);
Route::post('account', [AccountController::class, 'store'])->middleware('throttle:accounts');
Route::post('account/forgot', [AccountController::class, 'forgot'])->middleware('throttle:accounts');
Route::post('account/reset', [AccountController::class, 'reset'])->middleware('throttle:accounts');

Route::middleware('auth')->group(static function (): void {
    Route::get('papers', [MaterialController::class, 'papers']);
    Route::put('box', [MaterialController::class, 'changeBox']);
    Route::patch('box/{pencil}', [MaterialController::class, 'noteInBox']);

    Route::get('pencils', [PencilController::class, 'index']);
    Route::post('pencils', [PencilController::class, 'store']);
    Route::post('pencils/preview', [PencilController::class, 'preview']);
    Route::post('pencils/import', [PencilController::class, 'import']);
    Route::get('pencils.{format}', [PencilController::class, 'export'])->whereIn('format', ['csv', 'gpl']);
    Route::get('pencils/{pencil}', [PencilController::class, 'show']);
    Route::put('pencils/{pencil}', [PencilController::class, 'update']);
    Route::delete('pencils/{pencil}', [PencilController::class, 'destroy']);
    Route::post('substitutes', [SubstituteController::class, 'find']);

    Route::get('swatches', [SwatchController::class, 'index']);
    Route::post('swatches', [SwatchController::class, 'store']);
    Route::post('swatches/preview', [SwatchController::class, 'preview']);
    Route::post('swatches/import', [SwatchController::class, 'import']);
    Route::get('swatches.{format}', [SwatchController::class, 'export'])->whereIn('format', ['csv', 'txt']);
    Route::patch('swatches/{swatch}', [SwatchController::class, 'update']);
    Route::delete('swatches/{swatch}', [SwatchController::class, 'destroy']);
    Route::post('swatches/{swatch}/restore', [SwatchController::class, 'restore']);

    Route::get('charts', [ChartController::class, 'index']);
    Route::post('charts', [ChartController::class, 'store']);
    Route::get('charts/{chart}', [ChartController::class, 'show']);
    Route::delete('charts/{chart}', [ChartController::class, 'destroy']);
    Route::post('charts/{chart}/restore', [ChartController::class, 'restore']);
    Route::get('charts/{chart}/chart.pdf', [ChartController::class, 'pdf']);
    Route::get('charts/{chart}/sheets/{sheet}.svg', [ChartController::class, 'svg'])->whereNumber('sheet');
    Route::get('charts/{chart}/filled/{sheet}', [ChartController::class, 'filled'])->whereNumber('sheet');
    Route::post('charts/{chart}/readings', [ChartController::class, 'read'])->middleware('throttle:uploads');
    Route::post('charts/{chart}/swatches', [ChartController::class, 'take']);

    Route::get('calibrations', [CalibrationController::class, 'index']);
    Route::put('calibrations/in-force', [CalibrationController::class, 'putInForce']);
    Route::get('calibrations/{calibration}', [CalibrationController::class, 'show']);
    Route::get('lessons', [CalibrationController::class, 'lessons']);

    Route::get('works', [WorkController::class, 'latest']);
    Route::post('works', [WorkController::class, 'store'])->middleware('throttle:uploads');
    Route::get('works/{work}', [WorkController::class, 'show']);
    Route::delete('works/{work}', [WorkController::class, 'cancel']);

    Route::get('pieces', [PieceController::class, 'index']);
    Route::post('pieces', [PieceController::class, 'store'])->middleware('throttle:uploads');
    Route::post('pieces/demo', [PieceController::class, 'demo'])->middleware('throttle:uploads');
    Route::get('pieces/{piece}', [PieceController::class, 'show']);
    Route::patch('pieces/{piece}', [PieceController::class, 'update']);
    Route::delete('pieces/{piece}', [PieceController::class, 'destroy']);
    Route::post('pieces/{piece}/restore', [PieceController::class, 'restore']);
    Route::get('pieces/{piece}/photos/{view}', [PieceController::class, 'photo'])->name('pieces.photo');
    Route::post('pieces/{piece}/samples', [PieceController::class, 'sample']);
    Route::post('pieces/{piece}/recipes', [MatchController::class, 'search']);
    Route::post('pieces/{piece}/predictions', [MatchController::class, 'predict']);

    Route::post('pieces/{piece}/zones', [ZoneController::class, 'store']);
    Route::patch('zones/{zone}', [ZoneController::class, 'update']);
    Route::delete('zones/{zone}', [ZoneController::class, 'destroy']);
    Route::post('zones/{zone}/restore', [ZoneController::class, 'restore']);

    Route::get('pieces/{piece}/plan', [PlanController::class, 'show']);
    Route::get('pieces/{piece}/plan.pdf', [PlanController::class, 'sheet']);
    Route::post('pieces/{piece}/drawing', [PlanController::class, 'mark']);
    Route::delete('pieces/{piece}/drawing/last', [PlanController::class, 'undo']);
});

Route::fallback(static fn () => response()->json(['message' => 'There is nothing at this address.'], 404));
