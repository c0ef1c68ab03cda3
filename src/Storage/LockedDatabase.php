<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Storage;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;

/** A database that stayed locked longer than it was waited for is no fault of the page: 503, and try again. */
final class LockedDatabase
{
    private const AGAIN_IN_SECONDS = 3;

    #[AsEventListener(priority: 200)]
    public function __invoke(ExceptionEvent $event): void
    {
        for ($e = $event->getThrowable(); null !== $e; $e = $e->getPrevious()) {
            if (1 === preg_match('/database (?:table )?is locked|database is busy/i', $e->getMessage())) {
                $event->setThrowable(
                    new ServiceUnavailableHttpException(
                        self::AGAIN_IN_SECONDS, 'Somebody else is writing just now. Nothing was lost: try again.',
                        $event->getThrowable(),
                    ),
                );

                return;
            }
        }
    }
}
