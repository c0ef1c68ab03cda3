<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Clutch;

use NimbleKnuckle\Core\Luck;

/** A slip clutch on the bench: linings of a friction nobody knows, pulled through by a wrench that keeps its peak. N·m. */
final readonly class SlipModel
{
    /** Of the linings, unlike what a table says. */
    public float $friction;
    private float $scatter;

    public function __construct(private int $seed)
    {
        $luck = new Luck($seed);
        $this->friction = $luck->between(0.085, 0.175);
        $this->scatter = $luck->between(0.008, 0.03);
    }

    /**
     * @param int $trial the how-manieth of this clutch
     *
     * @return non-empty-list<float>
     */
    public function pulls(SpringStack $stack, float $height, DiscSpring $spring, FrictionRing $ring, int $trial, int $count = 3): array
    {
        $luck = new Luck($this->seed + 7919 * ($trial + 1));
        $slips = $ring->torque($stack->force($spring, $height), $this->friction) * (1 + $this->scatter * $luck->normal() / 2);
        $pull = fn (): float => round($slips * (1 + $this->scatter * $luck->normal()), 1);

        return [$pull(), ...array_map(static fn (int $i): float => $pull(), range(2, max(2, $count)))];
    }
}
