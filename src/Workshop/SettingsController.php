<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Workshop;

use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Beside\DemoBeside;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Form\FormFactoryInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What the workshop says of itself. For a lead. */
#[IsGranted(May::KeepWorkshop->value)]
final class SettingsController extends AbstractController
{
    #[Route('/workshop', name: 'workshop', methods: ['GET', 'POST'])]
    public function __invoke(Request $request, WorkshopBook $book, FormFactoryInterface $forms, DemoBeside $demo): Response
    {
        $form = $forms->createNamed('', SettingsForm::class, Settings::of($book->now()));
        $form->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $book->keep($form->getData()->onto($book->now()));
            $this->addFlash('good', 'Saved. Fits planned from now on begin with it.');

            return $this->redirectToRoute('workshop', [], Response::HTTP_SEE_OTHER);
        }

        return $this->render('workshop/settings.html.twig', [
            'form' => $form, 'demo' => $demo->isHere() ? null : $demo,
        ], new Response(status: $form->isSubmitted() ? 422 : 200));
    }
}
