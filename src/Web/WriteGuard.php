<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Web;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\Security\Csrf\CsrfToken;
use Symfony\Component\Security\Csrf\CsrfTokenManagerInterface;

/**
 * Every write must carry the session's token, in the field “_csrf” or the header “X-CSRF-Token”; devices have
 * a token of their own and no session.
 */
#[AsEventListener(priority: 4)]
final readonly class WriteGuard
{
    public const TOKEN = 'write';

    public function __construct(private CsrfTokenManagerInterface $tokens)
    {
    }

    public function __invoke(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->isMainRequest() || $request->isMethodSafe() || $request->attributes->getBoolean('_by_token')) {
            return;
        }
        if ('sign_in' === $request->attributes->get('_route')) {
            // Guarded by the form login itself, with a token that needs no session.
            return;
        }
        $given = $request->headers->get('X-CSRF-Token') ?? $request->request->getString('_csrf');
        if (!$this->tokens->isTokenValid(new CsrfToken(self::TOKEN, $given))) {
            $event->setResponse(
                new Response(
                    'This page is too old to write from: load it again.', Response::HTTP_FORBIDDEN,
                    ['Content-Type' => 'text/plain; charset=UTF-8'],
                ),
            );
        }
    }
}
