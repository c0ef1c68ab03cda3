<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Fits\EventLog;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Asked every few seconds: nothing new is 204; a mark made on another tablet or a running clock is what changed on the screen. */
final class PulseController extends AbstractController
{
    #[Route('/fits/{id}/pulse', name: 'bench_pulse', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function __invoke(
        string $id, Request $request, #[CurrentUser] AccountRecord $person, FitBook $fits, Recorder $recorder, EventLog $log,
        BenchPage $page, BenchRegions $regions,
    ): Response {
        $version = $log->version($id);
        if ($version === $request->query->getInt('since') && !$request->query->getBoolean('clock')) {
            return new Response(status: Response::HTTP_NO_CONTENT);
        }
        $record = $fits->get($id);
        $fit = $recorder->load($record);
        $step = $fit->sheet->step($request->query->getString('step')) ?? $fit->currentStep();
        if (null === $step) {
            return new Response(status: Response::HTTP_NO_CONTENT);
        }

        return new JsonResponse(
            $regions->answer($page->view($record, $fit, $step, $version, $person->hand()), $request->query->all('have')),
        );
    }
}
