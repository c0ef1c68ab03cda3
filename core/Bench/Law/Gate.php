<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Safety\Bar;
use NimbleKnuckle\Core\Safety\Obstacle;
use NimbleKnuckle\Core\Safety\Row;

/**
 * What stands between a step and its mark: “before” must be true for it to begin, “within” for it to be closed. The hardest
 * comes first. The rows of the law
 * (core/Plan/Law) are evaluated on what the fit says; nothing is decided here twice: the web asks, the log is judged by the same answer.
 */
final class Gate
{
    /** @var array<string, list<Obstacle>> step => what the rules found, each asked once of a fit as it stands */
    private array $before = [];
    /** @var array<string, list<Obstacle>> */
    private array $within = [];

    private readonly FitFacts $facts;

    public function __construct(private readonly Fit $fit)
    {
        $this->facts = new FitFacts($fit);
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
        return $this->before[$step->id] ??= $this->found($this->fit->rigs()->rules()->before($step));
    }

    /** @return list<Obstacle> */
    private function foundWithin(Step $step): array
    {
        return $this->within[$step->id] ??= $this->found($this->fit->rigs()->rules()->within($step));
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<Obstacle>
     */
    private function found(array $rows): array
    {
        $found = [];
        foreach ($rows as $row) {
            array_push($found, ...$row->of($this->facts));
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
            $key = $obstacle->step === $step->id ? ' '.$obstacle->text : $obstacle->step;
            $known = $found[$key] ?? null;
            $found[$key] = null !== $known && $known->bar->value >= $obstacle->bar->value ? $known : $obstacle;
        }
        usort($found, static fn (Obstacle $a, Obstacle $b): int => $b->bar->value <=> $a->bar->value);

        return $found;
    }
}
