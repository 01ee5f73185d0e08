<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Prism\Calibration\ModelBuilder;
use Prism\Calibration\Swatch;
use Prism\Exchange\PencilTable;
use Prism\Exchange\SwatchTable;
use Prism\Exchange\TableRefused;
use Prism\Layering\ToothModel;
use Prism\Materials\Kit;
use Prism\Materials\Paper;

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

    protected function text(string $option): string
    {
        $value = $this->option($option);

        return is_scalar($value) ? (string) $value : '';
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
    protected function model(Kit $kit, array $swatches, string $paper): ToothModel
    {
        return ModelBuilder::for(Paper::cartridge($paper === '' ? self::mostSwatched($swatches) : $paper), $swatches)->build($kit);
    }

    /** @param  list<Swatch>  $swatches */
    private static function mostSwatched(array $swatches): string
    {
        $counts = array_count_values(array_map(static fn (Swatch $swatch): string => $swatch->paper, $swatches));
        arsort($counts);

        return (string) (array_key_first($counts) ?? 'medium');
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
