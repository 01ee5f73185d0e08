<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('zones', function (Blueprint $table): void {
            $table->json('ground')->nullable()->after('interpretation')->comment('of another medium, that it is begun on');
        });
    }

    public function down(): void
    {
        Schema::table('zones', static fn (Blueprint $table) => $table->dropColumn('ground'));
    }
};
