<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/**
 * The steps laid one after the other over one pair of hands, minutes from the start: waits run by themselves, and what
 * moves the vehicle, a weight or the engine has everybody clear: nothing runs beside it.
 */
final class Schedule
{
    private const TOGETHER = [
        Deed::Raise, Deed::Lower, Deed::Start, Deed::Drive, Deed::Move, Deed::HandOver, Deed::Release,
    ];
    private const NOUGHT = [0.0, ''];

    /** @var array<string, array{float, float, int}> step => start, end, and whose hands: 1, 2, or 0 where it runs by itself */
    public array $spans = [];
    /** @var array<string, string> step => the one it had to wait for */
    public array $behind = [];
    /** @var array{float, string} when the hands are free, and of which step */
    private array $free = self::NOUGHT;
    /** @var array<string, array{float, string}> */
    private array $ends = [];
    /** @var array<int, array{string, array{float, string}}> what must wait, and until when */
    private array $waits = [];
    /** @var array{float, string} nothing begins before */
    private array $barrier = self::NOUGHT;
    private ?Phase $phase = null;

    public static function needsEverybodyClear(Step $step): bool
    {
        return in_array($step->deed, self::TOGETHER, true);
    }

    public function take(Step $step, float $minutes): void
    {
        $from = $this->from($step);
        [$start, $this->behind[$step->id]] = $this->free[0] > $from[0] ? $this->free : $from;
        $end = [$start + $minutes, $step->id];
        $this->spans[$step->id] = [$start, $end[0], $step->slot->passive ? 0 : 1];
        if ($step->slot->passive) {
            $this->waits[] = [$step->slot->until, $end];
            $this->ends[$step->id] = [$start, $this->behind[$step->id]];
        } else {
            $this->free = $this->ends[$step->id] = $end;
        }
        if (in_array($step->deed, self::TOGETHER, true)) {
            $this->barrier = $end[0] > $this->barrier[0] ? $end : $this->barrier;
        }
    }

    /** @return array{float, string} when all it waits for is over, and which of it is the last; the first where several are as late */
    private function from(Step $step): array
    {
        $isNewPhase = $this->phase instanceof Phase && $this->phase !== $step->slot->phase;
        $this->phase = $step->slot->phase;
        if ($isNewPhase || in_array($step->deed, self::TOGETHER, true)) {
            $this->waitForEverybody();
        }
        $from = $this->barrier;
        foreach ($step->slot->after as $id) {
            $end = $this->ends[$id] ?? self::NOUGHT;
            $from = $end[0] > $from[0] ? $end : $from;
        }
        foreach ($this->waits as $i => [$until, $end]) {
            if ('' === $until || $until === $step->id) {
                $from = $end[0] > $from[0] ? $end : $from;
                $this->barrier = $from[0] > $this->barrier[0] ? $from : $this->barrier;
                $from = $this->barrier;
                unset($this->waits[$i]);
            }
        }

        return $from;
    }

    private function waitForEverybody(): void
    {
        $this->barrier = $this->free[0] > $this->barrier[0] ? $this->free : $this->barrier;
    }
}
