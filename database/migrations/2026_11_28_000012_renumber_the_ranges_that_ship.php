<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * The ranges that ship have numbers drawn by lot. Whatever names one of their pencils goes on naming the same pencil: recipes,
 * swatches, charts, fits, palettes, what was undone and what was drawn.
 */
return new class extends Migration
{
    /** Old and new, by range. */
    private const NUMBERS = [
        'QW' => '101 1823, 104 5492, 107 2616, 110 6814, 113 3737, 116 4731, 119 5892, 122 9723, 125 4137, 128 6872,
            131 3592, 134 5846, 201 7432, 204 7184, 207 3784, 210 7958, 213 5761, 216 2168, 219 8785, 222 5424,
            225 1718, 301 4132, 304 7212, 307 7387, 310 4747, 313 6867, 401 6947, 404 6858, 407 9147, 410 5765,
            413 4643, 416 7284, 419 6454, 422 6828, 501 7657, 504 7168, 507 2385, 510 7351, 513 5925, 516 9393,
            519 2794, 522 5615, 525 8363, 601 4285, 604 3464, 607 4973, 610 3131, 613 4374, 616 2312, 619 1892,
            622 8373, 625 3546, 701 4853, 704 7494, 707 1764, 710 9764, 713 7381, 716 4863, 719 9321, 722 3769',
        'LO' => '7003 1346, 7008 1979, 7012 9659, 7017 1795, 7023 1781, 7026 5493, 7031 2654, 7035 2341, 7039 2593,
            7044 6945, 7048 6476, 7102 3949, 7107 8681, 7111 2143, 7116 4347, 7121 8717, 7125 8431, 7129 6491,
            7134 5356, 7202 4372, 7206 3512, 7211 3973, 7215 4369, 7219 3895, 7303 7128, 7307 2531, 7311 1414,
            7316 4263, 7322 6797, 7326 6915, 7331 7545, 7335 4841, 7339 6565, 7402 7595, 7407 3696, 7411 9259,
            7416 5385, 7421 2161, 7425 1586, 7429 6148, 7434 2985, 7502 3476, 7506 7621, 7511 2627, 7515 7642,
            7519 8438, 7523 8798, 7527 7242, 7531 8535, 7536 6573, 7602 6461, 7606 4719, 7611 5834, 7615 2373,
            7619 6216, 7624 9869, 7628 9424, 7633 3295, 7637 9871, 7642 9257',
    ];

    /** Where pencils are named, alone or in stacks, as text or as JSON. */
    private const NAMED_IN = [
        'pencils' => ['replaced_by'],
        'recipes' => ['stack'],
        'swatches' => ['stack'],
        'charts' => ['stacks'],
        'calibrations' => ['fit'],
        'pieces' => ['pinned', 'banned', 'palette', 'before_planning', 'advised'],
        'zones' => ['ground'],
        'zone_changes' => ['before'],
        'works' => ['wish', 'result'],
    ];

    public function up(): void
    {
        $this->rename($this->names());
    }

    public function down(): void
    {
        $this->rename(array_flip($this->names()));
    }

    /** @return array<string, string> RANGE:NUMBER as it was => as it is */
    private function names(): array
    {
        $names = [];
        foreach (self::NUMBERS as $range => $list) {
            foreach (preg_split('/,\s*/', $list) ?: [] as $pair) {
                [$old, $new] = explode(' ', $pair);
                $names["$range:$old"] = "$range:$new";
            }
        }

        return $names;
    }

    /** @param  array<string, string>  $names */
    private function rename(array $names): void
    {
        $said = static fn (string $text): string => (string) preg_replace_callback('/\b[A-Z]+:\d+\b/', static fn (array $name): string => $names[$name[0]] ?? $name[0], $text);
        DB::transaction(function () use ($names, $said): void {
            $this->renameDrawn($said);
            foreach (self::NAMED_IN as $table => $columns) {
                foreach ($columns as $column) {
                    $rows = DB::table($table)->where(static fn (Builder $any) => $any->where($column, 'like', '%QW:%')->orWhere($column, 'like', '%LO:%'));
                    foreach ($rows->lazyById(50) as $row) {
                        DB::table($table)->where('id', $row->id)->update([$column => $said((string) $row->{$column})]);
                    }
                }
            }
            $this->renameNumbers($names);
        });
    }

    /** @param  array<string, string>  $names */
    private function renameNumbers(array $names): void
    {
        $shipped = DB::table('pencils')->join('ranges', 'ranges.id', '=', 'pencils.range_id')->whereNull('ranges.user_id')->get(['pencils.id', 'code', 'number']);
        $new = [];
        foreach ($shipped as $pencil) {
            $name = $names[$pencil->code.':'.$pencil->number] ?? null;
            if ($name !== null) {
                $new[(int) $pencil->id] = explode(':', $name)[1];
            }
        }
        // One is called now what another was called before: out of the way first.
        DB::table('pencils')->whereIn('id', array_keys($new))->update(['number' => DB::raw("concat('#', id)")]);
        foreach ($new as $id => $number) {
            DB::table('pencils')->where('id', $id)->update(['number' => $number]);
        }
    }

    /** A mark names its step by the stack below it: colour, how many steps, the first eight signs of a digest of them. */
    private function renameDrawn(Closure $said): void
    {
        foreach (DB::table('drawn_steps')->orderBy('id')->get(['id', 'step_key']) as $drawn) {
            [$target, $count, $digest] = explode('-', $drawn->step_key) + ['', '', ''];
            $stack = (string) DB::table('recipes')->where('target_id', $target)->value('stack');
            $below = implode(' > ', array_slice(explode(' > ', $stack), 0, (int) $count));
            if (substr(sha1($below), 0, 8) === $digest) {
                DB::table('drawn_steps')->where('id', $drawn->id)->update(['step_key' => sprintf('%s-%d-%s', $target, $count, substr(sha1($said($below)), 0, 8))]);
            }
        }
    }
};
