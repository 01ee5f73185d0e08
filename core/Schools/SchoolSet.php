<?php

declare(strict_types=1);

namespace Prism\Schools;

/**
 * Which school an artist follows in each question on which artists disagree, as far as it bears on how one colour is made.
 * The defaults are those of practice.
 */
final readonly class SchoolSet
{
    /** The questions by the name they have in commands and choices. */
    private const QUESTIONS = [
        'value' => FirstValue::class, 'shadows' => Shadows::class, 'complement' => Complement::class, 'brightening' => Brightening::class,
        'blending' => Blending::class, 'blackAndWhite' => BlackAndWhite::class, 'hand' => Hand::class, 'highlights' => Highlights::class,
        'shading' => Shading::class,
    ];

    public function __construct(
        public FirstValue $value = FirstValue::LightToDark,
        public Shadows $shadows = Shadows::Complement,
        public Complement $complement = Complement::Under,
        public Brightening $brightening = Brightening::Yellow,
        public Blending $blending = Blending::Layers,
        public BlackAndWhite $blackAndWhite = BlackAndWhite::Last,
        public Hand $hand = Hand::Light,
        public Highlights $highlights = Highlights::Reserve,
        public Shading $shading = Shading::Free,
    ) {
    }

    /**
     * As a command takes them: answers after their questions, or an answer alone, which then answers the question it belongs to.
     *
     * @param  string  $text  such as "shadows:split,complement:over" or "dark-to-light"
     *
     * @throws \InvalidArgumentException with what can be answered, if an answer is not known
     */
    public static function answered(string $text): self
    {
        $answers = [];
        foreach (array_filter(array_map(trim(...), explode(',', $text)), static fn (string $part): bool => $part !== '') as $part) {
            $colon = strpos($part, ':');
            $question = $colon === false ? null : substr($part, 0, $colon);
            $answer = $colon === false ? $part : substr($part, $colon + 1);
            $found = self::question($question, $answer);
            if ($found === null) {
                throw new \InvalidArgumentException($question !== null && isset(self::QUESTIONS[$question])
                    ? sprintf('"%s" does not answer "%s"; it is one of %s.', $answer, $question, implode(', ', self::answersTo($question)))
                    : sprintf('"%s" is no school; answer %s, such as shadows:split or dark-to-light.', $part, implode(', ', array_keys(self::QUESTIONS))));
            }
            $answers[$found] = self::QUESTIONS[$found]::from($answer);
        }

        return (new self)->with($answers);
    }

    public function blending(Blending $blending): self
    {
        return $this->with(['blending' => $blending]);
    }

    public function blackAndWhite(BlackAndWhite $blackAndWhite): self
    {
        return $this->with(['blackAndWhite' => $blackAndWhite]);
    }

    /** @param  array<string, FirstValue|Shadows|Complement|Brightening|Blending|BlackAndWhite|Hand|Highlights|Shading>  $answers  by question */
    public function with(array $answers): self
    {
        return new self(...[...get_object_vars($this), ...$answers]);
    }

    private static function question(?string $question, string $answer): ?string
    {
        foreach (self::QUESTIONS as $name => $schools) {
            if (($question === null || $question === $name) && $schools::tryFrom($answer) !== null) {
                return $name;
            }
        }

        return null;
    }

    /** @return list<string> */
    private static function answersTo(string $question): array
    {
        return array_map(static fn (\BackedEnum $school): string => (string) $school->value, self::QUESTIONS[$question]::cases());
    }
}
