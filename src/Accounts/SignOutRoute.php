<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Component\Routing\Attribute\Route;

/** Only names the address; the firewall signs out. A POST, so that the write guard looks at it first. */
final class SignOutRoute
{
    #[Route('/sign-out', name: 'sign_out', methods: ['POST'])]
    public function __invoke(): never
    {
        throw new \LogicException('The firewall answers this.');
    }
}
