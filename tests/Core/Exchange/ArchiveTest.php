<?php

declare(strict_types=1);

use Prism\Exchange\Archive\ArchiveReader;
use Prism\Exchange\Archive\ArchiveRefused;
use Prism\Exchange\Archive\ArchiveWriter;

beforeEach(function (): void {
    $this->path = (string) tempnam(sys_get_temp_dir(), 'archive');
    /** A zip file as others may write it. */
    $this->zip = function (Closure $fill): ArchiveReader {
        $zip = new ZipArchive;
        $zip->open($this->path, ZipArchive::CREATE | ZipArchive::OVERWRITE);
        $fill($zip);
        $zip->close();

        return ArchiveReader::open($this->path);
    };
});

afterEach(fn () => @unlink($this->path));

it('reads what was written', function (): void {
    $to = ArchiveWriter::to($this->path);
    $to->json('piece.json', ['title' => 'Flöße', 'L' => 52.0, 'x' => 0.1 + 0.2]);
    $to->put('pictures/1/decoded.png', "\x89PNG\0\xff");
    $to->file('drawing/me.php', __FILE__);
    $bytes = $to->close();
    $from = ArchiveReader::open($this->path);
    expect($bytes)->toBe(filesize($this->path))
        ->and($from->json('piece.json'))->toBe(['title' => 'Flöße', 'L' => 52.0, 'x' => 0.1 + 0.2])
        ->and($from->bytes('pictures/1/decoded.png'))->toBe("\x89PNG\0\xff")
        ->and($from->bytes('drawing/me.php'))->toBe(file_get_contents(__FILE__))
        ->and($from->has('plan.pdf'))->toBeFalse();
});

it('refuses what is no zip file, or half of one', function (): void {
    file_put_contents($this->path, 'no zip');
    expect(fn () => ArchiveReader::open($this->path))->toThrow(ArchiveRefused::class, 'This is no whole zip file.');
    ($this->zip)(fn (ZipArchive $zip) => $zip->addFromString('a', random_bytes(5000)));
    file_put_contents($this->path, substr((string) file_get_contents($this->path), 0, 3000));
    expect(fn () => ArchiveReader::open($this->path))->toThrow(ArchiveRefused::class, 'This is no whole zip file.');
});

it('refuses names that lead out of it', function (string $name): void {
    expect(fn () => ($this->zip)(fn (ZipArchive $zip) => $zip->addFromString($name, 'x')))->toThrow(ArchiveRefused::class, 'leads out of it');
})->with(['../piece.json', 'pictures/../../piece.json', '/etc/passwd', 'pictures\\..\\piece.json', 'C:piece.json', './piece.json', "piece\n.json"]);

it('refuses what is made to burst, before it is unpacked', function (): void {
    expect(fn () => ($this->zip)(fn (ZipArchive $zip) => $zip->addFromString('piece.json', str_repeat(' ', 65_000_000))))->toThrow(ArchiveRefused::class, '"piece.json" would unpack to 65 megabytes');
    $before = memory_get_peak_usage();
    expect(fn () => ArchiveReader::open($this->path))->toThrow(ArchiveRefused::class)->and(memory_get_peak_usage() - $before)->toBeLessThan(10_000_000);
    expect(fn () => ($this->zip)(function (ZipArchive $zip): void {
        for ($i = 0; $i < 20_001; $i++) {
            $zip->addFromString("tables/$i.csv", '');
        }
    }))->toThrow(ArchiveRefused::class, 'The archive holds 20001 files');
    ($this->zip)(function (ZipArchive $zip): void {
        foreach (['a', 'b', 'c'] as $name) {
            $zip->addFromString($name, random_bytes(900_000));
        }
    });
    expect(fn () => ArchiveReader::open($this->path, 2_000_000))->toThrow(ArchiveRefused::class, 'The archive would unpack to 2 megabytes; at most 2 are taken in.');
});

it('refuses one that is locked', function (): void {
    expect(fn () => ($this->zip)(function (ZipArchive $zip): void {
        $zip->addFromString('piece.json', '{}');
        $zip->setEncryptionName('piece.json', ZipArchive::EM_AES_256, 'secret');
    }))->toThrow(ArchiveRefused::class, 'locked with a password');
});

it('says what is missing, damaged, or no JSON', function (): void {
    $from = ($this->zip)(function (ZipArchive $zip): void {
        $zip->addFromString('broken.json', '{"title": ');
        $zip->addFromString('list.json', '[1, 2]');
        $zip->addFromString('deep.json', str_repeat('[', 100).str_repeat(']', 100));
    });
    expect(fn () => $from->bytes('piece.json'))->toThrow(ArchiveRefused::class, '"piece.json" is missing in the archive.')
        ->and(fn () => $from->json('broken.json'))->toThrow(ArchiveRefused::class, '"broken.json" in the archive is no JSON')
        ->and(fn () => $from->json('list.json'))->toThrow(ArchiveRefused::class, '"list.json" in the archive is no object')
        ->and(fn () => $from->json('deep.json'))->toThrow(ArchiveRefused::class, 'no JSON');
    ($this->zip)(function (ZipArchive $zip): void {
        $zip->addFromString('photo.jpg', str_repeat('light', 40));
        $zip->setCompressionName('photo.jpg', ZipArchive::CM_STORE);
    });
    file_put_contents($this->path, str_replace('lightlight', 'lightnight', (string) file_get_contents($this->path)));
    expect(fn () => ArchiveReader::open($this->path)->bytes('photo.jpg'))->toThrow(ArchiveRefused::class, '"photo.jpg" in the archive is damaged.');
});
