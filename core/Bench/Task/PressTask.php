<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Task;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\PressFit\Measured;
use NimbleKnuckle\Core\PressFit\PartMaterial;
use NimbleKnuckle\Core\PressFit\PressFit;
use NimbleKnuckle\Core\PressFit\PressScrew;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\NamedThread;

/**
 * A hub that is pressed on at a step: what was measured of it and its shaft, and what the screw in the end of that shaft is to
 * feel. The screw has the thread of the bolt that holds the part; steel on steel, oiled. N·m and mm.
 */
final readonly class PressTask
{
    private const SIZES = ['snout', 'snout_back', 'bore', 'bore_back', 'hub_outside', 'fit_length'];
    /** Oiled, low and high, as for the sum. */
    private const FRICTION = [0.09, 0.15];
    private const SCREW = 0.12;

    /**
     * @param string $screw its thread, as the vehicle sheet has it
     * @param float $force N
     * @param float $torque N·m at its nut
     * @param float $travel mm until it sits
     */
    private function __construct(
        public string $screw, public float $force, public float $torque, public float $travel, public float $turns,
    ) {
    }

    /** Null where the step presses nothing, something was not measured, nothing is tight, or its thread is not known. */
    public static function of(Fit $fit, Step $step): ?self
    {
        $read = self::measured($fit, $step);
        $named = self::thread($fit, $step);
        $thread = $named?->known;
        $steel = PartMaterial::named('steel');
        if (null === $thread || null === $steel || !isset($read['snout'], $read['bore'], $read['hub_outside'], $read['fit_length'])) {
            return null;
        }
        $mean = static fn (string $one): float => Measured::of([[$read[$one]], [$read[$one.'_back'] ?? $read[$one]]])->mean;
        [$shaft, $bore, $travel] = [$mean('snout'), $mean('bore'), $read['fit_length']];
        if ($shaft <= $bore || $read['hub_outside'] <= $shaft || $travel <= 0.0) {
            return null;
        }
        $press = PressFit::of(
            array_map(Length::millimetres(...), [$shaft, $bore, $read['hub_outside'], 0.0]), [$steel, $steel], Length::millimetres($travel),
            Length::millimetres(0.0), self::FRICTION, Length::millimetres(0.05),
        );
        $screw = PressScrew::of(
            Force::newtons($press->force->value), $thread, Material::parse('steel'), [self::SCREW, self::SCREW], null,
            Length::millimetres($travel),
            Length::millimetres($thread->diameter),
        );

        return new self(null === $named ? '' : $named->text, $press->force->value, $screw->torque->value, $travel, $screw->turns->value);
    }

    /**
     * What was measured of the part of this step, whatever a procedure puts before the names: “blower_snout” is a snout.
     *
     * @return array<string, float> mm
     */
    public static function measured(Fit $fit, Step $step): array
    {
        $read = [];
        foreach (CurveKind::Press->value === $step->asking->sum ? $fit->sheet->steps : [] as $one) {
            foreach ($one->target->item === $step->target->item ? $one->asking->asks : [] as $ask) {
                foreach (self::SIZES as $size) {
                    $value = str_ends_with('_'.$ask->field, '_'.$size) ? $fit->state->reading($one->id, $ask->field)?->value : null;
                    $read += null === $value ? [] : [$size => $value];
                }
            }
        }

        return $read;
    }

    private static function thread(Fit $fit, Step $step): ?NamedThread
    {
        foreach ($fit->vehicle->joints as $joint) {
            if ($joint->item === $step->target->item && 1 === $joint->count()) {
                return $joint->fastener->named;
            }
        }

        return null;
    }
}
