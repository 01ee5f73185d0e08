<?php

declare(strict_types=1);

namespace App\Studio\Archive;

use App\Models\Piece;
use App\Models\User;
use App\Studio\Files\Depot;
use Closure;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;
use Prism\Exchange\Archive\ArchiveWriter;

/** Archives that are saved: written down, kept until they are fetched, and put away. */
final class Archives
{
    /** Of an artist, the latest so many; they can be made again. */
    private const KEPT = 2;

    private const FOLDER = 'archives';

    public function __construct(private readonly Depot $depot, private readonly PieceArchive $pieces, private readonly StudioArchive $studio)
    {
    }

    /**
     * @param  ?Piece  $piece  null: the whole studio
     * @param  Closure(string, float): void  $progress  may throw to stop: there is no archive then
     * @return array{archive: string, name: string, bytes: int, of: ?string} how it is asked for, what the file is called, and of which piece it is
     */
    public function make(User $artist, ?Piece $piece, Closure $progress): array
    {
        $folder = self::FOLDER."/$artist->id";
        $key = strtolower((string) Str::ulid());
        $path = $this->depot->place("$folder/.$key");
        File::ensureDirectoryExists(dirname($path), 0o700);
        try {
            $to = ArchiveWriter::to($path);
            $progress('Writing the archive', 0.0);
            $piece === null ? $this->studio->write($artist, $to, $progress) : $this->pieces->write($piece, $to);
            $progress('Packing', 0.95);
            $bytes = $to->close();
            $this->depot->move($path, "$folder/$key.zip");
        } finally {
            File::delete($path);
        }
        $kept = array_filter($this->depot->files($folder), static fn (string $file): bool => str_ends_with($file, '.zip'));
        rsort($kept);
        $this->depot->remove(...array_slice($kept, self::KEPT));

        return ['archive' => $key, 'name' => sprintf('%s-%s.zip', $piece === null ? 'studio' : (Str::slug($piece->title) ?: 'piece'), now()->format('Y-m-d')), 'bytes' => $bytes, 'of' => $piece?->id];
    }

    /** Where one lies; null if there is none of that name. */
    public function path(User $artist, string $key): ?string
    {
        return $this->depot->path(self::FOLDER."/$artist->id/".basename($key).'.zip');
    }

    /** All that an artist has saved here. */
    public function remove(User $artist): void
    {
        $this->depot->removeFolder(self::FOLDER."/$artist->id");
    }
}
