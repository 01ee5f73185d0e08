<?php

declare(strict_types=1);

namespace App\Console\Bench;

use App\Studio\Swatches\SwatchReader;
use Imagick;
use Prism\Calibration\Calibrator;
use Prism\Calibration\ChartStacks;
use Prism\Calibration\Swatch;
use Prism\Charts\ChartReader;
use Prism\Charts\ChartSheet;
use Prism\Charts\Covering;
use Prism\Colour\Lab;
use Prism\Exchange\PencilEntry;
use Prism\Layering\Predictor;
use Prism\Layering\Stack;
use Prism\Layering\Step;
use Prism\Materials\Binder;
use Prism\Materials\Kit;
use Prism\Materials\Opacity;
use Prism\Materials\Paper;
use Prism\Materials\Pencil;
use Prism\Materials\PencilId;
use Prism\Reference\Image\Raster;

/**
 * A box of numbers alone: its swatch card is filled and photographed by the stand-in, and read. How true are the colours against an
 * instrument, and how well are stacks predicted after it, against after a full chart?
 */
final class CardFigures
{
    public const READ_COLUMNS = ['swatch card of 36', 'fields', 'read ms', 'dE00 median', 'p90', 'doubtful'];

    public const PREDICTED_COLUMNS = ['held-out stacks, two to four layers', 'swatches', 'fit s', 'dE00 median', 'p90'];

    private const PENCILS = 36;

    private const FIRST = 101;

    private const HELD_OUT = 150;

    /** How often in a full chart each pencil lies under another. */
    private const PAIRS = 3;

    private const SEED = 22;

    /** @var list<Pencil> as they are before anybody has read them */
    private readonly array $pencils;

    /** @var array<string, Swatch> by stack */
    private array $read = [];

    /** @var array<string, Opacity> by pencil */
    private array $covers = [];

    public function __construct(private readonly SwatchReader $reader, private readonly string $paper, private readonly Lab $white)
    {
        $pencils = [];
        for ($i = 0; $i < self::PENCILS; $i++) {
            $pencils[] = new Pencil(PencilId::of('HB:'.(self::FIRST + $i)), '', $i % 2 === 0 ? Binder::Wax : Binder::Oil);
        }
        $this->pencils = $pencils;
        $this->reader->take(...array_map(static fn (Pencil $pencil): PencilEntry => new PencilEntry($pencil), $pencils));
    }

    /** @return list<list<string>> */
    public function readings(): array
    {
        $errors = $heavy = [];
        $doubtful = 0;
        $milliseconds = 0.0;
        $sheets = ChartSheet::all('a4', ChartStacks::card(array_map(static fn (Pencil $pencil): PencilId => $pencil->id, $this->pencils)), withStripes: true);
        foreach ($sheets as $sheet) {
            $image = new Imagick;
            $image->readImageBlob($this->reader->photograph($this->paper, $sheet, 'card'));
            $image->setImageFormat('rgb');
            $image->setImageDepth(8);
            $raster = Raster::of($image->getImageWidth(), $image->getImageHeight(), $image->getImageBlob());
            [$reading, $elapsed] = Clock::milliseconds(fn () => ChartReader::read($raster, $sheets, $this->white));
            $milliseconds += $elapsed;
            foreach ($reading->cells as $i => $cell) {
                $stack = $sheet->cells[$i]['stack'];
                $error = $cell['colour']->differenceTo($this->reader->read($this->paper, $stack, 'card'.$cell['number']));
                $errors[] = $error;
                $doubtful += $cell['doubts'] === [] ? 0 : 1;
                if ($cell['doubts'] === []) {
                    $this->read[(string) $stack] = new Swatch((string) $stack, $this->paper, $stack, $cell['colour']);
                }
                if ($stack->isHeavyCoat()) {
                    $heavy[] = $error;
                    $this->covers[(string) $stack->pencils()[0]] = ($cell['over'] === null ? null : Covering::of($cell['colour'], $cell['over'])) ?? Opacity::Semi;
                }
            }
        }
        $rows = [];
        foreach (['every field against the instrument' => $errors, 'the heavy fields, which give the colours' => $heavy] as $what => $of) {
            $rows[] = [$what, (string) count($of), sprintf('%.0f', $milliseconds), sprintf('%.2f', Clock::quantile($of, 0.5)), sprintf('%.2f', Clock::quantile($of, 0.9)), (string) $doubtful];
        }

        return $rows;
    }

    /** @return list<list<string>> after {@see readings()} */
    public function predictions(): array
    {
        $kit = Kit::of(array_map(fn (Pencil $pencil): Pencil => new Pencil($pencil->id, '', $pencil->binder, $this->covers[(string) $pencil->id], null, ($this->read[$pencil->id.'@90x2'] ?? null)?->colour), $this->pencils));
        mt_srand(self::SEED);
        $full = [];
        foreach ($this->pencils as $pencil) {
            foreach (ChartStacks::singles([$pencil->id]) as $stack) {
                $full[(string) $stack] = $stack;
            }
            for ($i = 0; $i < self::PAIRS; $i++) {
                $stack = ChartStacks::built($pencil->id, $this->pencils[mt_rand(0, self::PENCILS - 1)]->id);
                $full[(string) $stack] = $stack;
            }
        }
        $held = [];
        for ($i = 0; $i < self::HELD_OUT; $i++) {
            $steps = [];
            for ($layer = mt_rand(2, 4); $layer > 0; $layer--) {
                $steps[] = Step::layer($this->pencils[mt_rand(0, self::PENCILS - 1)]->id, (float) (5 * mt_rand(5, 15)), mt_rand(1, 3));
            }
            $stack = Stack::of(...$steps);
            $held[(string) $stack] = new Swatch("h$i", $this->paper, $stack, $this->reader->read($this->paper, $stack, "held $i"));
        }
        $measured = array_map(fn (Stack $stack): Swatch => new Swatch((string) $stack, $this->paper, $stack, $this->reader->read($this->paper, $stack, "full $stack")), array_values($full));
        $rows = [];
        foreach (['the pencils\' colours alone' => [], 'the card' => array_values($this->read), 'a full chart by an instrument, with pairs' => $measured] as $what => $swatches) {
            [$predictor, $elapsed] = Clock::milliseconds(fn (): Predictor => Calibrator::fit($kit, $swatches)->predictor(Paper::of($this->paper, '', $this->white)));
            $errors = array_map(static fn (Swatch $swatch): float => $predictor->predict($swatch->stack)->colour->differenceTo($swatch->colour), array_values($held));
            $rows[] = [$what, (string) count($swatches), sprintf('%.1f', $elapsed / 1000.0), sprintf('%.2f', Clock::quantile($errors, 0.5)), sprintf('%.2f', Clock::quantile($errors, 0.9))];
        }

        return $rows;
    }
}
