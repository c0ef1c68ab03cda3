<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Clutch;

/** Friction, a ratio, from trials by least squares, its spread, and a trial that only a disc the wrong way up explains. */
final readonly class FrictionFit
{
    /** Spread that is always allowed for, of one: working values. */
    private const LEAST = 0.03;
    private const UNTRIED = 0.1;
    /** A trial this far from the others is looked at, one this near fits. */
    private const ODD = 0.12;
    private const FITS = 0.1;

    /**
     * @param float $spread of one, one deviation
     * @param ?int $odd which trial is unlike the others
     * @param ?int $disc which of its discs likely lies the wrong way up; null where no one disc explains it
     */
    private function __construct(public float $friction, public float $spread, public ?int $odd, public ?int $disc)
    {
    }

    public static function given(float $friction): self
    {
        return new self($friction, self::UNTRIED, null, null);
    }

    /** @param non-empty-list<SlipTrial> $trials */
    public static function of(array $trials, DiscSpring $spring, FrictionRing $ring): self
    {
        $each = array_map(static fn (SlipTrial $one): float => self::alone($one, $one->stack, $spring, $ring), $trials);
        $odd = self::odd($each);
        $sound = array_values(array_filter($trials, static fn (int $i): bool => $i !== $odd, \ARRAY_FILTER_USE_KEY));
        $sound = [] === $sound ? $trials : $sound;
        $above = $below = 0.0;
        foreach ($sound as $trial) {
            $arm = $trial->stack->force($spring, $trial->height) * $ring->arm;
            foreach ($trial->pulls as $pull) {
                $above += $arm * $pull;
                $below += $arm ** 2;
            }
        }
        $friction = $above / max(1e-12, $below);
        $disc = null === $odd ? null : self::turned($trials[$odd], $friction, $spring, $ring);

        return new self($friction, self::spread($sound, $friction, $spring, $ring), $odd, $disc);
    }

    private static function alone(SlipTrial $trial, SpringStack $stack, DiscSpring $spring, FrictionRing $ring): float
    {
        $force = $stack->force($spring, $trial->height);

        return $force > 1e-9 ? $trial->mean() / ($force * $ring->arm) : \INF;
    }

    /** @param list<float> $each */
    private static function odd(array $each): ?int
    {
        if (count($each) < 2) {
            return null;
        }
        $sorted = $each;
        sort($sorted);
        $middle = $sorted[intdiv(count($sorted) - 1, 2)];
        $far = array_map(static fn (float $one): float => abs($one / $middle - 1), $each);
        $worst = (int) array_search(max($far), $far, true);

        // Of two, either may be the wrong one: the later is asked about.
        return $far[$worst] > self::ODD ? (2 === count($each) ? 1 : $worst) : null;
    }

    private static function turned(SlipTrial $trial, float $friction, DiscSpring $spring, FrictionRing $ring): ?int
    {
        [$best, $nearest] = [null, self::FITS];
        for ($i = 0, $n = $trial->stack->discs(); $i < $n; ++$i) {
            $flipped = $trial->stack->flipped($i);
            if ($flipped->free($spring) <= $trial->height) {
                continue;
            }
            $off = abs(self::alone($trial, $flipped, $spring, $ring) / $friction - 1);
            [$best, $nearest] = $off < $nearest ? [$i, $off] : [$best, $nearest];
        }

        return $best;
    }

    /** @param non-empty-list<SlipTrial> $trials */
    private static function spread(array $trials, float $friction, DiscSpring $spring, FrictionRing $ring): float
    {
        $squares = [];
        foreach ($trials as $trial) {
            $arm = $trial->stack->force($spring, $trial->height) * $ring->arm;
            foreach ($trial->pulls as $pull) {
                $squares[] = ($pull / max(1e-12, $arm * $friction) - 1) ** 2;
            }
        }

        return max(self::LEAST, count($squares) < 2 ? self::UNTRIED : sqrt(array_sum($squares) / (count($squares) - 1)));
    }
}
