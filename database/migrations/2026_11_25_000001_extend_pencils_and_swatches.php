<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Prism\Colour\Bands;
use Prism\Layering\Stack;
use Prism\Layering\Technique;

return new class extends Migration
{
    public function up(): void
    {
        Schema::table('ranges', static function (Blueprint $table): void {
            $table->dropUnique(['code']);
            $table->foreignId('user_id')->nullable()->after('id')->comment('whose own range; null ships with the studio')->constrained()->cascadeOnDelete();
            $table->unique(['user_id', 'code']);
        });
        Schema::table('pencils', static function (Blueprint $table): void {
            $table->string('status', 12)->default('current')->comment('current, renamed, discontinued or replaced');
            $table->string('replaced_by', 25)->nullable()->comment('RANGE:NUMBER');
            $table->json('bands')->nullable()->comment('reflectance of the heavy coat in the twelve bands of the engine; null without a colour')->change();
            $table->json('spectrum')->nullable()->comment('36 reflectances of the heavy coat, 380-730 nm, where measured');
            $table->double('L')->nullable()->comment('of the heavy coat');
            $table->double('a')->nullable();
            $table->double('b')->nullable();
        });
        foreach (DB::table('pencils')->get(['id', 'bands']) as $pencil) {
            $lab = Bands::toLab(array_map(floatval(...), json_decode((string) $pencil->bands, true, flags: JSON_THROW_ON_ERROR)));
            DB::table('pencils')->where('id', $pencil->id)->update(['L' => $lab->L, 'a' => $lab->a, 'b' => $lab->b]);
        }
        Schema::table('box_pencils', static function (Blueprint $table): void {
            $table->boolean('favourite')->default(false);
            $table->unsignedTinyInteger('spare')->default(0)->comment('whole ones in the drawer');
            $table->unsignedSmallInteger('length_mm')->nullable()->comment('of the stub');
        });
        Schema::create('charts', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->foreignId('paper_id')->constrained();
            $table->string('title', 120);
            $table->string('kind', 12);
            $table->string('page', 6)->comment('a4 or letter');
            $table->json('stacks')->comment('stack notation by cell');
            $table->timestamps();
            $table->softDeletes();
        });
        Schema::table('swatches', static function (Blueprint $table): void {
            $table->string('note', 300)->default('');
            $table->date('drawn_on')->nullable();
            $table->double('spread')->nullable()->comment('dE00 within the swatch, where a picture was read');
            $table->string('technique', 10)->default('')->comment('paper, single, layers, burnish, wash, blend or lift');
            $table->foreignUlid('chart_id')->nullable()->constrained()->nullOnDelete();
            $table->softDeletes();
            $table->index(['user_id', 'deleted_at']);
        });
        foreach (DB::table('swatches')->get(['id', 'stack']) as $swatch) {
            DB::table('swatches')->where('id', $swatch->id)->update(['technique' => Technique::of(Stack::parse($swatch->stack))->value]);
        }
        Schema::table('calibrations', static function (Blueprint $table): void {
            $table->unsignedInteger('number')->default(0)->comment('counted by artist');
        });
        $numbers = [];
        foreach (DB::table('calibrations')->orderBy('id')->get(['id', 'user_id']) as $calibration) {
            $numbers[$calibration->user_id] = ($numbers[$calibration->user_id] ?? 0) + 1;
            DB::table('calibrations')->where('id', $calibration->id)->update(['number' => $numbers[$calibration->user_id]]);
        }
        Schema::table('users', static function (Blueprint $table): void {
            $table->foreignId('calibration_id')->nullable()->comment('the one in force')->constrained()->nullOnDelete();
        });
        foreach (DB::table('calibrations')->groupBy('user_id')->selectRaw('user_id, max(id) as latest')->get() as $row) {
            DB::table('users')->where('id', $row->user_id)->update(['calibration_id' => $row->latest]);
        }
        Schema::create('works', static function (Blueprint $table): void {
            $table->ulid('id')->primary();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('kind', 20);
            $table->string('state', 10)->default('waiting')->comment('waiting, running, done, failed or cancelled');
            $table->string('doing', 120)->default('');
            $table->double('progress')->default(0)->comment('0-1');
            $table->json('wish')->comment('what was asked for');
            $table->longText('result')->nullable()->comment('JSON');
            $table->string('problem', 300)->default('');
            $table->timestamps();
            $table->index(['user_id', 'kind', 'id']);
        });
    }

    public function down(): void
    {
        Schema::dropIfExists('works');
        Schema::table('users', static fn (Blueprint $table) => $table->dropConstrainedForeignId('calibration_id'));
        Schema::table('calibrations', static fn (Blueprint $table) => $table->dropColumn('number'));
        Schema::table('swatches', static function (Blueprint $table): void {
            $table->dropConstrainedForeignId('chart_id');
            $table->dropForeign(['user_id']);
            $table->dropIndex(['user_id', 'deleted_at']);
            $table->foreign('user_id')->references('id')->on('users')->cascadeOnDelete();
            $table->dropColumn(['note', 'drawn_on', 'spread', 'technique', 'deleted_at']);
        });
        Schema::dropIfExists('charts');
        Schema::table('box_pencils', static fn (Blueprint $table) => $table->dropColumn(['favourite', 'spare', 'length_mm']));
        DB::table('pencils')->whereNull('bands')->delete();
        DB::table('ranges')->whereNotNull('user_id')->delete();
        Schema::table('pencils', static function (Blueprint $table): void {
            $table->json('bands')->nullable(false)->change();
            $table->dropColumn(['status', 'replaced_by', 'spectrum', 'L', 'a', 'b']);
        });
        Schema::table('ranges', static function (Blueprint $table): void {
            $table->dropForeign(['user_id']);
            $table->dropUnique(['user_id', 'code']);
            $table->dropColumn('user_id');
            $table->unique('code');
        });
    }
};
