<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

/** What stands in the form with which somebody changes the password, or the PIN, they have. */
final class OwnPassword
{
    public string $now = '';
    public string $new = '';
}
