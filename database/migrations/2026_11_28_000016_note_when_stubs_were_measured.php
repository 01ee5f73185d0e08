<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** A stub gets shorter from when it was measured; one that was noted before counts from now. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('box_pencils', static fn (Blueprint $table) => $table->dateTime('measured_at')->nullable()->comment('when length_mm was noted'));
        DB::table('box_pencils')->whereNotNull('length_mm')->update(['measured_at' => now()]);
    }

    public function down(): void
    {
        Schema::table('box_pencils', static fn (Blueprint $table) => $table->dropColumn('measured_at'));
    }
};
