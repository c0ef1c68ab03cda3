<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Times;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Labour\WorkInterval;
use NimbleKnuckle\Core\Times\TimeDrawing;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** How long steps take here, and the pauses of one fit. */
final class TimesController extends AbstractController
{
    private const FIT = '[0-9A-Z]{26}';

    public function __construct(
        private readonly StepTimes $times, private readonly PaceBook $paces, private readonly TimesBook $book,
        private readonly FitBook $fits, private readonly Recorder $recorder,
    ) {
    }

    #[Route('/logbook/times', name: 'times', methods: ['GET'])]
    public function all(Request $request): Response
    {
        $person = $request->query->getString('person');
        $people = $this->paces->people();

        return $this->render('times/page.html.twig', [
            'steps' => $this->times->all(in_array($person, $people, true) ? $person : ''), 'people' => $people, 'person' => $person,
        ]);
    }

    #[Route('/logbook/times/{step}', name: 'step_times', requirements: ['step' => '[a-zA-Z0-9_.~-]{1,120}'], methods: ['GET'])]
    public function step(string $step): Response
    {
        $known = $this->times->of($step) ?? throw $this->createNotFoundException('Nobody has done that step yet.');
        $pace = $known['pace'];

        return $this->render('times/step.html.twig', $known + [
            'plot' => TimeDrawing::of($pace->planned, array_column($known['jobs'], 'minutes'), $pace->learned),
        ]);
    }

    #[Route('/fits/{id}/times', name: 'fit_times', requirements: ['id' => self::FIT], methods: ['GET'])]
    public function fit(string $id, #[CurrentUser] AccountRecord $person): Response
    {
        $record = $this->fits->get($id);
        $fit = $this->recorder->load($record);
        $spells = $this->book->spells($id, $fit);

        return $this->render('times/fit.html.twig', [
            'record' => $record, 'fit' => $fit, 'spells' => $spells, 'took' => $spells->steps(),
            'mine' => null === $fit->state->signed ? [] : array_column(array_filter(
                $spells->pauses(), fn (WorkInterval $one): bool => $this->maySay($one, $person),
            ), 'event'),
        ]);
    }

    #[Route('/fits/{id}/times', name: 'say_pause', requirements: ['id' => self::FIT], methods: ['POST'])]
    public function say(string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $record = $this->fits->get($id);
        $fit = $this->recorder->load($record);
        foreach ($this->book->spells($id, $fit)->pauses() as $spell) {
            if ($spell->event !== $request->request->getString('pause')) {
                continue;
            }
            if (null === $fit->state->signed) {
                $this->addFlash('bad', 'Pauses are said once the fit is signed.');
            } elseif (!$this->maySay($spell, $person)) {
                throw $this->createAccessDeniedException('Whose pause it was says so, or a lead.');
            } else {
                $this->book->say($id, $fit, $spell, 'work' === $request->request->getString('was'), $person->name);
            }
        }

        return $this->redirectToRoute('fit_times', ['id' => $id, '_fragment' => 'pauses'], Response::HTTP_SEE_OTHER);
    }

    private function maySay(WorkInterval $spell, AccountRecord $person): bool
    {
        return $spell->by === $person->name || $this->isGranted(May::SignOff->value);
    }
}
