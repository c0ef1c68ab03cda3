<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

/** The one password of the demo people, shown on the sign-in page while they exist. */
final readonly class DemoPassword
{
    public const VALUE = 'brackenfell-mile';
}
