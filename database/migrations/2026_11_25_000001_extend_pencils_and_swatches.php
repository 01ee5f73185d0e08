<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

return new class extends Migration
{
    /** X, Y and Z relative to white of the twelve bands, as they were then: what a migration writes must not change with the code. */
    private const WEIGHTS = [
        [0.0014817, 0.0504781, 0.073615, 0.0141922, -0.003716, 0.0481758, 0.136938, 0.2357583, 0.2523879, 0.1444285, 0.0362075, 0.010053],
        [9.5E-5, 0.0015323, 0.0117282, 0.0302067, 0.1027623, 0.224076, 0.2416523, 0.1953021, 0.1222127, 0.0538524, 0.0131499, 0.0034303],
        [0.0078024, 0.2905394, 0.467626, 0.188342, 0.0338585, 0.0113047, -0.0004489, 0.0011137, -0.0002815, 0.0001937, -9.94E-5, 4.94E-5],
    ];

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
            DB::table('pencils')->where('id', $pencil->id)->update(self::lab(array_map(floatval(...), json_decode((string) $pencil->bands, true, flags: JSON_THROW_ON_ERROR))));
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
            DB::table('swatches')->where('id', $swatch->id)->update(['technique' => self::technique($swatch->stack)]);
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

    /**
     * CIE 15:2018, 8.2.1.
     *
     * @param  list<float>  $bands  reflectances
     * @return array{L: float, a: float, b: float}
     */
    private static function lab(array $bands): array
    {
        [$x, $y, $z] = array_map(static function (array $weights) use ($bands): float {
            $t = array_sum(array_map(static fn (float $weight, float $band): float => $weight * $band, $weights, $bands));

            return $t > (6 / 29) ** 3 ? $t ** (1 / 3) : $t * (29 / 6) ** 2 / 3 + 4 / 29;
        }, self::WEIGHTS);

        return ['L' => 116 * $y - 16, 'a' => 500 * ($x - $y), 'b' => 200 * ($y - $z)];
    }

    /** How a stack is made, from its notation. */
    private static function technique(string $stack): string
    {
        preg_match_all('/([A-Za-z]\w*:[\w.-]+)@([\d.]+)/', $stack, $layers);

        return match (true) {
            trim($stack) === '' => 'paper',
            str_contains($stack, 'wash') => 'wash',
            str_contains($stack, 'lift') => 'lift',
            str_contains($stack, 'blend') => 'blend',
            count(array_unique($layers[1])) === 1 => 'single',
            max(array_map(floatval(...), $layers[2])) >= 85.0 => 'burnish',
            default => 'layers',
        };
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
