<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Studio\Photos\PhotoReader;
use App\Studio\Photos\PhotoRefused;
use Illuminate\Console\Command;
use Prism\Calibration\Calibration;
use Prism\Calibration\Calibrator;
use Prism\Calibration\Swatch;
use Prism\Exchange\PencilTable;
use Prism\Exchange\SwatchTable;
use Prism\Exchange\TableRefused;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Materials\Kit;
use Prism\Materials\Paper;
use Prism\Reference\Image\Raster;
use Prism\Schools\Surface;

/**
 * What the file commands share: files in, files out, progress on stderr, exit 0 only if all went well. The output
 * appears whole or not at all.
 */
abstract class StudioFiles extends Command
{
    final public function handle(): int
    {
        try {
            $this->perform();
        } catch (TableRefused $refusal) {
            foreach ($refusal->errors as $error) {
                $this->progress((string) $error);
            }

            return self::FAILURE;
        } catch (FileRefused|\DomainException|\InvalidArgumentException $refusal) {
            $this->progress($refusal->getMessage());

            return self::FAILURE;
        }

        return self::SUCCESS;
    }

    abstract protected function perform(): void;

    /** @throws FileRefused if the option is missing or its file cannot be read */
    protected function read(string $option): string
    {
        $path = $this->path($option);
        $text = is_file($path) && is_readable($path) ? file_get_contents($path) : false;
        if ($text === false) {
            throw new FileRefused(sprintf('--%s: the file "%s" cannot be read.', $option, $path));
        }

        return $text;
    }

    /** @throws FileRefused if it cannot be written; then nothing is left behind */
    protected function write(string $option, string $text): void
    {
        $path = $this->path($option);
        $partial = $path.'.part';
        if (! is_dir(dirname($path)) || @file_put_contents($partial, $text) === false || ! rename($partial, $path)) {
            @unlink($partial);
            throw new FileRefused(sprintf('--%s: "%s" cannot be written.', $option, $path));
        }
    }

    /** @throws FileRefused if the argument names no picture that can be read */
    protected function picture(PhotoReader $reader, string $argument): Raster
    {
        $path = $this->argument($argument);
        if (! is_string($path) || ! is_file($path)) {
            throw new FileRefused(sprintf('The %s "%s" cannot be read.', $argument, is_string($path) ? $path : ''));
        }
        try {
            return $reader->pixels($path);
        } catch (PhotoRefused $refusal) {
            throw new FileRefused($refusal->getMessage());
        }
    }

    protected function text(string $option): string
    {
        $value = $this->option($option);

        return is_scalar($value) ? (string) $value : '';
    }

    /** @throws FileRefused if it is no whole number */
    protected function number(string $option): int
    {
        $value = $this->text($option);
        if (preg_match('/^\d{1,4}\z/', $value) !== 1) {
            throw new FileRefused(sprintf('--%s: "%s" is not a whole number.', $option, $value));
        }

        return (int) $value;
    }

    /** @throws FileRefused if it is none */
    protected function surface(): Surface
    {
        return Surface::tryFrom($this->text('surface')) ?? throw new FileRefused(sprintf(
            '--surface: "%s" is none; write %s.',
            $this->text('surface'),
            implode(', ', array_map(static fn (Surface $surface): string => $surface->value, Surface::cases())),
        ));
    }

    protected function progress(string $line): void
    {
        fwrite(STDERR, $line."\n");
    }

    protected function kit(): Kit
    {
        $kit = PencilTable::read($this->read('pencils'))->kit;
        if (count($kit) === 0) {
            throw new FileRefused('--pencils: the table has no pencils.');
        }

        return $kit;
    }

    /** @return list<Swatch> none if --swatches is empty */
    protected function swatches(Kit $kit): array
    {
        return $this->text('swatches') === '' ? [] : SwatchTable::read($this->read('swatches'), $kit);
    }

    /** @param  list<Swatch>  $swatches */
    protected function calibration(Kit $kit, array $swatches): Calibration
    {
        $told = -1;
        $calibration = Calibrator::fit($kit, $swatches, progress: function (string $what, float $share) use (&$told): void {
            $tenth = (int) ($share * 10);
            if ($tenth > $told) {
                $told = $tenth;
                $this->progress(sprintf('%s: %d %%', $what, $tenth * 10));
            }
        });
        if ($calibration->pencils !== []) {
            $this->progress(sprintf('calibrated: mean dE00 of the swatches %.2f before, %.2f after', $calibration->before, $calibration->after));
        }
        foreach ($calibration->suspicious as ['id' => $id, 'dE00' => $difference]) {
            $this->progress(sprintf('swatch %s is off by dE00 %.1f; it counts little, do it again', $id, $difference));
        }

        return $calibration;
    }

    /** A search over what is known of a box, on the paper of --paper. */
    protected function searchIn(Calibration $calibration, Kit $box): Search
    {
        $known = $calibration->known($box);
        if (count($known) === 0) {
            throw new FileRefused('--pencils: none of these pencils has a colour in the table or a swatch; give them one of them.');
        }
        foreach ($box as $id => $pencil) {
            if (! $known->has($pencil->id)) {
                $this->progress(sprintf('%s is left out: it has neither a colour in the pencil table nor a swatch', $id));
            }
        }
        $predictor = $calibration->predictor($this->paper($calibration, $this->text('paper')));

        return new Search($predictor, $known, PairLibrary::build($predictor->model, $known->ids()));
    }

    /** The paper named, or the one with most swatches. */
    protected function paper(Calibration $calibration, string $paper): Paper
    {
        return Paper::cartridge($paper !== '' ? $paper : $calibration->yardstick ?? 'medium');
    }

    /** @throws FileRefused */
    private function path(string $option): string
    {
        $path = $this->text($option);
        if ($path === '') {
            throw new FileRefused(sprintf('--%s is missing; it names a file.', $option));
        }

        return $path;
    }
}
