<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Prism\Exchange\PredictionTable;
use Prism\Exchange\SwatchTable;
use Prism\Layering\Predictor;

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

        $only = $this->text('paper');
        $predictors = [];
        $predictions = [];
        foreach ($stacks as ['id' => $id, 'paper' => $paper, 'stack' => $stack]) {
            $paper = $only === '' ? $paper : $only;
            $predictors[$paper] ??= new Predictor($this->model($kit, $swatches, $paper));
            $predictions[] = ['id' => $id, 'stack' => $stack, 'prediction' => $predictors[$paper]->predict($stack)];
        }
        $this->write('out', PredictionTable::write($predictions));
        $this->progress(sprintf('%d predictions written', count($predictions)));
    }
}
