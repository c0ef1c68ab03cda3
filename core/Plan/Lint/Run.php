<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint;

use NimbleKnuckle\Core\Plan\Kit\Kit;
use NimbleKnuckle\Core\Plan\Sheet\Sheet;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** A sheet that has been run: for each step the state of the vehicle just before it, and the state at the end. */
final readonly class Run
{
    /** @param list<array{Step, Rig}> $moments */
    private function __construct(public Sheet $sheet, public VehicleSheet $vehicle, public Kit $kit, public array $moments, public Rig $end)
    {
    }

    public static function of(Sheet $sheet, VehicleSheet $vehicle, Kit $kit): self
    {
        $rig = Rig::standing($vehicle);
        $moments = [];
        foreach ($sheet->steps as $step) {
            $moments[] = [$step, $rig];
            $rig = $rig->after($step);
        }

        return new self($sheet, $vehicle, $kit, $moments, $rig);
    }
}
