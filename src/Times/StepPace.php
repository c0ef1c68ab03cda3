<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Times;

use NimbleKnuckle\Core\Times\Learned;
use NimbleKnuckle\Core\Times\Tally;

/** A step as the procedure has it and as it goes here. Minutes. */
final readonly class StepPace
{
    /** Jobs, and how much longer at the least and in the middle, from which a step is said to take long every time. */
    private const LEAST = 3;
    private const EACH = 1.5;
    private const USUAL = 1.8;

    public Learned $learned;
    /** How much longer than planned it took in the middle; 1 as planned. What is learned leans on the plan, this does not. */
    public float $times;

    /**
     * @param array{float, float, float} $planned low, likely, high
     * @param float $least of all jobs, how much longer than planned
     */
    public function __construct(
        public string $step, public string $title, public array $planned, public Tally $tally, public float $least,
    ) {
        $this->learned = Learned::by($planned, $tally);
        $this->times = exp($tally->mean());
    }

    public function isAlwaysLong(): bool
    {
        return $this->tally->n >= self::LEAST && $this->least >= self::EACH && $this->times >= self::USUAL;
    }

    /** Minutes it took more than planned, a job; less where it is quicker. */
    public function more(): float
    {
        return $this->planned[1] * ($this->times - 1);
    }
}
