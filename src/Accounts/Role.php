<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

/** What a person may do: a helper records, a mechanic also plans, a lead also signs off. */
enum Role: string
{
    case Lead = 'lead';
    case Mechanic = 'mechanic';
    case Helper = 'helper';

    public function securityRole(): string
    {
        return 'ROLE_'.strtoupper($this->value);
    }
}
