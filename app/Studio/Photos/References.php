<?php

declare(strict_types=1);

namespace App\Studio\Photos;

use App\Models\Piece;
use App\Models\Reference;
use App\Studio\ChangedMeanwhile;
use App\Studio\Zones\ZoneBook;
use Closure;
use Illuminate\Support\Facades\DB;
use Prism\Colour\Lamp;
use Prism\Reference\Image\Alignment;
use Prism\Reference\Light\ColourMatrix;
use Prism\Reference\LookRefused;

/** The references of a piece: several photos, each trusted for something, each in its own light. */
final class References
{
    public const MOST = 12;

    /** Of a drawing until the artist says otherwise: it leaves a margin on A4. */
    public const LONG_EDGE_MM = 240.0;

    public function __construct(private readonly PhotoReader $reader, private readonly PhotoStore $photos, private readonly ZoneBook $zones)
    {
    }

    /**
     * @param  string  $path  of the uploaded file
     *
     * @throws PhotoRefused
     */
    public function add(Piece $piece, string $path, string $name, ReferenceRole $role): Reference
    {
        $this->checkRoom($piece);
        $photo = $this->reader->read($path);

        return DB::transaction(function () use ($piece, $photo, $name, $role): Reference {
            $reference = $piece->references()->create([
                'name' => $name, 'role' => $role, 'width' => $photo->width, 'height' => $photo->height,
                'position' => 1 + (int) $piece->references()->max('position'),
            ]);
            $this->photos->settle($reference, $this->photos->put($reference, $photo), $reference->picture);
            $piece->unsetRelation('references');

            return $reference;
        });
    }

    /** @throws PhotoRefused if the piece has as many as it takes */
    public function checkRoom(Piece $piece): void
    {
        if ($piece->references()->count() >= self::MOST) {
            throw new PhotoRefused(sprintf('A piece takes at most %d references. Remove one first.', self::MOST));
        }
    }

    /**
     * The first photo of a new piece; the drawing takes its shape.
     *
     * @throws PhotoRefused
     */
    public function begin(Piece $piece, string $path): void
    {
        $first = $this->add($piece, $path, 'Photo', ReferenceRole::Colour);
        $scale = self::LONG_EDGE_MM / max($first->width, $first->height);
        $piece->update(['width_mm' => round($first->width * $scale), 'height_mm' => round($first->height * $scale)]);
    }

    /**
     * Another photo in place of one: zones that still fit stay; see {@see ZoneBook::refit()}.
     *
     * @throws PhotoRefused if it cannot be read
     * @throws ChangedMeanwhile
     */
    public function replace(Reference $reference, string $path): void
    {
        $this->checkIsPhoto($reference);
        $photo = $this->reader->read($path);
        $written = $this->photos->put($reference, $photo);
        $this->show($reference, ['picture' => $reference->nextPicture(), 'width' => $photo->width, 'height' => $photo->height, 'balance' => null], 'Another photo', true, $written);
    }

    /**
     * Tells the light of a reference, by a patch or by the lamp; the pictures, and with the first reference the targets, follow.
     *
     * @param  array{by: string, x?: float, y?: float, radius?: float, lamp?: string}|null  $by  none: as the camera saw it
     * @param  ?Closure(string, float): void  $progress  may throw to stop: nothing is changed then
     *
     * @throws \Prism\Reference\LookRefused if the patch cannot tell it
     * @throws ChangedMeanwhile
     */
    public function balance(Reference $reference, ?array $by, ?Closure $progress = null): void
    {
        $written = $this->photos->relight($reference, $this->light($reference, $by), $progress);
        $this->show($reference, [...$reference->shown(), 'picture' => $reference->nextPicture(), 'balance' => $by], 'Another light', false, $written);
    }

    /**
     * What it showed before its photo or its light was changed last; once more brings the change back.
     *
     * @throws PhotoRefused
     */
    public function takeBack(Reference $reference): void
    {
        $this->checkIsPhoto($reference);
        $before = $reference->before ?? throw new PhotoRefused('Neither the photo nor its light was changed; there is nothing to take back.');
        $this->show($reference, $before, 'The photo before', $before['width'] !== $reference->width || $before['height'] !== $reference->height);
    }

    /**
     * Switches to a picture that is written already; the zones are read in it, or nothing is changed.
     *
     * @param  array{picture: int, width: int, height: int, balance: array{by: string, x?: float, y?: float, radius?: float, lamp?: string}|null}  $to
     * @param  ?string  $written  a new picture; null where it is one that is there
     */
    private function show(Reference $reference, array $to, string $change, bool $isAnother, ?string $written = null): void
    {
        $from = $reference->shown();
        DB::transaction(function () use ($reference, $from, $to, $change, $isAnother, $written): void {
            $row = Reference::query()->whereKey($reference->id);
            $row->lockForUpdate();
            if ($row->firstOrFail()->picture !== $from['picture']) {
                throw new ChangedMeanwhile('This photo');
            }
            if ($written !== null) {
                $this->photos->settle($reference, $written, $to['picture']);
            }
            $reference->update([...$to, 'before' => $from]);
            if ($this->isFirst($reference)) {
                $reference->piece->unsetRelation('references');
                $this->zones->refit($reference->piece, $change, $isAnother);
            }
        });
        $this->photos->prune($reference);
    }

    /**
     * @param  array{name?: string, role?: string, first?: mixed, pairs?: list<array{float, float, float, float}>}  $changes
     *
     * @throws \Prism\Reference\LookRefused if the pairs tell nothing
     */
    public function change(Reference $reference, array $changes): void
    {
        if (isset($changes['first']) && $reference->piece->lines !== null) {
            throw new LookRefused('This piece is drawn from its line drawing, and zones are its areas. Begin a piece of its own from this photo.');
        }
        if (isset($changes['pairs'])) {
            // What cannot be aligned is refused now, not when a spot is asked for.
            self::alignment($reference->piece->reference(), $reference, $changes['pairs']);
        }
        DB::transaction(function () use ($reference, $changes): void {
            $reference->update(array_intersect_key($changes, ['name' => true, 'role' => true, 'pairs' => true]));
            if (isset($changes['first']) && ! $this->isFirst($reference)) {
                $first = $reference->piece->reference();
                $reference->update(['position' => $first->position - 1]);
                // Pairs point from the first reference; from another they would mislead.
                foreach ($reference->piece->references as $other) {
                    $other->update(['pairs' => []]);
                }
                $reference->piece->unsetRelation('references');
                $this->zones->refit($reference->piece, 'Another first photo', true);
            }
        });
    }

    /**
     * Where spots of the first reference lie in another.
     *
     * @param  list<array{float, float, float, float}>  $pairs
     *
     * @throws \Prism\Reference\LookRefused if they tell nothing
     */
    public static function alignment(Reference $first, Reference $other, array $pairs): Alignment
    {
        return Alignment::of($pairs, $first->width / $first->height, $other->width / $other->height);
    }

    /** The first reference cannot be taken away: zones are read in it. It can be replaced, or another made the first. */
    public function isFirst(Reference $reference): bool
    {
        return $reference->piece->references()->first()?->id === $reference->id;
    }

    /** @throws LookRefused */
    private function checkIsPhoto(Reference $reference): void
    {
        if ($reference->piece->lines !== null && $this->isFirst($reference)) {
            throw new LookRefused('This picture is made from your line drawing and has no light of its own. Colour its areas instead, or begin another piece.');
        }
    }

    /**
     * What brings a reference into the light that is told.
     *
     * @param  array{by: string, x?: float, y?: float, radius?: float, lamp?: string}|null  $by
     *
     * @throws \Prism\Reference\LookRefused if the patch cannot tell it
     */
    public function light(Reference $reference, ?array $by): ColourMatrix
    {
        if ($by === null) {
            return ColourMatrix::none();
        }
        $this->checkIsPhoto($reference);
        if ($by['by'] === 'lamp') {
            return ColourMatrix::byLamp(Lamp::from($by['lamp'] ?? ''));
        }
        $patch = $this->photos->sampleAsDecoded($reference, $by['x'] ?? 0.5, $by['y'] ?? 0.5, $by['radius'] ?? 0.01)->colour;

        return $by['by'] === 'grey-card' ? ColourMatrix::byGreyCard($patch) : ColourMatrix::byNeutral($patch);
    }
}
