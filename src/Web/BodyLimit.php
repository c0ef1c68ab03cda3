<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Web;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Event\RequestEvent;

/** What is too much at once is refused at the door, with how much may come, before anything is read of it. */
final class BodyLimit
{
    private const FORM = 1_000_000;
    /** Door => bytes: marks of a day, a trace, the largest fit we write with its pictures, a picture. */
    private const DOORS = [
        '~^/fits/[0-9A-Z]{26}/events$~' => 600_000, '~^/api/readings$~' => 4_000_000, '~/trace$~' => 2_500_000,
        '~^/import$~' => 60_000_000, '~^/fits/[0-9A-Z]{26}/photos$~' => 6_000_000,
    ];
    private const LONGEST_ADDRESS = 8_000;

    #[AsEventListener(priority: 300)]
    public function __invoke(RequestEvent $event): void
    {
        $request = $event->getRequest();
        if (!$event->isMainRequest()) {
            return;
        }
        if (strlen($request->getRequestUri()) > self::LONGEST_ADDRESS) {
            $event->setResponse(
                self::refusal(
                    Response::HTTP_REQUEST_URI_TOO_LONG, sprintf('The address has more than %d characters.', self::LONGEST_ADDRESS),
                ),
            );

            return;
        }
        $limit = self::FORM;
        foreach (self::DOORS as $pattern => $bytes) {
            $limit = 1 === preg_match($pattern, $request->getPathInfo()) ? $bytes : $limit;
        }
        if ((int) $request->headers->get('Content-Length', '0') > $limit) {
            $event->setResponse(
                self::refusal(
                    Response::HTTP_REQUEST_ENTITY_TOO_LARGE,
                    sprintf('At most %d kB may come at once here: send it in parts.', intdiv($limit, 1000)),
                ),
            );
        }
    }

    private static function refusal(int $status, string $message): Response
    {
        return new Response($message, $status, ['Content-Type' => 'text/plain; charset=UTF-8']);
    }
}
