<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use NimbleKnuckle\Core\Bench\Event\Authority;

/** What a person may do: a helper records, a mechanic also plans, a lead also signs off. */
enum Role: string
{
    case Lead = 'lead';
    case Mechanic = 'mechanic';
    case Helper = 'helper';

    public function hand(): Authority
    {
        return match ($this) {
            self::Lead => Authority::Lead,
            self::Mechanic => Authority::Mechanic,
            self::Helper => Authority::Helper,
        };
    }

    /** The least role whose hand may do what this one may. */
    public static function of(Authority $hand): self
    {
        return match ($hand) {
            Authority::Helper => self::Helper,
            Authority::Mechanic => self::Mechanic,
            Authority::Lead, Authority::Server => self::Lead,
        };
    }

    /** What it is for, in words. */
    public function may(): string
    {
        return match ($this) {
            self::Lead => 'lead: plans, works, signs off, keeps the people',
            self::Mechanic => 'mechanic: plans and works',
            self::Helper => 'helper: works, and a mechanic plans',
        };
    }

    public function securityRole(): string
    {
        return 'ROLE_'.strtoupper($this->value);
    }
}
