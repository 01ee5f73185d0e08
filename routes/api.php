<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\MatchController;
use App\Http\Controllers\MaterialController;
use App\Http\Controllers\PencilController;
use App\Http\Controllers\PieceController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SubstituteController;
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
