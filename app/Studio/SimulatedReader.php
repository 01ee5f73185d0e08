<?php

declare(strict_types=1);

namespace App\Studio;

use Prism\Colour\Lab;
use Prism\Colour\Observer;
use Prism\Colour\Spectrum;
use Prism\Exchange\Csv;
use Prism\Layering\Stack;
use Standin\Studio;

/** The simulated studio that ships, for trying the engine without devices. Nothing else in the application knows of it. */
final class SimulatedReader implements SwatchReader
{
    private const PAPERS = ['harbour-cartridge' => [95.4, -0.6, 1.5], 'slipway-smooth' => [96.0, -0.5, 0.9], 'fog-toned' => [66.5, 0.8, 3.0]];

    private ?Studio $studio = null;

    public function read(string $paper, Stack $stack, string $seed): Lab
    {
        return $this->studio()->draw($paper, $stack, $seed);
    }

    private function studio(): Studio
    {
        if ($this->studio === null) {
            $pencils = [];
            foreach (Csv::parse((string) file_get_contents(database_path('demo/pencils.csv')), ['range', 'number', 'binder', 'opacity'])->rows as $row) {
                $samples = [];
                for ($i = 0; $i < Observer::SAMPLES; $i++) {
                    $samples[] = (float) $row['R'.(Observer::FIRST_NM + $i * Observer::STEP_NM)];
                }
                $pencils[$row['range'].':'.$row['number']] = ['coat' => Spectrum::of($samples), 'wax' => $row['binder'] === 'wax', 'opacity' => $row['opacity']];
            }
            $this->studio = Studio::of($pencils);
            foreach (self::PAPERS as $slug => [$L, $a, $b]) {
                $this->studio->paper($slug, Lab::of($L, $a, $b));
            }
        }

        return $this->studio;
    }
}
