<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Complete;

use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Procedure\Limits;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * How warm it is after the drive is held against this vehicle: from its thermostat's rating less what that lags on the road, to the most it
 * normally gets. Where the sheet knows neither, the procedure's own limits stand.
 */
final readonly class WarmLimits
{
    private const FIELD = 'drive_temperature';
    /** K under its rating at which a thermostat that works may stand on the road. */
    private const LAG = 8.0;

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public static function onto(array $steps, VehicleSheet $vehicle): array
    {
        $coolant = $vehicle->circuitFor('coolant')?->plumbing;
        $low = max(0.0, ($coolant->opens ?? 0.0) - self::LAG);
        $high = $coolant->warmest ?? 0.0;

        if ($low <= 0.0 || $high <= $low) {
            return $steps;
        }
        $held = static fn (Ask $ask): Ask => self::isIt($ask) ? self::held($ask, $low, $high) : $ask;

        return array_map(static fn (Step $step): Step => [] === array_filter($step->asking->asks, self::isIt(...))
            ? $step : $step->with(asks: array_map($held, $step->asking->asks)), $steps);
    }

    private static function isIt(Ask $ask): bool
    {
        return self::FIELD === $ask->field;
    }

    private static function held(Ask $ask, float $low, float $high): Ask
    {
        return new Ask(
            $ask->field, $ask->label, $ask->kind, $ask->unit, Limits::between($low, $high), sprintf(
                'Outside what this one does. Under %s °C the thermostat hangs open; over %s °C stop and find out why.', $low, $high,
            ), $ask->guards, $ask->flow,
        );
    }
}
