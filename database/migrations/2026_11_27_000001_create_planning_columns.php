<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('pieces', static function (Blueprint $table): void {
            $table->string('progress', 20)->default('colour-by-colour')->comment('how one goes over the picture');
            $table->unsignedSmallInteger('session_minutes')->default(90);
            $table->unsignedSmallInteger('palette_size')->nullable()->comment('null: the whole box');
            $table->json('pinned')->nullable()->comment('pencils that are always in the palette, RANGE:NUMBER');
            $table->json('banned')->nullable();
            $table->json('palette')->nullable()->comment('what planning found last');
        });
        Schema::table('recipes', static function (Blueprint $table): void {
            $table->boolean('by_hand')->default(true)->comment('chosen by the artist: planning leaves it alone');
        });
    }

    public function down(): void
    {
        Schema::table('recipes', static fn (Blueprint $table) => $table->dropColumn('by_hand'));
        Schema::table('pieces', static fn (Blueprint $table) => $table->dropColumn(['progress', 'session_minutes', 'palette_size', 'pinned', 'banned', 'palette']));
    }
};
