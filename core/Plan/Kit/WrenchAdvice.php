<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Kit;

use NimbleKnuckle\Core\Fastening\WrenchSet;
use NimbleKnuckle\Core\Plan\Vehicle\Joint;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumResult;

/** Which wrench for a pass of a joint, and what to set it to with the joint's adapter on it. */
final readonly class WrenchAdvice
{
    private function __construct(public ?Wrench $wrench, public ?SumResult $setting, public string $why)
    {
    }

    /** @param float $target N·m at the bolt */
    public static function for(Kit $kit, Joint $joint, float $target): self
    {
        $others = [];
        $wrenches = $kit->wrenches;
        usort($wrenches, static fn (Wrench $a, Wrench $b): int => [$a->isPastCalibration(), $a->error, $a->max, $a->name] <=> [$b->isPastCalibration(), $b->error, $b->max, $b->name]);
        foreach ($wrenches as $wrench) {
            $reach = WrenchSet::reach($wrench->lever, $joint->adapter, $joint->adapterAngle);
            $result = $reach > 0 && $wrench->reaches($target * $wrench->lever / $reach) ? self::setting($joint, $wrench, $target) : null;
            if (null !== $result) {
                $late = array_filter($wrenches, static fn (Wrench $w): bool => $w !== $wrench && $w->isPastCalibration());

                return new self($wrench, $result, self::reason($wrench, $others, array_values($late)));
            }
            $others[] = sprintf('%s works from %s to %s N·m', $wrench->name, round($wrench->lowestUsable(), 1), round($wrench->max, 1));
        }

        return new self(null, null, sprintf('No wrench in the kit reaches %s N·m: %s.', round($target, 1), implode('; ', $others)));
    }

    private static function setting(Joint $joint, Wrench $wrench, float $target): ?SumResult
    {
        $sum = new WrenchSet();
        try {
            return $sum->compute(Inputs::of(['target' => $target, 'lever' => $wrench->lever, 'adapter' => $joint->adapter, 'adapter_angle' => $joint->adapterAngle], $sum->fields()));
        } catch (InvalidInput) {
            return null;
        }
    }

    /**
     * @param list<string> $others
     * @param list<Wrench> $late
     */
    private static function reason(Wrench $wrench, array $others, array $late): string
    {
        $said = sprintf('It works from %s to %s N·m and reads within %s %%.', round($wrench->lowestUsable(), 1), round($wrench->max, 1), $wrench->error);
        if ($wrench->isPastCalibration()) {
            $said .= sprintf(' It is %d days past its calibration.', $wrench->daysPastCalibration);
        } elseif ([] !== $late) {
            $said .= sprintf(' %s is past its calibration and stands back.', implode(', ', array_map(static fn (Wrench $w): string => $w->name, $late)));
        }

        return $said.([] === $others ? '' : ' Passed over: '.implode('; ', $others).'.');
    }
}
