<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Schedule;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\StepTiming;
use NimbleKnuckle\Core\Sheet\Step;

/**
 * The steps laid one after the other over one pair of hands, minutes from the start: waits run by themselves, and what
 * moves the vehicle, a weight or the engine has everybody clear: nothing runs beside it.
 */
final class Schedule
{
    private const TOGETHER = [
        StepKind::Raise->value => true, StepKind::Lower->value => true, StepKind::Start->value => true, StepKind::Drive->value => true,
        StepKind::Move->value => true, StepKind::HandOver->value => true, StepKind::Release->value => true,
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
        return isset(self::TOGETHER[$step->deed->value]);
    }

    public function take(Step $step, float $minutes): void
    {
        [$id, $slot, $isClear] = [$step->id, $step->slot, self::needsEverybodyClear($step)];
        $from = $this->from($id, $slot, $isClear);
        [$start, $this->behind[$id]] = $begin = $this->free[0] > $from[0] ? $this->free : $from;
        $end = [$start + $minutes, $id];
        $this->spans[$id] = [$start, $end[0], $slot->passive ? 0 : 1];
        if ($slot->passive) {
            $this->waits[] = [$slot->until, $end];
            $this->ends[$id] = $begin;
        } else {
            $this->free = $this->ends[$id] = $end;
        }
        if ($isClear) {
            $this->barrier = $end[0] > $this->barrier[0] ? $end : $this->barrier;
        }
    }

    /** @return array{float, string} when all it waits for is over, and which of it is the last; the first where several are as late */
    private function from(string $id, StepTiming $slot, bool $isClear): array
    {
        if ($isClear || ($this->phase ?? $slot->phase) !== $slot->phase) {
            $this->waitForEverybody();
        }
        $this->phase = $slot->phase;
        $from = $this->barrier;
        foreach ($slot->after as $before) {
            $end = $this->ends[$before] ?? self::NOUGHT;
            $from = $end[0] > $from[0] ? $end : $from;
        }
        foreach ($this->waits as $i => [$until, $end]) {
            if ('' === $until || $until === $id) {
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
