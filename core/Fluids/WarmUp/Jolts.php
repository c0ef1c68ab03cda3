<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids\WarmUp;

/**
 * Air shows before the thermostat opens by any jump. Once it has opened, cold coolant comes out of the radiator in slugs: a dip
 * that comes back is none. Many dips, close together and no smaller from one to the next, are. °C, s.
 */
final readonly class Jolts
{
    /** K within so many s. */
    public const JUMP = 6.0;
    public const JUMP_SECONDS = 20.0;
    private const TOOTH = 3.0;
    /** From one tooth of a saw to the next; what a thermostat does by itself comes more slowly. */
    private const TOOTH_SECONDS = 75.0;
    private const TEETH = 3;
    /** A dip that is smaller than this share of the one before is a swing that settles. */
    private const SETTLES = 0.8;
    private const COMES_BACK_SECONDS = 180.0;
    private const SHORT_OF = 5.0;
    /** K over the rating from which a dip is the fan's. */
    private const FAN = 8.0;

    /** @param array{from: float, to: float, at: float}|null $jump the first that is air */
    private function __construct(public ?array $jump, public int $teeth)
    {
    }

    /** @param float $rate K/s while it warms */
    public static function of(Curve $curve, float $opens, float $rate): self
    {
        $first = $curve->firstAt($opens - self::SHORT_OF);
        $opened = null === $first ? \INF : $curve->times[$first];
        $all = $curve->dips(self::TOOTH);
        $dips = array_values(array_filter($all, static fn (array $dip): bool => $dip['at'] >= $opened));
        $air = null;
        foreach ($curve->jumps(self::JUMP, self::JUMP_SECONDS, $rate) as $jump) {
            $isCold = $jump['at'] < $opened - 1e-9 && $jump['from'] < $opens - self::SHORT_OF;
            $air ??= $isCold || self::isSpike($curve, $jump, $dips) ? $jump : null;
        }

        return new self($air, self::saw($all, $opens));
    }

    public function sign(): ?Sign
    {
        return match (true) {
            null !== $this->jump => Sign::Jumped,
            $this->teeth >= self::TEETH => Sign::Saw,
            default => null,
        };
    }

    /**
     * A jump while it is hot that is no dip: up from where it held, or down and not back within some minutes.
     *
     * @param array{from: float, to: float, at: float} $jump
     * @param list<array{from: float, low: float, back: float, at: float, until: float}> $dips
     */
    private static function isSpike(Curve $curve, array $jump, array $dips): bool
    {
        foreach ($dips as $dip) {
            $isFall = $jump['to'] < $jump['from'];
            $within = $jump['at'] >= $dip['at'] - ($isFall ? self::JUMP_SECONDS : 0.0)
                && $jump['at'] <= $dip['until'] + self::COMES_BACK_SECONDS;
            $cameBack = $dip['back'] >= $dip['low'] + 0.5 * ($dip['from'] - $dip['low']);
            $mayYet = $curve->times[$curve->count() - 1] - $dip['at'] < self::COMES_BACK_SECONDS;
            if ($within && ($cameBack || $mayYet) && max($jump['from'], $jump['to']) <= $dip['from'] + self::JUMP) {
                return false;
            }
        }

        return true;
    }

    /**
     * How many dips follow one another closely without growing smaller.
     *
     * @param list<array{from: float, low: float, back: float, at: float, until: float}> $dips
     */
    private static function saw(array $dips, float $opens): int
    {
        $most = $teeth = 0;
        $last = null;
        foreach ($dips as $dip) {
            $isFan = $dip['from'] > $opens + self::FAN;
            $depth = $dip['from'] - $dip['low'];
            $isNext = null !== $last
                && $dip['at'] - $last['at'] <= self::TOOTH_SECONDS
                && $depth > self::SETTLES * ($last['from'] - $last['low']);
            $teeth = $isFan ? 0 : ($isNext ? $teeth + 1 : 1);
            $most = max($most, $teeth);
            $last = $dip;
        }

        return $most;
    }
}
