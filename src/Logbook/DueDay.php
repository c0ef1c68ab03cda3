<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Logbook;

/** When a check falls due: a day, km where they are given, and both as a workshop says it. */
final readonly class DueDay
{
    private function __construct(
        public string $on, public int $afterKm, public string $said, public bool $isDue, public bool $isOverdue, public string $hour,
    ) {
    }

    /** Before anybody starts it: a level that is looked at the next morning. */
    private const MORNING = '07:30';

    /**
     * @param string $on Y-m-d, as is today
     * @param bool $isMorning whether it has to be looked at before the first start of that day
     * @param ?string $reached the day its km are run, read or worked out from how fast the vehicle runs
     */
    public static function of(string $on, int $km, string $today, bool $isMorning = false, ?string $reached = null): self
    {
        $isRun = null !== $reached && $reached < $on;
        $on = $isRun ? $reached : $on;
        $day = match (true) {
            $on === $today => 'today',
            $on < $today => 'since '.(new \DateTimeImmutable($on))->format('j M'),
            default => (new \DateTimeImmutable($on))->format('j M'),
        };

        $said = match (true) {
            $isRun && $on > $today => sprintf("about %s, at %d\u{2009}km", $day, $km),
            $isRun => sprintf("%d\u{2009}km are run %s", $km, $day),
            $km > 0 => sprintf("at %d\u{2009}km, or %s", $km, $day),
            $isMorning => $day.', before the first start',
            default => $day,
        };

        return new self($on, $km, $said, $on <= $today, $on < $today, $isMorning ? self::MORNING : '');
    }
}
