<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Middleware\Unlisted;
use Illuminate\Support\Facades\Route;

// It may keep all of the studio only if it lies at its root.
Route::get('/sw.js', static fn () => response()->file(public_path('build/sw.js'), ['Content-Type' => 'text/javascript', 'Cache-Control' => 'no-cache']));

Route::view('/shared/{token}', 'app')->middleware(Unlisted::class);
Route::get('/confirm/{artist}/{digest}', [AccountController::class, 'confirm'])->whereNumber('artist')->middleware(['signed:relative', 'throttle:accounts'])->name('confirm-address');
// The front end finds its own way; every page is the same document.
Route::view('/login', 'app')->name('login');
Route::get('/{any?}', static fn () => view('app'))->where('any', '^(?!api/).*$');
