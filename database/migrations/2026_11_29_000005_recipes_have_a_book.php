<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('kept_recipes', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->foreignId('paper_id')->constrained();
            $table->foreignUlid('piece_id')->nullable()->constrained()->nullOnDelete();
            // Of the piece, by key: it may be gone by now.
            $table->ulid('zone_id')->nullable();
            $table->string('zone_name', 120)->nullable();
            $table->unsignedBigInteger('calibration_id')->nullable();
            $table->string('name', 80);
            $table->string('purpose', 120)->default('');
            $table->json('tags');
            $table->text('note');
            $table->text('stack');
            $table->double('L');
            $table->double('a');
            $table->double('b');
            $table->ulid('ladder')->nullable();
            $table->unsignedSmallInteger('rung')->nullable();
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->softDeletes();
            $table->index(['user_id', 'updated_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('kept_recipes');
    }
};
