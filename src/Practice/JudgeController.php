<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Practice;

use NimbleKnuckle\App\Accounts\AccountRecord;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The trainer for the eye: look at a curve or at trials, say what it is and what is done then, see what showed it. */
final class JudgeController extends AbstractController
{
    private const KINDS = 'leak|actuator|boost|stack|crank|plugs';

    public function __construct(private readonly JudgeBook $book)
    {
    }

    #[Route('/practice/judge/{kind}', name: 'judge', requirements: ['kind' => self::KINDS], methods: ['GET'])]
    public function now(JudgeKind $kind, #[CurrentUser] AccountRecord $person): Response
    {
        return $this->page($this->book->open($person->id, $kind), $person);
    }

    #[Route('/practice/judge/{kind}/{id}', name: 'judged', requirements: ['kind' => self::KINDS, 'id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function over(JudgeKind $kind, string $id, #[CurrentUser] AccountRecord $person): Response
    {
        $try = $this->mine($id, $person);

        return $try->isOver() ? $this->page($try, $person) : $this->redirectToRoute('judge', ['kind' => $kind->value]);
    }

    #[Route(
        '/practice/judge/{kind}/{id}', name: 'judge_call', requirements: ['kind' => self::KINDS, 'id' => '[0-9A-Z]{26}'], methods: ['POST'],
    )]
    public function call(JudgeKind $kind, string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $try = $this->mine($id, $person);
        [$called, $next] = [$request->request->getString('called'), $request->request->getString('next')];
        if (!isset($try->shown()->calls[$called], Judging::NEXT[$next])) {
            $this->addFlash('bad', 'Say both: what it is, and what is done then.');

            return $this->redirectToRoute('judge', ['kind' => $kind->value], Response::HTTP_SEE_OTHER);
        }
        $this->book->call($try, $called, $next);

        return $this->redirectToRoute('judged', ['kind' => $kind->value, 'id' => $id], Response::HTTP_SEE_OTHER);
    }

    private function mine(string $id, AccountRecord $person): JudgeTry
    {
        return $this->book->find($id, $person->id) ?? throw $this->createNotFoundException('There is no such try of yours.');
    }

    private function page(JudgeTry $try, AccountRecord $person): Response
    {
        return $this->render('practice/judge.html.twig', [
            'try' => $try, 'shown' => $try->shown(), 'kinds' => JudgeKind::cases(), 'next' => Judging::NEXT,
            'recent' => $this->book->recent($person->id, $try->kind),
        ]);
    }
}
