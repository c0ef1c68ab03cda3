<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Procedure\RoleBook;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** What the procedures on the shelf ask of a vehicle sheet. */
final readonly class KnownRoles
{
    public function __construct(private ProcedureShelf $shelf)
    {
    }

    public function book(): RoleBook
    {
        return RoleBook::of($this->shelf->all());
    }

    /** @return list<ProcedureGaps> what each procedure still misses on this sheet, those that miss least first */
    public function carried(VehicleSheet $sheet): array
    {
        $carried = array_map(static fn (Procedure $procedure): ProcedureGaps => new ProcedureGaps(
            $procedure->id, $procedure->title, RoleBook::missing($procedure, $sheet),
        ), array_values($this->shelf->all()));
        usort($carried, static fn (ProcedureGaps $a, ProcedureGaps $b): int => (
            [count($a->missing), $a->title] <=> [count($b->missing), $b->title]
        ));

        return $carried;
    }
}
