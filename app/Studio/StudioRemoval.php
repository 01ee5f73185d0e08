<?php

declare(strict_types=1);

namespace App\Studio;

use App\Models\Chart;
use App\Models\Paper;
use App\Models\User;
use App\Studio\Archive\Archives;
use App\Studio\Drawing\DrawingPhotos;
use App\Studio\Photos\PhotoStore;
use App\Studio\Swatches\ChartPictures;
use Illuminate\Support\Facades\DB;

/** Takes a whole studio away: every row of its artist, and every picture. There is no way back. */
final class StudioRemoval
{
    public function __construct(private readonly PhotoStore $photos, private readonly DrawingPhotos $drawings, private readonly ChartPictures $charts, private readonly Archives $archives)
    {
    }

    public function remove(User $artist): void
    {
        $pieces = DB::table('pieces')->where('user_id', $artist->id)->pluck('id');
        $references = DB::table('reference_pictures')->whereIn('piece_id', $pieces)->pluck('id');
        $charts = Chart::withTrashed()->where('user_id', $artist->id)->get();
        DB::transaction(static function () use ($artist): void {
            // What lies on papers of their own goes before those.
            foreach (['kept_recipes', 'pieces', 'swatches', 'charts'] as $table) {
                DB::table($table)->where('user_id', $artist->id)->delete();
            }
            DB::table('users')->where('id', $artist->id)->update(['paper_id' => null]);
            Paper::withTrashed()->where('user_id', $artist->id)->forceDelete();
            DB::table('sessions')->where('user_id', $artist->id)->delete();
            $artist->tokens()->delete();
            DB::table('password_reset_tokens')->where('email', $artist->email)->delete();
            $artist->delete();
        });
        $references->each(fn (string $reference) => $this->photos->remove($reference));
        $pieces->each(fn (string $piece) => $this->drawings->remove($piece));
        $this->archives->remove($artist);
        $charts->each(fn (Chart $chart) => $this->charts->forget($chart));
    }
}
