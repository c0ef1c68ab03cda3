<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Practice;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Causes\CauseShelf;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The trainer for finding causes: ask the simulated vehicle, mend what it is, see what it cost. */
final class CausePracticeController extends AbstractController
{
    private const ID = '[0-9A-Z]{26}';

    public function __construct(private readonly CausePractice $practice, private readonly CauseShelf $causes)
    {
    }

    #[Route('/practice/cause', name: 'practice_cause', methods: ['GET'])]
    public function now(Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        return $this->page($this->practice->open($person->id, $request->query->getString('symptom')), $person);
    }

    #[Route('/practice/cause/{id}', name: 'practised_cause', requirements: ['id' => self::ID], methods: ['GET'])]
    public function over(string $id, #[CurrentUser] AccountRecord $person): Response
    {
        $try = $this->mine($id, $person);

        return $try->isOver() ? $this->page($try, $person) : $this->redirectToRoute('practice_cause');
    }

    #[Route('/practice/cause/{id}', name: 'practise_cause', requirements: ['id' => self::ID], methods: ['POST'])]
    public function act(string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $try = $this->mine($id, $person);
        $this->practice->check($try, $request->request->getString('check'));
        $this->practice->mend($try, $request->request->getString('mend'));

        return $try->isOver()
            ? $this->redirectToRoute('practised_cause', ['id' => $id], Response::HTTP_SEE_OTHER)
            : $this->redirectToRoute('practice_cause', [], Response::HTTP_SEE_OTHER);
    }

    private function mine(string $id, AccountRecord $person): CauseTry
    {
        return $this->practice->find($id, $person->id) ?? throw $this->createNotFoundException('There is no such try of yours.');
    }

    private function page(CauseTry $try, AccountRecord $person): Response
    {
        $hidden = $this->practice->hidden($try);

        return $this->render('practice/cause.html.twig', [
            'try' => $try, 'table' => $this->practice->table($try), 'hidden' => $hidden, 'minutes' => $this->practice->minutes($try),
            'way' => $try->isOver() ? $hidden->way() : null, 'recent' => $this->practice->recent($person->id),
            'tables' => $this->causes->all(),
        ]);
    }
}
