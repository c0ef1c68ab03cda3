<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Web;

use NimbleKnuckle\Core\Document\InvalidDocument;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Exception\ConflictHttpException;

/** Something that is kept cannot be read any more: that page says what, and every other goes on. */
final class UnreadablePage
{
    #[AsEventListener(priority: 190)]
    public function __invoke(ExceptionEvent $event): void
    {
        $e = $event->getThrowable();
        if ($e instanceof InvalidDocument || $e instanceof \JsonException) {
            $event->setThrowable(new ConflictHttpException(sprintf('What is kept here is damaged: %s', $e->getMessage()), $e));
        }
    }
}
