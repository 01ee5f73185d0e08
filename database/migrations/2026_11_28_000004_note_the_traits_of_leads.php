<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('pencils', function (Blueprint $table): void {
            $table->string('core', 4)->nullable()->after('opacity');
            $table->boolean('stains')->default(false)->after('core');
        });
    }

    public function down(): void
    {
        Schema::table('pencils', function (Blueprint $table): void {
            $table->dropColumn(['core', 'stains']);
        });
    }
};
