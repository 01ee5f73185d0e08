<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Prism\Exchange\MatchTable;
use Prism\Exchange\TargetTable;
use Prism\Matching\Limits;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;
use Prism\Schools\SchoolSet;

final class MatchCommand extends StudioFiles
{
    protected $signature = 'prism:match {--pencils=} {--swatches=} {--paper=} {--targets=} {--out=}
        {--top=3} {--max-pencils=4} {--max-layers=6} {--school=} {--surface=smooth} {--only=} {--no-black} {--value-only}';

    protected $description = 'Finds the best recipes for each target in a table';

    protected function perform(): void
    {
        $kit = $this->kit();
        $swatches = $this->swatches($kit);
        $targets = TargetTable::entries($this->read('targets'));
        $limits = $this->limits();
        $only = $this->only($kit);
        $this->progress(sprintf('%d pencils, %d swatches, %d targets', count($only ?? $kit), count($swatches), count($targets)));

        $search = $this->searchIn($this->calibration($kit, $swatches), $only ?? $kit);
        $matches = [];
        foreach ($targets as $id => $entry) {
            $target = $this->option('value-only') ? Target::value($entry->colour) : Target::colour($entry->colour);
            $matches[$id] = $search->find($target, $limits->at($entry->surface ?? $limits->surface, $entry->isLast()));
        }
        $this->write('out', MatchTable::write($matches));
        $this->progress(sprintf('%d targets matched', count($matches)));
    }

    private function limits(): Limits
    {
        return new Limits($this->number('top'), $this->number('max-pencils'), $this->number('max-layers'), SchoolSet::answered($this->text('school')), (bool) $this->option('no-black'), surface: $this->surface());
    }

    private function only(Kit $kit): ?Kit
    {
        $list = $this->text('only');
        if ($list === '') {
            return null;
        }

        return $kit->only(array_map(static fn (string $id): PencilId => PencilId::of(trim($id)), explode(',', $list)));
    }
}
