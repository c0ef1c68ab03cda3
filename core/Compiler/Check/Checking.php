<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Check;

use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Lint\Linter;
use NimbleKnuckle\Core\Sheet\Lists;
use NimbleKnuckle\Core\Sheet\Sheet;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Timing;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** Stage 7: takes the steps and their timing, gives the sheet: what it needs in lists, and what the linter finds on it. */
final readonly class Checking
{
    public function __construct(private VehicleSheet $vehicle, private Kit $kit, private Linter $linter)
    {
    }

    /**
     * @param list<Step> $steps
     * @param list<string> $expects kinds of follow-up
     */
    public function of(string $title, array $steps, Timing $timing, int $moves, array $expects): Sheet
    {
        $list = new ListOut($this->vehicle, $this->kit);
        $lists = new Lists($list->tools($steps), $list->consumables($steps), $list->parts($steps));

        return $this->linter->marked(new Sheet($title, $steps, [], $lists, $timing, $moves, $expects), $this->vehicle, $this->kit);
    }
}
