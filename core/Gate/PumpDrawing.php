<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Quantity\Show;

/** Rod over pressure, up and down, with the knee where the gate cracks. kPa and mm. */
final readonly class PumpDrawing
{
    /**
     * @param non-empty-list<array{float, float}> $samples
     * @param list<array{float, float}> $before the one before it
     */
    public static function of(array $samples, ActuatorTest $test, ?float $label, array $before = []): Plot
    {
        $ways = array_column([...$samples, ...$before], 1);
        $plot = Plot::over(
            'Rod over pressure, pumped up and let down', 'kPa', [0.0, 1.08 * max(1.0, ...array_column([...$samples, ...$before], 0))], 'mm',
            [min(0.0, ...$ways), 1.15 * max(1.0, ...$ways)],
        )->line($before, 'before')->line($samples, 'trace');
        $plot = null === $label ? $plot : $plot->mark($label, sprintf('label %s', Show::n($label, 3)));

        return null === $test->cracks ? $plot : $plot->dot($test->cracks, 0.0, sprintf('cracks at %s kPa', Show::n($test->cracks, 3)));
    }
}
