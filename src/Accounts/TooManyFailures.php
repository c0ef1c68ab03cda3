<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Component\Security\Core\Exception\AuthenticationException;

final class TooManyFailures extends AuthenticationException
{
    public static function waitMinutes(int $minutes): self
    {
        return new self(sprintf('Too many wrong tries. Wait %d minutes and try again.', $minutes));
    }
}
