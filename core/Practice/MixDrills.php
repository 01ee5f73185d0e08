<?php

declare(strict_types=1);

namespace Prism\Practice;

use Prism\Colour\Lab;
use Prism\Colour\Wheel;
use Prism\Colour\Words\Difference;

/** Questions of what pencils do to one another on the artist's paper. */
final class MixDrills
{
    /** The right answer is nearer than any other by so much, by level 1 to 5, dE00. */
    private const NEARER = [7.0, 5.5, 4.5, 3.5, 2.5];

    /** In either order two pencils differ by so much, by level, dE00. */
    private const ORDERS = [9.0, 7.5, 6.0, 5.0, 4.0];

    /** So often a pencil may have been laid, by level: fewer are told apart more easily. */
    private const COATS = [[1, 3, 6], [1, 2, 4], [1, 2, 4, 6], [1, 2, 3, 5], [1, 2, 3, 4]];

    /** From each to the next, dE00. */
    private const LEAST_COAT = 2.2;

    /** The pair that turns muddy keeps less than this share of the chroma of its pencils; the others more than the second, by level. */
    private const MUDDY = 0.45;

    private const CLEAN = [0.85, 0.8, 0.75, 0.7, 0.65];

    private const COLOURED = 28.0;

    /** Pencils to choose from. */
    private const FOUR = 4;

    /** How near to opposite a complement lies, and how far the others are from it, by level, parts of the wheel. */
    private const OPPOSITE = 1.6;

    private const BESIDE = [5.0, 4.0, 3.5, 3.0, 2.6];

    public function __construct(private readonly PracticeBox $box, private readonly int $level)
    {
    }

    public function complement(): Question
    {
        return $this->box->first(function (): ?Question {
            $coloured = array_values(array_filter($this->box->pencils(self::FOUR + 1, all: true), fn (string $pencil): bool => $this->box->coat($pencil)->chroma() >= self::COLOURED));
            if (count($coloured) <= self::FOUR) {
                return null;
            }
            $asked = $coloured[0];
            $place = fn (string $pencil): float => Wheel::position($this->box->coat($pencil)->hueDegrees());
            $opposite = Wheel::complement($place($asked));
            $others = array_slice($coloured, 1);
            $far = array_map(static fn (string $pencil): float => Wheel::distance($place($pencil), $opposite), array_combine($others, $others));
            asort($far);
            $right = (string) array_key_first($far);
            $wrong = array_values(array_filter($others, fn (string $pencil): bool => $far[$pencil] >= max(self::BESIDE[$this->level - 1], $far[$right] + 1.0)));
            if ($far[$right] > self::OPPOSITE || count($wrong) < self::FOUR - 1) {
                return null;
            }
            $pencils = $this->box->shuffled([$right, ...array_slice($wrong, 0, self::FOUR - 1)]);

            return new Question(
                DrillKind::Complement, sprintf('Which of these lies opposite of %s?', $this->box->name($asked)), [new Patch($this->box->name($asked), $this->box->coat($asked))], $this->options($pencils), [$right],
                sprintf('%s lies %s on the wheel; laid under %s it quiets it.', $this->box->name($right), $far[$right] < 0.6 ? 'straight across' : 'nearly across', $this->box->name($asked)),
            );
        });
    }

    public function next(): Question
    {
        return $this->box->first(function (): ?Question {
            [$under] = $this->box->pencils(1);
            $pencils = array_slice(array_values(array_diff($this->box->pencils(self::FOUR + 1), [$under])), 0, self::FOUR);
            $present = $this->box->look("$under@50x2");
            $looks = array_map(fn (string $pencil): Lab => $this->box->look("$under@50x2 > $pencil@50x2"), array_combine($pencils, $pencils));
            $right = $pencils[$this->box->number(0, 3)];
            $target = $looks[$right];
            $miss = array_map(static fn (Lab $look): float => $look->differenceTo($target), $looks);
            unset($miss[$right]);
            if ($miss === [] || min($miss) < self::NEARER[$this->level - 1] || $present->differenceTo($target) < self::NEARER[$this->level - 1]) {
                return null;
            }
            asort($miss);
            $second = (string) array_key_first($miss);

            return new Question(
                DrillKind::Next, sprintf('%s lies there. Which pencil, laid over it twice at 50 %%, gives what is wanted?', $this->box->name($under)),
                [new Patch('Now', $present), new Patch('Wanted', $target)], $this->options($pencils), [$right],
                sprintf('%s over it comes there. The nearest other, %s, would leave it %s.', $this->box->name($right), $this->box->name($second), Difference::between($looks[$second], $target)->words),
            );
        });
    }

    public function order(): Question
    {
        return $this->box->first(function (): ?Question {
            [$one, $other] = $this->box->pencils(2);
            $first = $this->box->look("$one@60x2 > $other@60x2");
            $second = $this->box->look("$other@60x2 > $one@60x2");
            if ($first->differenceTo($second) < self::ORDERS[$this->level - 1]) {
                return null;
            }
            $options = [new Option($one, sprintf('%s, then %s', $this->box->name($one), $this->box->name($other))), new Option($other, sprintf('%s, then %s', $this->box->name($other), $this->box->name($one)))];

            $options = $this->box->shuffled($options);

            return new Question(
                DrillKind::Order, 'Two pencils, each twice at 60 %. In which order were they laid?',
                [new Patch($this->box->name($one), $this->box->coat($one)), new Patch($this->box->name($other), $this->box->coat($other)), new Patch('Both', $first)],
                $options, [$one],
                sprintf('The other way round it would be %s.', Difference::between($second, $first)->words),
            );
        });
    }

    public function coats(): Question
    {
        return $this->box->first(function (): ?Question {
            [$pencil] = $this->box->pencils(1);
            $counts = self::COATS[$this->level - 1];
            $looks = array_map(fn (int $coats): Lab => $this->box->look("$pencil@50x$coats"), $counts);
            for ($i = 1; $i < count($looks); $i++) {
                if ($looks[$i]->differenceTo($looks[$i - 1]) < self::LEAST_COAT) {
                    return null;
                }
            }
            $at = $this->box->number(0, count($counts) - 1);

            $options = array_map(static fn (int $coats): Option => new Option((string) $coats, $coats === 1 ? 'once' : "$coats times"), $counts);

            return new Question(
                DrillKind::Coats, sprintf('%s at 50 %%. How often was it laid?', $this->box->name($pencil)),
                [new Patch('Once', $looks[0]), new Patch(sprintf('%d times', $counts[count($counts) - 1]), $looks[count($looks) - 1]), new Patch('Asked', $looks[$at])],
                $options, [(string) $counts[$at]],
                sprintf('L* goes %s with the coats.', implode(', ', array_map(static fn (Lab $look): string => sprintf('%.0f', $look->L), $looks))),
            );
        });
    }

    public function muddy(): Question
    {
        return $this->box->first(function (): ?Question {
            $coloured = array_values(array_filter($this->box->pencils(6, all: true), fn (string $pencil): bool => $this->box->coat($pencil)->chroma() >= self::COLOURED));
            $pairs = ['muddy' => [], 'clean' => []];
            for ($i = 0; $i + 1 < count($coloured); $i += 2) {
                [$one, $other] = [$coloured[$i], $coloured[$i + 1]];
                $kept = $this->box->look("$one@55x2 > $other@55x2")->chroma() / min($this->box->coat($one)->chroma(), $this->box->coat($other)->chroma());
                if ($kept <= self::MUDDY) {
                    $pairs['muddy'][] = [$one, $other, $kept];
                } elseif ($kept >= self::CLEAN[$this->level - 1]) {
                    $pairs['clean'][] = [$one, $other, $kept];
                }
            }
            if ($pairs['muddy'] === [] || count($pairs['clean']) < 2) {
                return null;
            }
            $chosen = $this->box->shuffled([$pairs['muddy'][0], $pairs['clean'][0], $pairs['clean'][1]]);
            $options = array_map(fn (array $pair): Option => new Option($pair[0], sprintf('%s and %s', $this->box->name($pair[0]), $this->box->name($pair[1]))), $chosen);
            $pencils = array_merge(...array_map(static fn (array $pair): array => [$pair[0], $pair[1]], $chosen));
            $clean = min($pairs['clean'][0][2], $pairs['clean'][1][2]);

            return new Question(
                DrillKind::Muddy, 'Which of these pairs, laid over one another, turns muddy?', array_map(fn (string $pencil): Patch => new Patch($this->box->name($pencil), $this->box->coat($pencil)), $pencils),
                $options, [$pairs['muddy'][0][0]], sprintf('It keeps %.0f %% of the chroma; the other pairs keep %.0f %% and more.', 100.0 * $pairs['muddy'][0][2], floor(100.0 * min(1.0, $clean))),
            );
        });
    }

    /**
     * @param  list<string>  $pencils
     * @return list<Option>
     */
    private function options(array $pencils): array
    {
        return array_map(fn (string $pencil): Option => new Option($pencil, $this->box->name($pencil), $this->box->coat($pencil)), $pencils);
    }
}
