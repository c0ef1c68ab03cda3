<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Practice;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Trace\Door\TraceJudge;
use NimbleKnuckle\Core\Trace\Fault;
use NimbleKnuckle\Core\Trace\Judgement;
use NimbleKnuckle\Core\Trace\Trace;
use NimbleKnuckle\Core\Trace\TraceDrawing;
use NimbleKnuckle\Core\Trace\TraceSpec;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The trainer: pull a simulated joint to its figure, say what it is, see the trace and the points. */
final class PracticeController extends AbstractController
{
    public function __construct(private readonly PracticeBook $book)
    {
    }

    #[Route('/practice', name: 'practice', methods: ['GET'])]
    public function now(#[CurrentUser] AccountRecord $person): Response
    {
        $try = $this->book->open($person->id);
        $recent = $this->book->recent($person->id);

        return $this->render(
            'practice/page.html.twig',
            [
                'try' => $try, 'exercise' => $try->exercise(), 'recent' => $recent, 'progress' => $this->progress($recent),
                'calls' => self::calls(), 'plot' => $this->plot($try, null), 'torque' => $this->torque($try),
            ],
        );
    }

    #[Route('/practice/{id}/pull', name: 'practice_pull', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['POST'])]
    public function pull(string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $try = $this->mine($id, $person);
        [$ms, $eager] = [$request->request->get('ms'), $request->request->get('eager')];
        if (!is_numeric($ms) || !is_numeric($eager)) {
            return new Response(
                '“ms” and “eager” of a pull are numbers: how long, and how hard.', Response::HTTP_UNPROCESSABLE_ENTITY,
            );
        }
        $this->book->pull($try, (float) $ms, max(0.05, min(3.0, (float) $eager)));

        return $this->render(
            'practice/_gauge.html.twig',
            ['try' => $try, 'exercise' => $try->exercise(), 'plot' => $this->plot($try, null), 'torque' => $this->torque($try)],
        );
    }

    #[Route('/practice/{id}/call', name: 'practice_call', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['POST'])]
    public function call(string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $try = $this->mine($id, $person);
        $called = Fault::tryFrom($request->request->getString('called'));
        if (null === $called || [] === $try->samples) {
            $this->addFlash('bad', [] === $try->samples ? 'Pull it first, then say what it is.' : 'Say which of these it is.');

            return $this->redirectToRoute('practice', [], Response::HTTP_SEE_OTHER);
        }
        $this->book->call($try, $called);

        return $this->redirectToRoute('practice_try', ['id' => $id], Response::HTTP_SEE_OTHER);
    }

    #[Route('/practice/{id}', name: 'practice_try', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function over(string $id, #[CurrentUser] AccountRecord $person): Response
    {
        $try = $this->mine($id, $person);
        if (!$try->isOver()) {
            return $this->redirectToRoute('practice');
        }
        $recent = $this->book->recent($person->id);
        $judged = $this->judged($try);

        return $this->render(
            'practice/result.html.twig',
            [
                'try' => $try, 'exercise' => $try->exercise(),
                'judged' => $judged instanceof Judgement ? (new TraceJudge())->said($judged) : null,
                'refused' => is_string($judged) ? $judged : '',
                'plot' => $this->plot($try, $judged instanceof Judgement ? $judged : null),
                'progress' => $this->progress($recent), 'recent' => $recent,
            ],
        );
    }

    private function mine(string $id, AccountRecord $person): PracticeTry
    {
        return $this->book->find($id, $person->id) ?? throw $this->createNotFoundException('There is no such try of yours.');
    }

    /** What it is, or why it cannot be said. */
    private function judged(PracticeTry $try): Judgement|string
    {
        try {
            return Judgement::of(
                Trace::of($try->samples), TraceSpec::torque($try->exercise()->target), $try->exercise()->expected(),
            );
        } catch (InvalidInput $e) {
            return $e->getMessage();
        }
    }

    private function plot(PracticeTry $try, ?Judgement $judged): Plot
    {
        return TraceDrawing::of(
            array_map(static fn (array $s): array => [$s[0], $s[1]], $try->samples), TraceSpec::torque($try->exercise()->target),
            $judged,
        );
    }

    private function torque(PracticeTry $try): float
    {
        return [] === $try->samples ? 0.0 : $try->samples[count($try->samples) - 1][1];
    }

    /** @return list<Fault> what can be called */
    private static function calls(): array
    {
        return array_values(array_filter(Fault::cases(), static fn (Fault $f): bool => Fault::None === $f || $f->isOfTheJoint()));
    }

    /** @param list<PracticeTry> $recent newest first */
    private function progress(array $recent): ?Plot
    {
        if (count($recent) < 2) {
            return null;
        }
        $points = [];
        foreach (array_reverse($recent) as $i => $try) {
            $points[] = [(float) $i + 1, (float) $try->score];
        }
        $plot = Plot::over(
            sprintf('Points of the last %d tries, the newest %d.', count($recent), $recent[0]->score), 'tries',
            [0.0, max(5.0, (float) count($points))], 'points', [0.0, 100.0],
        );

        return $plot->line($points, 'trace')->dot((float) count($points), (float) $recent[0]->score, (string) $recent[0]->score);
    }
}
