<?php

declare(strict_types=1);

namespace Prism\Charts;

use Prism\Layering\Pressure;
use Prism\Layering\Step;

/** What is printed on a chart sheet, as rectangles, lines and texts in millimetres: the same for PDF and SVG. */
final readonly class ChartDrawing
{
    private const LINES = 4;

    private const LINE_MM = 2.45;

    private const CHECK_MM = 100.0;

    /**
     * @param  list<array{float, float, float, float}>  $blacks  solid rectangles: x, y, width, height
     * @param  list<array{float, float, float, float}>  $frames  thin grey rectangles
     * @param  list<array{float, float, float}>  $rules  horizontal lines: x, y, length
     * @param  list<array{float, float, float, bool, string}>  $texts  x, y of the base line, size in points, bold, text
     */
    private function __construct(public float $width, public float $height, public array $blacks, public array $frames, public array $rules, public array $texts)
    {
    }

    public static function of(ChartSheet $sheet, string $title, string $paper): self
    {
        $frames = [];
        $isCard = array_filter(array_column($sheet->cells, 'stripe')) !== [];
        $texts = [
            [75.0, 13.2, 11.0, true, mb_strimwidth($title, 0, 46, '…')],
            [75.0, 17.6, 7.0, false, sprintf('%s · sheet %d of %d', $paper, $sheet->number, $sheet->sheets)],
            [22.0, 23.5, 6.5, false, $isCard
                ? 'Three fields a pencil: light, medium, heavy. Draw the heavy one over the black bar as well. Leave the paper between the fields clean.'
                : 'Lay in each field what is written under it, from the first line to the last. Leave the paper between the fields clean.'],
            [25.0, $sheet->height - 8.6, 6.0, false, 'Print at 100 %: this line is 100 mm long.'],
        ];
        $named = null;
        foreach ($sheet->cells as $cell) {
            $frames[] = [$cell['x'], $cell['y'], $cell['width'], $cell['height']];
            $step = $cell['stack']->steps[0] ?? null;
            if ($isCard && $step?->pencil !== null) {
                // Once, over the first of its fields.
                if ((string) $step->pencil !== $named) {
                    $named = (string) $step->pencil;
                    $texts[] = [$cell['x'], $cell['y'] - 0.9, 11.0, true, $step->pencil->number];
                    $texts[] = [$cell['x'] + 2.2 * mb_strlen($step->pencil->number) + 1.5, $cell['y'] - 0.9, 6.0, false, $step->pencil->range];
                }
                $texts[] = [$cell['x'], $cell['y'] + $cell['height'] + 2.5, 5.8, false, self::told($step)];

                continue;
            }
            $texts[] = [$cell['x'], $cell['y'] - 0.9, 9.0, true, (string) $cell['number']];
            foreach (self::lines($cell['stack']->steps) as $line => $text) {
                $texts[] = [$cell['x'], $cell['y'] + $cell['height'] + 2.5 + $line * self::LINE_MM, 5.8, false, $text];
            }
        }

        return new self($sheet->width, $sheet->height, $sheet->blacks(), $frames, [[25.0, $sheet->height - 12.0, self::CHECK_MM]], $texts);
    }

    public function svg(): string
    {
        $svg = [sprintf('<svg xmlns="http://www.w3.org/2000/svg" width="%1$smm" height="%2$smm" viewBox="0 0 %1$s %2$s">', $this->width, $this->height)];
        $svg[] = sprintf('<rect width="%s" height="%s" fill="#fff"/>', $this->width, $this->height);
        foreach ($this->blacks as $black) {
            $svg[] = vsprintf('<rect x="%.3f" y="%.3f" width="%.3f" height="%.3f" fill="#000"/>', $black);
        }
        foreach ($this->frames as $frame) {
            $svg[] = vsprintf('<rect x="%.3f" y="%.3f" width="%.3f" height="%.3f" fill="none" stroke="#bbb" stroke-width="0.12"/>', $frame);
        }
        foreach ($this->rules as [$x, $y, $length]) {
            $svg[] = sprintf('<path d="M%.3f %.3fh%.3f" stroke="#000" stroke-width="0.2"/>', $x, $y, $length);
        }
        foreach ($this->texts as [$x, $y, $points, $bold, $text]) {
            $svg[] = sprintf('<text x="%.3f" y="%.3f" font-family="sans-serif" font-size="%.3f"%s>%s</text>', $x, $y, $points * 25.4 / 72.0, $bold ? ' font-weight="700"' : '', htmlspecialchars($text, ENT_XML1));
        }
        $svg[] = '</svg>';

        return implode("\n", $svg)."\n";
    }

    private static function told(Step $step): string
    {
        return sprintf('%s %% %s%s', round($step->pressurePercent, 1), Pressure::word($step->pressurePercent), $step->passes > 1 ? ", $step->passes coats" : '');
    }

    /**
     * @param  list<Step>  $steps
     * @return list<string>
     */
    private static function lines(array $steps): array
    {
        if ($steps === []) {
            return ['leave it bare'];
        }
        $lines = array_map(static fn (Step $step): string => $step->pencil === null
            ? $step->kind->value
            : sprintf('%s  %s %% %s%s', $step->pencil, round($step->pressurePercent, 1), Pressure::word($step->pressurePercent), $step->passes > 1 ? ' x'.$step->passes : ''), $steps);
        if (count($lines) <= self::LINES) {
            return $lines;
        }

        // Too many for a line each: two share one.
        $short = array_map(static fn (Step $step): string => $step->pencil === null
            ? $step->kind->value
            : sprintf('%s %s %%%s', $step->pencil, round($step->pressurePercent, 1), $step->passes > 1 ? ' x'.$step->passes : ''), $steps);

        return array_map(static fn (array $pair): string => implode(', then ', $pair), array_chunk($short, 2));
    }
}
