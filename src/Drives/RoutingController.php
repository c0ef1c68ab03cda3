<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Drives;

use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\Core\BeltDrive\Drive;
use NimbleKnuckle\Core\BeltDrive\DriveState;
use NimbleKnuckle\Core\BeltDrive\RouteDrawing;
use NimbleKnuckle\Core\BeltDrive\Routing;
use NimbleKnuckle\Core\Document\Node;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** A belt laid step by step on its board, in an order that one person can do alone. */
final class RoutingController extends AbstractController
{
    private const AT = ['id' => '[a-z0-9-]{1,80}', 'name' => '[a-z0-9][a-z0-9.-]{0,79}'];

    #[Route('/vehicles/{id}/drives/{name}/routing', name: 'routing', requirements: self::AT, methods: ['GET'])]
    public function __invoke(string $id, string $name, Request $request, Garage $garage, DriveShelf $shelf): Response
    {
        $vehicle = $garage->get($id);
        $drive = Drive::read(Node::of($shelf->document($vehicle, $name)));
        $state = DriveState::of($drive);
        if (null === $state->path) {
            $this->addFlash('bad', $state->why);

            return $this->redirectToRoute('drive', ['id' => $id, 'name' => $name]);
        }
        $routing = Routing::of($drive);
        $most = count($routing->steps);
        $step = max(0, min($most, (int) $request->query->getString('step', '0')));

        return $this->render('drives/routing.html.twig', [
            'vehicle' => $vehicle, 'name' => $name, 'drive' => $drive, 'routing' => $routing, 'step' => $step,
            'picture' => RouteDrawing::of($state, $step < $most ? $step : null),
        ]);
    }
}
