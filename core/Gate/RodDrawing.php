<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Quantity\Show;

/** At what pressure a gate cracks over the turns of its rod’s end, step by step, with the one that was chosen. */
final readonly class RodDrawing
{
    /** @param float $each kPa a turn */
    public static function of(float $bare, float $each, float $step, float $turns, ?float $wanted): Plot
    {
        $most = max(2.0, ceil($turns) + 2.0);
        $plot = Plot::over(
            'Pressure at which the gate cracks over the turns of its rod', 'turns', [0.0, $most], 'kPa',
            [0.0, max(1.15 * ($bare + $each * $most), 1.2 * ($wanted ?? 0.0))],
        )->line([[0.0, $bare], [$most, $bare + $each * $most]], 'ink');
        for ($at = 0.0; $at <= $most + 1e-9; $at += max(0.25, $step)) {
            $plot = $plot->dot($at, $bare + $each * $at, '', 'metal');
        }
        $plot = null === $wanted ? $plot : $plot->level($wanted, sprintf('wanted %s', Show::n($wanted, 3)), 'dash');

        return $turns < 0.0 ? $plot : $plot->dot($turns, $bare + $each * $turns, sprintf(
            '%s turns, %s kPa', Show::n($turns, 3), Show::n($bare + $each * $turns, 3),
        ));
    }
}
