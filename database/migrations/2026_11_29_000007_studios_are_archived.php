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
            // The piece that it is another copy of: an archive of either one is known again.
            $table->char('origin', 26)->nullable()->index();
        });
        Schema::create('restores', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('title', 160);
            $table->json('made');
            $table->json('away');
            $table->json('before');
            $table->timestamp('undone_at')->nullable();
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('restores');
        Schema::table('pieces', static function (Blueprint $table): void {
            $table->dropColumn('origin');
        });
    }
};
