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
            $table->json('lines')->nullable();
        });
        Schema::table('zones', static function (Blueprint $table): void {
            $table->json('colouring')->nullable();
        });
    }

    public function down(): void
    {
        Schema::table('pieces', static fn (Blueprint $table) => $table->dropColumn('lines'));
        Schema::table('zones', static fn (Blueprint $table) => $table->dropColumn('colouring'));
    }
};
