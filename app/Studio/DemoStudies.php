<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Piece;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** What the demo's artist drew in the half year before: small studies, finished, each photographed some times on the way. Figures have something to show. */
final class DemoStudies
{
    /** Photo, title, part of it (left, top, width, height), and of each sitting: how much of the drawing is done then, and how many days ago that was. */
    private const STUDIES = [
        ['jugs', 'Green jug, a study', [0.64, 0.3, 0.34, 0.46], [[0.5, 155], [1.0, 147]]],
        ['harbour', 'Blue float, a study', [0.42, 0.5, 0.26, 0.3], [[0.5, 112], [1.0, 108]]],
        ['lantern', 'Rope, a study', [0.55, 0.6, 0.36, 0.32], [[0.4, 74], [1.0, 65]]],
        ['jugs', 'Yellow bowl, a study', [0.38, 0.42, 0.3, 0.42], [[0.6, 37], [1.0, 33]]],
    ];

    /** It was begun so many days before the first sitting was over. */
    private const BEFORE = 2;

    public function __construct(private readonly DemoPiece $demo, private readonly DemoDrawing $drawing)
    {
    }

    /** @return list<string> */
    public static function titles(): array
    {
        return array_column(self::STUDIES, 1);
    }

    /**
     * The next that is not there yet: they are drawn one by one, so that what is asked for meanwhile has its turn.
     *
     * @return bool whether there are more
     *
     * @throws \Prism\Review\ReviewRefused if no drawing can be read in what the simulated camera has taken
     */
    public function drawNext(User $artist): bool
    {
        $open = array_values(array_filter(self::STUDIES, static fn (array $study): bool => Piece::withTrashed()->where('user_id', $artist->id)->where('title', $study[1])->doesntExist()));
        if ($open === []) {
            return false;
        }
        [$photo, $title, $part, $sittings] = $open[0];
        $piece = $this->demo->study($artist, $photo, $title, $part);
        $this->drawing->draw($artist, $piece, $sittings);
        // Not the last that was touched.
        DB::table('pieces')->where('id', $piece->id)->update(['created_at' => now()->subDays($sittings[0][1] + self::BEFORE), 'updated_at' => now()->subDays($sittings[count($sittings) - 1][1])]);

        return count($open) > 1;
    }
}
