<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Clutch;

/** The stack to try next: of what is in the box, the one nearest to the torque that is wanted, then the fewest changes. */
final readonly class NextStack
{
    /** Of the cone height, in which a disc works. */
    private const LEAST = 0.1;
    private const MOST = 0.75;

    /** @param float $chance of one, that it lies in its band */
    private function __construct(
        public SpringStack $stack, public float $shims, public float $torque, public float $chance, public int $changes,
    ) {
    }

    /**
     * @param int $discs in the box altogether
     * @param list<float> $shims mm, each once
     * @param float $height the room there is, without shims
     */
    public static function toward(
        float $target, float $band, Clutch $clutch, SpringStack $now, float $height, int $discs, array $shims,
    ): ?self {
        $sums = self::sums($shims);
        $force = $target / $clutch->fit->friction / $clutch->ring->arm;
        $best = null;
        foreach (self::partitions($discs) as $packs) {
            $stack = SpringStack::of($packs);
            foreach (self::near($stack, $force, $clutch->spring, $height, $sums) as $sum) {
                $set = $height - $sum;
                $deepest = $stack->free($clutch->spring) > $set ? $stack->deepest($clutch->spring, $set) : 0.0;
                if ($deepest < self::LEAST - 1e-6 || $deepest > self::MOST + 1e-6) {
                    continue;
                }
                $torque = $clutch->torque($stack, $set);
                $chance = self::chance($torque, $clutch->fit->spread, $target, $band);
                $one = new self($stack, $sum, $torque, $chance, $stack->changes($now));
                $best = null === $best || $one->isBetterThan($best, $target) ? $one : $best;
            }
        }

        return $best;
    }

    private function isBetterThan(self $other, float $target): bool
    {
        [$mine, $others] = [abs($this->torque - $target), abs($other->torque - $target)];

        return $mine < $others - 1e-6 || $mine < $others + 1e-6 && $this->changes < $other->changes;
    }

    /** Chance that a normal torque lies within its band. */
    private static function chance(float $torque, float $spread, float $target, float $band): float
    {
        $below = static fn (float $at): float => self::normal(($at - $torque) / max(1e-9, $spread * $torque));

        return $below($target * (1 + $band)) - $below($target * (1 - $band));
    }

    /** Abramowitz and Stegun 26.2.17, good to 1e-7. */
    private static function normal(float $z): float
    {
        $t = 1 / (1 + 0.2316419 * abs($z));
        $tail = exp(-$z ** 2 / 2) / sqrt(2 * \M_PI)
            * $t * (0.319381530 + $t * (-0.356563782 + $t * (1.781477937 + $t * (-1.821255978 + $t * 1.330274429))));

        return $z > 0.0 ? 1 - $tail : $tail;
    }

    /**
     * What shims can add up to, the least first.
     *
     * @param list<float> $shims
     *
     * @return list<float>
     */
    private static function sums(array $shims): array
    {
        $sums = ['0' => 0.0];
        foreach (array_slice($shims, 0, 10) as $shim) {
            foreach ($sums as $sum) {
                $sums[sprintf('%.4F', $sum + $shim)] = $sum + $shim;
            }
        }
        sort($sums);

        return $sums;
    }

    /**
     * More shims press more: of those that press neither too little nor too deep, only the one just under and the one just over what
     * the force wants can be the nearest.
     *
     * @param list<float> $sums
     *
     * @return list<float>
     */
    private static function near(SpringStack $stack, float $force, DiscSpring $spring, float $height, array $sums): array
    {
        $weakest = min($stack->packs);
        $sum = static fn (float $force): float => $height - $stack->free($spring) + $stack->pressed($spring, $force);
        $at = static fn (float $deep): float => $sum($weakest * $spring->force(min($deep * $spring->h0, $spring->most())));
        [$wanted, $least, $most] = [$sum($force), $at(self::LEAST), $at(self::MOST)];
        $room = array_values(array_filter($sums, static fn (float $one): bool => $one >= $least - 1e-9 && $one <= $most + 1e-9));
        $under = array_values(array_filter($room, static fn (float $one): bool => $one <= $wanted));
        $over = array_values(array_filter($room, static fn (float $one): bool => $one > $wanted));

        return [...array_slice($under, -1), ...array_slice($over, 0, 1)];
    }

    /**
     * Every way to part up to so many discs into packs, the larger first.
     *
     * @return iterable<non-empty-list<int>>
     */
    private static function partitions(int $discs): iterable
    {
        for ($total = 1; $total <= $discs; ++$total) {
            yield from self::parted($total, $total);
        }
    }

    /** @return iterable<non-empty-list<int>> */
    private static function parted(int $left, int $largest): iterable
    {
        for ($first = min($left, $largest); $first >= 1; --$first) {
            if ($first === $left) {
                yield [$first];
                continue;
            }
            foreach (self::parted($left - $first, $first) as $rest) {
                yield [$first, ...$rest];
            }
        }
    }
}
