<?php

declare(strict_types=1);

namespace App\Console\Bench;

use App\Studio\Archive\ArchiveDocument;
use App\Studio\Photos\PhotoReader;
use App\Studio\Photos\PhotoRefused;
use Closure;
use Prism\Calibration\Swatch;
use Prism\Charts\BesideWhite;
use Prism\Charts\ChartRefused;
use Prism\Colour\Lab;
use Prism\Exchange\Archive\ArchiveRefused;
use Prism\Exchange\Cgats;
use Prism\Exchange\GplPalette;
use Prism\Exchange\NumberList;
use Prism\Exchange\PencilTable;
use Prism\Exchange\SwatchTable;
use Prism\Exchange\TableRefused;
use Prism\Exchange\TargetTable;
use Prism\Materials\Binder;
use Prism\Materials\Kit;
use Prism\Reference\Image\Field;
use Prism\Reference\Image\Raster;
use Prism\Reference\LookRefused;
use Prism\Reference\PictureReading;
use Prism\Review\BareLines;
use Prism\Review\DrawingFinder;
use Prism\Review\Review;
use Prism\Review\ReviewRefused;
use Throwable;

/** What the readers make of hostile files: each read or refused in words, in time, in bounds; what breaks is named. */
final class HostileFigures
{
    public const COLUMNS = ['hostile files', 'files', 'read', 'refused', 'broke', 'slowest s', 'most memory MB'];

    private const PICTURES = 480;

    private const TABLES = 300;

    private const ARCHIVES = 240;

    /** What lasts longer has hung, s. */
    private const HUNG = 10.0;

    /** Of pictures that can be decoded every so many goes on to those who look for something in it. */
    private const LOOKED_AT = 8;

    /** What a refusal is; it has words, and signs that can be sent. */
    private const REFUSALS = [PhotoRefused::class, ChartRefused::class, LookRefused::class, ReviewRefused::class, TableRefused::class, ArchiveRefused::class];

    /** @var list<string> files that broke a reader, and how */
    public array $broken = [];

    /** @var list<string> what was said of some of them */
    public array $said = [];

    /** @param  list<Swatch>  $swatches */
    public function __construct(private readonly Kit $kit, private readonly array $swatches, private readonly PhotoReader $photos)
    {
    }

    /** @return list<list<string>> */
    public function rows(): array
    {
        $files = new HostileFiles($this->kit);
        $n = 0;
        $look = function (string $bytes) use (&$n): void {
            $raster = $this->picture($bytes);
            BesideWhite::read($raster, [0.1, 0.1], [0.5, 0.5], 'colour');
            if ($n++ % self::LOOKED_AT === 0) {
                $this->lookInto($raster);
            }
        };

        return [
            $this->row('pictures', $files->pictures(self::PICTURES), $look),
            $this->row('pictures made to burst', $files->bursting(), $this->picture(...)),
            $this->row('tables', $files->tables(self::TABLES, $this->swatches), fn (array $table) => $this->table(...$table)),
            $this->row('archives', $files->archives(self::ARCHIVES), fn (string $bytes) => $this->within($bytes, static fn (string $path) => ArchiveDocument::open($path))),
        ];
    }

    /**
     * @template T
     *
     * @param  iterable<string, T>  $files
     * @param  Closure(T): mixed  $read
     * @return list<string>
     */
    private function row(string $kind, iterable $files, Closure $read): array
    {
        $all = $taken = $refused = $broke = 0;
        $slowest = $most = 0.0;
        foreach ($files as $name => $file) {
            $all++;
            $before = memory_get_usage();
            memory_reset_peak_usage();
            $began = microtime(true);
            try {
                $read($file);
                $taken++;
            } catch (Throwable $problem) {
                $isRefusal = in_array($problem::class, self::REFUSALS, true) && preg_match('/\w{2,} \w/u', $problem->getMessage()) === 1 && json_encode($problem->getMessage()) !== false;
                $isRefusal ? $refused++ : $broke++;
                if (! $isRefusal) {
                    $this->broken[] = sprintf('%s: %s, %s in %s:%d', $name, $problem::class, mb_strimwidth($problem->getMessage(), 0, 160), basename($problem->getFile()), $problem->getLine());
                } elseif ($all % 20 === 0) {
                    $this->said[] = $name.': '.mb_strimwidth($problem->getMessage(), 0, 200);
                }
            }
            $took = microtime(true) - $began;
            if ($took > self::HUNG) {
                $broke++;
                $this->broken[] = sprintf('%s: took %.1f s', $name, $took);
            }
            $slowest = max($slowest, $took);
            $most = max($most, (memory_get_peak_usage() - $before) / 1e6);
        }

        return [$kind, (string) $all, (string) $taken, (string) $refused, (string) $broke, sprintf('%.1f', $slowest), sprintf('%.0f', $most)];
    }

    private function picture(string $bytes): Raster
    {
        return $this->within($bytes, $this->photos->pixels(...));
    }

    /** Zones, a chart, a drawing: whatever may be looked for in a picture. */
    private function lookInto(Raster $raster): void
    {
        $reading = PictureReading::of($raster);
        $map = $reading->tree->cut(12);
        $reference = Field::of($raster, Review::EDGE);
        DrawingFinder::findBegun($raster, $reference, null, static fn (): Field => BareLines::outlines($map, $reference->width, $reference->height), Lab::of(95.0, 0.0, 2.0));
    }

    private function table(string $kind, string $text): void
    {
        match ($kind) {
            'pencils' => PencilTable::read($text),
            'swatches' => SwatchTable::entries($text, $this->kit, ['harbour-cartridge']),
            'cgats' => Cgats::read($text, 'harbour-cartridge', $this->kit),
            'palette' => GplPalette::read($text, Binder::Wax),
            'targets' => TargetTable::read($text),
            default => NumberList::read($text),
        };
    }

    /**
     * @template T
     *
     * @param  Closure(string): T  $read
     * @return T
     */
    private function within(string $bytes, Closure $read): mixed
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'prism');
        try {
            file_put_contents($path, $bytes);

            return $read($path);
        } finally {
            @unlink($path);
        }
    }
}
