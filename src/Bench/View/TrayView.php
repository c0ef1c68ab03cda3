<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench\View;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\State\PieceCount;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;

/**
 * The tray of a removal, or what goes back on from it.
 *
 * @phpstan-type Line array{thing: string, count: int, expected: int, tool: string, fate: string, whole: bool, full: bool, end: bool}
 */
final readonly class TrayView
{
    /** @param list<Line> $lines */
    private function __construct(public bool $comesOff, public array $lines, public int $counted, public int $expected)
    {
    }

    public static function of(Fit $fit, Step $step): ?self
    {
        if ([] === $step->needs->tray) {
            return null;
        }
        $comesOff = StepKind::Remove === $step->deed;
        $parting = ($fit->vehicle->items[$step->target->item] ?? null)?->parting;
        $lines = [];
        foreach ($step->needs->tray as $line) {
            $count = $fit->pieces()->of($step, $line);
            $now = $comesOff ? $count->tray : $count->back;
            $lines[] = [
                'thing' => $line->thing, 'count' => $now, 'expected' => $line->count, 'tool' => $line->tool, 'fate' => self::fate($count),
                'whole' => $comesOff ? $count->cameOffWhole() : $count->wentBackWhole(), 'full' => !$comesOff && $now >= $count->atHand(),
                'end' => !$comesOff && null !== $parting?->end($line->thing),
            ];
        }

        return new self($comesOff, $lines, array_sum(array_column($lines, 'count')), $fit->pieces()->expected($step));
    }

    /**
     * @return list<Line>
     *
     * those that do not add up yet, first
     */
    public function openFirst(): array
    {
        $lines = $this->lines;
        usort($lines, static fn (array $a, array $b): int => (int) $a['whole'] <=> (int) $b['whole']);

        return $lines;
    }

    private static function fate(PieceCount $count): string
    {
        $said = [];
        foreach ($count->fates() as $word => $many) {
            0 === $many || $said[] = $many.' '.$word;
        }

        return implode(', ', $said);
    }
}
