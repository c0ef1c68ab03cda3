<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\App\Web\Htmx;
use NimbleKnuckle\Core\Plan\Compiler\UnplannableFit;
use NimbleKnuckle\Core\Plan\Procedure\Choices;
use NimbleKnuckle\Core\Plan\Procedure\Procedure;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Vehicle, procedure, questions and ways; the sheet's size is shown while they are answered. */
#[IsGranted('ROLE_MECHANIC')]
final class StartFitController extends AbstractController
{
    public function __construct(private readonly Garage $garage, private readonly ProcedureShelf $shelf, private readonly FitPlanner $planner, private readonly FitBook $fits)
    {
    }

    #[Route('/start', name: 'start_fit', methods: ['GET', 'POST'])]
    public function __invoke(Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $input = $request->isMethod('POST') ? $request->request : $request->query;
        $vehicle = '' === $input->getString('vehicle') ? null : $this->garage->get($input->getString('vehicle'));
        $procedure = $this->shelf->procedure($input->getString('procedure'));
        if (null === $vehicle || null === $procedure) {
            return $this->render('planning/start.html.twig', ['vehicles' => $this->garage->rows(), 'vehicle' => $vehicle, 'procedures' => null === $vehicle ? [] : $this->offered($vehicle)]);
        }
        $choices = $this->choices($procedure, $input);
        try {
            if ($request->isMethod('POST')) {
                $fit = $this->planner->plan($vehicle, [$procedure->id], $choices->chosen, $person->name);

                return $this->redirectToRoute('fit_sheet', ['id' => $fit->id], Response::HTTP_SEE_OTHER);
            }
            $sheet = $this->planner->compile($vehicle, [$procedure->id], $choices->chosen);
            $error = '';
        } catch (UnplannableFit $e) {
            [$sheet, $error] = [null, $e->getMessage()];
        }
        $view = ['vehicle' => $vehicle, 'procedure' => $procedure, 'choices' => $choices, 'sheet' => $sheet, 'error' => $error, 'past' => $this->fits->pastDurations($procedure->title)];
        $status = new Response(status: '' === $error ? 200 : 422);

        return Htmx::wantsFragment($request) ? $this->renderBlock('planning/questions.html.twig', 'preview', $view, $status) : $this->render('planning/questions.html.twig', $view, $status);
    }

    /** @return list<array{procedure: Procedure, missing: string}> */
    private function offered(VehicleRecord $vehicle): array
    {
        $offered = [];
        foreach ($this->shelf->all() as $procedure) {
            try {
                $this->planner->compile($vehicle, [$procedure->id], []);
                $offered[] = ['procedure' => $procedure, 'missing' => ''];
            } catch (UnplannableFit $e) {
                $offered[] = ['procedure' => $procedure, 'missing' => $e->getMessage()];
            }
        }
        usort($offered, static fn (array $a, array $b): int => ['' !== $a['missing'], $a['procedure']->title] <=> ['' !== $b['missing'], $b['procedure']->title]);

        return $offered;
    }

    /** @param InputBag<string> $input */
    private function choices(Procedure $procedure, InputBag $input): Choices
    {
        $chosen = $procedure->defaults()->chosen;
        foreach ($procedure->groups as $group) {
            $option = $input->getString('c_'.$group->id);
            if ('' !== $option) {
                $chosen[$group->id] = $option;
            }
        }

        return new Choices($chosen);
    }
}
