<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** A note is about a turn, a zone or all of the piece; a photo of the drawing stands in the log beside it. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('drawing_entries', static function (Blueprint $table): void {
            $table->string('zone', 80)->nullable()->comment('what the zone was called that a note is about');
            $table->unsignedSmallInteger('photo_width')->nullable();
            $table->unsignedSmallInteger('photo_height')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('drawing_entries', static fn (Blueprint $table) => $table->dropColumn(['zone', 'photo_width', 'photo_height']));
    }
};
