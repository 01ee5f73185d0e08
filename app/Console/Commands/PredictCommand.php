<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Prism\Calibration\Calibration;
use Prism\Exchange\PredictionTable;
use Prism\Exchange\SwatchTable;
use Prism\Layering\Stack;

final class PredictCommand extends StudioFiles
{
    protected $signature = 'prism:predict {--pencils=} {--swatches=} {--paper=} {--stacks=} {--out=}';

    protected $description = 'Predicts the colour of each stack in a table';

    protected function perform(): void
    {
        $kit = $this->kit();
        $swatches = $this->swatches($kit);
        $stacks = SwatchTable::readStacks($this->read('stacks'), $kit);
        $this->progress(sprintf('%d pencils, %d swatches, %d stacks', count($kit), count($swatches), count($stacks)));

        $calibration = $this->calibration($kit, $swatches);
        $this->refuseUnknown($calibration, $stacks);
        $only = $this->text('paper');
        $predictors = [];
        $predictions = [];
        foreach ($stacks as ['id' => $id, 'paper' => $paper, 'stack' => $stack]) {
            $paper = $only === '' ? $paper : $only;
            $predictors[$paper] ??= $calibration->predictor($this->paper($calibration, $paper));
            $predictions[] = ['id' => $id, 'stack' => $stack, 'prediction' => $predictors[$paper]->predict($stack)];
        }
        $this->write('out', PredictionTable::write($predictions));
        $this->progress(sprintf('%d predictions written', count($predictions)));
    }

    /**
     * @param  list<array{id: string, paper: string, stack: Stack}>  $stacks
     *
     * @throws FileRefused if a stack uses a pencil of which nothing is known
     */
    private function refuseUnknown(Calibration $calibration, array $stacks): void
    {
        foreach ($stacks as ['id' => $id, 'stack' => $stack]) {
            foreach ($stack->pencils() as $pencil) {
                if (! $calibration->knows($pencil)) {
                    throw new FileRefused(sprintf('Stack %s uses %s, which has neither a colour in the pencil table nor a swatch: give it one of them.', $id, $pencil));
                }
            }
        }
    }
}
