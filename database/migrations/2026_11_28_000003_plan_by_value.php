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
            $table->boolean('value_only')->default(false)->comment('planned by value, whatever the hues');
            $table->json('before_planning')->nullable()->comment('recipes and palette as they were before the last planning');
        });
    }

    public function down(): void
    {
        Schema::table('pieces', static fn (Blueprint $table) => $table->dropColumn(['value_only', 'before_planning']));
    }
};
