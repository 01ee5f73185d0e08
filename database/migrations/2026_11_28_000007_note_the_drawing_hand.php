<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', function (Blueprint $table): void {
            $table->string('hand', 8)->default('right')->after('schools')->comment('that draws');
        });
    }

    public function down(): void
    {
        Schema::table('users', static fn (Blueprint $table) => $table->dropColumn('hand'));
    }
};
