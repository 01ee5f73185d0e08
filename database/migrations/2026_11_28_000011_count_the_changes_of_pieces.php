<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** Two windows on one piece: what one has changed, the other must have seen before it changes it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('pieces', function (Blueprint $table): void {
            $table->unsignedInteger('version')->default(1)->comment('counts changes of what is chosen for it');
        });
    }

    public function down(): void
    {
        Schema::table('pieces', static fn (Blueprint $table) => $table->dropColumn('version'));
    }
};
