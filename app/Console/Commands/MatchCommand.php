<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Prism\Exchange\MatchTable;
use Prism\Exchange\TargetTable;
use Prism\Matching\Limits;
use Prism\Matching\School;
use Prism\Matching\Schools;
use Prism\Matching\Target;
use Prism\Materials\Kit;
use Prism\Materials\PencilId;

final class MatchCommand extends StudioFiles
{
    protected $signature = 'prism:match {--pencils=} {--swatches=} {--paper=} {--targets=} {--out=}
        {--top=3} {--max-pencils=4} {--max-layers=6} {--school=light-to-dark} {--only=} {--no-black} {--value-only}';

    protected $description = 'Finds the best recipes for each target in a table';

    protected function perform(): void
    {
        $kit = $this->kit();
        $swatches = $this->swatches($kit);
        $targets = TargetTable::read($this->read('targets'));
        $limits = $this->limits();
        $only = $this->only($kit);
        $this->progress(sprintf('%d pencils, %d swatches, %d targets', count($only ?? $kit), count($swatches), count($targets)));

        $search = $this->searchIn($this->calibration($kit, $swatches), $only ?? $kit);
        $matches = [];
        foreach ($targets as $id => $colour) {
            $matches[$id] = $search->find($this->option('value-only') ? Target::value($colour) : Target::colour($colour), $limits);
        }
        $this->write('out', MatchTable::write($matches));
        $this->progress(sprintf('%d targets matched', count($matches)));
    }

    private function limits(): Limits
    {
        $school = School::tryFrom($this->text('school'));
        if ($school === null) {
            throw new FileRefused(sprintf(
                '--school: "%s" is none; write %s.',
                $this->text('school'),
                implode(', ', array_map(static fn (School $school): string => $school->value, School::cases())),
            ));
        }

        return new Limits($this->number('top'), $this->number('max-pencils'), $this->number('max-layers'), new Schools($school), (bool) $this->option('no-black'));
    }

    private function number(string $option): int
    {
        $value = $this->text($option);
        if (preg_match('/^\d{1,4}$/', $value) !== 1) {
            throw new FileRefused(sprintf('--%s: "%s" is not a whole number.', $option, $value));
        }

        return (int) $value;
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
