<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Fluids;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Intervals\MileageBook;
use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Psr\Clock\ClockInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The fluids of one vehicle: what is in it, how it went, and a form to write the next look down. */
#[Route('/vehicles/{id}/fluids', requirements: ['id' => '[a-z0-9-]{1,80}'])]
final class FluidsController extends AbstractController
{
    public function __construct(
        private readonly FluidBook $book, private readonly FluidSummary $view, private readonly Garage $garage,
        private readonly ClockInterface $clock, private readonly MileageBook $mileage,
    ) {
    }

    #[Route('', name: 'fluids', methods: ['GET'])]
    public function show(string $id): Response
    {
        return $this->page($id, '', [], null);
    }

    #[Route('/{circuit}', name: 'fluid_enter', requirements: ['circuit' => 'coolant|oil'], methods: ['POST'])]
    public function enter(string $id, string $circuit, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $form = array_filter($request->request->all(), is_string(...));
        try {
            $vehicle = $this->garage->get($id);
            $base = Glycol::ofCircuit($vehicle->sheet()->circuitFor('coolant')->blend->base ?? '');
            $this->book->enter($vehicle->id, $circuit, $form, $person->name, base: $base);
            $this->addFlash('good', 'It stands in the log.');
        } catch (InvalidInput $e) {
            return $this->page($id, $circuit, $form, $e);
        }

        return $this->redirectToRoute('fluids', ['id' => $id, '_fragment' => $circuit], Response::HTTP_SEE_OTHER);
    }

    /** @param array<string, string> $form what was typed and could not be kept */
    private function page(string $id, string $circuit, array $form, ?InvalidInput $error): Response
    {
        $vehicle = $this->garage->get($id);
        $coolant = $vehicle->sheet()->circuitFor('coolant');
        $clock = $this->mileage->of($id);

        return $this->render('fluids/page.html.twig', [
            'vehicle' => $vehicle,
            'coolant' => null === $coolant ? null : $this->view->coolant(
                $coolant, $this->book->of($id, 'coolant'), $this->clock->now(), $clock,
            ),
            'oil' => $this->view->oil($vehicle->sheet()->circuitFor('oil'), $this->book->of($id, 'oil'), $this->clock->now(), $clock),
            'kinds' => FluidKind::cases(), 'form' => $form, 'of' => $circuit, 'error' => $error,
        ], new Response(status: null === $error ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY));
    }
}
