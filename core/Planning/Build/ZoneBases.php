<?php

declare(strict_types=1);

namespace Prism\Planning\Build;

use Prism\Planning\Order\PlannedZone;

/** On which base each colour of a zone stands, and why one stands apart: how a zone is begun, in words. */
final readonly class ZoneBases
{
    /** Nearer than this, dE00, the base was not left for the colour's sake but for that of the hand. */
    private const FOR_THE_COLOUR = 0.3;

    /** Further than this, dE00, by how much does not matter. */
    private const FAR_OFF = 6.0;

    /**
     * @param  list<array{first: string, colours: non-empty-list<PlannedZone>, why: string}>  $bases  the main one first; first: the number of the
     *     pencil, why: empty for the main one
     */
    private function __construct(public string $zone, public string $name, public array $bases)
    {
    }

    /**
     * @param  list<PlannedZone>  $colours  of the whole picture
     * @param  array<string, Apart>  $apart  by colour
     * @return list<self> of the zones in which two colours or more are laid
     */
    public static function of(array $colours, array $apart): array
    {
        $zones = [];
        foreach ($colours as $colour) {
            if (count($colour->stack) > 0) {
                $zones[$colour->zone][] = $colour;
            }
        }
        $bases = [];
        foreach ($zones as $of) {
            if (count($of) > 1) {
                $bases[] = self::zone($of, $apart);
            }
        }

        return $bases;
    }

    /** "7527 first, under light and middle. 625 under dark: over 7527 it would miss by 2.3 more." */
    public function sentence(): string
    {
        return implode(' ', array_map(function (array $base): string {
            $under = self::listed(array_map($this->nameOf(...), $base['colours']));

            return match (true) {
                $base['why'] !== '' => sprintf('%s under %s: %s.', $base['first'], $under, $base['why']),
                count($this->bases) === 1 => sprintf('%s first, under all of it.', $base['first']),
                default => sprintf('%s first, under %s.', $base['first'], $under),
            };
        }, $this->bases));
    }

    /**
     * @param  non-empty-list<PlannedZone>  $colours
     * @param  array<string, Apart>  $apart
     */
    private static function zone(array $colours, array $apart): self
    {
        $groups = $weights = [];
        foreach ($colours as $colour) {
            $first = $colour->stack->steps[0]->pencil->number ?? '';
            $reason = $apart[$colour->id] ?? null;
            $why = $reason === null || $colour->own || $first === $reason->base->number ? '' : self::why($reason);
            $key = "$first $why";
            $groups[$key] = ['first' => $first, 'colours' => [...$groups[$key]['colours'] ?? [], $colour], 'why' => $why];
            // What stands on the base of its zone comes first, then by area.
            $weights[$key] = ($weights[$key] ?? ($why === '' ? 1e9 : 0.0)) + $colour->areaMm2;
        }
        uksort($groups, static fn (string $a, string $b): int => $weights[$b] <=> $weights[$a]);

        return new self($colours[0]->zone, $colours[0]->zoneName(), array_values($groups));
    }

    private static function why(Apart $apart): string
    {
        $base = $apart->base->number;

        return match (true) {
            $apart->local => 'another local colour',
            $apart->further === null => sprintf('nothing over %s comes near it', $base),
            $apart->further >= self::FAR_OFF => sprintf('over %s it would be far off', $base),
            $apart->further >= self::FOR_THE_COLOUR => sprintf('over %s it would miss by %.1f more', $base, $apart->further),
            default => sprintf('as near without %s', $base),
        };
    }

    private function nameOf(PlannedZone $colour): string
    {
        $of = $this->name.': ';

        return str_starts_with($colour->name, $of) ? substr($colour->name, strlen($of)) : $colour->role->value;
    }

    /** @param  non-empty-list<string>  $words */
    private static function listed(array $words): string
    {
        $last = array_pop($words);

        return $words === [] ? $last : implode(', ', $words).' and '.$last;
    }
}
