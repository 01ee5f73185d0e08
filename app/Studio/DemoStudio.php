<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\User;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\Photos\PhotoStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** The demo studio, and a copy of it for each who opens it: what one does there concerns nobody else. */
final class DemoStudio
{
    /** A copy is kept so long after it was made. */
    private const KEPT_HOURS = 24;

    /** Old copies that are put away while a new one is made. */
    private const PUT_AWAY_AT_ONCE = 3;

    /** Columns of a piece that name its colours. */
    private const NAMING = ['palette', 'before_planning', 'advised'];

    public function __construct(private readonly PhotoStore $photos, private readonly DrawingPhotos $drawings, private readonly StudioRemoval $removal)
    {
    }

    /** The one that is seeded. */
    public function original(): User
    {
        return User::query()->where('email', config('prism.demo_email'))->firstOrFail();
    }

    /** Whether a studio is a copy: it has no password, and goes by itself. */
    public static function isCopy(User $artist): bool
    {
        return Str::is(self::address('*'), $artist->email);
    }

    /** A copy that was made for somebody, while it is kept. */
    public function known(int $id): ?User
    {
        $copies = User::query();

        return $copies->whereKey($id)->where('email', 'like', self::address('%'))->first();
    }

    /** All of it but charts and long work. */
    public function copy(): User
    {
        $this->putAway();
        $from = $this->original();
        $names = $pieces = $ids = [];
        $copy = DB::transaction(function () use ($from, &$names, &$pieces, &$ids): User {
            $copy = User::query()->create(['name' => $from->name, 'email' => self::address(strtolower((string) Str::ulid())), 'password' => Str::random(40), 'schools' => $from->schools, 'hand' => $from->hand, 'paper_id' => $from->paper_id]);
            self::rows('box_pencils', ['user_id' => $from->id], ['user_id' => $copy->id]);
            self::rows('swatches', ['user_id' => $from->id, 'chart_id' => null, 'deleted_at' => null], ['user_id' => $copy->id]);
            if ($from->calibration_id !== null) {
                self::rows('calibrations', ['id' => $from->calibration_id], ['user_id' => $copy->id]);
                $copy->forceFill(['calibration_id' => $copy->calibrations()->value('id')])->save();
            }
            $pieces = self::rows('pieces', ['user_id' => $from->id, 'deleted_at' => null], ['user_id' => $copy->id]);
            $names = self::rows('reference_pictures', ['piece_id' => array_keys($pieces), 'deleted_at' => null], ['piece_id' => $pieces]);
            $zones = self::rows('zones', ['piece_id' => array_keys($pieces), 'deleted_at' => null], ['piece_id' => $pieces]);
            $targets = self::rows('zone_targets', ['zone_id' => array_keys($zones), 'deleted_at' => null], ['zone_id' => $zones]);
            self::rows('recipes', ['target_id' => array_keys($targets)], ['target_id' => $targets]);
            $ids = $targets + $zones;
            self::rows('drill_rounds', ['user_id' => $from->id], ['user_id' => $copy->id]);
            self::rows('kept_recipes', ['user_id' => $from->id, 'deleted_at' => null], ['user_id' => $copy->id, 'piece_id' => $pieces, 'zone_id' => $zones]);
            self::drawn($pieces, $ids);
            foreach ($copy->pieces()->get() as $piece) {
                $piece->setRawAttributes([...$piece->getAttributes(), ...array_map(static fn (?string $json): ?string => $json === null ? null : strtr($json, $ids), array_intersect_key($piece->getAttributes(), array_flip(self::NAMING)))])->saveQuietly();
            }

            return $copy;
        });
        foreach ($names as $reference => $new) {
            $this->photos->copy($reference, $new);
        }
        foreach ($pieces as $piece => $new) {
            $this->drawings->copy($piece, $new, static function (string $text) use ($ids, $from, $copy): string {
                $told = json_decode(strtr($text, $ids), true, flags: JSON_THROW_ON_ERROR);
                // What was learnt of the hand rests on a calibration, and this studio has its own copy of it.
                if (isset($told['hand']) && $told['hand']['calibration'] === $from->calibration_id) {
                    $told['hand']['calibration'] = $copy->calibration_id;
                }

                return json_encode($told, JSON_THROW_ON_ERROR);
            });
        }

        return $copy;
    }

    /**
     * What was drawn: the log, and which steps lie on the paper.
     *
     * @param  array<string, string>  $pieces  by old key, the new one
     * @param  array<string, string>  $ids  the same of zones and their colours
     */
    private static function drawn(array $pieces, array $ids): void
    {
        $entries = [];
        foreach (DB::table('drawing_entries')->whereIn('piece_id', array_keys($pieces))->orderBy('id')->get() as $row) {
            $entry = (array) $row;
            unset($entry['id']);
            foreach (['before', 'did', 'recipe_before'] as $column) {
                $entry[$column] = $entry[$column] === null ? null : strtr($entry[$column], $ids);
            }
            $before = $entry['before'] === null ? null : json_decode($entry['before'], true, flags: JSON_THROW_ON_ERROR);
            $entry['before'] = $before === null ? null : json_encode(array_map(static fn (?array $was): ?array => $was === null ? null : [...$was, 'entry' => $entries[$was['entry'] ?? 0] ?? null], $before), JSON_THROW_ON_ERROR);
            $entry['piece_id'] = $pieces[$row->piece_id];
            $entries[$row->id] = DB::table('drawing_entries')->insertGetId($entry);
        }
        $steps = [];
        foreach (DB::table('drawn_steps')->whereIn('piece_id', array_keys($pieces))->get() as $row) {
            $step = (array) $row;
            unset($step['id']);
            $steps[] = [...$step, 'piece_id' => $pieces[$row->piece_id], 'step_key' => strtr($row->step_key, $ids), 'entry_id' => $entries[$row->entry_id ?? 0] ?? null];
        }
        foreach (array_chunk($steps, 200) as $chunk) {
            DB::table('drawn_steps')->insert($chunk);
        }
    }

    private function putAway(): void
    {
        $old = User::query();
        $old->where('email', 'like', self::address('%'))->where('created_at', '<', now()->subHours(self::KEPT_HOURS))->limit(self::PUT_AWAY_AT_ONCE);
        foreach ($old->get() as $copy) {
            $this->removal->remove($copy);
        }
    }

    /**
     * Copies rows of a table, under keys of their own.
     *
     * @param  array<string, mixed>  $where  by column; a list: any of them
     * @param  array<string, mixed>  $with  by column, what the copy has instead; for a map, what it gives for what was there
     * @return array<string, string> by old key, the new one, where keys are texts
     */
    private static function rows(string $table, array $where, array $with): array
    {
        $found = DB::table($table);
        foreach ($where as $column => $value) {
            is_array($value) ? $found->whereIn($column, $value) : $found->where($column, $value);
        }
        $keys = $copies = [];
        foreach ($found->get() as $row) {
            $copy = (array) $row;
            if (isset($copy['id']) && is_string($copy['id'])) {
                $copy['id'] = $keys[$row->id] = strtolower((string) Str::ulid());
            } else {
                unset($copy['id']);
            }
            foreach ($with as $column => $value) {
                $copy[$column] = is_array($value) ? ($value[$copy[$column] ?? ''] ?? null) : $value;
            }
            $copies[] = $copy;
        }
        foreach (array_chunk($copies, 200) as $chunk) {
            DB::table($table)->insert($chunk);
        }

        return $keys;
    }

    private static function address(string $name): string
    {
        return "demo-$name@studio.invalid";
    }
}
