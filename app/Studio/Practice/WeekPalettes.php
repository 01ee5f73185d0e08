<?php

declare(strict_types=1);

namespace App\Studio\Practice;

use App\Models\DrillRound;
use App\Models\Paper;
use App\Models\User;
use App\Models\Zone;
use App\Models\ZoneTarget;
use App\Studio\Calibration\Engine;
use App\Studio\ChangedMeanwhile;
use App\Studio\Pencils\Catalogue;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Prism\Colour\Lab;
use Prism\Layering\Stack;
use Prism\Layering\UnknownPencil;
use Prism\Matching\Limits;
use Prism\Matching\Recipe;
use Prism\Matching\Target;
use Prism\Materials\PencilId;
use Prism\Practice\PracticeRefused;
use Prism\Practice\WeekPalette;

/**
 * The limited palette of the week: a zone of one's own photo to be planned with six pencils, and what the engine would lay with the
 * same. Kept among the rounds of drills: a question for each value, the engine's stack as what is right.
 */
final class WeekPalettes
{
    public const KIND = 'week';

    /** In steps of the palette: an artist lays as much for one value in a drill, and so does the engine. */
    private const LAYERS = 4;

    /** As near as the engine, or further by no more than an eye forgives, dE00. */
    private const AS_GOOD = 1.5;

    /** A zone with less chroma has no family that could be missing. */
    private const LEAST_CHROMA = 12.0;

    private const LEAST_SHARE = 0.01;

    public function __construct(private readonly Engine $engine, private readonly Catalogue $catalogue)
    {
    }

    /**
     * This week's, made when it is first asked for. {@see PracticeRefused} is thrown if there is no photo or no such box.
     */
    public function current(User $artist, Paper $paper): DrillRound
    {
        return DB::transaction(function () use ($artist, $paper): DrillRound {
            // Who asks twice at once is heard one after the other.
            User::query()->whereKey($artist->id)->lockForUpdate()->value('id');
            $rounds = $artist->drillRounds();
            $rounds->where('kind', self::KIND)->where('created_at', '>=', Carbon::now()->startOfWeek())->latest('id');
            $round = $rounds->first();

            return $round instanceof DrillRound ? $round : $this->made($artist, $paper, (int) Carbon::now()->format('W'));
        });
    }

    /**
     * What the artist would lay; it is told at once what it comes to.
     *
     * @param  array<string, Stack>  $stacks  by role
     *
     * @throws PracticeRefused if another pencil is among them
     */
    public function answer(DrillRound $round, array $stacks, Paper $paper): DrillRound
    {
        $six = array_column($round->questions[0]['options'], 'id');
        foreach ($stacks as $role => $stack) {
            foreach ($stack->pencils() as $pencil) {
                if (! in_array((string) $pencil, $six, true)) {
                    throw new PracticeRefused(sprintf('%s, in the %s, is not one of the six.', $pencil->number, $role));
                }
            }
        }

        return DB::transaction(function () use ($round, $stacks, $paper): DrillRound {
            $rows = DrillRound::query();
            $rows->lockForUpdate();
            $now = $rows->findOrFail($round->id);
            throw_if($now->done_at !== null, ChangedMeanwhile::class, 'The palette of this week');
            $answers = [];
            foreach ($this->parts($now, $paper) as $role => $part) {
                $mine = $this->recipe($now->user, $paper, $stacks[$role] ?? Stack::of(), $part['target']);
                $answers[] = ['answer' => [(string) $mine->stack], 'right' => $mine->difference->dE00 <= $part['engine']->difference->dE00 + self::AS_GOOD];
            }
            $now->answers = $answers;
            $now->right = count(array_filter(array_column($answers, 'right')));
            $now->done_at = Carbon::now();
            $now->save();

            return $now;
        });
    }

    /**
     * Each value: its colour, what the artist laid, what the engine lays, as they are predicted now.
     *
     * @return array<string, array{target: Lab, mine: ?Recipe, engine: Recipe}>
     */
    public function parts(DrillRound $round, Paper $paper): array
    {
        $parts = [];
        foreach ($round->questions as $at => $question) {
            $target = Lab::of(...array_map(floatval(...), $question['patches'][0]['colour']));
            $given = $round->answers[$at]['answer'][0] ?? null;
            $parts[strtolower($question['patches'][0]['label'])] = [
                'target' => $target, 'mine' => $given === null ? null : $this->recipe($round->user, $paper, Stack::parse($given), $target),
                'engine' => $this->recipe($round->user, $paper, Stack::parse($question['right'][0]), $target),
            ];
        }

        return $parts;
    }

    /** @throws PracticeRefused */
    private function made(User $artist, Paper $paper, int $week): DrillRound
    {
        $box = $this->engine->searchable($paper, $artist, $this->catalogue->box($artist));
        $zone = self::zone($artist, $week);
        $colours = [];
        foreach (['light', 'middle', 'dark'] as $role) {
            $target = $zone->targets->firstOrFail(static fn (ZoneTarget $target): bool => $target->role->value === $role);
            $colours[$role] = Lab::of($target->L, $target->a, $target->b);
        }
        $palette = WeekPalette::of($box->coats(), $colours['middle'], $week);
        $six = $box->where(static fn ($pencil): bool => in_array((string) $pencil->id, $palette->pencils, true));
        $search = $this->engine->search($paper, $artist, $box);
        $options = array_map(static function (string $id) use ($box): array {
            $pencil = $box->get(PencilId::of($id));
            $coat = $pencil->fullCoat;

            return ['id' => $id, 'label' => trim($pencil->id->number.' '.$pencil->name), 'colour' => $coat === null ? null : [round($coat->L, 3), round($coat->a, 3), round($coat->b, 3)]];
        }, $palette->pencils);
        $questions = [];
        foreach ($colours as $role => $colour) {
            $found = $search->find(Target::colour($colour), new Limits(top: 1, maxLayers: self::LAYERS), $six)[0];
            $questions[] = [
                'asks' => sprintf('No %s this week: mix it.', $palette->gap->value), 'patches' => [['label' => ucfirst($role), 'colour' => [$colour->L, $colour->a, $colour->b], 'ground' => null]],
                'options' => $options, 'right' => [(string) $found->stack], 'because' => $zone->name, 'picture' => $zone->piece->reference()->id, 'spots' => [[$zone->x, $zone->y]],
            ];
        }

        return $artist->drillRounds()->create(['kind' => self::KIND, 'level' => 3, 'questions' => $questions]);
    }

    /** @throws PracticeRefused if there is none */
    private static function zone(User $artist, int $week): Zone
    {
        $rows = Zone::query();
        $rows->whereHas('piece', static fn (Builder $piece) => $piece->where('user_id', $artist->id)->whereNull('lines'))->where('share', '>=', self::LEAST_SHARE)->with(['targets', 'piece.references'])->orderBy('id');
        $zones = [];
        foreach ($rows->get() as $zone) {
            $roles = $zone->targets->keyBy(static fn ($target): string => $target->role->value);
            $middle = $roles->get('middle');
            if ($middle !== null && $roles->has('light') && $roles->has('dark') && hypot($middle->a, $middle->b) >= self::LEAST_CHROMA && $zone->piece->references->isNotEmpty()) {
                $zones[] = $zone;
            }
        }
        if ($zones === []) {
            throw new PracticeRefused('This takes a photo of yours with a zone of some colour, in light, middle and dark. Read one in Look first.');
        }

        // Not one after the other as they were read: neighbours are of one subject.
        return $zones[($week * 7) % count($zones)];
    }

    private function recipe(User $artist, Paper $paper, Stack $stack, Lab $target): Recipe
    {
        $desk = $this->catalogue->desk($artist, $stack);
        foreach ($stack->pencils() as $pencil) {
            throw_unless($desk->has($pencil), UnknownPencil::class, (string) $pencil);
        }

        return $this->engine->recipes($paper, $artist, $desk)->make($stack, Target::colour($target));
    }
}
