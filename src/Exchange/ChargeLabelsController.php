<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use NimbleKnuckle\App\ChargePath\ChargeView;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\Core\Sum\SumBook;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** Labels for the hoses of a box: one each, with where it goes and which end comes first. */
final class ChargeLabelsController extends AbstractController
{
    #[Route('/vehicles/{id}/charge/labels', name: 'charge_labels', requirements: ['id' => '[a-z0-9-]{1,80}'], methods: ['GET'])]
    public function __invoke(string $id, Request $request, Garage $garage, SumBook $sums, Paper $paper): Response
    {
        $vehicle = $garage->get($id);
        $line = $vehicle->sheet()->charge ?? throw $this->createNotFoundException('This vehicle has no charge path.');

        return $paper->of($this->renderView('exchange/print_labels.html.twig', [
            'record' => ['title' => 'charge pipes', 'jobLabel' => '', 'vehicle' => ['short' => $vehicle->sheet()->short]],
            'labels' => ChargeView::labels($line, $sums), 'skip' => 0,
            'sheet' => LabelSheet::tryFrom($request->query->getString('sheet')) ?? LabelSheet::Cut,
        ]), 'labels-'.$id);
    }
}
