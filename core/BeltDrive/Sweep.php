<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

/** One pulley of a drive in many sizes: what each does to belt, arm, wrap and speed. mm, degrees, rpm, m/s. */
final readonly class Sweep
{
    /** Of the present size, down and up. */
    private const SPAN = 0.2;
    private const SIZES = 15;

    /** @param list<PulleySizeTrial> $trials smallest first */
    private function __construct(public string $pulley, public array $trials)
    {
    }

    /** @param ?float $crank diameter of the driver meanwhile; null for the one it has */
    public static function of(Drive $drive, string $pulley, ?float $crank = null): self
    {
        $now = $drive->named($pulley)->d ?? 0.0;
        $step = max(0.5, round(4 * self::SPAN * $now / (self::SIZES - 1)) / 2);
        $trials = [];
        for ($i = -intdiv(self::SIZES, 2); $i <= intdiv(self::SIZES, 2); ++$i) {
            $trials[] = PulleySizeTrial::of($drive, $pulley, $now + $i * $step, $crank);
        }

        return new self($pulley, $trials);
    }

    /** The smallest that the present belt still allows, with the arm in its window; null where none does. */
    public function smallestOnThisBelt(): ?PulleySizeTrial
    {
        foreach ($this->trials as $trial) {
            if (true === $trial->state->arm?->fits() && [] === $trial->stops()) {
                return $trial;
            }
        }

        return null;
    }
}
