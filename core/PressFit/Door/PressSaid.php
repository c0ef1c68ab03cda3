<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\PressFit\Door;

use NimbleKnuckle\Core\PressFit\PressCurve;
use NimbleKnuckle\Core\PressFit\PressEnd;
use NimbleKnuckle\Core\Quantity\Show;
use NimbleKnuckle\Core\Sum\Check;

/** What is said of a curve, by the sum and at the bench: does it sit, is it picking up, does it hold. */
final readonly class PressSaid
{
    /** @return non-empty-list<Check> the gravest first */
    public static function of(PressCurve $judged): array
    {
        $end = self::end($judged);

        return $judged->isEasy && PressEnd::Free !== $judged->end ? [self::free($judged), $end] : [$end];
    }

    private static function end(PressCurve $judged): Check
    {
        $at = Show::n($judged->at, 3).' mm';

        return match ($judged->end) {
            PressEnd::Seated => Check::ok('seated', sprintf('Seated at %s: the torque jumps. Measure the depth as well.', $at)),
            PressEnd::NotSeated => Check::stop('not-seated', sprintf('Not seated: no jump by %s. Go on, and measure the depth.', $at)),
            PressEnd::PickingUp => Check::stop(
                'picking-up', sprintf('Stop: at %s it is far too hard. It is picking up; draw it off and look.', $at),
            ),
            PressEnd::Free => self::free($judged),
        };
    }

    private static function free(PressCurve $judged): Check
    {
        return Check::stop('free', PressEnd::Seated === $judged->end
            ? 'It went on far too easily: it sits, and it is not tight. Measure shaft and bore again.'
            : sprintf('It goes on with %s N·m at most: it is not tight. Measure shaft and bore again.', Show::n($judged->most, 3)));
    }
}
