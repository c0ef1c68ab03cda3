<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Beside;

use NimbleKnuckle\App\Accounts\FirstCode;
use NimbleKnuckle\App\Accounts\May;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Into the demo workshop, back out of it, and away with it. A lead opens it, or whoever is first where nobody is yet. */
final class DemoController extends AbstractController
{
    public function __construct(private readonly DemoBeside $demo)
    {
    }

    #[Route('/demo/open', name: 'open_demo', methods: ['POST'])]
    public function open(Request $request, FirstCode $first): Response
    {
        $first->isOpen() || $this->denyAccessUnlessGranted(May::KeepWorkshop->value);
        try {
            $this->demo->make();
        } catch (\RuntimeException $e) {
            $this->addFlash('bad', $e->getMessage());

            return $this->redirectToRoute('workshop', [], Response::HTTP_SEE_OTHER);
        }
        $answer = $this->redirectToRoute('sign_in', [], Response::HTTP_SEE_OTHER);
        $answer->headers->setCookie(Cookie::create(
            DemoBeside::COOKIE, '1', time() + 1_209_600, '/', null, $request->isSecure(), true, false, Cookie::SAMESITE_LAX,
        ));

        return $answer;
    }

    /** By a link as well: whoever cannot see a page of it still gets out. */
    #[Route('/demo/leave', name: 'leave_demo', methods: ['GET', 'POST'])]
    public function leave(): Response
    {
        $answer = $this->redirectToRoute('yard', [], Response::HTTP_SEE_OTHER);
        $answer->headers->clearCookie(DemoBeside::COOKIE);

        return $answer;
    }

    #[Route('/demo/away', name: 'drop_demo', methods: ['POST'])]
    #[IsGranted(May::KeepWorkshop->value)]
    public function throwAway(): Response
    {
        if ($this->demo->isHere()) {
            $this->addFlash('bad', 'You are in it: go back to your workshop first.');

            return $this->redirectToRoute('yard', [], Response::HTTP_SEE_OTHER);
        }
        $this->demo->throwAway();
        $this->addFlash('good', 'The demo workshop is gone. Your own is as it was.');

        return $this->redirectToRoute('workshop', [], Response::HTTP_SEE_OTHER);
    }
}
