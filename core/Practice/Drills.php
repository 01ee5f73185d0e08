<?php

declare(strict_types=1);

namespace Prism\Practice;

/** Rounds of questions of one kind. */
final class Drills
{
    public const QUESTIONS = 5;

    public const LEVELS = 5;

    /** So often no question may be found before it is taken for certain that there is none more. */
    private const REFUSALS = 5;

    /**
     * The same for the same box, level and seed.
     *
     * @param  int  $level  1 easy to 5 hard
     * @return list<Question> all different
     *
     * @throws PracticeRefused
     */
    public static function round(DrillKind $kind, int $level, PracticeBox $box): array
    {
        $level = max(1, min(self::LEVELS, $level));
        $questions = [];
        $refused = 0;
        for ($try = 0; count($questions) < self::QUESTIONS && $try < 16 * self::QUESTIONS; $try++) {
            try {
                $question = self::question($kind, $level, $box);
            } catch (PracticeRefused $refusal) {
                // By chance none was found this time; where none is found again and again, there is none.
                if (++$refused < self::REFUSALS) {
                    continue;
                }
                if ($questions === []) {
                    throw $refusal;
                }
                break;
            }
            $spots = $question->spots;
            sort($spots);
            // In a small box, or of few photos, the same may come twice; it is asked once.
            $questions[serialize($question->picture === null ? [$question->asks, $question->patches, $question->options] : [$question->picture, $spots])] ??= $question;
        }

        return array_values($questions);
    }

    /** @throws PracticeRefused */
    private static function question(DrillKind $kind, int $level, PracticeBox $box): Question
    {
        [$eye, $mix, $photo] = [new EyeDrills($box, $level), new MixDrills($box, $level), new PhotoDrills($box, $level)];

        return match ($kind) {
            DrillKind::Value => $eye->value(false),
            DrillKind::Surrounded => $eye->value(true),
            DrillKind::Rank => $eye->rank(),
            DrillKind::Family => $eye->family(),
            DrillKind::Lean => $eye->lean(),
            DrillKind::Designate => $eye->designate(),
            DrillKind::Complement => $mix->complement(),
            DrillKind::Next => $mix->next(),
            DrillKind::Order => $mix->order(),
            DrillKind::Coats => $mix->coats(),
            DrillKind::Muddy => $mix->muddy(),
            DrillKind::Squint => $photo->squint(),
            DrillKind::Zone => $photo->zone(),
        };
    }
}
