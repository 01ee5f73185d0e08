<?php

declare(strict_types=1);

/*
 * Draws database/demo/quay.png: the outlines of a harbour still life, to be coloured. Some lines are not closed, as in a drawing by hand.
 *
 *     php database/demo/make-lines.php
 */

const WIDTH = 1600;
const HEIGHT = 1200;

$image = new Imagick;
$image->newImage(WIDTH, HEIGHT, new ImagickPixel('#ffffff'));
$draw = new ImagickDraw;
$draw->setStrokeColor(new ImagickPixel('#1c1c1c'));
$draw->setFillColor(new ImagickPixel('#ffffff'));
$draw->setStrokeLineCap(Imagick::LINECAP_ROUND);
$draw->setStrokeLineJoin(Imagick::LINEJOIN_ROUND);
$draw->setStrokeWidth(5);

/** A closed or open path in the notation of SVG: M, L, C, Z with absolute numbers. */
$path = static function (string $d) use ($draw): void {
    $draw->pathStart();
    preg_match_all('/([MLCZ])([^MLCZ]*)/', $d, $parts, PREG_SET_ORDER);
    foreach ($parts as [, $verb, $numbers]) {
        $n = array_map(floatval(...), preg_split('/[\s,]+/', trim($numbers), -1, PREG_SPLIT_NO_EMPTY) ?: []);
        match ($verb) {
            'M' => $draw->pathMoveToAbsolute($n[0], $n[1]),
            'L' => $draw->pathLineToAbsolute($n[0], $n[1]),
            'C' => $draw->pathCurveToAbsolute($n[0], $n[1], $n[2], $n[3], $n[4], $n[5]),
            default => $draw->pathClose(),
        };
    }
    $draw->pathFinish();
};
$open = static function (string $d) use ($draw, $path): void {
    $draw->setFillColor(new ImagickPixel('transparent'));
    $path($d);
    $draw->setFillColor(new ImagickPixel('#ffffff'));
};

// Wall boards, and the quay in front.
foreach ([330, 700, 1090, 1400] as $x) {
    $open("M $x 40 L ".($x + 6).' 720');
}
$open('M 40 720 L 1560 720');
$open('M 40 860 L 1560 850');
$open('M 40 1010 L 1560 1000');
$draw->setFillColor(new ImagickPixel('transparent'));
$draw->rectangle(40, 40, 1560, 1160);
$draw->setFillColor(new ImagickPixel('#ffffff'));

// A tall jug: handle, body, band, neck, rim.
$path('M 440 480 C 620 400 680 640 490 680 L 490 630 C 600 600 570 500 470 540 Z');
$path('M 205 470 C 110 540 120 870 210 930 C 270 960 390 960 445 930 C 535 870 540 540 450 470 C 410 440 400 400 405 350 L 255 350 C 258 400 250 440 205 470 Z');
$open('M 142 640 C 230 690 430 690 512 640');
$open('M 142 745 C 230 795 430 795 512 745');
$open('M 214 463 C 270 488 390 488 442 463');
$path('M 245 350 C 255 310 405 300 425 338 C 440 352 410 372 330 372 C 280 372 245 366 245 350 Z');

// A buoy: ball with a belt, neck, ring to tie it by.
$path('M 1075 470 C 1040 450 1035 395 1080 385 C 1125 380 1140 440 1110 470 L 1098 455 C 1112 430 1105 405 1083 408 C 1060 412 1065 440 1088 455 Z');
$path('M 1030 545 L 1036 470 L 1144 470 L 1150 545 Z');
$draw->circle(1090, 720, 1090, 530);
$open('M 903 690 C 990 745 1190 745 1277 690');
$open('M 908 775 C 1000 830 1180 830 1272 775');

// Two glass floats with the net of one.
$draw->circle(680, 880, 680, 760);
$open('M 590 800 C 650 850 720 850 772 803');
$open('M 570 930 C 640 900 730 900 790 928');
$open('M 655 763 C 620 850 620 920 652 997');
$open('M 712 765 C 745 850 745 920 712 996');
$draw->circle(1400, 950, 1400, 850);
$open('M 1340 872 C 1362 855 1390 850 1412 851 C 1400 868 1370 880 1342 878');

// A coil of rope.
$path('M 935 1060 C 900 1010 960 960 1080 965 C 1200 968 1260 1015 1225 1065 C 1190 1110 980 1115 935 1060 Z');
$path('M 1000 1045 C 985 1020 1020 1000 1080 1002 C 1140 1003 1170 1025 1155 1048 C 1135 1070 1020 1070 1000 1045 Z');
foreach ([[950, 1010, 1003, 1028], [1010, 978, 1040, 1005], [1090, 965, 1088, 1002], [1165, 982, 1128, 1010], [1222, 1020, 1160, 1032], [1190, 1090, 1135, 1062], [1110, 1103, 1090, 1067], [1010, 1100, 1040, 1062]] as [$x1, $y1, $x2, $y2]) {
    $open("M $x1 $y1 L $x2 $y2");
}
$image->drawImage($draw);

// A pencil does not close every line.
$white = new ImagickDraw;
$white->setFillColor(new ImagickPixel('#ffffff'));
foreach ([[330, 683, 9], [1090, 816, 10], [1400, 1050, 9], [700, 715, 0]] as [$x, $y, $r]) {
    $r > 0 && $white->circle($x, $y, $x + $r, $y);
}
$image->drawImage($white);
$image->setImageType(Imagick::IMGTYPE_GRAYSCALE);
$image->setImageFormat('png');
$image->stripImage();
$image->writeImage(__DIR__.'/quay.png');
