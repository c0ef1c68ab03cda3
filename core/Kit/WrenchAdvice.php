<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Kit;

use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Torque;
use NimbleKnuckle\Core\Tightening\WrenchSetting;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\WrenchBand;

/** Which wrench for a pass of a joint, and what to set it to with the joint's adapter on it. */
final readonly class WrenchAdvice
{
    /**
     * @param ?WrenchBand $band what the bolt may then have got, at the full figure; null before it
     */
    private function __construct(
        public ?Wrench $wrench, public ?WrenchSetting $setting, public string $why, public ?WrenchBand $band = null,
    ) {
    }

    /** @param float $target N·m at the bolt */
    public static function for(Kit $kit, Joint $joint, float $target): self
    {
        $isFull = $joint->hasFigure() && abs($target - $joint->torqueAt(100.0)) < 1e-9 * max(1.0, $target);
        $others = [];
        $second = null;
        foreach (self::bestFirst($kit) as $wrench) {
            $band = $isFull ? $joint->spec->within($wrench->error) : null;
            $aim = $band->aim ?? $target;
            $setting = self::setting($joint, $wrench, $aim);
            $result = $setting->isWorkable() && $wrench->reaches($setting->setting()->newtonMetres) ? $setting : null;
            if (null === $result) {
                $others[] = sprintf(
                    '%s works from %s to %s N·m', $wrench->name, round($wrench->lowestUsable(), 1), round($wrench->max, 1),
                );
                continue;
            }
            if (null === $band || $band->fits) {
                return new self($wrench, $result, self::reason($wrench, $others, self::late($kit, $wrench)), $band);
            }
            $second ??= new self($wrench, $result, self::reason($wrench, $others, self::late($kit, $wrench)), $band);
            $others[] = sprintf('%s reads within %s %%, which is more than the figure allows', $wrench->name, $wrench->error);
        }

        return $second ?? new self(
            null, null, sprintf('No wrench in the kit reaches %s N·m: %s.', round($target, 1), implode('; ', $others)),
        );
    }

    /** Whether the figure or its ceiling may be passed by what this wrench reads off. */
    public function isTooCoarse(): bool
    {
        return null !== $this->band && !$this->band->fits;
    }

    /** @return list<Wrench> in date before out of date, then the least error band */
    private static function bestFirst(Kit $kit): array
    {
        $wrenches = $kit->wrenches;
        usort(
            $wrenches,
            static fn (Wrench $a, Wrench $b): int => [
                $a->isPastCalibration(), $a->error, $a->max, $a->name,
            ] <=> [$b->isPastCalibration(), $b->error, $b->max, $b->name],
        );

        return $wrenches;
    }

    /** @return list<Wrench> */
    private static function late(Kit $kit, Wrench $taken): array
    {
        return array_values(array_filter(self::bestFirst($kit), static fn (Wrench $w): bool => $w !== $taken && $w->isPastCalibration()));
    }

    private static function setting(Joint $joint, Wrench $wrench, float $target): WrenchSetting
    {
        return WrenchSetting::of(
            Torque::newtonMetres($target), Length::millimetres($wrench->lever), $joint->tools->adapter,
            $joint->tools->adapterAngle,
        );
    }

    /**
     * @param list<string> $others
     * @param list<Wrench> $late
     */
    private static function reason(Wrench $wrench, array $others, array $late): string
    {
        $said = sprintf(
            'It works from %s to %s N·m and reads within %s %%.', round($wrench->lowestUsable(), 1), round($wrench->max, 1),
            $wrench->error,
        );
        if ($wrench->isPastCalibration()) {
            $said .= sprintf(' It is %d days past its calibration.', $wrench->daysPastCalibration);
        } elseif ([] !== $late) {
            $said .= sprintf(
                ' %s is past its calibration and stands back.',
                implode(', ', array_map(static fn (Wrench $w): string => $w->name, $late)),
            );
        }

        return $said.([] === $others ? '' : ' Passed over: '.implode('; ', $others).'.');
    }
}
