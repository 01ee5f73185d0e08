<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Prism\Exchange\CorrectionTable;
use Prism\Exchange\PresentTable;
use Prism\Matching\Limits;
use Prism\Matching\Target;
use Prism\Schools\SchoolSet;

/** What to lay next, or to lift, over what lies there. */
final class CorrectCommand extends StudioFiles
{
    protected $signature = 'prism:correct {--pencils=} {--swatches=} {--paper=} {--present=} {--out=}
        {--max-layers=3} {--school=} {--surface=smooth}';

    protected $description = 'Finds what to lay next where a drawing is off, from what lies there';

    protected function perform(): void
    {
        $kit = $this->kit();
        $swatches = $this->swatches($kit);
        $places = PresentTable::read($this->read('present'), $kit);
        $limits = new Limits(top: 1, maxLayers: $this->number('max-layers'), schools: SchoolSet::answered($this->text('school')), surface: $this->surface());
        $search = $this->searchIn($this->calibration($kit, $swatches), $kit);
        $corrections = [];
        foreach ($places as $id => $place) {
            $corrections[$id] = $search->correct($place->believed, Target::colour($place->target), $limits, seen: $place->seen)[0];
        }
        $this->write('out', CorrectionTable::write($corrections));
        $this->progress(sprintf('%d %s looked at', count($corrections), count($corrections) === 1 ? 'place' : 'places'));
    }
}
