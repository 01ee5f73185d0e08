<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        foreach (['pieces', 'zones'] as $name) {
            Schema::table($name, function (Blueprint $table): void {
                $table->json('interpretation')->nullable()->after('schools');
            });
        }
    }

    public function down(): void
    {
        foreach (['pieces', 'zones'] as $name) {
            Schema::table($name, function (Blueprint $table): void {
                $table->dropColumn('interpretation');
            });
        }
    }
};
