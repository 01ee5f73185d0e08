<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Paper as PaperModel;
use Illuminate\Contracts\Cache\LockProvider;
use Illuminate\Contracts\Cache\Repository;
use Prism\Calibration\ModelBuilder;
use Prism\Layering\Predictor;
use Prism\Layering\ToothModel;
use Prism\Matching\EmptyBox;
use Prism\Matching\PairLibrary;
use Prism\Matching\RecipeMaker;
use Prism\Matching\Search;
use Prism\Materials\Kit;

/**
 * The engine of the core for the studio's papers and boxes. What is dear to compute (the model of a paper, the pair
 * library of a box) is kept in files whose name is a digest of all that goes into it, so nothing stale is ever read.
 */
final class Engine
{
    /** Goes up when the engine computes differently. */
    private const VERSION = 2;

    private const BUILD_SECONDS = 60;

    /** @var array<string, ToothModel> */
    private array $models = [];

    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly Repository $cache,
        private readonly string $folder,
    ) {
    }

    /** Knows every pencil of the catalogue. */
    public function model(PaperModel $paper): ToothModel
    {
        $key = $this->digest($paper, $this->catalogue->pencils());

        return $this->models[$key] ??= $this->kept(
            "model-$key",
            fn (): ToothModel => ModelBuilder::for(Catalogue::paper($paper))->build($this->catalogue->pencils()),
            serialize(...),
            static function (string $bytes): ToothModel {
                $model = @unserialize($bytes);

                return $model instanceof ToothModel ? $model : throw new \UnexpectedValueException('Not a model.');
            },
        );
    }

    public function predictor(PaperModel $paper): Predictor
    {
        return new Predictor($this->model($paper));
    }

    public function recipes(PaperModel $paper): RecipeMaker
    {
        return new RecipeMaker($this->predictor($paper), $this->catalogue->pencils());
    }

    /** @throws EmptyBox */
    public function search(PaperModel $paper, Kit $box): Search
    {
        if (count($box) === 0) {
            throw new EmptyBox;
        }

        return new Search($this->model($paper), $box, $this->library($paper, $box));
    }

    public function library(PaperModel $paper, Kit $box): PairLibrary
    {
        return $this->kept(
            'pairs-'.$this->digest($paper, $box),
            fn (): PairLibrary => PairLibrary::build($this->model($paper), $box->ids()),
            static fn (PairLibrary $library): string => $library->pack(),
            PairLibrary::unpack(...),
        );
    }

    private function digest(PaperModel $paper, Kit $kit): string
    {
        $parts = [self::VERSION, $paper->only(['slug', 'L', 'a', 'b', 'roughness', 'capacity', 'adhesion'])];
        foreach ($kit as $id => $pencil) {
            $parts[] = [$id, $pencil->binder->value, $pencil->opacity->value, $pencil->fullCoatBands];
        }

        return hash('xxh128', json_encode($parts, JSON_THROW_ON_ERROR));
    }

    /**
     * @template T of object
     *
     * @param  \Closure(): T  $make
     * @param  \Closure(T): string  $pack
     * @param  \Closure(string): T  $unpack
     * @return T
     */
    private function kept(string $name, \Closure $make, \Closure $pack, \Closure $unpack): object
    {
        $path = $this->folder.'/'.$name;
        $read = static function () use ($path, $unpack): ?object {
            try {
                return is_file($path) ? $unpack((string) file_get_contents($path)) : null;
            } catch (\UnexpectedValueException) {
                return null;
            }
        };
        $found = $read();
        if ($found !== null) {
            return $found;
        }
        $store = $this->cache->getStore();
        $build = function () use ($read, $make, $pack, $path): object {
            $made = $read() ?? $make();
            if (! is_dir($this->folder)) {
                mkdir($this->folder, 0o755, true);
            }
            // Whole or not at all: another worker may be reading.
            $partial = $path.'.'.getmypid();
            file_put_contents($partial, $pack($made));
            rename($partial, $path);

            return $made;
        };

        return $store instanceof LockProvider
            ? $store->lock('engine-'.basename($path), self::BUILD_SECONDS)->block(self::BUILD_SECONDS, $build)
            : $build();
    }
}
