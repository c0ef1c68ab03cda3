<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Gate;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Safety\Facts;
use NimbleKnuckle\Core\Safety\Obstacle;
use NimbleKnuckle\Core\Safety\Row;
use NimbleKnuckle\Core\Sheet\Step;

/**
 * What stands between a step and its mark: “before” must be true for it to begin, “within” for it to be closed. The hardest
 * comes first. The rows of the law
 * (core/Law) are evaluated on what the fit says; nothing is decided here twice: the web asks, the log is judged by the same answer.
 */
final class Gate
{
    /** @var array<string, list<Obstacle>> step => what the rules found, each asked once of a fit as it stands */
    private array $before = [];
    /** @var array<string, list<Obstacle>> */
    private array $within = [];

    private readonly FitFacts $facts;

    private function __construct(private readonly Fit $fit)
    {
        $this->facts = new FitFacts($fit);
    }

    /** The gate of a fit as it stands, each step asked once. */
    public static function at(Fit $fit): self
    {
        return $fit->once(self::class, static fn (): self => new self($fit));
    }

    /** @return list<Obstacle> */
    public function before(Step $step): array
    {
        return self::collected($step->id, $this->foundBefore($step));
    }

    /** @return list<Obstacle> what keeps a step from being closed, each with its remedy; empty when it may be closed */
    public function of(Step $step): array
    {
        return self::collected($step->id, [...$this->foundBefore($step), ...$this->foundWithin($step)]);
    }

    /** @return list<Obstacle> what a step lacks in itself, whether it is closed or not */
    public function within(Step $step): array
    {
        return self::collected($step->id, $this->foundWithin($step));
    }

    /** @return list<Obstacle> what holds back a vehicle that a mark says was moved */
    public static function moving(Fit $fit, Facts $facts): array
    {
        return self::collected('', self::found($fit->rigs()->rules()->moving(), $facts));
    }

    /** @return list<Obstacle> */
    private function foundBefore(Step $step): array
    {
        return $this->before[$step->id] ??= self::found($this->fit->rigs()->rules()->before($step), $this->facts);
    }

    /** @return list<Obstacle> */
    private function foundWithin(Step $step): array
    {
        return $this->within[$step->id] ??= self::found($this->fit->rigs()->rules()->within($step), $this->facts);
    }

    /**
     * @param list<Row> $rows
     *
     * @return list<Obstacle>
     */
    private static function found(array $rows, Facts $facts): array
    {
        $found = [];
        foreach ($rows as $row) {
            array_push($found, ...$row->of($facts));
        }

        return $found;
    }

    /**
     * Of what sends to the same step, or is of the same code and about the same, the hardest.
     *
     * @param list<Obstacle> $obstacles
     *
     * @return list<Obstacle>
     */
    private static function collected(string $step, array $obstacles): array
    {
        $found = [];
        foreach ($obstacles as $obstacle) {
            $key = $obstacle->step === $step ? $obstacle->code.' '.$obstacle->about : $obstacle->step;
            $known = $found[$key] ?? null;
            $found[$key] = null !== $known && $known->bar->value >= $obstacle->bar->value ? $known : $obstacle;
        }
        usort($found, static fn (Obstacle $a, Obstacle $b): int => $b->bar->value <=> $a->bar->value);

        return $found;
    }
}
