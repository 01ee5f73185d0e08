<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Prism\Exchange\PaletteTable;
use Prism\Exchange\TargetTable;
use Prism\Matching\Target;
use Prism\Planning\Palette\PaletteFinder;
use Prism\Planning\Palette\PaletteWish;

final class PaletteCommand extends StudioFiles
{
    protected $signature = 'prism:palette {--pencils=} {--swatches=} {--paper=} {--targets=} {--sizes=6,8,12,18,24} {--out=}';

    protected $description = 'Chooses the few pencils that serve all targets in a table together, for several sizes';

    private const LARGEST = 120;

    protected function perform(): void
    {
        $kit = $this->kit();
        $swatches = $this->swatches($kit);
        $targets = array_map(Target::colour(...), TargetTable::read($this->read('targets')));
        if ($targets === []) {
            throw new FileRefused('--targets: the table has no targets.');
        }
        $sizes = $this->sizes();
        $this->progress(sprintf('%d pencils, %d swatches, %d targets, %d sizes', count($kit), count($swatches), count($targets), count($sizes)));

        $calibration = $this->calibration($kit, $swatches);
        $finder = new PaletteFinder($this->searchIn($calibration, $kit), $calibration->known($kit));
        $palettes = $finder->curve(new PaletteWish($targets, $sizes));
        $this->write('out', PaletteTable::write($palettes));
        foreach ($palettes as $size => $palette) {
            $this->progress(sprintf('%d pencils: mean dE00 %.2f', $size, $palette->meanDifference));
        }
    }

    /** @return non-empty-list<int> */
    private function sizes(): array
    {
        $sizes = [];
        foreach (explode(',', $this->text('sizes')) as $size) {
            $size = trim($size);
            if (preg_match('/^\d{1,3}\z/', $size) !== 1 || (int) $size < 1 || (int) $size > self::LARGEST) {
                throw new FileRefused(sprintf('--sizes: "%s" is no size of a palette; write whole numbers from 1 to %d, such as 6,8,12.', $size, self::LARGEST));
            }
            $sizes[] = (int) $size;
        }

        return array_values(array_unique($sizes));
    }
}
