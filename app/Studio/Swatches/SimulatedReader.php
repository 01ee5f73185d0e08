<?php

declare(strict_types=1);

namespace App\Studio\Swatches;

use Closure;
use Imagick;
use Prism\Charts\ChartSheet;
use Prism\Colour\Lab;
use Prism\Colour\Observer;
use Prism\Colour\Spectrum;
use Prism\Exchange\Csv;
use Prism\Exchange\PencilEntry;
use Prism\Layering\Stack;
use Prism\Materials\Binder;
use Prism\Materials\Paper;
use Prism\Reference\Image\Raster;
use Standin\Studio;

/** The simulated studio that ships, for trying the engine without devices. Nothing else in the application knows of it. */
final class SimulatedReader implements SwatchReader
{
    private const PAPERS = ['harbour-cartridge' => [95.4, -0.6, 1.5], 'slipway-smooth' => [96.0, -0.5, 0.9], 'breakwater-sanded' => [92.5, 0.4, 4.2], 'fog-toned' => [66.5, 0.8, 3.0]];

    private ?Studio $studio = null;

    /** @var array<string, Lab> colours of papers that it was handed */
    private array $own = [];

    public function read(string $paper, Stack $stack, string $seed): Lab
    {
        return $this->studio()->draw($paper, $stack, $seed);
    }

    public function photograph(string $paper, ChartSheet $sheet, string $seed, ?Closure $progress = null): string
    {
        $share = static fn (float $from, float $to): ?Closure => $progress === null ? null : static fn (float $done) => $progress($from + ($to - $from) * $done);
        $photo = $this->studio()->fill($paper, $this->white($paper), $sheet->width, $sheet->height, $sheet->blacks(), $sheet->cells, $seed, $share(0.0, 0.5));
        [$width, $height, $bytes] = $photo->taken($seed, progress: $share(0.5, 1.0));
        $image = new Imagick;
        $image->setSize($width, $height);
        $image->setOption('depth', '8');
        $image->readImageBlob("P6 $width $height 255\n".$bytes);
        $image->setImageFormat('jpeg');
        $image->setImageCompressionQuality(93);

        return $image->getImageBlob();
    }

    public function photographDrawing(DrawnPicture $drawn, string $seed, float $slant = 0.1, float $turn = 4.0): array
    {
        $sheet = $this->studio()->picture($drawn->paper, $this->white($drawn->paper), $drawn->widthMm, $drawn->heightMm(), $drawn->marginMm, $drawn->columns, $drawn->rows, $drawn->lies, $drawn->stacks, $seed);

        return [Raster::of(...$sheet->taken("$seed $slant $turn", $slant, $turn)), $sheet->seenAt($drawn->corners(), $slant, $turn)];
    }

    public function lay(Paper $paper): void
    {
        if (! isset(self::PAPERS[$paper->id])) {
            $this->own[$paper->id] = $paper->colour;
            $this->studio()->paper($paper->id, $paper->colour, $paper->roughness, $paper->capacity);
        }
    }

    public function take(PencilEntry ...$pencils): void
    {
        foreach ($pencils as $entry) {
            $pencil = $entry->pencil;
            $coat = $entry->spectrum ?? ($pencil->fullCoat === null ? null : Spectrum::fromLab($pencil->fullCoat));
            $this->studio()->meet((string) $pencil->id, $coat, $pencil->binder === Binder::Wax, $pencil->opacity->value);
        }
    }

    private function white(string $paper): Lab
    {
        return $this->own[$paper] ?? Lab::of(...self::PAPERS[$paper] ?? throw new \InvalidArgumentException(sprintf('The simulated studio has no paper "%s".', $paper)));
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
