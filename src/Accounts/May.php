<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use NimbleKnuckle\Core\Bench\Event\BenchRight;

/**
 * What a person may do, each with the least role that may: declared here and nowhere else, asked for by these names in controllers
 * and templates, and listed for everybody on the page of people. What the bench allows is a right of the core, which its law asks too.
 */
enum May: string
{
    case Record = BenchRight::Record->value;
    case WaiveDanger = BenchRight::WaiveDanger->value;
    case StopFits = BenchRight::StopFits->value;
    case Overrule = BenchRight::Overrule->value;
    case SignOff = BenchRight::SignOff->value;
    case PlanFits = 'plan-fits';
    case KeepJobs = 'keep-jobs';
    case KeepVehicles = 'keep-vehicles';
    case KeepKit = 'keep-kit';
    case TakeIn = 'take-in';
    case KeepProcedures = 'keep-procedures';
    case ReviewFits = 'review-fits';
    case ForgetCustomers = 'forget-customers';
    case KeepPeople = 'keep-people';
    case KeepWorkshop = 'keep-workshop';
    case KeepBackups = 'keep-backups';

    public function least(): Role
    {
        $right = BenchRight::tryFrom($this->value);
        if (null !== $right) {
            return Role::of($right->least());
        }

        return match ($this) {
            self::PlanFits, self::KeepJobs, self::KeepVehicles, self::KeepKit, self::TakeIn => Role::Mechanic,
            default => Role::Lead,
        };
    }

    /** As a sentence begun with “may”. */
    public function words(): string
    {
        return match ($this) {
            self::Record => 'work on the bench: mark, count, measure, write notes',
            self::WaiveDanger => 'let something go that can hurt, with a reason',
            self::StopFits => 'put a fit on hold, cancel it, take it up again',
            self::Overrule => 'close a step over a reading outside its limits, with a reason',
            self::SignOff => 'sign a fit off',
            self::PlanFits => 'plan a fit, and plan it again',
            self::KeepJobs => 'say whose vehicle it is',
            self::KeepVehicles => 'enter and change vehicle sheets',
            self::KeepKit => 'enter and change tools and devices',
            self::TakeIn => 'take in a fit from a file',
            self::KeepProcedures => 'write procedures',
            self::ReviewFits => 'review a fit before it is signed',
            self::ForgetCustomers => 'have a customer forgotten',
            self::KeepPeople => 'add people, change them, switch them off',
            self::KeepWorkshop => 'say what the workshop is like, open the demo',
            self::KeepBackups => 'make and take away backups',
        };
    }

    public function allows(Role $role): bool
    {
        return $role->hand()->value >= $this->least()->hand()->value;
    }
}
