<?php

declare(strict_types=1);

// Renders a demo reference and what the renderer knows of it, and writes NAME.jpg, NAME.truth.png and NAME.truth.json beside
// itself.
// Usage: php database/demo/make-photo.php harbour|lantern|jugs|shelf [samples]
// Takes some ten minutes on two cores.

$name = $argv[1] ?? 'harbour';
$render = static function (string $target, string $raw, string ...$arguments): void {
    exec('node '.implode(' ', array_map(escapeshellarg(...), [__DIR__.'/render-photo.mjs', ...$arguments])), $said, $status);
    if ($status !== 0) {
        exit($status);
    }
    $picture = new Imagick($raw);
    if (str_ends_with($target, '.jpg')) {
        $picture->setImageFormat('jpeg');
        $picture->setImageCompressionQuality(91);
        $picture->setSamplingFactors(['2x2', '1x1', '1x1']);
    }
    $picture->writeImage($target);
    unlink($raw);
    if (str_ends_with($target, '.truth.png')) {
        file_put_contents(str_replace('.png', '.json', $target), implode("\n", $said)."\n");
    }
};
$raw = sys_get_temp_dir().'/'.$name.'-'.getmypid();
$render(__DIR__."/$name.jpg", "$raw.ppm", "$raw.ppm", $name, '1600', '1200', (string) (int) ($argv[2] ?? 48));
$render(__DIR__."/$name.truth.png", "$raw.pgm", '--truth', "$raw.pgm", $name, '800', '600');
