<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('zone_targets', function (Blueprint $table): void {
            $table->double('line_width')->nullable()->after('y')->comment('share of the width of the reference');
            $table->double('edge_width')->nullable()->after('line_width')->comment('over which it fades into what lies beside it, likewise');
        });
    }

    public function down(): void
    {
        // Lines are accents to whatever knows no lines.
        DB::table('zone_targets')->where('role', 'line')->update(['role' => 'accent']);
        Schema::table('zone_targets', static fn (Blueprint $table) => $table->dropColumn(['line_width', 'edge_width']));
    }
};
