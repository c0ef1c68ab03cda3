<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Fits\EventLog;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\DependencyInjection\Attribute\AutowireServiceClosure;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Asked every few seconds: nothing new is 204; a mark made on another tablet or a running clock is what changed on the screen. */
final class PulseController extends AbstractController
{
    /** @param \Closure(): PulseAnswer $answer made only where there is something to say: most pulses find nothing new */
    #[Route('/fits/{id}/pulse', name: 'bench_pulse', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function __invoke(
        string $id, Request $request, #[CurrentUser] AccountRecord $person, EventLog $log,
        #[AutowireServiceClosure(PulseAnswer::class)] \Closure $answer,
    ): Response {
        $version = $log->version($id);
        $has = $request->query->getInt('since');
        $said = $version === $has && !$request->query->getBoolean('clock') ? null : $answer()->of(
            $id, $request->query->getString('step'), $version, $person->hand(), $request->query->all('have'),
        );

        return null === $said ? new Response(status: Response::HTTP_NO_CONTENT) : new JsonResponse($said);
    }
}
