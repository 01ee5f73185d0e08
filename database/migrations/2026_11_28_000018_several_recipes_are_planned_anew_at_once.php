<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    public function up(): void
    {
        DB::table('drawing_entries')->whereNotNull('recipe_before')->update(['recipe_before' => DB::raw("CONCAT('[', recipe_before, ']')")]);
    }

    public function down(): void
    {
        DB::table('drawing_entries')->whereNotNull('recipe_before')->update(['recipe_before' => DB::raw("JSON_EXTRACT(recipe_before, '$[0]')")]);
    }
};
