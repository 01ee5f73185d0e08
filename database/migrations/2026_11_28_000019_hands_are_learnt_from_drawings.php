<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('calibrations', static function (Blueprint $table): void {
            $table->double('weight')->default(1.0)->comment('how hard the hand presses against its swatches, from drawings');
        });
    }

    public function down(): void
    {
        Schema::table('calibrations', static fn (Blueprint $table) => $table->dropColumn('weight'));
    }
};
