<?php

declare(strict_types=1);

namespace Prism\Planning\Gradient;

use Prism\Planning\PictureTarget;
use Prism\Planning\PictureZone;
use Prism\Reference\Zones\TargetRole;

/** How the values of a zone are feathered into one another, from light to dark. */
final readonly class ZoneJoin implements \JsonSerializable
{
    private const VALUES = [TargetRole::Light, TargetRole::Middle, TargetRole::Dark];

    /**
     * @param  ?string  $towards  where the dark lies from the light, in words; null where the form goes no one way
     * @param  int  $steps  that can be told apart
     * @param  list<array{target: string, from: float, to: float, fromMm: float, toMm: float}>  $spans  shares of the length, and millimetres
     */
    private function __construct(public string $zone, public ?string $towards, public float $lengthMm, public int $steps, public array $spans)
    {
    }

    /**
     * Along the form as it was read, or, where it goes no one way, over the side of a square of its area.
     *
     * @param  float  $widthMm  of the whole picture, if all of it were drawn
     * @param  float  $heightMm  likewise
     * @return ?self null if the zone has one value only
     */
    public static function of(PictureZone $zone, float $widthMm, float $heightMm): ?self
    {
        $values = array_values(array_filter($zone->targets, static fn (PictureTarget $target): bool => in_array($target->role, self::VALUES, true)));
        $gradient = $zone->gradient;
        $length = $gradient === null ? sqrt($zone->share * $widthMm * $heightMm) : $gradient->length * $widthMm;
        if (count($values) < 2 || $length <= 0.0) {
            return null;
        }
        usort($values, static fn (PictureTarget $a, PictureTarget $b): int => $b->read->L <=> $a->read->L);
        $spans = $gradient === null
            ? Joins::spans(count($values), $length)
            : Joins::along(array_map(static fn (PictureTarget $target): float => $target->read->L, $values), $gradient->profile, $length);

        return new self($zone->id, $gradient?->words(), $length, Joins::steps(count($values)), array_map(
            static fn (PictureTarget $target, array $span): array => ['target' => $target->id, ...$span], $values, $spans,
        ));
    }

    /**
     * Over how much some of its values run into those beside them.
     *
     * @param  list<string>  $targets  that are laid now
     * @return ?float millimetres; null where nothing lies beside them
     */
    public function featherMm(array $targets): ?float
    {
        $feather = null;
        foreach (array_slice($this->spans, 1) as $i => $darker) {
            $lighter = $this->spans[$i];
            if (in_array($lighter['target'], $targets, true) !== in_array($darker['target'], $targets, true)) {
                $feather = max($feather ?? 0.0, $lighter['toMm'] - $darker['fromMm']);
            }
        }

        return $feather;
    }

    /** @return array{zone: string, towards: string|null, lengthMm: float, steps: int, spans: list<array{target: string, from: float, to: float, fromMm: float, toMm: float}>} */
    public function jsonSerialize(): array
    {
        return [
            'zone' => $this->zone, 'towards' => $this->towards, 'lengthMm' => round($this->lengthMm, 1), 'steps' => $this->steps,
            'spans' => array_map(static fn (array $span): array => [
                'target' => $span['target'], 'from' => round($span['from'], 3), 'to' => round($span['to'], 3), 'fromMm' => round($span['fromMm'], 1), 'toMm' => round($span['toMm'], 1),
            ], $this->spans),
        ];
    }
}
