<?php

declare(strict_types=1);

// The house's rules: which folder may know which.

const FLOORS = [
    'Prism\Maths' => 0,
    'Prism\Colour' => 1,
    'Prism\Materials' => 2,
    'Prism\Layering' => 3,
    'Prism\Calibration' => 4,
    'Prism\Schools' => 4,
    'Prism\Matching' => 5,
    'Prism\Reference' => 5,
    'Prism\Charts' => 5,
    'Prism\Box' => 6,
    'Prism\Planning' => 6,
    'Prism\Exchange' => 7,
    'Prism\Review' => 7,
    'Prism\Practice' => 7,
];

// Rooms of Matching: what a stack costs and how it is looked for know nothing of how it is told.
arch('what a stack costs knows no search')->expect('Prism\Matching\Cost')->not->toUse(['Prism\Matching\Search', 'Prism\Matching\Advice']);

arch('the search for stacks knows nothing of words')->expect('Prism\Matching\Search')->not->toUse('Prism\Matching\Advice');

arch('schools know only one another')->expect('Prism\Schools')->not->toUse(['Prism\Calibration', 'Prism\Layering', 'Prism\Materials', 'Prism\Colour']);

// On one floor: who may know whom.
const SIBLINGS = ['Prism\Calibration' => [], 'Prism\Schools' => [], 'Prism\Matching' => [], 'Prism\Reference' => [], 'Prism\Charts' => ['Prism\Reference'], 'Prism\Box' => [], 'Prism\Planning' => []];

/** A value and how it is written know one another: from either one comes to the other. */
const NOTATIONS = [['Lab', 'Srgb'], ['Stack', 'StackNotation'], ['Cure', 'Recipe']];

it('has no file that knows one that knows it', function (): void {
    $folder = dirname(__DIR__, 2).'/core';
    $code = $knows = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS)) as $file) {
        $code['Prism'.strtr(substr($file->getPathname(), strlen($folder), -4), '/', '\\')] = (string) preg_replace('~/\*.*?\*/|//[^\n]*|^namespace [^\n]*~sm', '', (string) file_get_contents($file->getPathname()));
    }
    foreach ($code as $class => $text) {
        $room = substr($class, 0, (int) strrpos($class, '\\'));
        $body = (string) preg_replace('/^use .*$/m', '', $text);
        foreach (array_keys($code) as $other) {
            $name = substr($other, 1 + (int) strrpos($other, '\\'));
            $near = substr($other, 0, (int) strrpos($other, '\\')) === $room || str_contains($text, "use $other;");
            if ($other !== $class && $near && preg_match('/(?<![\w\\\\$>])'.$name.'(?![\w\\\\])/', $body) === 1) {
                $knows[$class][$other] = true;
            }
        }
    }
    $circles = [];
    foreach ($knows as $class => $others) {
        foreach (array_keys($others) as $other) {
            if (isset($knows[$other][$class])) {
                $circles[] = array_map(static fn (string $of): string => substr($of, 1 + (int) strrpos($of, '\\')), [$class, $other]);
            }
        }
    }
    foreach ($circles as &$circle) {
        sort($circle);
    }
    expect(array_values(array_unique($circles, SORT_REGULAR)))->toEqualCanonicalizing(NOTATIONS);
});

foreach (FLOORS as $folder => $floor) {
    $others = array_values(array_filter(array_keys(FLOORS), static fn (string $other): bool => $other !== $folder
        && (FLOORS[$other] > $floor || (FLOORS[$other] === $floor && ! in_array($other, SIBLINGS[$folder] ?? [], true)))));
    if ($others !== []) {
        arch("$folder knows nothing of a floor above, and of one beside it only what it may")->expect($folder)->not->toUse($others);
    }
}

/**
 * By their text: to ask which of a whole framework is used, all of that would be read.
 *
 * @return array<string, string> by file
 */
function textsIn(string ...$folders): array
{
    $texts = [];
    foreach ($folders as $folder) {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2)."/$folder", FilesystemIterator::SKIP_DOTS)) as $file) {
            if ($file->getExtension() === 'php') {
                $texts[$file->getPathname()] = (string) file_get_contents($file->getPathname());
            }
        }
    }

    return $texts;
}

it('knows in its core and in the simulated studio no framework and no application', function (): void {
    expect(array_keys(preg_grep('/\b(Illuminate|Laravel|Symfony|App)\\\\/', textsIn('core', 'standin'))))->toBe([]);
});

it('is strict', function (): void {
    expect(array_keys(preg_grep('/^<\?php\s+declare\(strict_types=1\);/', textsIn('core', 'app', 'standin', 'database'), PREG_GREP_INVERT)))->toBe([]);
});

arch('controllers hold no computation')->expect('App\Http\Controllers')
    ->not->toUse(['Prism\Calibration', 'Prism\Layering\ToothModel', 'Prism\Layering\KubelkaMunk', 'Prism\Matching\Search', 'Prism\Planning\Order\Planner', 'Prism\Reference\Image\Raster']);

arch('the studio\'s services know nothing of who asks')->expect('App\Studio')->not->toUse(['App\Http', 'App\Jobs', 'App\Console']);

arch('models hold no colour science')->expect('App\Models')->not->toUse(['Prism\Colour', 'Prism\Layering', 'Prism\Calibration', 'Prism\Reference', 'Prism\Planning'])
    // Words of the trade that a row may hold; they compute nothing.
    ->ignoring(['Prism\Colour\Lamp', 'Prism\Reference\Zones\TargetRole']);

it('lets no migration call the code of today', function (): void {
    foreach (glob(dirname(__DIR__, 2).'/database/migrations/*.php') as $file) {
        expect(file_get_contents($file))->not->toMatch('/\b(App|Prism)\\\\/');
    }
});

it('has no file that is longer than one can take in', function (): void {
    $long = [];
    foreach (['core', 'app', 'standin', 'resources/js'] as $folder) {
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator(dirname(__DIR__, 2)."/$folder", FilesystemIterator::SKIP_DOTS)) as $file) {
            if (count(file($file->getPathname()) ?: []) > 400) {
                $long[] = $file->getFilename();
            }
        }
    }
    // One loop over flat numbers; and what a program has written.
    expect($long)->toEqualCanonicalizing(['Calibrator.php', 'schema.d.ts']);
});

arch('nothing is left from debugging')->expect(['dd', 'dump', 'var_dump', 'ray', 'print_r'])->not->toBeUsed();

arch('the simulated studio knows of the core only colour and notation')->expect('Standin')
    ->not->toUse(['Prism\Calibration', 'Prism\Matching', 'Prism\Planning', 'Prism\Materials', 'Prism\Layering\ToothModel', 'Prism\Layering\KubelkaMunk', 'Prism\Layering\Hand']);

arch('only the reader, and who has it draw a picture, brings in the simulated studio')->expect('Standin')
    ->toOnlyBeUsedIn(['App\Studio\Swatches\SimulatedReader', 'App\Studio\Review\SimulatedDrawings', 'App\Studio\LongWork\SimulatedDrawingWork', 'App\Http\Requests\WorkRequest', 'App\Console\Bench\ReviewRounds', 'App\Console\Bench\ReviewWork', 'App\Studio\DemoDrawing', 'Standin']);
