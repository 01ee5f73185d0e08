<?php

declare(strict_types=1);

// Renders the demo reference and writes it as harbour.jpg beside itself. Usage: php database/demo/make-photo.php
// Takes a few minutes on two cores.

$ppm = sys_get_temp_dir().'/harbour-'.getmypid().'.ppm';
passthru('node '.escapeshellarg(__DIR__.'/render-photo.mjs').' '.escapeshellarg($ppm).' 1600 1200 '.(int) ($argv[1] ?? 64), $status);
if ($status !== 0) {
    exit($status);
}
$image = new Imagick($ppm);
$image->setImageFormat('jpeg');
$image->setImageCompressionQuality(91);
$image->setSamplingFactors(['2x2', '1x1', '1x1']);
$image->writeImage(__DIR__.'/harbour.jpg');
unlink($ppm);
