<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/** The tray of a removal, or what goes back on from it. */
final readonly class TrayView
{
    /** @param list<array{thing: string, count: int, expected: int, tool: string}> $lines */
    private function __construct(public bool $comesOff, public array $lines, public int $counted, public int $expected)
    {
    }

    public static function of(Fit $fit, Step $step): ?self
    {
        if ([] === $step->tray) {
            return null;
        }
        $lines = [];
        foreach ($step->tray as $line) {
            $lines[] = ['thing' => $line->thing, 'count' => $fit->countOf($step, $line), 'expected' => $line->count, 'tool' => $line->tool];
        }

        return new self(Deed::Remove === $step->deed, $lines, $fit->counted($step), $fit->expected($step));
    }
}
