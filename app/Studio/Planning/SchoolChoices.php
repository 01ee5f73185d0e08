<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use App\Models\User;
use App\Models\Zone;
use BackedEnum;
use Illuminate\Validation\Rule;
use Prism\Schools\BlackAndWhite;
use Prism\Schools\Blending;
use Prism\Schools\Brightening;
use Prism\Schools\Complement;
use Prism\Schools\FirstValue;
use Prism\Schools\Hand;
use Prism\Schools\Highlights;
use Prism\Schools\Progress;
use Prism\Schools\SchoolSet;
use Prism\Schools\Shading;
use Prism\Schools\Shadows;

/**
 * Which schools are followed: those of the studio, those of a piece where it has its own, those of a zone where it is an
 * exception. What nobody has said is the first of each question, as is usual in practice.
 */
final readonly class SchoolChoices
{
    /** What artists disagree about: its name, and the schools of it. */
    public const QUESTIONS = [
        'value' => ['Which value first', FirstValue::class],
        'shadows' => ['Shadows', Shadows::class],
        'highlights' => ['Highlights', Highlights::class],
        'complement' => ['Complement', Complement::class],
        'brightening' => ['Brightening', Brightening::class],
        'blending' => ['Blending', Blending::class],
        'blackAndWhite' => ['Black and white pencils', BlackAndWhite::class],
        'hand' => ['Hand', Hand::class],
        'shading' => ['Light, middle and dark of a form', Shading::class],
        'background' => ['Over the picture', Progress::class],
    ];

    private const USUAL = ['blackAndWhite' => 'last', 'background' => 'zone-by-zone'];

    /** A zone cannot say how one goes over the whole picture. */
    public const NOT_OF_ZONE = ['background'];

    /** Answers to these change the order of the steps, and no recipe. */
    private const OF_THE_ORDER = ['highlights', 'background'];

    /** @param  array<string, string>  $chosen  by question, all of them */
    private function __construct(public array $chosen)
    {
    }

    public static function ofStudio(User $artist): self
    {
        return new self(self::over(self::usual(), $artist->schools));
    }

    public static function ofPiece(Piece $piece): self
    {
        return new self(self::over(self::ofStudio($piece->user)->chosen, $piece->schools));
    }

    public static function ofZone(Zone $zone): self
    {
        return new self(self::over(self::ofPiece($zone->piece)->chosen, $zone->schools));
    }

    public function schools(): SchoolSet
    {
        return new SchoolSet(
            FirstValue::from($this->chosen['value']), Shadows::from($this->chosen['shadows']), Complement::from($this->chosen['complement']),
            Brightening::from($this->chosen['brightening']), Blending::from($this->chosen['blending']), BlackAndWhite::from($this->chosen['blackAndWhite']), Hand::from($this->chosen['hand']), Highlights::from($this->chosen['highlights']),
            Shading::from($this->chosen['shading']),
        );
    }

    public function highlights(): Highlights
    {
        return Highlights::from($this->chosen['highlights']);
    }

    public function background(): Progress
    {
        return Progress::from($this->chosen['background']);
    }

    /**
     * What is kept after some questions are answered anew; null takes an answer back.
     *
     * @param  array<string, string>|null  $kept
     * @param  array<string, string|null>  $answers
     * @return array<string, string>
     */
    public static function answered(?array $kept, array $answers): array
    {
        return array_filter([...($kept ?? []), ...$answers], is_string(...));
    }

    /**
     * @param  list<string>  $without  questions that are not asked here
     * @return array<string, list<mixed>> validation of answers
     */
    public static function rules(array $without = []): array
    {
        $asked = array_diff_key(self::QUESTIONS, array_flip($without));
        $rules = ['schools' => ['sometimes', 'array:'.implode(',', array_keys($asked))]];
        foreach ($asked as $question => [, $schools]) {
            $rules["schools.$question"] = ['sometimes', 'nullable', Rule::enum($schools)];
        }

        return $rules;
    }

    /** @return list<array{id: string, name: string, ofRecipes: bool, schools: list<array{id: string, name: string, sentence: string}>}> */
    public static function questions(): array
    {
        $questions = [];
        foreach (self::QUESTIONS as $id => [$name, $schools]) {
            $questions[] = ['id' => $id, 'name' => $name, 'ofRecipes' => ! in_array($id, self::OF_THE_ORDER, true), 'schools' => array_map(
                static fn (FirstValue|Shadows|Highlights|Complement|Brightening|Blending|BlackAndWhite|Hand|Shading|Progress $school): array => ['id' => $school->value, 'name' => $school->label(), 'sentence' => $school->sentence()],
                $schools::cases(),
            )];
        }

        return $questions;
    }

    /** @return array<string, string> */
    private static function usual(): array
    {
        $usual = [];
        foreach (self::QUESTIONS as $id => [, $schools]) {
            /** @var class-string<BackedEnum> $schools */
            $usual[$id] = self::USUAL[$id] ?? (string) $schools::cases()[0]->value;
        }

        return $usual;
    }

    /**
     * @param  array<string, string>  $below
     * @param  array<string, string>|null  $above
     * @return array<string, string>
     */
    private static function over(array $below, ?array $above): array
    {
        return array_intersect_key([...$below, ...($above ?? [])], self::QUESTIONS);
    }
}
