<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate\Door;

use NimbleKnuckle\Core\Gate\BoostFinding;
use NimbleKnuckle\Core\Gate\BoostRun;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Sum\Check;

/** What is said of a run, by the sum and at the bench: each names what to look at. */
final readonly class BoostSaid
{
    public static function of(BoostRun $run): Check
    {
        return match ($run->finding) {
            BoostFinding::OverLimit => Check::stop('over-limit', sprintf(
                'Over its limit: %s kPa after %s s. Off the throttle; hose to the gate, rod, solenoid.', Show::n($run->peak, 3),
                Show::n($run->at, 2),
            )),
            BoostFinding::Short => Check::watch(
                'short', 'It never comes near its target: a leak, the gate open or set too soft, the filter.',
            ),
            BoostFinding::Hunting => Check::watch(
                'hunting', 'It swings up and down: too little preload, a fluttering valve, the solenoid.',
            ),
            BoostFinding::Spike => Check::watch(
                'spike', 'It shoots over and comes back: the gate opens late. Shorter hose to it, a bleed, less duty.',
            ),
            BoostFinding::Creep => Check::watch(
                'creep', 'It rises with speed past its target: the gate is too small for the flow, or stops short.',
            ),
            BoostFinding::Tapers => Check::watch(
                'tapers', 'It falls away at the top: the spring gives way to the exhaust, a hose blows, or the turbo has no more.',
            ),
            BoostFinding::Sound => Check::ok('sound', 'It comes to its target and stays.'),
        };
    }
}
