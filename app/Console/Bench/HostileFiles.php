<?php

declare(strict_types=1);

namespace App\Console\Bench;

use Imagick;
use Prism\Calibration\Swatch;
use Prism\Exchange\Archive\ArchiveWriter;
use Prism\Exchange\Cgats;
use Prism\Exchange\GplPalette;
use Prism\Materials\Kit;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Files that nobody should be able to hurt a studio with, the same in every run, after one that is whole: such as are damaged in many ways, made to burst, made to be two
 * things at once, or lying about what they are.
 */
final class HostileFiles
{
    /** Edges that a header may claim. */
    private const EDGES = [0, 1, 47, 65_535, 200_000, 2_147_483_647];

    private const MARKUP = '<html><script>alert(1)</script><?php system("id"); ?>';

    public function __construct(private readonly Kit $kit)
    {
    }

    /**
     * @return iterable<string, string> bytes by what was done
     */
    public function pictures(int $many): iterable
    {
        $photo = new Imagick(database_path('demo/harbour.jpg'));
        $photo->resizeImage(320, 240, Imagick::FILTER_TRIANGLE, 1.0);
        $whole = [];
        foreach (['jpeg', 'png', 'webp'] as $format) {
            $photo->setFormat($format);
            $photo->setImageFormat($format);
            $whole[$format] = $photo->getImageBlob();
        }
        yield from $whole;
        for ($n = 0; $n < $many; $n++) {
            $dice = self::chance("picture $n");
            $format = ['jpeg', 'png', 'webp'][$n % 3];
            $bytes = $whole[$format];
            [$what, $made] = match (intdiv($n, 3) % 10) {
                0 => ['cut off', substr($bytes, 0, self::at($dice, strlen($bytes)))],
                1 => ['a bit in a thousand bytes turned', self::turned($bytes, $dice, 1000)],
                2 => ['a bit in ten thousand turned', self::turned($bytes, $dice, 10_000)],
                3 => ['a header that lies', self::claimed($bytes, $format, $dice)],
                4 => ['noise after the header', substr($bytes, 0, 40).self::noise($dice, 20_000)],
                5 => ['markup before it', self::MARKUP.$bytes],
                6 => ['markup and a zip behind it', $bytes.self::MARKUP.self::zip(['a.txt' => 'a'])],
                7 => ['a profile of noise', self::withSegment($bytes, $format, 'icc', self::noise($dice, 3000))],
                8 => ['EXIF of noise', self::withSegment($bytes, $format, 'exif', self::noise($dice, 3000))],
                default => ['one picture in the clothes of another', self::dressed($whole, $format)],
            };
            yield "$format, $what, $n" => $made;
        }
    }

    /** @return iterable<string, string> */
    public function bursting(): iterable
    {
        foreach ([[20_000, 20_000], [60_000, 900], [7_000, 8_000]] as [$width, $height]) {
            yield "png of $width x $height in a few bytes" => self::flatPng($width, $height);
        }
        yield 'png whose text packs a thousand to one' => self::withSegment(self::flatPng(400, 300), 'png', 'zTXt', "note\0\0".gzcompress(str_repeat('0', 60_000_000), 9));
        $animation = new Imagick;
        for ($frame = 0; $frame < 60; $frame++) {
            $animation->newImage(400, 300, $frame % 2 === 0 ? 'gray20' : 'gray80', 'webp');
        }
        yield 'webp of sixty frames' => $animation->getImagesBlob();
        yield 'svg that reads a file' => '<?xml version="1.0"?><!DOCTYPE s [<!ENTITY x SYSTEM "file:///etc/passwd">]><svg xmlns="http://www.w3.org/2000/svg" width="100" height="100"><text>&x;</text></svg>';
        yield 'mvg that fetches' => "push graphic-context\nviewbox 0 0 640 480\nfill 'url(https://127.0.0.1/x.jpg)'\npop graphic-context";
        yield 'nothing' => '';
    }

    /**
     * Tables as text.
     *
     * @param  list<Swatch>  $swatches
     * @return iterable<string, array{string, string}> which reader, and the text
     */
    public function tables(int $many, array $swatches): iterable
    {
        $whole = [
            'pencils' => (string) file_get_contents(database_path('demo/pencils.csv')),
            'swatches' => (string) file_get_contents(database_path('demo/swatches.csv')),
            'cgats' => Cgats::write($swatches),
            'palette' => GplPalette::write('A', $this->kit),
            'targets' => "id,L,a,b\n".implode("\n", array_map(static fn (int $n): string => "t$n,$n,1,-1", range(1, 90))),
            'numbers' => '101-124, 130 Rose, 133; 140',
        ];
        foreach ($whole as $kind => $text) {
            yield "$kind, whole" => [$kind, $text];
        }
        for ($n = 0; $n < $many; $n++) {
            $dice = self::chance("table $n");
            $kind = array_keys($whole)[$n % count($whole)];
            $text = $whole[$kind];
            [$what, $made] = match (intdiv($n, count($whole)) % 10) {
                0 => ['cut off', substr($text, 0, self::at($dice, strlen($text)))],
                1 => ['a bit in a hundred bytes turned', self::turned($text, $dice, 100)],
                2 => ['a bit in five hundred turned', self::turned($text, $dice, 500)],
                3 => ['other encoding', mb_convert_encoding($text, 'UTF-16LE')],
                4 => ['one line of it for ever', substr($text, 0, 200).str_repeat('9', 300_000)],
                5 => ['quotes without end', str_replace(',', ',"', $text)],
                6 => ['no numbers', (string) preg_replace('/\d+\.\d+/', ['NaN', 'INF', '1e999', '-', '0x1F'][self::at($dice, 5)], $text)],
                7 => ['lines turned round', implode("\n", array_reverse(explode("\n", $text)))],
                8 => ['noise', self::noise($dice, 20_000)],
                default => ['numbers that are too large', (string) preg_replace('/\d+/', '99999999999999999999', $text)],
            };
            yield "$kind, $what, $n" => [$kind, $made];
        }
    }

    /** @return iterable<string, string> zip files */
    public function archives(int $many): iterable
    {
        $studio = [
            'format' => 'prism-studio-1', 'studio' => ['hand' => 'right', 'lamp' => 'daylight', 'unit' => 'mm', 'sessionMinutes' => 60], 'box' => [['pencil' => 'QW:6858']],
            'charts' => [], 'swatches' => [['paper' => 'harbour-cartridge', 'stack' => 'QW:6858@40', 'L' => 50.0, 'a' => 1.0, 'b' => 2.0, 'source' => 'typed']],
            'calibrations' => [], 'recipes' => [], 'practice' => [], 'pieces' => [], 'papers' => [], 'ranges' => [],
        ];
        $text = json_encode($studio, JSON_THROW_ON_ERROR);
        $whole = self::zip(['studio.json' => $text]);
        yield 'zip, whole' => $whole;
        for ($n = 0; $n < $many; $n++) {
            $dice = self::chance("archive $n");
            [$what, $made] = match ($n % 12) {
                0 => ['cut off', substr($whole, 0, self::at($dice, strlen($whole)))],
                1 => ['a bit in a hundred bytes turned', self::turned($whole, $dice, 100)],
                2 => ['its text damaged', self::zip(['studio.json' => self::turned($text, $dice, 150)])],
                3 => ['nested without end', self::zip(['studio.json' => str_repeat('[', 50_000 + $n)])],
                4 => ['made to burst', self::zip(['studio.json' => str_repeat(' ', 90_000_000)])],
                5 => ['leading out', self::zip([['../../etc/cron.d/x', '/etc/x', 'a\\..\\..\\x', "a\0b"][$n % 4] => 'x', 'studio.json' => $text])],
                6 => ['other kinds of values', self::zip(['studio.json' => self::swapped($studio, $dice)])],
                7 => ['naming a piece that is not there', self::zip(['studio.json' => json_encode([...$studio, 'pieces' => ["pieces/$n/"]], JSON_THROW_ON_ERROR)])],
                8 => ['with numbers that are too large', self::zip(['studio.json' => str_replace('50.0', '1e999', json_encode($studio, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION))])],
                9 => ['another format', self::zip(['studio.json' => str_replace('prism-studio-1', 'prism-studio-'.$n, $text)])],
                10 => ['thirty thousand names', self::zip(array_fill_keys(array_map(static fn (int $i): string => "f$i", range(1, $n < 30 ? 30_000 : 40)), ''))],
                default => ['noise with the mark of a zip', "PK\x03\x04".self::noise($dice, 5000)],
            };
            yield "zip, $what, $n" => $made;
        }
    }

    private static function chance(string $seed): Randomizer
    {
        return new Randomizer(new Mt19937(crc32($seed)));
    }

    private static function at(Randomizer $dice, int $length): int
    {
        return $dice->getInt(0, max(0, $length - 1));
    }

    private static function turned(string $bytes, Randomizer $dice, int $oneIn): string
    {
        for ($i = 0, $many = max(1, intdiv(strlen($bytes), $oneIn)); $i < $many; $i++) {
            $at = self::at($dice, strlen($bytes));
            $bytes[$at] = chr(ord($bytes[$at]) ^ (1 << self::at($dice, 8)));
        }

        return $bytes;
    }

    private static function noise(Randomizer $dice, int $length): string
    {
        $noise = '';
        while (strlen($noise) < $length) {
            $noise .= $dice->getBytes(64);
        }

        return substr($noise, 0, $length);
    }

    /** Says that it is of another size. */
    private static function claimed(string $bytes, string $format, Randomizer $dice): string
    {
        [$width, $height] = [self::EDGES[self::at($dice, count(self::EDGES))], self::EDGES[self::at($dice, count(self::EDGES))]];
        if ($format === 'png') {
            $header = 'IHDR'.pack('NN', $width, $height).substr($bytes, 24, 5);

            return substr($bytes, 0, 12).$header.pack('N', crc32($header)).substr($bytes, 33);
        }
        $at = $format === 'jpeg' ? (int) strpos($bytes, "\xFF\xC0") + 5 : 26;

        return substr($bytes, 0, $at).pack($format === 'jpeg' ? 'nn' : 'vv', $height & 0xFFFF, $width & 0xFFFF).substr($bytes, $at + 4);
    }

    /** With a part beside the picture: a profile, what the camera says, a note. */
    private static function withSegment(string $bytes, string $format, string $kind, string $of): string
    {
        if ($format === 'png') {
            $chunk = match ($kind) {
                'icc' => "iCCPx\0\0".gzcompress($of),
                'exif' => "eXIfMM\0*".$of,
                default => $kind.$of,
            };

            return substr($bytes, 0, 33).pack('N', strlen($chunk) - 4).$chunk.pack('N', crc32($chunk)).substr($bytes, 33);
        }
        if ($format === 'jpeg') {
            $segment = $kind === 'icc' ? "ICC_PROFILE\0\x01\x01".$of : "Exif\0\0MM\0*".$of;

            return substr($bytes, 0, 2)."\xFF".($kind === 'icc' ? "\xE2" : "\xE1").pack('n', strlen($segment) + 2).$segment.substr($bytes, 2);
        }
        $chunk = ($kind === 'icc' ? 'ICCP' : 'EXIF').pack('V', strlen($of)).$of;

        return 'RIFF'.pack('V', strlen($bytes) - 8 + strlen($chunk)).substr($bytes, 8).$chunk;
    }

    /** @param  array<string, string>  $whole */
    private static function dressed(array $whole, string $format): string
    {
        $head = ['jpeg' => 3, 'png' => 8, 'webp' => 12][$format];
        $other = $whole[$format === 'jpeg' ? 'png' : 'jpeg'];

        return substr($whole[$format], 0, $head).substr($other, $head)."\xFF\xD9IEND";
    }

    /** All of one grey: as large as one likes in a few thousand bytes. */
    private static function flatPng(int $width, int $height): string
    {
        $rows = deflate_init(ZLIB_ENCODING_DEFLATE, ['level' => 9]);
        if ($rows === false) {
            return '';
        }
        $packed = '';
        $row = "\0".str_repeat("\x80", $width);
        for ($y = 0; $y < $height; $y++) {
            $packed .= deflate_add($rows, $row, ZLIB_NO_FLUSH);
        }
        $packed .= deflate_add($rows, '', ZLIB_FINISH);
        $chunk = static fn (string $of): string => pack('N', strlen($of) - 4).$of.pack('N', crc32($of));

        return "\x89PNG\r\n\x1A\n".$chunk('IHDR'.pack('NNCCCCC', $width, $height, 8, 0, 0, 0, 0)).$chunk('IDAT'.$packed).$chunk('IEND');
    }

    /** @param  array<string, string>  $files */
    private static function zip(array $files): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'prism');
        try {
            $zip = ArchiveWriter::to($path);
            foreach ($files as $name => $bytes) {
                $zip->put((string) $name, $bytes);
            }
            $zip->close();

            return (string) file_get_contents($path);
        } finally {
            @unlink($path);
        }
    }

    /**
     * With values of other kinds in some places.
     *
     * @param  array<string, mixed>  $told
     */
    private static function swapped(array $told, Randomizer $dice): string
    {
        $odd = [null, true, -1, 1.5e300, '', [], ['a' => ['b' => []]], str_repeat('x', 5000), "\u{202E}\u{0}"];
        array_walk_recursive($told, static function (mixed &$value) use ($dice, $odd): void {
            if (self::at($dice, 10) < 3) {
                $value = $odd[self::at($dice, count($odd))];
            }
        });
        $key = array_keys($told)[self::at($dice, count($told))];
        $told[$key] = $key === 'format' ? $told[$key] : $odd[self::at($dice, count($odd))];

        return json_encode($told, JSON_THROW_ON_ERROR);
    }
}
