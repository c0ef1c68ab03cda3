<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint\Rule;

use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Law\Ground;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\State\VehicleState;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** A sheet that has been run: for each step the state of the vehicle just before it, and the state at the end. */
final readonly class Run
{
    /** @var array<string, array<int, array{Step, VehicleState}>> deed => place => moment */
    private array $byDeed;

    /** @param list<array{Step, VehicleState}> $moments */
    private function __construct(
        public Sheet $sheet, public VehicleSheet $vehicle, public Kit $kit, public array $moments, public VehicleState $end,
        public Ground $ground,
    ) {
        $byDeed = [];
        foreach ($moments as $place => $moment) {
            $byDeed[$moment[0]->deed->value][$place] = $moment;
        }
        $this->byDeed = $byDeed;
    }

    /** @return array<int, array{Step, VehicleState}> the moments of the steps that do one of these, in the order of the sheet */
    public function doing(StepKind ...$deeds): array
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
        $rig = VehicleState::standing($vehicle);
        $moments = [];
        foreach ($sheet->steps as $step) {
            $moments[] = [$step, $rig];
            $rig = $rig->after($step);
        }

        return new self($sheet, $vehicle, $kit, $moments, $rig, new Ground($sheet, $vehicle));
    }
}
