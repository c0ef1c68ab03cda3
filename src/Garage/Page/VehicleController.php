<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage\Page;

use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitFilter;
use NimbleKnuckle\App\Fits\MishapBook;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Garage\StarterShelf;
use NimbleKnuckle\App\Garage\VehicleList;
use NimbleKnuckle\Core\Vehicle\AccessMap;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

final class VehicleController extends AbstractController
{
    #[Route('/vehicles', name: 'vehicles', methods: ['GET'])]
    public function list(VehicleList $vehicles, StarterShelf $starters): Response
    {
        return $this->render('garage/list.html.twig', [
            'vehicles' => $vehicles->rows(), 'away' => $vehicles->rows(true), 'starters' => $starters->names(),
        ]);
    }

    #[Route('/vehicles/{id}', name: 'vehicle', requirements: ['id' => '[a-z0-9-]{1,80}'], methods: ['GET'])]
    public function __invoke(string $id, Garage $garage, FitBook $fits, MishapBook $mishaps): Response
    {
        $vehicle = $garage->get($id);

        return $this->render(
            'garage/vehicle.html.twig',
            [
                'vehicle' => $vehicle, 'sheet' => $vehicle->sheet(), 'map' => AccessMap::across($vehicle->sheet()),
                'narrow' => AccessMap::down($vehicle->sheet()),
                'signed' => $fits->signed(8, 0, new FitFilter($id)), 'mishaps' => $mishaps->rows(6, $id),
            ],
        );
    }
}
