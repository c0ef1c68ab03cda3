<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Garage;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\Core\CoreException;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Enters the wheels of a vehicle, from its editor or from the questions of a fit; what was answered there goes along and comes back. */
#[IsGranted(May::KeepVehicles->value)]
final class WheelController extends AbstractController
{
    #[Route('/vehicles/{id}/wheels', name: 'vehicle_wheels', requirements: ['id' => '[a-z0-9-]{1,80}'], methods: ['POST'])]
    public function __invoke(
        string $id, Request $request, Garage $garage, VehicleEditor $editor, #[CurrentUser] AccountRecord $person,
    ): Response {
        $vehicle = $garage->get($id);
        $along = array_diff_key($request->request->all(), array_flip([...WheelForm::fields(), '_csrf', 'vehicle']));
        $wheels = WheelForm::of($vehicle->sheet());
        try {
            null === $wheels || $editor->wheels($vehicle, $request->request, $person->name);
            $this->addFlash('good', null === $wheels ? 'The wheels are entered already.' : 'The wheels are on the vehicle sheet.');
        } catch (CoreException $e) {
            return $this->render('garage/wheels.html.twig', [
                'vehicle' => $vehicle, 'wheels' => $wheels, 'w' => $request->request->all(), 'along' => $along, 'error' => $e->getMessage(),
            ], new Response(status: Response::HTTP_UNPROCESSABLE_ENTITY));
        }

        return isset($along['procedures'])
            ? $this->redirectToRoute('start_fit', ['vehicle' => $id] + $along, Response::HTTP_SEE_OTHER)
            : $this->redirectToRoute('edit_vehicle', ['id' => $id], Response::HTTP_SEE_OTHER);
    }
}
