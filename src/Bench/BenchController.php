<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Fits\EventLog;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\LawVersion;
use NimbleKnuckle\App\Fits\Recorder;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** One step at a time; without a step, the one we are at. */
final class BenchController extends AbstractController
{
    public function __construct(private readonly LawVersion $law)
    {
    }

    #[Route(
        '/fits/{id}/bench/{step}', name: 'bench', requirements: ['id' => '[0-9A-Z]{26}', 'step' => '[a-z0-9.-]+'],
        defaults: ['step' => ''], methods: ['GET'],
    )]
    public function __invoke(
        string $id, string $step, #[CurrentUser] AccountRecord $person, FitBook $fits, Recorder $recorder, EventLog $log,
        BenchPage $page, BenchRegions $regions,
    ): Response {
        $record = $fits->get($id);
        if ($record->status->isStopped()) {
            $this->addFlash('bad', sprintf('This fit is %s. Take it up again to work on it.', $record->status->label()));

            return $this->redirectToRoute('fit_sheet', ['id' => $id]);
        }
        $fit = $recorder->load($record);
        $shown = '' === $step ? $fit->course()->currentStep() : $fit->sheet->step($step);
        null !== $shown || throw new NotFoundHttpException('There is no such step on this sheet.');

        return $this->render('bench/page.html.twig', [
            'record' => $record, 'step' => $shown, 'fit' => $fit, 'person' => $person->login, 'law' => $this->law->id,
            'answer' => $regions->answer($page->view($record, $fit, $shown, $log->version($id), $person->hand()), []),
        ]);
    }
}
