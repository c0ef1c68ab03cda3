<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitFilter;
use NimbleKnuckle\App\Garage\VehicleList;
use NimbleKnuckle\Core\Plan\Phase;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** All fits: open ones first, then what was signed off, as it is asked for, a page at a time. */
final class FitsController extends AbstractController
{
    private const PAGE = 40;

    #[Route('/fits', name: 'fits', methods: ['GET'])]
    public function __invoke(Request $request, FitBook $fits, VehicleList $vehicles): Response
    {
        $page = max(1, (int) $request->query->getString('page'));
        $filter = FitFilter::read($request->query);
        $all = $fits->countSigned($filter);
        $signed = $fits->signed(self::PAGE + 1, ($page - 1) * self::PAGE, $filter);
        $isWhole = 1 === $page && $filter->isEmpty();

        return $this->render('planning/fits.html.twig', [
            'open' => $isWhole ? $fits->open() : [], 'cancelled' => $isWhole ? $fits->cancelled(20) : [],
            'signed' => array_slice($signed, 0, self::PAGE), 'page' => $page, 'filter' => $filter,
            'hasMore' => count($signed) > self::PAGE, 'all' => $all, 'counted' => FitBook::COUNTED, 'phases' => Phase::cases(),
            'vehicles' => $vehicles->names(), 'people' => $fits->hands(),
        ]);
    }

    #[Route(
        '/fits/{id}/{what}', name: 'put_away_fit', requirements: ['id' => '[0-9A-Z]{26}', 'what' => 'away|back'], methods: ['POST'],
    )]
    #[IsGranted(May::StopFits->value)]
    public function putAway(string $id, string $what, FitBook $fits): Response
    {
        $fit = $fits->get($id);
        if ($fit->status->isOpen()) {
            $this->addFlash('bad', 'It is still open: sign it off or cancel it, then archive it.');
        } else {
            $fits->putAway($id, 'away' === $what);
            $this->addFlash('good', 'away' === $what ? 'Archived. The list shows it with “Archived” ticked.' : 'On the lists again.');
        }

        return $this->redirectToRoute('fit_sheet', ['id' => $id], Response::HTTP_SEE_OTHER);
    }
}
