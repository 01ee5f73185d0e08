<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('papers', static function (Blueprint $table): void {
            $table->foreignId('user_id')->nullable()->after('id')->comment('whose own; null ships with the studio')->constrained()->cascadeOnDelete();
            $table->string('kind', 20)->default('cartridge')->after('name');
            $table->double('width_mm')->nullable();
            $table->double('height_mm')->nullable();
            $table->softDeletes();
        });
        Schema::table('users', static function (Blueprint $table): void {
            $table->foreignId('paper_id')->nullable()->comment('the paper of new pieces')->constrained()->nullOnDelete();
        });
    }

    public function down(): void
    {
        Schema::table('users', static fn (Blueprint $table) => $table->dropConstrainedForeignId('paper_id'));
        Schema::table('papers', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('user_id');
            $table->dropColumn(['kind', 'width_mm', 'height_mm', 'deleted_at']);
        });
    }
};
