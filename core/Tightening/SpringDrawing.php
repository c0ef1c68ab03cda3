<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Quantity\Angle;

/**
 * What an angle does, drawn: preload over the angle up to yield, and bolt and clamped parts as two springs. kN,
 * degrees, hundredths of a mm.
 */
final readonly class SpringDrawing
{
    private function __construct(public Plot $byAngle, public Plot $triangle, public AngleDrawing $head)
    {
    }

    /** @param ?Angle $swing room for the handle; null for one pull */
    public static function of(AngleTightening $made, ?Angle $swing = null): self
    {
        [$springs, $angle] = [$made->springs, $made->angle->degrees];
        [$snug, $added] = [$made->snug->kilonewtons(), $made->added->kilonewtons()];
        [$yield, $preload] = [$made->yield->kilonewtons(), $made->preload->kilonewtons()];
        $knee = $added > 0 ? min($angle, $angle * max(0.0, $yield - $snug) / $added) : $angle;
        $byAngle = Plot::over(
            sprintf(
                'Preload over the angle: snug %.1f kilonewtons, %.1f after %.0f degrees, yield at %.1f.', $snug, $preload, $angle,
                $yield,
            ),
            '°', [0.0, max(1.0, $angle * 1.08)], 'kN', [0.0, 1.18 * max($yield, $preload)],
        )
            ->level($yield, 'yield')
            ->line([[0.0, $snug], [$knee, min($yield, $snug + $added)], [$angle, $preload]], 'trace')
            ->dot(0.0, $snug, sprintf('snug %.1f kN', $snug), 'ink')
            ->dot($angle, $preload, sprintf('%.1f kN', $preload));
        $stretch = 100_000 * $preload / $springs->bolt();
        $squeeze = 100_000 * $preload / $springs->members();
        $triangle = Plot::over(
            sprintf(
                'Bolt and clamped parts as two springs: at %.1f kilonewtons the bolt is stretched by %.1f, the parts squeezed '
                    .'by %.1f hundredths of a millimetre.',
                $preload, $stretch, $squeeze,
            ),
            '1/100 mm', [0.0, 1.1 * ($stretch + $squeeze)], 'kN', [0.0, 1.18 * $preload],
        )
            ->line([[0.0, 0.0], [$stretch, $preload]], 'trace')
            ->line([[$stretch, $preload], [$stretch + $squeeze, 0.0]], 'fluid-line')
            ->mark($stretch, sprintf('bolt +%.1f', $stretch))
            ->dot($stretch, $preload, sprintf('parts −%.1f', $squeeze));

        return new self($byAngle, $triangle, AngleDrawing::of($made->angle, $swing));
    }
}
