<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('drill_rounds', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 20);
            $table->unsignedTinyInteger('level');
            $table->json('questions');
            $table->json('answers');
            $table->unsignedTinyInteger('right')->default(0);
            $table->timestamp('done_at')->nullable();
            $table->timestamps();
            $table->index(['user_id', 'kind', 'done_at']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('drill_rounds');
    }
};
