<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;

// The front end finds its own way; every page is the same document.
Route::view('/login', 'app')->name('login');
Route::get('/{any?}', static fn () => view('app'))->where('any', '^(?!api/).*$');
