<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('users', static function (Blueprint $table): void {
            $table->string('lamp', 16)->default('daylight')->comment('of new pieces, as are unit and session_minutes');
            $table->string('unit', 4)->default('mm');
            $table->unsignedSmallInteger('session_minutes')->default(90);
            $table->timestamp('begun_at')->nullable()->comment('when the first visit was done with');
        });
    }

    public function down(): void
    {
        Schema::table('users', static fn (Blueprint $table) => $table->dropColumn(['lamp', 'unit', 'session_minutes', 'begun_at']));
    }
};
