<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Exchange;

use NimbleKnuckle\Core\Photo\TargetCard;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The target card on paper, true to scale. */
final class TargetCardController extends AbstractController
{
    #[Route('/target-card', name: 'target_card', methods: ['GET'])]
    public function __invoke(Paper $paper): Response
    {
        $svg = $this->renderView('photos/card.svg.twig', [
            'nuts' => TargetCard::nuts(), 'hole' => TargetCard::HOLE, 'wide' => TargetCard::width(), 'high' => TargetCard::height(),
        ]);

        return $paper->of($this->renderView('exchange/print_card.html.twig', [
            'card' => 'data:image/svg+xml;base64,'.base64_encode($svg), 'wide' => TargetCard::width(),
        ]), 'target-card');
    }
}
