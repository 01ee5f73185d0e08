<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('drawn_steps', static function (Blueprint $table): void {
            $table->double('laid_mm2')->nullable()->comment('area times passes; null where no pencil was laid');
            $table->double('minutes')->nullable()->comment('since the step before; null where nobody knows');
        });
    }

    public function down(): void
    {
        Schema::table('drawn_steps', static fn (Blueprint $table) => $table->dropColumn(['laid_mm2', 'minutes']));
    }
};
