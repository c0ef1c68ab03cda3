<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Complete;

use NimbleKnuckle\Core\Procedure\Second;
use NimbleKnuckle\Core\Sheet\Step;

/** A step that needs a second person says what that one does, or on a sheet for one how it is done alone. */
final readonly class ForPeople
{
    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public static function said(array $steps, int $people): array
    {
        return array_map(static fn (Step $step): Step => $step->words->second->isNone() ? $step : $step->with(
            text: trim($step->words->text.' '.$step->words->second->said($people)), second: new Second(),
        ), $steps);
    }
}
