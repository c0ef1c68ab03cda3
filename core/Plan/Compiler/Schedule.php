<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/**
 * The steps laid one after the other over one or two people, minutes from the start: waits run by themselves, and what
 * moves the vehicle or turns the engine has everybody clear.
 */
final class Schedule
{
    private const TOGETHER = [Deed::Raise, Deed::Lower, Deed::Start, Deed::Drive];
    private const NOUGHT = [0.0, ''];

    /** @var array<string, array{float, float, int}> step => start, end, and whose hands: 1, 2, or 0 where it runs by itself */
    public array $spans = [];
    /** @var array<string, string> step => the one it had to wait for */
    public array $behind = [];
    /** @var array<int, array{float, string}> person => when free, and of which step */
    private array $free;
    /** @var array<string, array{float, string}> */
    private array $ends = [];
    /** @var array<int, array{string, array{float, string}}> what must wait, and until when */
    private array $waits = [];
    /** @var array{float, string} nothing begins before */
    private array $barrier = self::NOUGHT;
    private ?Phase $phase = null;

    public function __construct(int $people)
    {
        $this->free = 1 === $people ? [1 => self::NOUGHT] : [1 => self::NOUGHT, 2 => self::NOUGHT];
    }

    public function take(Step $step, float $minutes): void
    {
        $from = $this->from($step);
        $who = ($this->free[2][0] ?? \INF) < $this->free[1][0] ? 2 : 1;
        [$start, $this->behind[$step->id]] = self::later($from, $this->free[$who] ?? self::NOUGHT);
        $end = $start + $minutes;
        $this->spans[$step->id] = [$start, $end, $step->slot->passive ? 0 : $who];
        if ($step->slot->passive) {
            $this->waits[] = [$step->slot->until, [$end, $step->id]];
            $this->ends[$step->id] = [$start, $this->behind[$step->id]];
        } else {
            $this->free[$who] = $this->ends[$step->id] = [$end, $step->id];
        }
        if (in_array($step->deed, [Deed::Raise, Deed::Lower], true)) {
            $this->barrier = self::later($this->barrier, [$end, $step->id]);
        }
    }

    /** @return array{float, string} when all it waits for is over, and which of it is the last */
    private function from(Step $step): array
    {
        $isNewPhase = $this->phase instanceof Phase && $this->phase !== $step->slot->phase;
        $this->phase = $step->slot->phase;
        if ($isNewPhase || in_array($step->deed, self::TOGETHER, true)) {
            $this->barrier = self::later($this->barrier, ...array_values($this->free));
        }
        $from = $this->barrier;
        foreach ($step->slot->after as $id) {
            $from = self::later($from, $this->ends[$id] ?? self::NOUGHT);
        }
        foreach ($this->waits as $i => [$until, $end]) {
            if ('' === $until || $until === $step->id) {
                $from = $this->barrier = self::later($this->barrier, $from, $end);
                unset($this->waits[$i]);
            }
        }

        return $from;
    }

    /**
     * The latest of some moments, each with the step that ends then; the first where several are as late.
     *
     * @param array{float, string} $first
     * @param array{float, string} ...$others
     *
     * @return array{float, string}
     */
    private static function later(array $first, array ...$others): array
    {
        foreach ($others as $other) {
            $first = $other[0] > $first[0] ? $other : $first;
        }

        return $first;
    }
}
