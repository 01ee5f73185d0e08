<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('ranges', static function (Blueprint $table): void {
            $table->id();
            $table->string('code', 12)->unique();
            $table->string('maker', 80);
            $table->string('name', 80);
            $table->timestamps();
        });
        Schema::create('pencils', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('range_id')->constrained()->cascadeOnDelete();
            $table->string('number', 12);
            $table->string('name', 120);
            $table->json('aliases');
            $table->string('binder', 3);
            $table->string('opacity', 12);
            $table->string('lightfastness', 3)->nullable();
            $table->json('bands')->comment('reflectance of the heavy coat in the twelve bands of the engine');
            $table->timestamps();
            $table->unique(['range_id', 'number']);
        });
        Schema::create('papers', static function (Blueprint $table): void {
            $table->id();
            $table->string('slug', 40)->unique();
            $table->string('name', 80);
            $table->double('L');
            $table->double('a');
            $table->double('b');
            $table->double('roughness');
            $table->double('capacity');
            $table->double('adhesion');
            $table->timestamps();
        });
        Schema::create('box_pencils', static function (Blueprint $table): void {
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->foreignId('pencil_id')->constrained()->cascadeOnDelete();
            $table->primary(['user_id', 'pencil_id']);
        });
        Schema::create('pieces', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->foreignId('paper_id')->constrained();
            $table->string('title', 120);
            $table->string('school', 20);
            $table->unsignedInteger('photo_width');
            $table->unsignedInteger('photo_height');
            $table->timestamps();
            $table->softDeletes();
            $table->index(['user_id', 'updated_at']);
        });
        Schema::create('zones', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('piece_id')->constrained()->cascadeOnDelete();
            $table->string('name', 80);
            $table->double('x')->comment('share of the width, 0-1');
            $table->double('y')->comment('share of the height, 0-1');
            $table->double('radius')->comment('share of the width, 0-1');
            $table->double('L');
            $table->double('a');
            $table->double('b');
            $table->double('spread');
            $table->unsignedInteger('position');
            $table->unsignedInteger('version')->default(1);
            $table->timestamps();
            $table->softDeletes();
        });
        Schema::create('recipes', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('zone_id')->unique()->constrained()->cascadeOnDelete();
            $table->text('stack');
            $table->timestamps();
        });
        Schema::create('drawn_steps', static function (Blueprint $table): void {
            $table->id();
            $table->foreignUlid('piece_id')->constrained()->cascadeOnDelete();
            $table->string('step_key', 80);
            $table->string('state', 8)->comment('done or skipped');
            $table->timestamps();
            $table->unique(['piece_id', 'step_key']);
        });
    }

    public function down(): void
    {
        foreach (['drawn_steps', 'recipes', 'zones', 'pieces', 'box_pencils', 'papers', 'pencils', 'ranges'] as $table) {
            Schema::dropIfExists($table);
        }
    }
};
