<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Accounts;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use Symfony\Component\Security\Core\Exception\AccessDeniedException;

/** Who comes without a cookie is sent to the sign-in with the way back in the address: no session is made for it. */
final readonly class FirstVisit
{
    public function __construct(private UrlGeneratorInterface $urls)
    {
    }

    #[AsEventListener(priority: 20)]
    public function __invoke(ExceptionEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->getThrowable() instanceof AccessDeniedException || $request->hasPreviousSession()) {
            return;
        }
        $to = $request->isMethod('GET') && '/' !== $request->getPathInfo() ? ['to' => mb_substr($request->getRequestUri(), 0, 300)] : [];
        $event->setResponse(new RedirectResponse($this->urls->generate('sign_in', $to)));
    }
}
