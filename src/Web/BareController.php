<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Web;

use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** Ten bytes and nothing else: says that the application answers, and is what pages are measured against. */
final class BareController
{
    #[Route('/bare', name: 'bare', methods: ['GET'])]
    public function __invoke(): Response
    {
        '1' === ($_SERVER['APP_BENCH'] ?? $_ENV['APP_BENCH'] ?? '') || throw new NotFoundHttpException('This is only for measuring.');

        return new Response("It is up.\n", headers: ['Content-Type' => 'text/plain; charset=UTF-8']);
    }
}
