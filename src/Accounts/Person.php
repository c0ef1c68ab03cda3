<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

/** What stands in the form of a person while it is filled in. */
final class Person
{
    public function __construct(
        public string $name = '', public string $login = '', public ?Role $role = Role::Mechanic, public string $password = '',
        public string $code = '',
    ) {
    }
}
