<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Piece;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;
use Prism\Materials\PencilKind;
use Prism\Planning\Feathering;
use Prism\Planning\GradientFinish;
use Prism\Planning\PictureZone;
use Prism\Planning\ZoneJoin;
use Prism\Reference\LookRefused;

/** Gradients of pencils that are given, or of those that a zone is drawn with, along its form. */
final class Gradients
{
    public function __construct(private readonly Engine $engine, private readonly Catalogue $catalogue, private readonly PictureAdvice $advice, private readonly ZoneRecipes $recipes)
    {
    }

    /**
     * @param  list<string>  $pencils  RANGE:NUMBER, two or more
     * @return array{gradient: Feathering, lengthMm: ?float, towards: ?string}
     *
     * @throws LookRefused if one of them is not in the box, or there is no white to finish with
     */
    public function ofPencils(Piece $piece, array $pencils, GradientFinish $finish): array
    {
        $box = $this->catalogue->box($piece->user);
        $missing = array_diff($pencils, $box->ids());
        if ($missing !== []) {
            throw new LookRefused(sprintf('%s is not in your box.', implode(', ', $missing)));
        }

        return ['gradient' => $this->feathered($piece, $box, $box->only(array_map(PencilId::of(...), $pencils)), $finish), 'lengthMm' => null, 'towards' => null];
    }

    /**
     * @return array{gradient: Feathering, lengthMm: ?float, towards: ?string}
     *
     * @throws LookRefused if the zone has one value only, or fewer than two pencils
     */
    public function ofZone(Piece $piece, string $id, GradientFinish $finish): array
    {
        $zones = array_values(array_filter($this->advice->zones($piece), static fn (PictureZone $zone): bool => $zone->id === $id));
        $join = $zones === [] ? null : ($this->advice->joins($piece, $zones)[0] ?? null);
        if (! $join instanceof ZoneJoin) {
            throw new LookRefused('This zone has one value only; there is nothing to shade from one to the other.');
        }
        $laid = $this->recipes->plan($piece)->laid();
        $stacks = array_values(array_filter(array_map(static fn (array $span): ?Stack => $laid[$span['target']] ?? null, $join->spans)));
        $box = $this->catalogue->box($piece->user);
        $own = $this->catalogue->desk($piece->user, ...$stacks)->only(array_map(PencilId::of(...), self::main($stacks)));
        if (count($own) < 2) {
            throw new LookRefused('This zone is drawn with one pencil only: it is shaded by pressure alone.');
        }

        return ['gradient' => $this->feathered($piece, $box, $own, $finish), 'lengthMm' => $join->lengthMm, 'towards' => $join->towards];
    }

    private function feathered(Piece $piece, Kit $box, Kit $pencils, GradientFinish $finish): Feathering
    {
        $lightness = static fn (Pencil $pencil): float => $pencil->fullCoat->L ?? 50.0;
        $order = iterator_to_array($pencils);
        uasort($order, static fn (Pencil $a, Pencil $b): int => $lightness($b) <=> $lightness($a));
        $whites = $finish === GradientFinish::White ? $box->where(static fn (Pencil $pencil): bool => $pencil->fullCoat !== null && PencilKind::of($pencil->fullCoat) === PencilKind::White) : Kit::of([]);
        $white = $whites->ids()[0] ?? null;
        if ($finish === GradientFinish::White && $white === null) {
            throw new LookRefused('There is no white in your box to finish it with.');
        }
        $all = $white === null ? $pencils : Kit::of([...iterator_to_array($pencils), ...iterator_to_array($whites)]);

        return Feathering::of(array_map(static fn (Pencil $pencil): PencilId => $pencil->id, array_values($order)), $this->engine->predictor($piece->paper, $piece->user, $all), $finish, $white === null ? null : PencilId::of($white));
    }

    /**
     * Of each value the pencil that does most of it.
     *
     * @param  list<Stack>  $stacks
     * @return list<string> each once
     */
    private static function main(array $stacks): array
    {
        $main = [];
        foreach ($stacks as $stack) {
            $work = [];
            foreach ($stack->steps as $step) {
                if ($step->pencil !== null) {
                    $work[(string) $step->pencil] = ($work[(string) $step->pencil] ?? 0.0) + self::work($step);
                }
            }
            arsort($work);
            $best = array_key_first($work);
            if ($best !== null) {
                $main[(string) $best] = (string) $best;
            }
        }

        return array_values($main);
    }

    private static function work(Step $step): float
    {
        return $step->passes * $step->pressurePercent;
    }
}
