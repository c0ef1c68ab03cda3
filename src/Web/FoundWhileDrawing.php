<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Web;

use NimbleKnuckle\Core\Document\InvalidDocument;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Exception\RequestExceptionInterface;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Twig\Error\RuntimeError;

/** What is wrong with a request, or with what is kept, is answered as that, also where a page finds it only while it is drawn. */
final class FoundWhileDrawing
{
    #[AsEventListener(priority: 195)]
    public function __invoke(ExceptionEvent $event): void
    {
        $why = $event->getThrowable() instanceof RuntimeError ? $event->getThrowable()->getPrevious() : null;
        if ($why instanceof RequestExceptionInterface || $why instanceof InvalidDocument) {
            $event->setThrowable($why);
        }
    }
}
