<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

/** What each mark really laid, and on how much paper; what an entry of the log did, as it is told however the plan changes. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::table('drawn_steps', static function (Blueprint $table): void {
            $table->text('laid')->nullable()->comment('notation; null: as the plan has it, or nothing');
            $table->double('mm2')->nullable();
        });
        Schema::table('drawing_entries', static function (Blueprint $table): void {
            $table->json('did')->nullable()->comment('what was laid, and where');
            $table->json('recipe_before')->nullable()->comment('of a colour that was planned anew: its recipe until then');
        });
    }

    public function down(): void
    {
        Schema::table('drawn_steps', static fn (Blueprint $table) => $table->dropColumn(['laid', 'mm2']));
        Schema::table('drawing_entries', static fn (Blueprint $table) => $table->dropColumn(['did', 'recipe_before']));
    }
};
