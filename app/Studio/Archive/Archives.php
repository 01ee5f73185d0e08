<?php

declare(strict_types=1);

namespace App\Studio\Archive;

use App\Models\Piece;
use App\Models\User;
use Closure;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Prism\Exchange\Archive\ArchiveWriter;
use Throwable;

/** Archives that are saved: written down, kept until they are fetched, and put away. */
final class Archives
{
    /** Of an artist, the latest so many; they can be made again. */
    private const KEPT = 2;

    public function __construct(private readonly string $folder, private readonly PieceArchive $pieces, private readonly StudioArchive $studio)
    {
    }

    /**
     * @param  ?Piece  $piece  null: the whole studio
     * @param  Closure(string, float): void  $progress  may throw to stop: there is no archive then
     * @return array{archive: string, name: string, bytes: int, of: ?string} how it is asked for, what the file is called, and of which piece it is
     */
    public function make(User $artist, ?Piece $piece, Closure $progress): array
    {
        $folder = "$this->folder/$artist->id";
        File::ensureDirectoryExists($folder, 0o700);
        $key = strtolower((string) Str::ulid());
        $path = "$folder/.$key";
        try {
            $to = ArchiveWriter::to($path);
            $progress('Writing the archive', 0.0);
            $piece === null ? $this->studio->write($artist, $to, $progress) : $this->pieces->write($piece, $to);
            $progress('Packing', 0.95);
            $bytes = $to->close();
            File::move($path, "$folder/$key.zip");
        } catch (Throwable $problem) {
            File::delete($path);
            throw $problem;
        }
        $kept = glob("$folder/*.zip") ?: [];
        rsort($kept);
        File::delete(array_slice($kept, self::KEPT));

        return ['archive' => $key, 'name' => sprintf('%s-%s.zip', $piece === null ? 'studio' : (Str::slug($piece->title) ?: 'piece'), now()->format('Y-m-d')), 'bytes' => $bytes, 'of' => $piece?->id];
    }

    /** Where one lies; null if there is none of that name. */
    public function path(User $artist, string $key): ?string
    {
        $path = "$this->folder/$artist->id/".basename($key).'.zip';

        return is_file($path) ? $path : null;
    }

    /** All that an artist has saved here. */
    public function remove(User $artist): void
    {
        File::deleteDirectory("$this->folder/$artist->id");
    }
}
