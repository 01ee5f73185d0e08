<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('shares', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignUlid('piece_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 8);
            $table->boolean('with_photo')->default(false);
            $table->text('token')->comment('encrypted: its artist may copy it again');
            $table->char('digest', 64)->unique()->comment('sha-256 of the token: by it a link is found');
            $table->timestamp('expires_at');
            $table->timestamps();
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('shares');
    }
};
