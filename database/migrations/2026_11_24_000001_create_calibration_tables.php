<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('swatches', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->foreignId('paper_id')->constrained();
            $table->text('stack')->comment('stack notation; empty for the bare paper');
            $table->double('L');
            $table->double('a');
            $table->double('b');
            $table->string('source', 20)->comment('typed, read or simulated');
            $table->timestamps();
        });
        Schema::create('calibrations', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('swatch_count');
            $table->double('before')->comment('mean dE00 of the swatches before the fit');
            $table->double('after');
            $table->longText('fit')->comment('JSON of the core');
            $table->timestamps();
            $table->index(['user_id', 'id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('calibrations');
        Schema::dropIfExists('swatches');
    }
};
