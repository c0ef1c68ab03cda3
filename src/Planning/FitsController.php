<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\Core\Plan\Phase;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** All fits: open ones first, then what was signed off, a page at a time. */
final class FitsController extends AbstractController
{
    private const PAGE = 40;

    #[Route('/fits', name: 'fits', methods: ['GET'])]
    public function __invoke(Request $request, FitBook $fits): Response
    {
        $page = max(1, $request->query->getInt('page', 1));
        $all = $fits->countSigned();

        return $this->render('planning/fits.html.twig', [
            'open' => 1 === $page ? $fits->open() : [], 'cancelled' => 1 === $page ? $fits->cancelled(20) : [],
            'signed' => $fits->signed(self::PAGE, ($page - 1) * self::PAGE), 'page' => $page,
            'pages' => max(1, (int) ceil($all / self::PAGE)), 'all' => $all, 'phases' => Phase::cases(),
        ]);
    }
}
