<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Garage\VehicleList;
use NimbleKnuckle\App\Intervals\IntervalBook;
use NimbleKnuckle\App\Logbook\DueBook;
use NimbleKnuckle\Core\Plan\Phase;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

final class YardController extends AbstractController
{
    #[Route('/', name: 'yard', methods: ['GET'])]
    public function __invoke(FitBook $fits, VehicleList $vehicles, DueBook $dues, IntervalBook $intervals): Response
    {
        return $this->render('planning/yard.html.twig', [
            'fits' => $fits->open(),
            'vehicles' => $vehicles->rows(),
            'dues' => $dues->openRows(), 'coming' => array_slice($intervals->coming(), 0, 6),
            'phases' => Phase::cases(),
            'recent' => $fits->signed(3),
        ]);
    }
}
