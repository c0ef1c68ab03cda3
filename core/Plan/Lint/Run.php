<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint;

use NimbleKnuckle\Core\Plan\Kit\Kit;
use NimbleKnuckle\Core\Plan\Law\Ground;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Sheet;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** A sheet that has been run: for each step the state of the vehicle just before it, and the state at the end. */
final readonly class Run
{
    /** @var array<string, array<int, array{Step, Rig}>> deed => place => moment */
    private array $byDeed;

    /** @param list<array{Step, Rig}> $moments */
    private function __construct(
        public Sheet $sheet, public VehicleSheet $vehicle, public Kit $kit, public array $moments, public Rig $end, public Ground $ground,
    ) {
        $byDeed = [];
        foreach ($moments as $place => $moment) {
            $byDeed[$moment[0]->deed->value][$place] = $moment;
        }
        $this->byDeed = $byDeed;
    }

    /** @return array<int, array{Step, Rig}> the moments of the steps that do one of these, in the order of the sheet */
    public function doing(Deed ...$deeds): array
    {
        $found = [];
        foreach ($deeds as $deed) {
            $found += $this->byDeed[$deed->value] ?? [];
        }
        1 === count($deeds) || ksort($found);

        return $found;
    }

    public static function of(Sheet $sheet, VehicleSheet $vehicle, Kit $kit): self
    {
        $rig = Rig::standing($vehicle);
        $moments = [];
        foreach ($sheet->steps as $step) {
            $moments[] = [$step, $rig];
            $rig = $rig->after($step);
        }

        return new self($sheet, $vehicle, $kit, $moments, $rig, new Ground($sheet, $vehicle));
    }
}
