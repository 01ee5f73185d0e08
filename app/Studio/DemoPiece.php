<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Paper;
use App\Models\Pencil;
use App\Models\Piece;
use App\Models\User;
use App\Models\Zone;
use App\Studio\LongWork\PlanningWork;
use App\Studio\Photos\PhotoStore;
use App\Studio\Photos\PictureReadings;
use App\Studio\Photos\References;
use App\Studio\Planning\PicturePalettes;
use App\Studio\Planning\PlanPages;
use App\Studio\Zones\AreaBook;
use App\Studio\Zones\PictureParts;
use App\Studio\Zones\ZoneBook;
use Closure;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Imagick;
use Prism\Exchange\Csv;
use Prism\Reference\Zones\ZoneMap;
use Throwable;

/** The demo references as pieces of one's own: zones found in the photo, and planned with the pencils in one's box. */
final class DemoPiece
{
    /** Photos of database/demo: what the piece is called, and how many zones it is cut into. */
    private const PIECES = [
        'harbour' => ['Floats and buoy on planks', 22],
        'lantern' => ['Lantern and rope', 20],
        'jugs' => ['Three glazed jugs', 20],
    ];

    /** A study is cut into so many. */
    private const STUDY_ZONES = 9;

    /** The one that the simulated hand draws. */
    public const DRAWN = 'lantern';

    /** What an artist would call the zones at some spots of the harbour, shares of width and height. */
    private const NAMES = [
        'Green float, upper' => [0.2, 0.4],
        'Green float, lower' => [0.2, 0.6],
        'Buoy, light red' => [0.655, 0.315],
        'Buoy, shadow red' => [0.86, 0.41],
        'Buoy, cream band' => [0.63, 0.44],
        'Small float, blue' => [0.55, 0.65],
        'Wall boards' => [0.3, 0.15],
        'Planks in front' => [0.1, 0.9],
    ];

    /** Share of the work that is reading the photo. */
    private const READING = 0.5;

    public function __construct(
        private readonly References $references,
        private readonly PhotoStore $photos,
        private readonly PictureReadings $readings,
        private readonly ZoneBook $zones,
        private readonly PlanningWork $planning,
        private readonly PlanPages $pages,
        private readonly PictureParts $parts,
        private readonly AreaBook $areas,
    ) {
    }

    /**
     * The harbour, planned. With an empty box there are no recipes yet.
     *
     * @param  ?Closure(string, float): void  $progress  may throw to stop: then there is no piece
     */
    public function for(User $user, ?Closure $progress = null): Piece
    {
        $piece = null;
        try {
            $piece = $this->begin($user, 'harbour');
            $this->cut($piece, 'harbour', $progress);
            $this->name($piece);
            if ($user->box()->exists()) {
                $this->planning->do($user, ['piece' => $piece->id], static fn (string $doing, float $share) => $progress === null ? null : $progress($doing, self::READING + (1.0 - self::READING) * $share));
                // Looked at once, so that how far it is is known, and Draw opens at once.
                $this->pages->of($piece->refresh());
                $this->parts->all($piece);
            }
        } catch (Throwable $problem) {
            // Not in one transaction: how far it is must be seen outside, and that it is not wanted any more, in here.
            $reference = $piece?->references()->first();
            $piece?->forceDelete();
            if ($reference !== null) {
                $this->photos->forget($reference);
            }
            throw $problem;
        }

        return $piece;
    }

    /** The other two, with zones and without recipes. */
    public function others(User $user): void
    {
        foreach (['jugs', 'lantern'] as $name) {
            $this->cut($this->begin($user, $name), $name);
        }
    }

    /** A piece that is begun from a line drawing, coloured. */
    public function inLines(User $user): void
    {
        $piece = $this->create($user, 'A quay in lines');
        $this->areas->begin($piece, database_path('demo/quay.png'));
        $map = $this->zones->map($piece);
        assert($map instanceof ZoneMap);
        // How areas are coloured, and which are one form, by spots: shares of width and height.
        /** @var list<array{at: list<array{float, float}>, body?: true|array{float, float}, by: string, colour: string, form?: string, shines?: bool}> $wishes */
        $wishes = json_decode((string) file_get_contents(database_path('demo/quay.json')), true, flags: JSON_THROW_ON_ERROR);
        $zones = $piece->zones()->get()->keyBy('label');
        $told = [];
        foreach ($wishes as $wish) {
            $at = static fn (array $spot): ?Zone => $zones->get($map->at($spot[0], $spot[1]));
            $chosen = array_values(array_filter(array_map($at, $wish['at'])));
            assert($chosen !== []);
            $body = $wish['body'] ?? null;
            $told[] = [$chosen, [
                'by' => $wish['by'], 'colour' => $wish['colour'], 'shines' => $wish['shines'] ?? false,
                ...(isset($wish['form']) ? ['form' => $wish['form']] : []),
                'body' => $body === true ? $chosen[0]->id : ($body === null ? null : $at($body)?->id),
            ]];
        }
        $this->areas->colourAll($piece, 'Coloured', $told);
        $piece->zoneChanges()->delete();
    }

    /**
     * A small study of a part of a demo photo, as an artist makes them between two pieces.
     *
     * @param  array{float, float, float, float}  $part  left, top, width and height, shares of the photo
     */
    public function study(User $user, string $photo, string $title, array $part): Piece
    {
        $image = new Imagick(database_path("demo/$photo.jpg"));
        [$width, $height] = [$image->getImageWidth(), $image->getImageHeight()];
        $image->cropImage((int) ($part[2] * $width), (int) ($part[3] * $height), (int) ($part[0] * $width), (int) ($part[1] * $height));
        $image->setImagePage(0, 0, 0, 0);
        $image->setImageFormat('png');
        $file = (string) tempnam(sys_get_temp_dir(), 'study');
        file_put_contents($file, $image->getImageBlob());
        try {
            return DB::transaction(function () use ($user, $title, $file): Piece {
                $piece = $this->create($user, $title);
                $this->references->begin($piece, $file);
                $this->readings->read($piece->reference());
                $this->zones->find($piece, self::STUDY_ZONES);
                $piece->zoneChanges()->delete();

                return $piece->refresh();
            });
        } finally {
            unlink($file);
        }
    }

    /** @return list<int> keys of the pencils that a box has with which these can be drawn */
    public static function box(): array
    {
        $ids = [];
        foreach (Csv::parse((string) file_get_contents(database_path('demo/box.csv')), ['range', 'number'])->rows as $row) {
            $ids[] = (int) Pencil::query()->where('number', $row['number'])->whereHas('range', static fn (Builder $range) => $range->where('code', $row['range'])->whereNull('user_id'))->valueOrFail('id');
        }

        return $ids;
    }

    /** What a demo photo's piece is called. */
    public static function titleOf(string $name): string
    {
        return self::PIECES[$name][0];
    }

    private function create(User $user, string $title): Piece
    {
        return $user->pieces()->create([
            ...$user->habits(),
            'title' => $title,
            'palette_size' => PicturePalettes::FIRST_SIZE,
            'paper_id' => Paper::query()->where('slug', 'harbour-cartridge')->valueOrFail('id'),
        ]);
    }

    private function begin(User $user, string $name): Piece
    {
        return DB::transaction(function () use ($user, $name): Piece {
            $piece = $this->create($user, self::PIECES[$name][0]);
            $this->references->begin($piece, database_path("demo/$name.jpg"));

            return $piece;
        });
    }

    /** @param  ?Closure(string, float): void  $progress */
    private function cut(Piece $piece, string $name, ?Closure $progress = null): void
    {
        $this->readings->read($piece->reference(), $progress === null ? null : static fn (string $doing, float $share) => $progress($doing, self::READING * $share));
        $this->zones->find($piece, self::PIECES[$name][1]);
        $piece->zoneChanges()->delete();
    }

    private function name(Piece $piece): void
    {
        $map = $this->zones->map($piece);
        assert($map instanceof ZoneMap);
        $zones = $piece->zones()->get()->keyBy('label');
        foreach (self::NAMES as $name => [$x, $y]) {
            $zones->get($map->at($x, $y))?->update(['name' => $name, 'named' => true]);
        }
    }
}
