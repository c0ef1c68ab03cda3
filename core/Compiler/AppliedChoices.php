<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler;

use NimbleKnuckle\Core\Bolting\Compound;
use NimbleKnuckle\Core\Compiler\Complete\RunDown;
use NimbleKnuckle\Core\Procedure\ChoiceGroup;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\Questions;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** What the chosen ways make of a vehicle's joints: the end of a range that is aimed at, and what goes on the threads. */
final readonly class AppliedChoices
{
    /** Asked of every fit: which end of a range. */
    public const END = 'range-end';
    private const REASONS = ['low' => 'soft threads, used again', 'high' => 'seating and sealing'];

    public static function onto(VehicleSheet $vehicle, Choices $choices): VehicleSheet
    {
        $end = $choices->of(self::END);
        $because = self::REASONS[$end] ?? '';
        $coats = [];
        foreach ($choices->chosen as $key => $compound) {
            $joint = str_starts_with($key, Questions::COAT) ? $vehicle->jointFor(substr($key, strlen(Questions::COAT))) : null;
            if (null !== $joint) {
                $coats[$joint->id] = Compound::from($compound);
            }
        }

        return '' === $because && [] === $coats ? $vehicle : $vehicle->withJoints(
            static function (Joint $joint) use ($end, $because, $coats): Joint {
                $aimed = '' === $because ? $joint : $joint->at($end, $because);

                return isset($coats[$joint->id]) ? $aimed->coated($coats[$joint->id]) : $aimed;
            },
        );
    }

    /**
     * Those of the ways asked of every fit that change something on this vehicle.
     *
     * @param list<ChoiceGroup> $ways
     *
     * @return list<ChoiceGroup>
     */
    public static function asked(array $ways, VehicleSheet $vehicle): array
    {
        $changes = [
            self::END => static fn (Joint $joint): bool => $joint->spec->isRange(),
            RunDown::WAY => RunDown::mayBeDriven(...),
        ];

        return array_values(array_filter($ways, static fn (ChoiceGroup $way): bool => [] !== array_filter(
            $vehicle->joints, $changes[$way->id] ?? static fn (): bool => true,
        )));
    }
}
