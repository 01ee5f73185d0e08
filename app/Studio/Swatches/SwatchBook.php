<?php

declare(strict_types=1);

namespace App\Studio\Swatches;

use App\Models\Chart;
use App\Models\Paper;
use App\Models\Swatch as SwatchModel;
use App\Models\User;
use App\Studio\Pencils\Catalogue;
use App\Studio\Pencils\PencilBook;
use Illuminate\Support\Facades\DB;
use Prism\Calibration\Swatch;
use Prism\Colour\Lab;
use Prism\Exchange\Cgats;
use Prism\Exchange\SwatchEntry;
use Prism\Exchange\SwatchTable;
use Prism\Layering\Stack;
use Prism\Layering\Technique;
use Prism\Layering\UnknownPencil;
use Prism\Materials\PencilId;

/** What an artist laid on which paper, and the colour read: written, taken in from files, given out. */
final class SwatchBook
{
    private const NOTE_LENGTH = 300;

    public function __construct(private readonly Catalogue $catalogue, private readonly SwatchReader $reader)
    {
    }

    /** @throws UnknownPencil if the artist sees no such pencil */
    public function write(User $artist, Paper $paper, Stack $stack, Lab $colour, string $source, string $note = '', ?string $drawnOn = null, ?float $spread = null, ?Chart $chart = null): SwatchModel
    {
        foreach ($stack->pencils() as $pencil) {
            if ($this->catalogue->row($artist, $pencil) === null) {
                throw new UnknownPencil((string) $pencil);
            }
        }

        return DB::transaction(function () use ($artist, $paper, $stack, $colour, $source, $note, $drawnOn, $spread, $chart): SwatchModel {
            $this->colourOf($artist, $paper, $stack, $colour);

            return $artist->swatches()->create([
                'paper_id' => $paper->id, 'stack' => (string) $stack, 'L' => $colour->L, 'a' => $colour->a, 'b' => $colour->b,
                'source' => $source, 'note' => mb_substr($note, 0, self::NOTE_LENGTH), 'drawn_on' => $drawnOn, 'spread' => $spread,
                'technique' => Technique::of($stack)->value, 'chart_id' => $chart?->id,
            ]);
        });
    }

    /**
     * Takes in what was read from a chart: all of it, or nothing. Pencils of own ranges that have no colour yet take that of their heavy
     * coat, and are what the card says they are.
     *
     * @param  array<int, array{colour: Lab, spread: ?float}>  $fields  by number
     * @param  array<string, array<string, mixed>>  $pencils  columns by RANGE:NUMBER
     * @return int swatches written
     */
    public function take(User $artist, Chart $chart, array $fields, array $pencils, bool $isSimulated, bool $intoBox): int
    {
        DB::transaction(function () use ($artist, $chart, $fields, $pencils, $isSimulated, $intoBox): void {
            foreach ($pencils as $id => $columns) {
                $row = $this->catalogue->row($artist, PencilId::of($id)) ?? abort(422, sprintf('There is no pencil %s in your ranges.', $id));
                abort_unless($row->range->user_id === $artist->id, 422, sprintf('Range %s ships with the studio and stays as it is; its pencils are what they are.', $row->range->code));
                // Before its swatches, which give it its colour from what it is.
                $row->fill($columns)->save();
            }
            $drawn = [];
            foreach ($fields as $number => ['colour' => $colour, 'spread' => $spread]) {
                $stack = Stack::parse($chart->stacks[$number - 1] ?? abort(422, sprintf('This chart has no field %d.', $number)));
                $this->write($artist, $chart->paper, $stack, $colour, $isSimulated ? 'simulated' : 'picture', drawnOn: now()->format('Y-m-d'), spread: $spread, chart: $chart);
                array_push($drawn, ...$stack->pencils());
            }
            if ($intoBox) {
                $artist->box()->syncWithoutDetaching(array_map(fn (PencilId $id): int => $this->catalogue->row($artist, $id)->id ?? abort(422), array_values(array_unique($drawn, SORT_REGULAR))));
            }
        });

        return count($fields);
    }

    /** A heavy coat of a pencil of one's own range that was written down without a colour is its colour, but on toned paper, which shows through. */
    private function colourOf(User $artist, Paper $paper, Stack $stack, Lab $colour): void
    {
        if (! $stack->isHeavyCoat() || Catalogue::paper($paper)->isToned()) {
            return;
        }
        $row = $this->catalogue->row($artist, $stack->pencils()[0]);
        if ($row === null || $row->L !== null || $row->range->user_id !== $artist->id) {
            return;
        }
        $row->fill(['L' => $colour->L, 'a' => $colour->a, 'b' => $colour->b]);
        $row->update(PencilBook::columns(PencilBook::entry($row)));
    }

    /**
     * The colour that comes out when the reader at hand draws a stack.
     *
     * @throws UnknownPencil if the artist sees no such pencil
     */
    public function drawn(User $artist, Paper $paper, Stack $stack): Lab
    {
        foreach ($stack->pencils() as $pencil) {
            $row = $this->catalogue->row($artist, $pencil);
            if ($row === null) {
                throw new UnknownPencil((string) $pencil);
            }
            $this->reader->take(PencilBook::entry($row));
        }

        $this->reader->lay(Catalogue::paper($paper));

        return $this->reader->read($paper->slug, $stack, (string) hrtime(true));
    }

    /**
     * What a file holds: a swatches table (CSV), or CGATS text.
     *
     * @param  ?string  $on  the paper of all of it; must be given for CGATS, which does not say
     * @return array<int, SwatchEntry> by row
     *
     * @throws \Prism\Exchange\TableRefused with every bad row
     */
    public function read(User $artist, string $text, ?string $on): array
    {
        $kit = $this->catalogue->pencils($artist);
        $papers = array_keys($this->catalogue->papers($artist));
        if (preg_match('/^\s*(CGATS|.*BEGIN_DATA_FORMAT)/s', $text) === 1 && ! str_contains((string) strtok($text, "\r\n"), ',')) {
            return array_map(static fn (Swatch $swatch): SwatchEntry => new SwatchEntry($swatch, source: 'instrument'), Cgats::read($text, $on ?? $papers[0], $kit));
        }

        return SwatchTable::entries($text, $kit, $papers, $on);
    }

    /** Takes a file in, all of it or nothing. */
    public function import(User $artist, string $text, ?string $on): int
    {
        $entries = $this->read($artist, $text, $on);
        $papers = Paper::seenBy($artist)->get()->keyBy('slug');
        DB::transaction(function () use ($artist, $entries, $papers): void {
            foreach ($entries as $entry) {
                $source = in_array($entry->source, ['typed', 'instrument', 'picture', 'simulated'], true) ? $entry->source : 'instrument';
                $this->write($artist, $papers->firstOrFail(static fn (Paper $paper): bool => $paper->slug === $entry->swatch->paper), $entry->swatch->stack, $entry->swatch->colour, $source, $entry->note, $entry->measuredAt === null ? null : date('Y-m-d', (int) strtotime($entry->measuredAt)));
            }
        });

        return count($entries);
    }

    public function csv(User $artist): string
    {
        return SwatchTable::write($this->entries($artist));
    }

    public function cgats(User $artist): string
    {
        return Cgats::write(array_map(static fn (SwatchEntry $entry): Swatch => $entry->swatch, $this->entries($artist)));
    }

    /** @return list<SwatchEntry> */
    private function entries(User $artist): array
    {
        $entries = [];
        foreach ($artist->swatches()->with('paper')->get()->sortBy('id') as $row) {
            $entries[] = new SwatchEntry(Catalogue::swatch($row), $row->note, $row->drawn_on?->format('Y-m-d'), $row->source);
        }

        return $entries;
    }
}
