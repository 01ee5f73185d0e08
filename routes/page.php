<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\SecondFactorController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SharedController;
use App\Http\Controllers\TokenController;
use App\Http\Middleware\KeptAnswers;
use App\Http\Middleware\Unlisted;
use Illuminate\Support\Facades\Route;

// Who one is, and what is shown to those who have a link: of the studio's own page alone.
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
    Route::post('account/confirmation', [AccountController::class, 'askAgain'])->middleware('throttle:accounts');
    Route::get('account/room', [AccountController::class, 'room']);
    Route::get('account/sessions', [AccountController::class, 'sessions']);
    Route::delete('account/sessions', [AccountController::class, 'endSessions'])->middleware('throttle:account');
    Route::post('account/second-factor', [SecondFactorController::class, 'begin'])->middleware('throttle:account');
    Route::put('account/second-factor', [SecondFactorController::class, 'confirm'])->middleware('throttle:sign-in');
    Route::delete('account/second-factor', [SecondFactorController::class, 'end'])->middleware('throttle:account');
    Route::post('account/second-factor/codes', [SecondFactorController::class, 'codes'])->middleware('throttle:account');
    Route::delete('account', [AccountController::class, 'destroy'])->middleware('throttle:account');
    Route::get('account/tokens', [TokenController::class, 'index']);
    Route::post('account/tokens', [TokenController::class, 'store'])->middleware('throttle:account');
    Route::delete('account/tokens/{token}', [TokenController::class, 'destroy'])->whereNumber('token');
});
