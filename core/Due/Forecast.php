<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Due;

/** When something falls due next: the day by time, the day by distance, and the one that comes first. */
final readonly class Forecast
{
    /** Days before, and km before, from which it is said to be due soon. */
    public const SOON_DAYS = 45;
    public const SOON_KM = 1500.0;
    /** s, of 30.44 days. */
    private const MONTH = 30.44 * 86400;

    /**
     * @param ?\DateTimeImmutable $on null where neither is known
     * @param bool $isByDistance whether distance comes first
     * @param bool $isAbout whether that day is worked out from how fast the vehicle runs, and was not read
     * @param ?float $kmLeft less than nothing where it is over; null where that is not known
     * @param ?float $monthsLeft months of 30.44 days to the day by time, the same
     */
    private function __construct(
        public ?\DateTimeImmutable $on, public bool $isByDistance, public bool $isAbout, public ?float $kmLeft, public bool $isDue,
        public bool $isSoon, public ?float $monthsLeft,
    ) {
    }

    /** @param ?float $km the clock showed then; null where nobody wrote it down */
    public static function of(Every $every, \DateTimeImmutable $done, ?float $km, Mileage $mileage, \DateTimeImmutable $now): self
    {
        $byTime = $every->months > 0 ? $done->add(new \DateInterval(sprintf('P%dM', $every->months))) : null;
        $at = self::target($every, $km ?? $mileage->at($done));
        $byDistance = null === $at ? null : $mileage->when($at);
        $isByDistance = null !== $byDistance && (null === $byTime || $byDistance < $byTime);
        $on = $isByDistance ? $byDistance : $byTime;
        $shows = $mileage->at($now);
        $left = null === $at || null === $shows ? null : $at - $shows;
        $isDue = null !== $on && $on <= $now;

        return new self(
            $on, $isByDistance, $isByDistance && $byDistance > $mileage->lastAt(), $left, $isDue, !$isDue && self::isNear($on, $left, $now),
            null === $byTime ? null : ($byTime->getTimestamp() - $now->getTimestamp()) / self::MONTH,
        );
    }

    /** What the clock shows when it is due; null where that is not asked or not known. */
    private static function target(Every $every, ?float $then): ?float
    {
        return $every->km > 0.0 && null !== $then ? $then + $every->km : null;
    }

    private static function isNear(?\DateTimeImmutable $on, ?float $left, \DateTimeImmutable $now): bool
    {
        return null !== $on && $on <= $now->modify(sprintf('+%d days', self::SOON_DAYS)) || null !== $left && $left <= self::SOON_KM;
    }
}
