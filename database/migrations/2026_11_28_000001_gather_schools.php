<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** The schools of a piece in one place, with defaults of the studio and exceptions of a zone. */
return new class extends Migration
{
    private const COLUMNS = ['value' => 'school', 'highlights' => 'highlights', 'background' => 'progress'];

    public function up(): void
    {
        foreach (['users', 'pieces', 'zones'] as $name) {
            Schema::table($name, static fn (Blueprint $table) => $table->json('schools')->nullable()->comment('question: school; what is not said is as usual'));
        }
        foreach (DB::table('pieces')->get(['id', ...self::COLUMNS]) as $piece) {
            $schools = array_map(static fn (string $column): string => $piece->{$column}, self::COLUMNS);
            DB::table('pieces')->where('id', $piece->id)->update(['schools' => json_encode($schools, JSON_THROW_ON_ERROR)]);
        }
        Schema::table('pieces', static fn (Blueprint $table) => $table->dropColumn(array_values(self::COLUMNS)));
    }

    public function down(): void
    {
        Schema::table('pieces', static function (Blueprint $table): void {
            $table->string('school', 20)->default('light-to-dark');
            $table->string('highlights', 16)->default('reserve');
            $table->string('progress', 20)->default('colour-by-colour');
        });
        foreach (DB::table('pieces')->get(['id', 'schools']) as $piece) {
            $schools = json_decode($piece->schools ?? '{}', true, flags: JSON_THROW_ON_ERROR);
            $columns = [];
            foreach (self::COLUMNS as $question => $column) {
                if (isset($schools[$question])) {
                    $columns[$column] = $schools[$question];
                }
            }
            if ($columns !== []) {
                DB::table('pieces')->where('id', $piece->id)->update($columns);
            }
        }
        foreach (['users', 'pieces', 'zones'] as $name) {
            Schema::table($name, static fn (Blueprint $table) => $table->dropColumn('schools'));
        }
    }
};
