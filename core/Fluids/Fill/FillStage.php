<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\Fill;

/**
 * One stage of a fill routine: what to do, how long it has to stand (s), what is read off at its end, and how the
 * circuit looks meanwhile.
 */
final readonly class FillStage
{
    /**
     * @param string $done what is said when it is over and the next begins
     * @param int $seconds to wait before that; 0 for none
     * @param string $ask the field of the step's reading that ends it; empty for none
     * @param string $again the stage to go back to where it has to be done once more; empty for none
     * @param float $fill how full the circuit is, 0 as drained to 1
     * @param list<string> $shows vacuum, screw, funnel, heater, runs, thermostat, fan, bubbles, shut
     */
    public function __construct(
        public string $id,
        public string $title,
        public string $text,
        public string $done,
        public int $seconds = 0,
        public string $ask = '',
        public string $again = '',
        public string $againText = '',
        public float $fill = 0.0,
        public array $shows = [],
    ) {
    }

    public function does(string $what): bool
    {
        return in_array($what, $this->shows, true);
    }
}
