<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

/** What the bench says of a kind of curve. */
final readonly class CurveWords
{
    /**
     * @param string $summary “Its curve”
     * @param string $again “Another curve”
     * @param string $rows what a row is
     * @param string $example a few rows
     * @param string $simulated “The simulated press”
     * @param string $go what its button says
     */
    public function __construct(
        public string $summary, public string $again, public string $rows, public string $example, public string $simulated,
        public string $go, public string $note = '',
    ) {
    }
}
