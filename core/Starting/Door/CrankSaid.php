<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Starting\Door;

use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Starting\CrankFinding;
use NimbleKnuckle\Core\Starting\CrankRun;
use NimbleKnuckle\Core\Starting\VoltDrop;
use NimbleKnuckle\Core\Sum\Check;

/** What is said of a recording of a starter that cranks. */
final readonly class CrankSaid
{
    public static function of(CrankRun $run, int $cylinders): Check
    {
        $volts = static fn (float $one): string => Show::n($one, 3);

        return match ($run->finding) {
            CrankFinding::TooShort => Check::watch('too-short',
                'It was not cranked for long enough to tell: three seconds, and it must not start.'),
            CrankFinding::Earth => Check::stop('bad-earth', sprintf(
                'The earth loses %s V and may lose %s: strap, its ends, the face the starter bolts to. The starter is not to blame.',
                $volts($run->earth), Show::n(VoltDrop::GROUND),
            )),
            CrankFinding::Feed => Check::stop('bad-feed', sprintf(
                'The feed loses %s V and may lose %s: cable, its ends, the solenoid. The starter is not to blame.',
                $volts($run->feed()), Show::n(VoltDrop::FEED),
            )),
            CrankFinding::Battery => Check::stop('weak-battery', sprintf(
                'The battery falls to %s V; a good one this warm keeps %s. %s', $volts($run->settled), $volts($run->drop->least ?? 0.0),
                $run->rest < VoltDrop::CHARGED ? 'Charge it first, then crank once more.' : 'The battery before any cable.',
            )),
            CrankFinding::Cylinder => Check::stop('low-cylinder', sprintf(
                'One hump in %d is flat, %s %% of the others: that cylinder does not press. Compression before anything else.',
                $cylinders, Show::n(100 * $run->flat, 2),
            )),
            CrankFinding::Sound => Check::ok('sound', self::sound($run, $cylinders)),
        };
    }

    private static function sound(CrankRun $run, int $cylinders): string
    {
        $rpm = $run->rpm($cylinders);
        $turns = null === $rpm ? 'humps too small to count' : sprintf('about %s rpm', Show::n($rpm, 2));

        return sprintf(
            'Battery, feed and earth within what they may lose, %s. %s', $turns, match (true) {
                null === $rpm => 'Whether one cylinder is low cannot be told from it.',
                $cylinders > 6 => 'With so many cylinders a low one may hide in the others.',
                default => 'Each cylinder presses like the others.',
            },
        );
    }
}
