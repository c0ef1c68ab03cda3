<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Fluids;

/** When a fluid falls due by time and by distance, whichever comes first. Months of 30.44 days, km. */
final readonly class Interval
{
    private const DAYS = 30.44;

    private function __construct(public ?float $monthsLeft, public ?float $kmLeft)
    {
    }

    /**
     * Null where neither time nor distance is asked for.
     *
     * @param ?float $kmThen distance when it was changed
     * @param ?float $kmNow the last distance written down
     */
    public static function of(
        int $everyMonths, float $everyKm, \DateTimeImmutable $changed, \DateTimeImmutable $now, ?float $kmThen, ?float $kmNow,
    ): ?self {
        $months = $everyMonths > 0 ? $everyMonths - ($now->getTimestamp() - $changed->getTimestamp()) / 86400 / self::DAYS : null;
        $km = $everyKm > 0.0 && null !== $kmThen && null !== $kmNow ? $everyKm - max(0.0, $kmNow - $kmThen) : null;

        return null === $months && null === $km ? null : new self($months, $km);
    }

    public function isDue(): bool
    {
        return null !== $this->monthsLeft && $this->monthsLeft <= 0.0 || null !== $this->kmLeft && $this->kmLeft <= 0.0;
    }
}
