<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Plan\Sheet\Step;

/**
 * What stands between a step and its mark: “before” must be true for it to begin, “within” for it to be closed. The hardest
 * comes first. Nothing is decided here twice: the web asks, the log is judged by the same answer.
 */
final class Gate
{
    /** @var array<string, list<Obstacle>> step => what the rules found, each asked once of a fit as it stands */
    private array $before = [];
    /** @var array<string, list<Obstacle>> */
    private array $within = [];

    public function __construct(private readonly Fit $fit)
    {
    }

    /** @return list<Obstacle> */
    public function before(Step $step): array
    {
        return self::collected($step, $this->foundBefore($step));
    }

    /** @return list<Obstacle> what keeps a step from being closed, each with its remedy; empty when it may be closed */
    public function of(Step $step): array
    {
        return self::collected($step, [...$this->foundBefore($step), ...$this->foundWithin($step)]);
    }

    /** @return list<Obstacle> what a step lacks in itself, whether it is closed or not */
    public function within(Step $step): array
    {
        return self::collected($step, $this->foundWithin($step));
    }

    /** @param list<Obstacle> $obstacles */
    public static function bar(array $obstacles): Bar
    {
        return array_reduce($obstacles, static fn (Bar $bar, Obstacle $one): Bar => $bar->harder($one->bar), Bar::Note);
    }

    /** @return list<Obstacle> */
    private function foundBefore(Step $step): array
    {
        return $this->before[$step->id] ??= $this->found($step, self::rulesBefore());
    }

    /** @return list<Obstacle> */
    private function foundWithin(Step $step): array
    {
        return $this->within[$step->id] ??= $this->found($step, self::rulesWithin());
    }

    /**
     * @param list<Hindrance> $rules
     *
     * @return list<Obstacle>
     */
    private function found(Step $step, array $rules): array
    {
        $found = [];
        foreach ($rules as $rule) {
            foreach ($rule->of($this->fit, $step) as $obstacle) {
                $found[] = $obstacle;
            }
        }

        return $found;
    }

    /**
     * Of what sends to the same step, or says the same, the hardest.
     *
     * @param list<Obstacle> $obstacles
     *
     * @return list<Obstacle>
     */
    private static function collected(Step $step, array $obstacles): array
    {
        $found = [];
        foreach ($obstacles as $obstacle) {
            $key = $obstacle->step === $step->id ? $obstacle->code.$obstacle->text : $obstacle->step;
            $known = $found[$key] ?? null;
            $found[$key] = null !== $known && $known->bar->value >= $obstacle->bar->value ? $known : $obstacle;
        }
        usort($found, static fn (Obstacle $a, Obstacle $b): int => $b->bar->value <=> $a->bar->value);

        return $found;
    }

    /** @return list<Hindrance> */
    private static function rulesBefore(): array
    {
        return [
            new Before\SafetyReading(), new Before\OnItsStands(), new Before\ColdEnough(), new Before\WeightHeld(),
            new Before\MountsInTurn(), new Before\BatteryOff(),
            new Before\SafeToRun(), new Before\SafeToRelease(), new Before\SafeToLower(), new Before\StripOrder(),
            new Before\ReadyToFill(), new Before\InTheWayOut(), new Before\Mended(),
            new Before\EarlierWork(), new Before\WaitsOver(), new Before\LineOrder(),
        ];
    }

    /** @return list<Hindrance> */
    private static function rulesWithin(): array
    {
        return [
            new Within\CautionsRead(), new Within\ReadingsTaken(), new Within\CurveSound(), new Within\StackInBand(),
            new Within\RoutineDone(), new Within\PictureTaken(),
            new Within\HoldsStood(),
            new Within\PiecesAddUp(), new Within\PutInCounted(), new Within\ToolsCounted(), new Within\FastenersFinal(),
            new Within\PassesInOrder(),
            new Within\CureOver(),
        ];
    }
}
