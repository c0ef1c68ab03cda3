<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Doctrine\DBAL\Exception as DatabaseFault;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;

/**
 * A database that fails while a person is looked up says nothing about the person. Without this the answer would be written
 * with nobody signed in, and that would be kept: the security component leaves a session alone where its mark is missing.
 */
final class SignedInThroughFaults
{
    private const MARK = '_security_firewall_run';

    #[AsEventListener(priority: 300)]
    public function __invoke(ExceptionEvent $event): void
    {
        for ($e = $event->getThrowable(); null !== $e; $e = $e->getPrevious()) {
            if ($e instanceof DatabaseFault) {
                $event->getRequest()->attributes->remove(self::MARK);
            }
        }
    }
}
