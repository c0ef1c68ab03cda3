<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate\Door;

use NimbleKnuckle\Core\Gate\ActuatorFinding;
use NimbleKnuckle\Core\Gate\ActuatorTest;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Sum\Check;

/** What is said of an actuator on a hand pump, by the sum and at the bench. */
final readonly class ActuatorSaid
{
    public static function of(ActuatorTest $test): Check
    {
        $cracks = Show::n($test->cracks ?? 0.0, 3);

        return match ($test->finding) {
            ActuatorFinding::NeverMoves => Check::stop('never-moves', 'The rod does not move: seized, a hose off, or a torn diaphragm.'),
            ActuatorFinding::Leaks => Check::stop('leaks', sprintf(
                'It loses %s %% in ten seconds: diaphragm or hose. Boost would run away.', Show::n(100 * ($test->lost ?? 0.0), 2),
            )),
            ActuatorFinding::Sticks => Check::watch('sticks', sprintf(
                '%s kPa between up and down: arm, shaft or rod bind. Free it first.', Show::n($test->hysteresis ?? 0.0, 2),
            )),
            ActuatorFinding::StoppedShort => Check::stop('stopped-short', sprintf(
                'It stops after %s mm: something is in its way, and the gate never opens fully.', Show::n($test->travel, 2),
            )),
            ActuatorFinding::SpringOffLabel => Check::watch(
                'spring-off-label', sprintf('It cracks at %s kPa, not where its label says: another spring is in it.', $cracks),
            ),
            ActuatorFinding::Sound => Check::ok('sound', sprintf('Cracks at %s kPa, moves evenly, comes back.', $cracks)),
        };
    }
}
