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
use Prism\Practice\DrillKind;
use Prism\Practice\Drills;
use Prism\Practice\Leitner;
use Prism\Practice\Option;
use Prism\Practice\Patch;
use Prism\Practice\PracticeBox;
use Prism\Practice\Question;
use Prism\Practice\SeenZone;

/** Drills on an artist's own box and photos: rounds of questions, what came of them, and what is due. */
final class PracticeRooms
{
    /** Colours of the artist's photos that questions are made of. */
    private const SEEN = 200;

    /** A smaller zone is no place that one finds by a ring, share of the photo. */
    private const LEAST_SHARE = 0.008;

    /** Rounds that a curve shows. */
    private const CURVE = 24;

    public function __construct(private readonly Engine $engine, private readonly Catalogue $catalogue)
    {
    }

    /** @return list<Skill> the one that is due longest first; what was never practised comes after what is forgotten */
    public function skills(User $artist): array
    {
        $rows = $artist->drillRounds();
        $rows->whereNotNull('done_at')->orderBy('done_at')->orderBy('id');
        $rounds = [];
        foreach ($rows->get(['id', 'kind', 'level', 'right', 'answers', 'done_at']) as $round) {
            $rounds[$round->kind][] = $round;
        }
        $skills = [];
        foreach (DrillKind::cases() as $kind) {
            $of = $rounds[$kind->value] ?? [];
            $last = end($of) ?: null;
            $now = $last === null ? Leitner::start() : Leitner::after($last->level, $last->right, count($last->answers));
            $skills[] = new Skill($kind, $now->level, $last?->done_at?->copy()->startOfDay()->addDays($now->dueInDays), array_slice($of, -self::CURVE));
        }
        usort($skills, static fn (Skill $one, Skill $other): int => ($one->dueAt->timestamp ?? PHP_INT_MAX) <=> ($other->dueAt->timestamp ?? PHP_INT_MAX));

        return $skills;
    }

    /** How many days on end there was practice, up to today or yesterday. */
    public function streak(User $artist): int
    {
        $days = [];
        foreach ($artist->drillRounds()->whereNotNull('done_at')->pluck('done_at') as $at) {
            $days[Carbon::parse($at)->toDateString()] = true;
        }
        $day = now();
        if (! isset($days[$day->toDateString()])) {
            $day = $day->subDay();
        }
        for ($streak = 0; isset($days[$day->toDateString()]); $streak++) {
            $day = $day->subDay();
        }

        return $streak;
    }

    /**
     * Questions at the level that the skill has reached.
     *
     * @throws \Prism\Practice\PracticeRefused if they cannot be made of this box
     */
    public function begin(User $artist, DrillKind $kind, Paper $paper): DrillRound
    {
        $level = 1;
        foreach ($this->skills($artist) as $skill) {
            $level = $skill->kind === $kind ? $skill->level : $level;
        }

        return $artist->drillRounds()->create(['kind' => $kind->value, 'level' => $level, 'questions' => self::packed($this->questions($artist, $kind, $level, $paper, random_int(0, PHP_INT_MAX >> 32)))]);
    }

    /**
     * @return list<Question>
     *
     * @throws \Prism\Practice\PracticeRefused
     */
    public function questions(User $artist, DrillKind $kind, int $level, Paper $paper, int $seed): array
    {
        $box = $this->engine->searchable($paper, $artist, $this->catalogue->box($artist));
        $names = [];
        foreach ($box as $id => $pencil) {
            $names[(string) $id] = trim($pencil->id->number.' '.$pencil->name);
        }
        $rows = ZoneTarget::query();
        $rows->whereHas('zone.piece', static fn (Builder $piece) => $piece->where('user_id', $artist->id))->latest('id')->limit(self::SEEN);
        $seen = [];
        foreach ($rows->get() as $target) {
            $seen[] = Lab::of($target->L, $target->a, $target->b);
        }

        return Drills::round($kind, $level, new PracticeBox($this->engine->predictor($paper, $artist, $box)->model, $names, $seen, $seed, self::zones($artist)));
    }

    /** @return list<SeenZone> of the artist's pieces that have a photo, with light, middle and dark */
    private static function zones(User $artist): array
    {
        $rows = Zone::query();
        $rows->whereHas('piece', static fn (Builder $piece) => $piece->where('user_id', $artist->id)->whereNull('lines'))->with(['targets', 'piece.references'])->latest('id')->limit(self::SEEN);
        $zones = [];
        foreach ($rows->get() as $zone) {
            $colours = [];
            foreach ($zone->targets as $target) {
                $colours[$target->role->value] ??= Lab::of($target->L, $target->a, $target->b);
            }
            $picture = $zone->piece->references->first();
            if ($zone->share >= self::LEAST_SHARE && isset($colours['light'], $colours['middle'], $colours['dark']) && $picture !== null) {
                $zones[] = new SeenZone($picture->id, $zone->x, $zone->y, ['light' => $colours['light'], 'middle' => $colours['middle'], 'dark' => $colours['dark']]);
            }
        }

        return $zones;
    }

    /**
     * Answers the next question.
     *
     * @param  int  $question  its number, from 0: with another than the next one, {@see ChangedMeanwhile} is thrown
     * @param  list<string>  $answer
     */
    public function answer(DrillRound $round, int $question, array $answer): DrillRound
    {
        return DB::transaction(static function () use ($round, $question, $answer): DrillRound {
            $rows = DrillRound::query();
            $rows->lockForUpdate();
            $now = $rows->findOrFail($round->id);
            throw_if(count($now->answers) !== $question || ! isset($now->questions[$question]), ChangedMeanwhile::class, 'This question');
            $isRight = $now->questions[$question]['right'] === $answer;
            $now->answers = [...$now->answers, ['answer' => $answer, 'right' => $isRight]];
            $now->right += $isRight ? 1 : 0;
            $now->done_at = count($now->answers) === count($now->questions) ? Carbon::now() : null;
            $now->save();

            return $now;
        });
    }

    /**
     * @param  list<Question>  $questions
     * @return list<array<string, mixed>>
     */
    public static function packed(array $questions): array
    {
        $lab = static fn (?Lab $colour): ?array => $colour === null ? null : [round($colour->L, 3), round($colour->a, 3), round($colour->b, 3)];

        return array_map(static fn (Question $question): array => [
            'asks' => $question->asks,
            'patches' => array_map(static fn (Patch $patch): array => ['label' => $patch->label, 'colour' => $lab($patch->colour), 'ground' => $lab($patch->ground)], $question->patches),
            'options' => array_map(static fn (Option $option): array => ['id' => $option->id, 'label' => $option->label, 'colour' => $lab($option->colour)], $question->options),
            'right' => $question->right,
            'because' => $question->because,
            ...($question->picture === null ? [] : ['picture' => $question->picture, 'spots' => $question->spots]),
        ], $questions);
    }
}
