<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Costs;

use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Workshop\WorkshopBook;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** The workshop's price list: number and price of a part, by the name sheets give it; fits begin with it and add to it. */
#[IsGranted(May::KeepWorkshop->value)]
final class PriceController extends AbstractController
{
    #[Route('/workshop/prices', name: 'prices', methods: ['GET', 'POST'])]
    public function __invoke(Request $request, CostBook $costs, WorkshopBook $workshop): Response
    {
        $form = $request->isMethod('POST') ? CostForm::read($request->request) : null;
        if (null !== $form && [] === $form->errors) {
            $costs->keepPrices($form->parts);
            $this->addFlash('good', 'The price list is saved. What was written down on a fit stays as it was.');

            return $this->redirectToRoute('prices', [], Response::HTTP_SEE_OTHER);
        }

        return $this->render('costs/prices.html.twig', [
            'rows' => $form->rows ?? CostForm::listed($costs->prices()), 'form' => $form, 'currency' => $workshop->now()->currency,
        ], new Response(status: null === $form ? 200 : 422));
    }
}
