<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\User;
use Prism\Practice\DrillKind;
use Prism\Practice\Drills;
use Prism\Practice\Leitner;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Half a year of practice for the demo: rounds by somebody who is good at some drills, learns others, and has days without. */
final class DemoPractice
{
    private const DAYS = 180;

    /** How likely an answer is right at the beginning, and how much of that is lost with each level, by drill: hundredths. */
    private const SKILL = [
        'value' => [70, 6], 'surrounded' => [45, 6], 'rank' => [60, 8], 'family' => [80, 7], 'lean' => [62, 6], 'complement' => [66, 8],
        'next' => [48, 6], 'order' => [58, 7], 'coats' => [72, 9], 'muddy' => [64, 8], 'designate' => [82, 7], 'squint' => [55, 7], 'zone' => [50, 7],
    ];

    /** It grows by so much in the half year. */
    private const LEARNT = 34;

    public static function fill(User $artist): void
    {
        $chance = new Randomizer(new Mt19937(20260601));
        $rows = [];
        foreach (DrillKind::cases() as $number => $kind) {
            [$level, $day] = [1, self::DAYS - 3 * $number];
            [$base, $harder] = self::SKILL[$kind->value];
            while ($day > 1) {
                $share = $base + (int) (self::LEARNT * (self::DAYS - $day) / self::DAYS) - $harder * ($level - 1);
                $answers = [];
                for ($i = 0; $i < Drills::QUESTIONS; $i++) {
                    $answers[] = ['answer' => [], 'right' => $chance->getInt(1, 100) <= $share];
                }
                $right = count(array_filter(array_column($answers, 'right')));
                $rows[] = ['kind' => $kind, 'level' => $level, 'day' => $day, 'answers' => $answers, 'right' => $right];
                $next = Leitner::after($level, $right, Drills::QUESTIONS);
                $level = $next->level;
                // Nobody comes on the very day.
                $day -= $next->dueInDays + $chance->getInt(1, 9);
            }
        }
        foreach ($rows as ['kind' => $kind, 'level' => $level, 'day' => $day, 'answers' => $answers, 'right' => $right]) {
            $at = now()->subDays($day)->setTime(18, $chance->getInt(0, 59));
            $artist->drillRounds()->create(['kind' => $kind->value, 'level' => $level, 'questions' => [], 'answers' => $answers, 'right' => $right, 'done_at' => $at])
                ->forceFill(['created_at' => $at, 'updated_at' => $at])->saveQuietly();
        }
    }
}
