<?php

declare(strict_types=1);

// Makes the two invented pencil ranges of the demo studio from invented pigments and writes pencils.csv beside itself.
// Usage: php database/demo/make-materials.php

require __DIR__.'/../../vendor/autoload.php';

use Prism\Colour\Observer;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** An absorption edge: everything below (or above) a wavelength is taken in. */
$below = static fn (float $nm, float $width): callable => static fn (float $at): float => 1.0 / (1.0 + exp(($at - $nm) / $width));
$above = static fn (float $nm, float $width): callable => static fn (float $at): float => 1.0 / (1.0 + exp(($nm - $at) / $width));
$bump = static fn (float $nm, float $width): callable => static fn (float $at): float => exp(-0.5 * (($at - $nm) / $width) ** 2);

/** Pigments: absorption parts [amount, shape], a flat absorption, and scattering. */
$pigments = [
    'white' => [[], 0.006, 7.0],
    'clear' => [[], 0.004, 0.6],
    'black' => [[[1.0, $below(520, 90)]], 14.0, 0.35],
    'lemon' => [[[7.0, $below(482, 8)]], 0.012, 1.3],
    'straw' => [[[7.0, $below(499, 9)]], 0.014, 1.3],
    'amber' => [[[7.5, $below(519, 10)]], 0.016, 1.2],
    'coral' => [[[8.0, $below(546, 10)]], 0.03, 1.2],
    'scarlet' => [[[8.0, $below(574, 10)]], 0.04, 1.1],
    'crimson' => [[[7.0, $bump(535, 46)], [3.6, $bump(465, 40)], [1.6, $bump(400, 25)]], 0.03, 0.7],
    'magenta' => [[[7.0, $bump(545, 32)], [1.1, $bump(470, 40)]], 0.04, 0.7],
    'violet' => [[[7.0, $bump(562, 42)], [1.6, $bump(640, 45)], [0.8, $bump(480, 25)]], 0.07, 0.7],
    'marine' => [[[7.5, $bump(592, 48)], [1.6, $bump(520, 30)], [4.0, $bump(670, 50)], [0.5, $bump(400, 25)]], 0.06, 0.7],
    'cobalt' => [[[5.5, $bump(608, 48)], [1.2, $bump(545, 30)], [3.5, $bump(680, 45)], [0.5, $bump(410, 30)]], 0.06, 1.0],
    'abyss' => [[[8.0, $bump(640, 66)], [2.0, $bump(575, 35)], [3.0, $bump(710, 40)], [1.0, $bump(405, 30)]], 0.05, 0.7],
    'lagoon' => [[[7.5, $bump(660, 62)], [1.0, $bump(590, 35)], [2.0, $bump(400, 32)]], 0.04, 0.9],
    'jade' => [[[8.5, $bump(655, 55)], [3.2, $bump(400, 36)], [2.2, $bump(590, 26)]], 0.05, 0.8],
    'moss' => [[[6.0, $bump(660, 46)], [6.0, $below(478, 12)], [1.2, $bump(600, 28)]], 0.07, 0.9],
    'ochre' => [[[3.8, $below(512, 22)]], 0.16, 1.7],
    'rust' => [[[5.2, $below(556, 18)]], 0.28, 1.6],
    'umber' => [[[4.2, $below(560, 50)]], 0.75, 1.3],
    'tar' => [[[5.5, $below(570, 70)]], 2.6, 0.9],
    'slate' => [[[3.5, $bump(620, 90)], [0.8, $bump(470, 60)]], 2.9, 0.8],
];

/**
 * Pencils: name, pigment shares, opacity, lightfastness, former names. The shares add up to about 1; the rest of the lead
 * is binder. Their numbers are drawn below.
 */
$ranges = [
    'QW' => ['wax', [
        ['Chalk Quay', ['white' => 1.5], 'opaque', 'I', 'Whitewash'],
        ['Sailcloth', ['white' => 1.0, 'straw' => 0.012, 'ochre' => 0.02], 'semi', 'I'],
        ['Tallow', ['white' => 0.9, 'straw' => 0.035, 'ochre' => 0.03], 'semi', 'I', 'Candle End'],
        ['Rope Ivory', ['white' => 0.9, 'ochre' => 0.09], 'semi', 'I'],
        ['Signal Lemon', ['lemon' => 0.75, 'clear' => 0.3], 'transparent', 'II'],
        ['Pilot Yellow', ['straw' => 0.8, 'white' => 0.06], 'semi', 'II'],
        ['Oilskin', ['straw' => 0.5, 'amber' => 0.35], 'semi', 'II'],
        ['Brass Lamp', ['amber' => 0.55, 'ochre' => 0.3], 'semi', 'I'],
        ['Pale Buoy', ['white' => 0.7, 'amber' => 0.12], 'semi', 'II'],
        ['Lifejacket', ['amber' => 0.3, 'coral' => 0.55], 'semi', 'II'],
        ['Ember Grate', ['coral' => 0.75, 'scarlet' => 0.15], 'semi', 'II'],
        ['Brick Light', ['white' => 0.5, 'coral' => 0.3, 'rust' => 0.1], 'semi', 'I'],
        ['Port Lamp', ['scarlet' => 0.85], 'semi', 'II', 'Port Light|Red Lamp'],
        ['Buoy Red', ['scarlet' => 0.6, 'crimson' => 0.3], 'semi', 'II'],
        ['Wine Barrel', ['crimson' => 0.7, 'tar' => 0.12], 'semi', 'II'],
        ['Bilge Maroon', ['crimson' => 0.4, 'tar' => 0.3, 'rust' => 0.15], 'semi', 'I'],
        ['Shell Pink', ['white' => 0.9, 'crimson' => 0.05, 'coral' => 0.02], 'semi', 'II'],
        ['Blush Enamel', ['white' => 0.7, 'crimson' => 0.15], 'semi', 'III'],
        ['Dye Vat', ['magenta' => 0.8], 'transparent', 'III'],
        ['Pale Dye', ['white' => 0.7, 'magenta' => 0.14], 'semi', 'III'],
        ['Plum Tar', ['magenta' => 0.35, 'violet' => 0.35, 'tar' => 0.12], 'semi', 'II'],
        ['Dusk Ferry', ['violet' => 0.8], 'transparent', 'II'],
        ['Lantern Violet', ['violet' => 0.45, 'marine' => 0.4], 'semi', 'II'],
        ['Haze Violet', ['white' => 0.75, 'violet' => 0.1], 'semi', 'III'],
        ['Evening Slip', ['white' => 0.55, 'violet' => 0.12, 'marine' => 0.1], 'semi', 'II'],
        ['Night Hold', ['violet' => 0.45, 'slate' => 0.4], 'semi', 'I'],
        ['Anchor Blue', ['marine' => 0.85], 'semi', 'I'],
        ['Pennant Blue', ['cobalt' => 0.8], 'semi', 'I', 'Flag Blue'],
        ['Tide Blue', ['abyss' => 0.5, 'cobalt' => 0.25], 'semi', 'I'],
        ['Deep Channel', ['abyss' => 0.6, 'marine' => 0.2, 'slate' => 0.12], 'semi', 'I'],
        ['Ink Harbour', ['abyss' => 0.4, 'marine' => 0.3, 'black' => 0.25], 'semi', 'I'],
        ['Morning Roads', ['white' => 0.75, 'cobalt' => 0.1], 'semi', 'I'],
        ['Thin Water', ['white' => 0.6, 'lagoon' => 0.08, 'cobalt' => 0.05], 'semi', 'I'],
        ['Sea Glass Blue', ['lagoon' => 0.6, 'abyss' => 0.12], 'transparent', 'I'],
        ['Shallow Green', ['lagoon' => 0.4, 'jade' => 0.3], 'transparent', 'I'],
        ['Bottle Float', ['jade' => 0.8], 'transparent', 'I'],
        ['Pale Float', ['white' => 0.65, 'jade' => 0.1], 'semi', 'I'],
        ['Starboard Lamp', ['jade' => 0.45, 'lemon' => 0.3], 'semi', 'I'],
        ['Net Green', ['moss' => 0.75], 'semi', 'I'],
        ['New Paint Green', ['lemon' => 0.5, 'moss' => 0.25], 'transparent', 'II'],
        ['Weed Line', ['moss' => 0.4, 'umber' => 0.25], 'semi', 'I'],
        ['Tarpaulin', ['jade' => 0.4, 'tar' => 0.3, 'moss' => 0.15], 'semi', 'I'],
        ['Pale Verdigris', ['white' => 0.6, 'moss' => 0.12, 'jade' => 0.04], 'semi', 'I'],
        ['Sandbar', ['straw' => 0.3, 'ochre' => 0.42, 'moss' => 0.05, 'tar' => 0.05], 'semi', 'I'],
        ['Hemp', ['ochre' => 0.35, 'white' => 0.4, 'umber' => 0.06], 'semi', 'I'],
        ['Varnish', ['ochre' => 0.45, 'rust' => 0.35], 'semi', 'I'],
        ['Anchor Rust', ['rust' => 0.85], 'opaque', 'I'],
        ['Keel Red', ['rust' => 0.55, 'crimson' => 0.15, 'tar' => 0.08], 'opaque', 'I'],
        ['Plank', ['umber' => 0.7, 'ochre' => 0.12], 'semi', 'I'],
        ['Old Crate', ['umber' => 0.3, 'ochre' => 0.4, 'moss' => 0.06], 'semi', 'I'],
        ['Wet Timber', ['umber' => 0.5, 'tar' => 0.35], 'opaque', 'I'],
        ['Pitch Brown', ['tar' => 0.8, 'rust' => 0.15], 'opaque', 'I'],
        ['Warm Ballast', ['white' => 0.5, 'umber' => 0.12, 'slate' => 0.01], 'semi', 'I'],
        ['Warm Shingle', ['white' => 0.3, 'umber' => 0.16, 'black' => 0.06], 'semi', 'I'],
        ['Warm Ash', ['white' => 0.14, 'umber' => 0.18, 'black' => 0.12], 'semi', 'I'],
        ['Cool Ballast', ['white' => 0.5, 'slate' => 0.04], 'semi', 'I'],
        ['Cool Slate', ['white' => 0.25, 'slate' => 0.14], 'semi', 'I'],
        ['Storm Slate', ['white' => 0.08, 'slate' => 0.4], 'semi', 'I'],
        ['Lead Line', ['white' => 0.1, 'black' => 0.16, 'slate' => 0.05], 'semi', 'I'],
        ['Coal Hulk', ['black' => 0.9], 'opaque', 'I'],
    ]],
    'LO' => ['oil', [
        ['Clear White', ['white' => 0.55, 'clear' => 0.3], 'semi', 'I'],
        ['Cream Lamp', ['white' => 0.6, 'straw' => 0.025, 'ochre' => 0.02], 'semi', 'I', 'Lamp Cream'],
        ['Bone China', ['white' => 0.65, 'ochre' => 0.045, 'umber' => 0.01], 'semi', 'I'],
        ['Rosy Cream', ['white' => 0.65, 'coral' => 0.035, 'ochre' => 0.03], 'semi', 'I'],
        ['First Light', ['lemon' => 0.65, 'clear' => 0.4], 'transparent', 'II'],
        ['Beacon', ['lemon' => 0.35, 'straw' => 0.45], 'transparent', 'I'],
        ['Mustard Sail', ['straw' => 0.42, 'ochre' => 0.3, 'moss' => 0.05, 'tar' => 0.05], 'semi', 'I'],
        ['Harvest Buoy', ['amber' => 0.75], 'transparent', 'I'],
        ['Pale Flare', ['white' => 0.45, 'amber' => 0.1, 'coral' => 0.05], 'semi', 'II'],
        ['Flare', ['coral' => 0.7, 'amber' => 0.15], 'semi', 'II'],
        ['Kiln Orange', ['coral' => 0.45, 'rust' => 0.35], 'semi', 'I'],
        ['Hot Iron', ['scarlet' => 0.7, 'coral' => 0.15], 'semi', 'II'],
        ['Channel Red', ['scarlet' => 0.35, 'crimson' => 0.5], 'semi', 'II'],
        ['Deep Channel Red', ['crimson' => 0.85], 'transparent', 'II'],
        ['Cellar Red', ['crimson' => 0.45, 'tar' => 0.35], 'semi', 'I'],
        ['Faded Bunting', ['white' => 0.45, 'scarlet' => 0.1, 'crimson' => 0.05], 'semi', 'II'],
        ['Rinsed Pink', ['white' => 0.55, 'magenta' => 0.07], 'semi', 'III'],
        ['Bright Bunting', ['magenta' => 0.5, 'crimson' => 0.3], 'transparent', 'III'],
        ['Mulled', ['magenta' => 0.45, 'violet' => 0.2, 'tar' => 0.15], 'semi', 'II'],
        ['Regatta Violet', ['violet' => 0.5, 'magenta' => 0.3], 'transparent', 'III'],
        ['Twilight', ['violet' => 0.6, 'marine' => 0.2], 'semi', 'II'],
        ['Thin Mist Violet', ['white' => 0.5, 'violet' => 0.06, 'marine' => 0.02], 'semi', 'II'],
        ['Far Headland', ['white' => 0.35, 'violet' => 0.12, 'slate' => 0.04], 'semi', 'I'],
        ['Blackout Violet', ['violet' => 0.5, 'marine' => 0.1, 'black' => 0.2], 'semi', 'I'],
        ['Enamel Blue', ['marine' => 0.6, 'cobalt' => 0.25], 'semi', 'I'],
        ['Watch Cap', ['marine' => 0.5, 'slate' => 0.35], 'semi', 'I'],
        ['Clear Day', ['cobalt' => 0.6, 'white' => 0.12], 'semi', 'I'],
        ['Rain Blue', ['white' => 0.4, 'cobalt' => 0.12, 'slate' => 0.03], 'semi', 'I'],
        ['Offing', ['abyss' => 0.7], 'transparent', 'I'],
        ['Trench', ['abyss' => 0.6, 'black' => 0.22], 'semi', 'I'],
        ['Pale Offing', ['white' => 0.5, 'abyss' => 0.05], 'semi', 'I'],
        ['Glaze Turquoise', ['lagoon' => 0.75], 'transparent', 'I', 'Turquoise Glaze'],
        ['Pale Glaze', ['white' => 0.5, 'lagoon' => 0.07, 'jade' => 0.02], 'semi', 'I'],
        ['Float Green', ['jade' => 0.6, 'lagoon' => 0.15], 'transparent', 'I'],
        ['Deep Float', ['jade' => 0.65, 'black' => 0.12], 'semi', 'I'],
        ['Sage Awning', ['white' => 0.35, 'moss' => 0.2, 'umber' => 0.03], 'semi', 'I'],
        ['Spring Line', ['lemon' => 0.5, 'moss' => 0.15, 'jade' => 0.05], 'transparent', 'II'],
        ['Awning Green', ['moss' => 0.5, 'jade' => 0.25], 'semi', 'I'],
        ['Olive Drum', ['moss' => 0.35, 'ochre' => 0.3, 'tar' => 0.05], 'semi', 'I'],
        ['Bollard Green', ['jade' => 0.4, 'tar' => 0.4], 'semi', 'I'],
        ['Pale Lichen Stone', ['white' => 0.5, 'lemon' => 0.05, 'moss' => 0.05], 'semi', 'II'],
        ['Dry Sand', ['white' => 0.4, 'ochre' => 0.18], 'semi', 'I'],
        ['Ship Biscuit', ['white' => 0.25, 'ochre' => 0.35, 'rust' => 0.04], 'semi', 'I'],
        ['Yellow Clay', ['ochre' => 0.8], 'semi', 'I'],
        ['Terracotta Jug', ['rust' => 0.5, 'coral' => 0.15, 'ochre' => 0.15], 'opaque', 'I'],
        ['Iron Hoop', ['rust' => 0.7, 'tar' => 0.08], 'opaque', 'I'],
        ['Oxblood Deck', ['rust' => 0.5, 'crimson' => 0.25, 'tar' => 0.15], 'opaque', 'I'],
        ['Rigging', ['umber' => 0.22, 'ochre' => 0.5, 'moss' => 0.05], 'semi', 'I'],
        ['Deck Shadow', ['umber' => 0.65, 'tar' => 0.15], 'semi', 'I'],
        ['Creosote', ['tar' => 0.65, 'umber' => 0.2], 'opaque', 'I'],
        ['Warm Fog', ['white' => 0.35, 'umber' => 0.06], 'semi', 'I'],
        ['Warm Pebble', ['white' => 0.22, 'umber' => 0.16, 'black' => 0.03], 'semi', 'I'],
        ['Warm Basalt', ['white' => 0.05, 'umber' => 0.18, 'black' => 0.2], 'semi', 'I'],
        ['Cool Fog', ['white' => 0.35, 'slate' => 0.025], 'semi', 'I'],
        ['Cool Pebble', ['white' => 0.18, 'slate' => 0.095], 'semi', 'I'],
        ['Cool Basalt', ['white' => 0.05, 'slate' => 0.35, 'black' => 0.05], 'semi', 'I'],
        ['Neutral Hull', ['white' => 0.2, 'black' => 0.06], 'semi', 'I'],
        ['Graphite Hull', ['white' => 0.06, 'black' => 0.18], 'semi', 'I'],
        ['Indigo Hull', ['marine' => 0.25, 'abyss' => 0.25, 'black' => 0.35], 'semi', 'I'],
        ['Soot Hull', ['black' => 0.8], 'opaque', 'I'],
    ]],
];

$paper = 0.88;
$coat = 3.2;
// Four digits each, drawn by lot: no order by hue, none that is also a maker's or a colour standard's but by chance. Without
// a nought and without two equal digits beside one another, so that they are read and said well.
$lots = new Randomizer(new Mt19937(20261128));
$numbers = [];
foreach ($ranges as $code => [, $pencils]) {
    foreach ($pencils as [$name]) {
        do {
            $number = (string) $lots->getInt(1111, 9899);
        } while (preg_match('/0|(\d)\1/', $number) === 1 || in_array($number, $numbers, true));
        $numbers[$name] = $number;
    }
}
// What the makers have done with some of them since: status and successor.
$fates = [
    'Chalk Quay' => ['renamed', ''], 'Pennant Blue' => ['renamed', ''],
    'Brass Lamp' => ['discontinued', 'QW:'.$numbers['Oilskin']], 'Dusk Ferry' => ['discontinued', ''],
    'Kiln Orange' => ['discontinued', 'LO:'.$numbers['Flare']], 'Cool Basalt' => ['discontinued', 'QW:'.$numbers['Storm Slate']],
];
// Oil leads are hard, and so are a few wax leads, for details.
$hard = ['Chalk Quay', 'Rope Ivory', 'Oilskin', 'Lifejacket', 'Tide Blue', 'Morning Roads', 'Warm Shingle', 'Cool Slate', 'Coal Hulk'];
$header = ['range', 'number', 'name', 'binder', 'aliases', 'status', 'replaced_by', 'opacity', 'lightfastness', 'core', 'stains'];
for ($i = 0; $i < Observer::SAMPLES; $i++) {
    $header[] = 'R'.(Observer::FIRST_NM + $i * Observer::STEP_NM);
}
$out = fopen($argv[1] ?? __DIR__.'/pencils.csv', 'wb');
fputcsv($out, $header, ',', '"', '');
foreach ($ranges as $code => [$binder, $pencils]) {
    foreach ($pencils as $pencil) {
        [$name, $shares, $opacity, $lightfastness] = $pencil;
        // What is dyed rather than pigmented is clear, and stains.
        $core = $binder === 'oil' || in_array($name, $hard, true) ? 'hard' : 'soft';
        $row = [$code, $numbers[$name], $name, $binder, $pencil[4] ?? '', ...($fates[$name] ?? ['current', '']), $opacity, $lightfastness, $core, $opacity === 'transparent' ? 'yes' : 'no'];
        for ($i = 0; $i < Observer::SAMPLES; $i++) {
            $nm = (float) (Observer::FIRST_NM + $i * Observer::STEP_NM);
            $k = $s = 0.0;
            foreach ($shares as $pigment => $share) {
                [$parts, $flat, $scattering] = $pigments[$pigment];
                $absorption = $flat;
                foreach ($parts as [$amount, $shape]) {
                    $absorption += $amount * $shape($nm);
                }
                $k += $share * max(0.004, $absorption);
                $s += $share * $scattering;
            }
            // Kubelka-Munk for a coat of this thickness over white paper (Kubelka & Munk 1931).
            $k *= $coat * 0.62;
            $s *= $coat * 0.4;
            $q = sqrt($k * ($k + 2.0 * $s));
            $sh = sinh($q) / $q;
            $d = cosh($q) + ($k + $s) * $sh;
            $r = $s * $sh / $d;
            $reflectance = $r + $paper / ($d * $d * (1.0 - $r * $paper));
            // The surface itself gives a little white back, even from black.
            $row[] = number_format(0.012 + 0.96 * $reflectance, 4);
        }
        fputcsv($out, $row, ',', '"', '');
    }
}
fclose($out);
