<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Kit;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

final class KitController extends AbstractController
{
    #[Route('/kit', name: 'kit', methods: ['GET'])]
    public function __invoke(KitBook $book): Response
    {
        $tools = $book->all();
        $late = [];
        foreach ($tools as $tool) {
            $late[$tool->id] = $book->daysPast($tool->calibratedOn);
        }

        return $this->render('kit/page.html.twig', [
            'wrenches' => array_values(array_filter($tools, static fn (ToolRecord $tool): bool => $tool->isWrench())),
            'others' => array_values(array_filter($tools, static fn (ToolRecord $tool): bool => !$tool->isWrench())),
            'late' => $late,
            'scale' => max([1.0, ...array_map(static fn (ToolRecord $tool): float => $tool->max, $tools)]),
            'usable' => $book->kit()->wrenches,
        ]);
    }
}
