<?php

declare(strict_types=1);

namespace App\Studio\Planning;

use App\Models\Piece;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Zones\Grounds;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;
use Prism\Materials\PencilKind;
use Prism\Planning\Gradient\Feathering;
use Prism\Planning\Gradient\GradientFinish;
use Prism\Planning\Gradient\ZoneJoin;
use Prism\Planning\PictureZone;
use Prism\Reference\LookRefused;

/** Gradients of pencils that are given, or of the values of a zone as they are drawn, along its form. */
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

        return ['gradient' => $this->feathered($piece, $box->only(array_map(PencilId::of(...), $pencils)), $finish), 'lengthMm' => null, 'towards' => null];
    }

    /**
     * @return array{gradient: Feathering, lengthMm: ?float, towards: ?string}
     *
     * @throws LookRefused if fewer than two values of the zone are drawn
     */
    public function ofZone(Piece $piece, string $id, GradientFinish $finish): array
    {
        $zones = array_values(array_filter($this->advice->zones($piece), static fn (PictureZone $zone): bool => $zone->id === $id));
        $join = $zones === [] ? null : ($this->advice->joins($piece, $zones)[0] ?? null);
        if (! $join instanceof ZoneJoin) {
            throw new LookRefused('This zone has one value only; there is nothing to shade from one to the other.');
        }
        $laid = $this->recipes->plan($piece)->laid();
        $stacks = $spans = [];
        foreach ($join->spans as $span) {
            $stack = $laid[$span['target']] ?? null;
            if ($stack !== null && $stack->layerCount() > 0) {
                $stacks[] = $stack;
                $spans[] = $span;
            }
        }
        if (count($stacks) < 2) {
            throw new LookRefused('Fewer than two values of this zone are drawn; the others stay paper, or have no recipe yet.');
        }
        $desk = $this->catalogue->desk($piece->user, ...$stacks);
        [$by, $all] = $this->finishing($piece, $desk, $desk->only(array_values(array_unique($stacks[0]->pencils(), SORT_REGULAR))), $finish);

        return ['gradient' => Feathering::between($stacks, $spans, $this->engine->predictor(Grounds::paper($piece, $piece->zones()->whereKey($id)->first()), $piece->user, $all), $finish, $by), 'lengthMm' => $join->lengthMm, 'towards' => $join->towards];
    }

    private function feathered(Piece $piece, Kit $pencils, GradientFinish $finish): Feathering
    {
        [$by, $all] = $this->finishing($piece, $pencils, $pencils, $finish);

        return Feathering::of(array_map(static fn (Pencil $pencil): PencilId => $pencil->id, self::lightestFirst($pencils)), $this->engine->predictor($piece->paper, $piece->user, $all), $finish, $by);
    }

    /**
     * What evens a gradient: a white of the box, or the lightest of some pencils.
     *
     * @return array{PencilId, Kit} it, and all pencils that are needed then
     *
     * @throws LookRefused if there is no white
     */
    private function finishing(Piece $piece, Kit $pencils, Kit $lights, GradientFinish $finish): array
    {
        if ($finish !== GradientFinish::White) {
            return [self::lightestFirst($lights)[0]->id, $pencils];
        }
        foreach ($this->catalogue->box($piece->user) as $pencil) {
            if ($pencil->fullCoat !== null && PencilKind::of($pencil->fullCoat) === PencilKind::White) {
                return [$pencil->id, $pencils->has($pencil->id) ? $pencils : Kit::of([...array_values(iterator_to_array($pencils)), $pencil])];
            }
        }

        throw new LookRefused('There is no white in your box to finish it with.');
    }

    /** @return non-empty-list<Pencil> */
    private static function lightestFirst(Kit $pencils): array
    {
        $lightness = static fn (Pencil $pencil): float => $pencil->fullCoat->L ?? 50.0;
        $order = array_values(iterator_to_array($pencils));
        usort($order, static fn (Pencil $a, Pencil $b): int => $lightness($b) <=> $lightness($a));

        return $order === [] ? throw new LookRefused('There are no pencils to shade with.') : $order;
    }
}
