<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Logbook;

use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitFilter;
use NimbleKnuckle\App\Fits\MishapBook;
use NimbleKnuckle\App\Garage\VehicleList;
use NimbleKnuckle\App\Intervals\IntervalBook;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** What is due, and what was done. */
final class LogbookController extends AbstractController
{
    private const PAGE = 25;

    #[Route('/logbook', name: 'logbook', methods: ['GET'])]
    public function __invoke(
        Request $request, DueBook $dues, FitBook $fits, MishapBook $mishaps, WorkCharts $charts, VehicleList $vehicles,
        IntervalBook $intervals,
    ): Response {
        $page = max(1, (int) $request->query->getString('page'));
        $filter = FitFilter::read($request->query);
        $signed = $fits->signed(self::PAGE + 1, ($page - 1) * self::PAGE, $filter);

        return $this->render('logbook/page.html.twig', [
            'dues' => $dues->openRows(), 'coming' => $intervals->coming(), 'signed' => array_slice($signed, 0, self::PAGE), 'page' => $page,
            'mishaps' => $mishaps->rows(12), 'filter' => $filter, 'vehicles' => $vehicles->names(), 'people' => $fits->hands(),
            'hasMore' => count($signed) > self::PAGE,
            'durations' => $charts->durations(), 'months' => $charts->months(),
        ]);
    }
}
