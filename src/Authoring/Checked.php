<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Authoring;

use NimbleKnuckle\Core\Plan\Procedure\Procedure;

/** A procedure's text, looked over. */
final readonly class Checked
{
    /**
     * @param ?Procedure $procedure null where something is wrong
     * @param list<Fault> $faults
     * @param array<string, list<string>> $tried vehicle => what was found on the sheet that came out
     */
    public function __construct(public ?Procedure $procedure, public array $faults, public array $tried)
    {
    }
}
