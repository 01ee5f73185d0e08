<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** How far a drawing is, as its plan was last seen: the list of pieces tells it without planning them all. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('pieces', function (Blueprint $table): void {
            $table->json('progress')->nullable()->comment('turns, turns done, minutes left, as the plan was last seen');
        });
    }

    public function down(): void
    {
        Schema::table('pieces', static fn (Blueprint $table) => $table->dropColumn('progress'));
    }
};
