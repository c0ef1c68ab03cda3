<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use NimbleKnuckle\Core\Bench\Hand;

/** What a person may do: a helper records, a mechanic also plans, a lead also signs off. */
enum Role: string
{
    case Lead = 'lead';
    case Mechanic = 'mechanic';
    case Helper = 'helper';

    public function hand(): Hand
    {
        return match ($this) {
            self::Lead => Hand::Lead,
            self::Mechanic => Hand::Mechanic,
            self::Helper => Hand::Helper,
        };
    }

    public function securityRole(): string
    {
        return 'ROLE_'.strtoupper($this->value);
    }
}
