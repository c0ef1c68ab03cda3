<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\ChargeAir\Door;

use NimbleKnuckle\Core\ChargeAir\LeakFinding;
use NimbleKnuckle\Core\ChargeAir\LeakRun;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Sum\Check;

/** What is said of a gauge that was watched. Shares are percent of what the engine breathes; a hole by itself is mm. */
final readonly class LeakSaid
{
    private const MUCH = 2.0;
    private const NOTICED = 0.5;
    /** mm, where nobody said what the engine breathes. */
    private const LARGE = 2.0;

    /** @param float $flow g/s the engine breathes; 0 where nobody said */
    public static function of(LeakRun $run, Pressure $boost, float $flow): Check
    {
        $fell = Show::n(max(0.0, round($run->from - $run->to, 1)), 2);

        return match ($run->finding) {
            LeakFinding::LetsGo => Check::stop('lets-go', 'It went all at once: a hose came off or slid. Find which before anything else.'),
            LeakFinding::Rises => Check::watch('rises', 'It rises: the supply is not shut. Shut it, let it settle, watch it again.'),
            LeakFinding::CoolsDown => Check::watch(
                'cools-down', sprintf('It fell by %s kPa and then stood: the air cooled. Watch it once more.', $fell),
            ),
            LeakFinding::Tight => Check::ok('tight', sprintf('It stands: %s kPa lost in %s s.', $fell, Show::n($run->seconds, 2))),
            LeakFinding::Leaks => self::leaks($run, $boost, $flow),
        };
    }

    private static function leaks(LeakRun $run, Pressure $boost, float $flow): Check
    {
        $hole = $run->leak->hole ?? 0.0;
        $share = $flow > 0.0 ? 100 * ($run->leak?->loss($boost) ?? 0.0) / $flow : 0.0;
        $said = sprintf('As one hole of %s mm%s.', Show::n($hole, 2), $flow > 0.0
            ? sprintf(', %s %% of what it breathes', Show::n($share, 2)) : '');

        return match (true) {
            $share > self::MUCH || 0.0 === $flow && $hole > self::LARGE => Check::stop('leaks', $said.' Find it and mend it.'),
            $share > self::NOTICED || 0.0 === $flow => Check::watch('leaks', $said.' Soap and listen.'),
            default => Check::watch('leaks', $said.' Little, and it only grows: soap and listen.'),
        };
    }
}
