<?php

declare(strict_types=1);

namespace Prism\Exchange;

use Prism\Layering\NotationError;
use Prism\Layering\Stack;
use Prism\Materials\PencilId;

/** Text that an artist pastes: on each line a recipe in stack notation, or pencils with commas or spaces between them. */
final readonly class PastedList
{
    private const MOST_LINES = 40;

    /**
     * @param  list<PencilId>  $pencils  each once
     * @param  list<Stack>  $stacks
     */
    private function __construct(public array $pencils, public array $stacks)
    {
    }

    /** @throws TableRefused with every bad line */
    public static function read(string $text): self
    {
        $reader = new RowReader;
        $pencils = $stacks = [];
        $lines = preg_split('/\R/', trim($text)) ?: [];
        foreach ($lines as $at => $line) {
            $line = trim($line);
            if ($line === '') {
                continue;
            }
            if ($at >= self::MOST_LINES) {
                $reader->refuse($at + 1, '-', $line, sprintf('At most %d lines are read at once.', self::MOST_LINES));

                break;
            }
            if (preg_match('/^'.PencilId::PATTERN.'([\s,;]+'.PencilId::PATTERN.')*$/', $line) === 1) {
                foreach (preg_split('/[\s,;]+/', $line) ?: [] as $id) {
                    $pencils[$id] = PencilId::of($id);
                }

                continue;
            }
            try {
                $stacks[] = Stack::parse($line);
            } catch (NotationError $refusal) {
                $reader->refuse($at + 1, '-', $line, $refusal->getMessage());
            }
        }
        if ($lines === [] || ($pencils === [] && $stacks === [])) {
            $reader->refuse(1, '-', '', 'Write pencils such as QW:5892, or a recipe such as QW:5892@40 > LO:3512@60.');
        }
        $reader->finish();

        return new self(array_values($pencils), $stacks);
    }
}
