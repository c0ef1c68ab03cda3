<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Intervals;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What is due on a vehicle by time and distance, and what its clock shows. */
#[Route('/vehicles/{id}/due', requirements: ['id' => '[a-z0-9-]{1,80}'])]
final class IntervalsController extends AbstractController
{
    public function __construct(
        private readonly IntervalBook $intervals, private readonly MileageBook $mileage, private readonly Garage $garage,
        private readonly ProcedureShelf $procedures,
    ) {
    }

    #[Route('', name: 'vehicle_due', methods: ['GET'])]
    public function show(string $id): Response
    {
        return $this->page($id, '', [], null);
    }

    #[Route('/clock', name: 'enter_mileage', methods: ['POST'])]
    public function clock(string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $form = $request->request->all();
        try {
            $this->mileage->enter($this->garage->get($id)->id, $request->request->getString('shows'), $person->name);
        } catch (InvalidInput $e) {
            return $this->page($id, 'clock', $form, $e);
        }

        return $this->back($id);
    }

    #[Route('/interval', name: 'enter_interval', methods: ['POST'])]
    #[IsGranted(May::KeepVehicles->value)]
    public function enter(string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $form = $request->request->all();
        try {
            $this->intervals->enter($this->garage->get($id)->id, $form, $person->name);
        } catch (InvalidInput $e) {
            return $this->page($id, 'interval', $form, $e);
        }

        return $this->back($id);
    }

    #[Route('/interval/{interval}', name: 'interval_done', requirements: ['interval' => '[0-9A-Z]{26}'], methods: ['POST'])]
    #[IsGranted(May::KeepVehicles->value)]
    public function done(string $id, string $interval, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $form = $request->request;
        try {
            'drop' === $form->getString('do') ? $this->intervals->drop($id, $interval) : $this->intervals->done(
                $id, $interval, $form->getString('done_on'), $form->getString('done_km'), $person->name,
            );
        } catch (InvalidInput $e) {
            return $this->page($id, $interval, $form->all(), $e);
        }

        return $this->back($id);
    }

    /** @param array<array-key, mixed> $form what was typed and could not be kept */
    private function page(string $id, string $of, array $form, ?InvalidInput $error): Response
    {
        $vehicle = $this->garage->get($id);

        return $this->render('intervals/page.html.twig', [
            'vehicle' => $vehicle, 'works' => $this->intervals->on($id), 'mileage' => $this->mileage->of($id),
            'procedures' => $this->procedures->all(), 'form' => $form, 'of' => $of, 'error' => $error,
        ], new Response(status: null === $error ? 200 : 422));
    }

    private function back(string $id): Response
    {
        return $this->redirectToRoute('vehicle_due', ['id' => $id], Response::HTTP_SEE_OTHER);
    }
}
