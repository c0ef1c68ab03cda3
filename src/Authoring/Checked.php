<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Authoring;

use NimbleKnuckle\Core\Procedure\Procedure;

/** A procedure's text, looked over. */
final readonly class Checked
{
    /**
     * @param ?Procedure $procedure null where something is wrong
     * @param list<TextFault> $faults
     * @param array<string, list<string>> $tried vehicle => what was found on the sheet that came out
     */
    public function __construct(public ?Procedure $procedure, public array $faults, public array $tried)
    {
    }
}
