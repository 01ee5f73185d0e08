<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::create('personal_access_tokens', static function (Blueprint $table): void {
            $table->id();
            $table->morphs('tokenable');
            $table->string('name', 80);
            $table->char('token', 64)->unique()->comment('sha-256: it is told once and kept nowhere');
            $table->text('abilities')->nullable();
            $table->timestamp('last_used_at')->nullable();
            $table->timestamp('expires_at')->nullable()->index();
            $table->timestamps();
        });
        Schema::create('sent_keys', static function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('key', 80)->collation('ascii_bin');
            $table->char('digest', 32);
            $table->unsignedSmallInteger('status')->nullable()->comment('none while it is being done');
            $table->mediumText('body')->nullable();
            $table->timestamp('created_at')->index();
            $table->unique(['user_id', 'key']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('sent_keys');
        Schema::dropIfExists('personal_access_tokens');
    }
};
