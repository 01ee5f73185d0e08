<?php

declare(strict_types=1);

namespace App\Studio\Calibration;

use App\Models\Calibration;
use App\Models\Paper as PaperModel;
use App\Models\User;
use App\Studio\Files\WholeFile;
use App\Studio\Pencils\Catalogue;
use Illuminate\Contracts\Cache\LockProvider;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\DB;
use Prism\Layering\Predictor;
use Prism\Matching\Advice\RecipeMaker;
use Prism\Matching\EmptyBox;
use Prism\Matching\Search;
use Prism\Matching\Search\PairLibrary;
use Prism\Materials\Kit;
use Prism\Materials\Pencil;
use Prism\Planning\Palette\Representatives;
use Prism\Planning\Parcel;
use WeakMap;

/**
 * The engine of the core for the studio's papers and boxes. What is dear to compute (the model of an artist's
 * paper, the pair library of a box) is kept in files whose name is a digest of all that goes into it, so nothing stale is ever read.
 */
final class Engine
{
    /** Goes up when the engine computes differently. */
    private const VERSION = 8;

    private const BUILD_SECONDS = 60;

    /** Pairs are counted in squares. */
    private const MOST_SEARCHED = 160;

    /** @var array<string, Predictor> */
    private array $predictors = [];

    /** @var array<int, string> digests of calibrations, by key */
    private array $fits = [];

    /** @var WeakMap<Kit, string> what of each kit a prediction rests on: asked for once for each recipe of a picture */
    private WeakMap $kits;

    public function __construct(
        private readonly Calibrations $calibrations,
        private readonly Repository $cache,
        private readonly string $folder,
    ) {
        $this->kits = new WeakMap;
    }

    /** Speaks for an artist's calibration on a paper; knows the pencils of a kit. */
    public function predictor(PaperModel $paper, User $artist, Kit $kit): Predictor
    {
        $key = $this->digest($paper, $artist, $kit);

        return $this->predictors[$key] ??= $this->kept(
            "predictor-$key",
            fn (): Predictor => $this->calibrations->read($this->calibrations->inForce($artist), $kit)->predictor(Catalogue::paper($paper)),
            Parcel::pack(...),
            static function (string $bytes): Predictor {
                $predictor = Parcel::unpack($bytes);

                return $predictor instanceof Predictor ? $predictor : throw new \UnexpectedValueException('Not a predictor.');
            },
        );
    }

    public function recipes(PaperModel $paper, User $artist, Kit $kit): RecipeMaker
    {
        return new RecipeMaker($this->predictor($paper, $artist, $kit), $kit);
    }

    /** @throws EmptyBox */
    public function search(PaperModel $paper, User $artist, Kit $box): Search
    {
        $known = $this->searchable($paper, $artist, $box);
        if (count($known) === 0) {
            throw new EmptyBox;
        }

        return new Search($this->predictor($paper, $artist, $box), $known, $this->library($paper, $artist, $known));
    }

    /**
     * The pencils of a box that a search tries: those of which a colour or a swatch is known, and of a very large box so many
     * that every other lies near one of them.
     */
    public function searchable(PaperModel $paper, User $artist, Kit $box): Kit
    {
        $optics = $this->predictor($paper, $artist, $box)->model->optics;
        $known = $box->where(static fn (Pencil $pencil): bool => isset($optics[(string) $pencil->id]));
        if (count($known) <= self::MOST_SEARCHED) {
            return $known;
        }
        $coats = $known->coats();
        $chosen = array_flip(Representatives::of($coats, self::MOST_SEARCHED));

        return $known->where(static fn (Pencil $pencil): bool => isset($chosen[(string) $pencil->id]));
    }

    public function library(PaperModel $paper, User $artist, Kit $box): PairLibrary
    {
        return $this->kept(
            'pairs-'.$this->digest($paper, $artist, $box),
            fn (): PairLibrary => PairLibrary::build($this->predictor($paper, $artist, $box)->model, $box->ids()),
            static fn (PairLibrary $library): string => $library->pack(),
            PairLibrary::unpack(...),
        );
    }

    /** What an artist's calibration says: the same for who has the same. */
    private function calibration(User $artist): ?string
    {
        $id = $this->calibrations->inForce($artist);

        return $id === null ? null : $this->fits[$id] ??= (string) Calibration::query()->whereKey($id)->value(DB::raw('md5(fit)'));
    }

    /** Changes when anything does that a prediction with these pencils on this paper rests on. */
    public function digest(PaperModel $paper, User $artist, Kit $kit): string
    {
        if (! isset($this->kits[$kit])) {
            $pencils = [];
            foreach ($kit as $id => $pencil) {
                $pencils[] = [$id, $pencil->binder->value, $pencil->opacity->value, $pencil->fullCoatBands, $pencil->core?->value, $pencil->stains];
            }
            $this->kits[$kit] = json_encode($pencils, JSON_THROW_ON_ERROR);
        }
        $parts = [self::VERSION, $this->calibration($artist), $paper->only(PaperModel::PHYSICAL), $this->kits[$kit]];

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
            WholeFile::keep($path, $pack($made));

            return $made;
        };

        return $store instanceof LockProvider
            ? $store->lock('engine-'.basename($path), self::BUILD_SECONDS)->block(self::BUILD_SECONDS, $build)
            : $build();
    }
}
