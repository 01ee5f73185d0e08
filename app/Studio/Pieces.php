<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Paper;
use App\Models\Piece;
use App\Models\User;
use App\Studio\LongWork\WorkRefused;
use App\Studio\Planning\SchoolChoices;
use App\Studio\Zones\AreaBook;
use App\Studio\Zones\Interpretations;
use App\Studio\Zones\Looking;
use App\Studio\Zones\ZoneBook;
use Illuminate\Support\Facades\DB;
use Prism\Reference\Light\RangeMode;

/** What is chosen for a piece as a whole, and what follows from a choice. */
final class Pieces
{
    private const PLAIN = ['title' => 'title', 'lamp' => 'lamp', 'unit' => 'unit', 'widthMm' => 'width_mm', 'heightMm' => 'height_mm', 'lightDegrees' => 'light_degrees', 'crop' => 'crop', 'sessionMinutes' => 'session_minutes', 'paletteSize' => 'palette_size', 'pinned' => 'pinned', 'banned' => 'banned', 'valueOnly' => 'value_only'];

    /** What the picture of a line drawing shows. */
    private const SHOWN_IN_LINES = ['crop' => true, 'widthMm' => true, 'heightMm' => true, 'lightDegrees' => true, 'paper' => true, 'marginMm' => true];

    public function __construct(private readonly Looking $looking, private readonly ZoneBook $zones, private readonly Interpretations $interpretations, private readonly AreaBook $areas)
    {
    }

    /**
     * The piece that a long work is about.
     *
     * @param  array<string, mixed>  $wish
     *
     * @throws WorkRefused if the artist has none such
     */
    public static function ofArtist(User $artist, array $wish): Piece
    {
        return $artist->pieces()->whereKey($wish['piece'] ?? '')->first() ?? throw new WorkRefused('This piece is not in your studio; it may have been removed.');
    }

    /**
     * @param  array<string, mixed>  $changes  validated; with the `version` that was seen, it must still be that
     *                                         ({@see ChangedMeanwhile})
     */
    public function change(Piece $piece, array $changes): void
    {
        DB::transaction(function () use ($piece, $changes): void {
            $row = Piece::query()->whereKey($piece->id);
            $version = (int) $row->lockForUpdate()->value('version');
            if (isset($changes['version']) && (int) $changes['version'] !== $version) {
                throw new ChangedMeanwhile('This piece');
            }
            $piece->version = $version + 1;
            foreach (self::PLAIN as $name => $column) {
                if (array_key_exists($name, $changes)) {
                    $piece->setAttribute($column, $changes[$name]);
                }
            }
            if (isset($changes['paper'])) {
                $piece->paper_id = (int) Paper::called($piece->user, $changes['paper'])?->id;
                $piece->unsetRelation('paper');
            }
            if (isset($changes['schools'])) {
                $piece->schools = SchoolChoices::answered($piece->schools, $changes['schools']);
            }
            if (isset($changes['interpretation'])) {
                $piece->interpretation = $this->interpretations->changed($piece->user, $piece->interpretation, $changes['interpretation']);
            }
            $this->unstretched($piece, $changes);
            if (isset($changes['marginMm']) && $piece->lines !== null) {
                $piece->lines = [...$piece->lines, 'marginMm' => (float) $changes['marginMm']];
            }
            $piece->save();
            if ($piece->lines !== null && array_intersect_key($changes, self::SHOWN_IN_LINES) !== []) {
                $this->areas->renew($piece);
            } elseif (array_key_exists('crop', $changes) || array_key_exists('lightDegrees', $changes)) {
                $this->zones->reshape($piece);
            }
            $mode = isset($changes['tone']) ? RangeMode::from($changes['tone']) : RangeMode::from($piece->tone['mode'] ?? RangeMode::AsIs->value);
            // What can be reached depends on the paper, what is asked for on the crop.
            if (isset($changes['tone']) || (($mode !== RangeMode::AsIs) && (isset($changes['paper']) || array_key_exists('crop', $changes)))) {
                $piece->update(['tone' => $this->looking->tone($piece, $mode)]);
            }
        });
    }

    /**
     * The drawing has the shape of what is drawn: of its sides one is told, the other follows.
     *
     * @param  array<string, mixed>  $changes
     */
    private function unstretched(Piece $piece, array $changes): void
    {
        if (array_intersect_key($changes, ['crop' => true, 'widthMm' => true, 'heightMm' => true]) === []) {
            return;
        }
        $crop = $piece->crop ?? ['width' => 1.0, 'height' => 1.0];
        $reference = $piece->reference();
        $ratio = ($crop['width'] * $reference->width) / ($crop['height'] * $reference->height);
        if (isset($changes['heightMm']) && ! isset($changes['widthMm'])) {
            $piece->width_mm = $piece->height_mm * $ratio;
        } elseif (! isset($changes['widthMm'])) {
            // Only the crop has changed: the long side stays.
            $piece->width_mm = max($piece->width_mm, $piece->height_mm) * min(1.0, $ratio);
        }
        $piece->width_mm = round($piece->width_mm, 1);
        $piece->height_mm = round($piece->width_mm / $ratio, 1);
    }
}
