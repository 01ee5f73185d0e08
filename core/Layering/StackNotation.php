<?php

declare(strict_types=1);

namespace Prism\Layering;

use Prism\Materials\PencilId;

/**
 * Reads the stack notation: steps bottom to top joined by ">", each RANGE:NUMBER@PRESSURE[xPASSES], wash, blend or lift.
 */
final class StackNotation
{
    private int $at = 0;

    private function __construct(private readonly string $text)
    {
    }

    /** @throws NotationError */
    public static function parse(string $notation): Stack
    {
        return (new self($notation))->stack();
    }

    private function stack(): Stack
    {
        $this->skipSpace();
        if ($this->at === strlen($this->text)) {
            return Stack::of();
        }
        $steps = [];
        do {
            $this->skipSpace();
            if (count($steps) === Stack::MAX_STEPS) {
                $this->refuse(sprintf('the stack has more than %d steps; no paper takes that many.', Stack::MAX_STEPS));
            }
            $steps[] = $this->step();
            $this->skipSpace();
        } while ($this->takes('>'));
        if ($this->at < strlen($this->text)) {
            $this->refuse(sprintf('"%s" does not belong here; join steps with ">".', $this->rest()));
        }

        return Stack::of(...$steps);
    }

    private function step(): Step
    {
        if ($this->at === strlen($this->text)) {
            $this->refuse('a step is missing; write RANGE:NUMBER@PRESSURE, wash, blend or lift.');
        }
        if (preg_match('/\G(wash|blend|lift)(?![A-Za-z0-9:])/i', $this->text, $found, 0, $this->at) === 1) {
            $this->at += strlen($found[0]);

            return match (strtolower($found[1])) {
                'wash' => Step::wash(),
                'blend' => Step::blend(),
                default => Step::lift(),
            };
        }
        if (preg_match('/\G'.PencilId::PATTERN.'/', $this->text, $found, 0, $this->at) !== 1) {
            $this->refuse(sprintf('"%s" is not a step; write RANGE:NUMBER@PRESSURE, wash, blend or lift.', $this->rest()));
        }
        $pencil = PencilId::of($found[0]);
        $this->at += strlen($found[0]);
        $this->skipSpace();
        if (! $this->takes('@')) {
            return Step::layer($pencil);
        }
        $this->skipSpace();
        $pressure = $this->number('/\G\d{1,3}(\.\d{1,2})?/', 'the pressure is missing; write 1 to 100 percent, such as @35.', Pressure::MIN_PERCENT, Pressure::MAX_PERCENT, 'the pressure is %s; it goes from 1 to 100 percent.');
        $passes = 1.0;
        $this->skipSpace();
        if ($this->takes('x') || $this->takes('X')) {
            $this->skipSpace();
            $passes = $this->number('/\G\d{1,3}/', 'the number of passes is missing; write 1 to 9, such as x2.', 1, Step::MAX_PASSES, 'there are %s passes; it takes 1 to 9.');
        }

        return Step::layer($pencil, $pressure, (int) $passes);
    }

    private function number(string $pattern, string $missing, float $low, float $high, string $outside): float
    {
        if (preg_match($pattern, $this->text, $found, 0, $this->at) !== 1) {
            $this->refuse($missing);
        }
        if ((float) $found[0] < $low || (float) $found[0] > $high) {
            $this->refuse(sprintf($outside, $found[0]));
        }
        $this->at += strlen($found[0]);

        return (float) $found[0];
    }

    private function takes(string $character): bool
    {
        if (($this->text[$this->at] ?? '') !== $character) {
            return false;
        }
        $this->at++;

        return true;
    }

    private function skipSpace(): void
    {
        $this->at += strspn($this->text, " \t\r\n", $this->at);
    }

    private function rest(): string
    {
        return mb_strimwidth(substr($this->text, $this->at), 0, 16, '...');
    }

    private function refuse(string $message): never
    {
        throw new NotationError($message, $this->at + 1);
    }
}
