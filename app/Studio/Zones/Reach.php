<?php

declare(strict_types=1);

namespace App\Studio\Zones;

use App\Models\Piece;
use App\Studio\Calibration\Engine;
use App\Studio\Pencils\Catalogue;
use App\Studio\Planning\SchoolChoices;
use Illuminate\Contracts\Cache\Repository;
use Prism\Colour\Lab;
use Prism\Matching\Gamut;
use Prism\Matching\Limits;
use Prism\Planning\Fitting;
use Prism\Reference\Light\ChromaReach;

/** How light and how dark an artist can draw on a paper, and what can be laid in its lights. */
final class Reach
{
    /** Colours nearer to one another than this are one, in CIELAB. */
    private const CELL = 2.0;

    /** What is further below the paper than this has no part in its lights. */
    private const LIGHTS_WITHIN = 36.0;

    public function __construct(private readonly Engine $engine, private readonly Catalogue $catalogue, private readonly Repository $cache)
    {
    }

    /** @return array{dark: float, light: float}|null L* of the darkest and the lightest; null with an empty box */
    public function of(Piece $piece): ?array
    {
        $box = $this->catalogue->box($piece->user);
        $known = $this->engine->searchable($piece->paper, $piece->user, $box);
        if (count($known) === 0) {
            return null;
        }
        $L = $this->engine->library($piece->paper, $piece->user, $known)->L;
        // By the schools of the piece: without black a box is not as dark as its blacks.
        $schools = SchoolChoices::ofPiece($piece)->schools();
        // Some stores keep a number as text.
        $dark = (float) $this->cache->rememberForever(
            'darkest-'.$this->restsOn($piece).hash('xxh64', serialize($schools)),
            fn (): float => Fitting::darkest($this->engine->search($piece->paper, $piece->user, $box), new Limits(top: 1, schools: $schools)),
        );

        return ['dark' => round($dark, 1), 'light' => round((float) max([$piece->paper->L, ...$L]), 1)];
    }

    /** How coloured the box can be on this paper; unlimited with an empty box. */
    public function chroma(Piece $piece): ChromaReach
    {
        $known = $this->engine->searchable($piece->paper, $piece->user, $this->catalogue->box($piece->user));

        return count($known) === 0 ? ChromaReach::unlimited() : Fitting::chroma(Gamut::permitted($this->engine->library($piece->paper, $piece->user, $known), $known, SchoolChoices::ofPiece($piece)->schools()));
    }

    /** Changes when anything does that the reach rests on. */
    public function restsOn(Piece $piece): string
    {
        return $this->engine->digest($piece->paper, $piece->user, $this->catalogue->box($piece->user));
    }

    /** @return list<Lab> colours that can be laid and are nearly as light as the paper, one of each kind */
    public function lights(Piece $piece): array
    {
        $box = $this->catalogue->box($piece->user);
        $known = $this->engine->searchable($piece->paper, $piece->user, $box);
        if (count($known) === 0) {
            return [];
        }
        $library = $this->engine->library($piece->paper, $piece->user, $known);
        $lights = [];
        foreach ($library->L as $i => $L) {
            if ($L > $piece->paper->L - self::LIGHTS_WITHIN) {
                $key = implode(',', [(int) ($L / self::CELL), (int) round($library->a[$i] / self::CELL), (int) round($library->b[$i] / self::CELL)]);
                $lights[$key] ??= Lab::of(max(0.0, min(100.0, $L)), $library->a[$i], $library->b[$i]);
            }
        }

        return array_values($lights);
    }
}
