<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What a reference showed before its photo or its light was changed: it can be taken back. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('reference_pictures', function (Blueprint $table): void {
            $table->json('before')->nullable()->comment('picture, width, height, balance');
        });
    }

    public function down(): void
    {
        Schema::table('reference_pictures', static fn (Blueprint $table) => $table->dropColumn('before'));
    }
};
