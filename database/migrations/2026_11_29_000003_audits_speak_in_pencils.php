<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;

return new class extends Migration
{
    /** What was found before names no pencils for its gaps; it is looked through again in seconds. */
    public function up(): void
    {
        DB::table('works')->where('kind', 'audit')->delete();
    }

    public function down(): void
    {
        DB::table('works')->where('kind', 'audit')->delete();
    }
};
