<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Causes\CauseShelf;
use NimbleKnuckle\App\Causes\Complaint;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Garage\VehicleList;
use NimbleKnuckle\App\Garage\VehicleRecord;
use NimbleKnuckle\App\Garage\WheelForm;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\App\Web\Htmx;
use NimbleKnuckle\App\Workshop\WorkshopBook;
use NimbleKnuckle\Core\Procedure\Choices;
use NimbleKnuckle\Core\Procedure\Missing;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Procedure\Questions;
use NimbleKnuckle\Core\Procedure\RoleBook;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Sheet\Sheet;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Vehicle, procedure, questions and ways; the sheet's size is shown while they are answered. */
#[IsGranted(May::PlanFits->value)]
final class StartFitController extends AbstractController
{
    public function __construct(
        private readonly Garage $garage, private readonly VehicleList $vehicles,
        private readonly ProcedureShelf $shelf, private readonly FitPlanner $planner,
        private readonly FitBook $fits, private readonly Together $together, private readonly WorkshopBook $workshop,
        private readonly CauseShelf $causes,
    ) {
    }

    #[Route('/start', name: 'start_fit', methods: ['GET', 'POST'])]
    public function __invoke(Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $input = $request->isMethod('POST') ? $request->request : $request->query;
        $vehicle = '' === $input->getString('vehicle') ? null : $this->garage->get($input->getString('vehicle'));
        $procedures = $this->chosen($input->all('procedures') ?: [$input->getString('procedure')]);
        if (null === $vehicle || [] === $procedures) {
            return $this->ask($vehicle);
        }
        $ids = array_map(static fn (Procedure $p): string => $p->id, $procedures);
        $workshop = WorkshopAnswers::read($input, $this->usual());
        $choices = $this->choices($procedures, $input, $workshop);
        $people = 2 === $input->getInt('people', 1) ? 2 : 1;
        $complaint = $this->causes->complaint($input);
        $fitters = $this->planner->fitters();
        $fitter = in_array($input->getString('fitter'), $fitters, true) ? $input->getString('fitter') : '';
        $view = [
            'complaint' => $complaint,
            'vehicle' => $vehicle, 'procedures' => $procedures, 'choices' => $choices, 'workshop' => $workshop, 'people' => $people,
            'fitter' => $fitter, 'fitters' => $fitters,
            'asked' => Questions::of($procedures), 'habits' => $this->planner->habits($vehicle),
            'wheels' => WheelForm::of($vehicle->sheet()),
            'sheet' => null, 'jobs' => [], 'error' => implode(' ', $workshop->errors), 'saved' => 0.0,
            'past' => $this->fits->pastDurations(implode(', ', array_map(static fn (Procedure $p): string => $p->title, $procedures))),
        ];
        try {
            if ($request->isMethod('POST') && [] === $workshop->errors) {
                $fit = $this->planner->plan($vehicle, $ids, $choices->chosen, $person->name, null, $people, $complaint, $fitter);

                return $this->redirectToRoute('fit_sheet', ['id' => $fit->id], Response::HTTP_SEE_OTHER);
            }
            $view = $this->previewed($vehicle, $procedures, $choices, $people, $complaint, $fitter) + $view;
        } catch (UnplannableFit $e) {
            $view['error'] = $e->getMessage();
        }
        $status = new Response(status: '' === $view['error'] ? 200 : 422);

        return Htmx::wantsFragment($request) ? $this->renderBlock(
            'planning/questions.html.twig', 'preview', $view, $status,
        ) : $this->render('planning/questions.html.twig', $view, $status);
    }

    /**
     * @param list<Procedure> $procedures
     *
     * @return array{sheet: Sheet, jobs: list<TogetherJob>, saved: float}
     *
     * @throws UnplannableFit
     */
    private function previewed(
        VehicleRecord $vehicle, array $procedures, Choices $choices, int $people, ?Complaint $complaint, string $fitter,
    ): array {
        $ids = array_map(static fn (Procedure $p): string => $p->id, $procedures);
        $sheet = $this->planner->compile($vehicle, $ids, $choices->chosen, $people, $complaint, $fitter);
        if (count($ids) < 2) {
            return ['sheet' => $sheet, 'jobs' => [], 'saved' => 0.0];
        }
        // What the jobs share is theirs alone: the checks of a complaint are left aside.
        $work = null === $complaint && '' === $fitter ? $sheet : $this->planner->compile($vehicle, $ids, $choices->chosen, $people);
        $jobs = $this->together->jobs($vehicle, $procedures, $choices, $work, $people);

        return ['sheet' => $sheet, 'jobs' => $jobs, 'saved' => TogetherJob::saved($jobs, $work)];
    }

    /** @return array<string, ?float> */
    private function usual(): array
    {
        return ['workshop' => $this->workshop->now()->temperature, 'altitude' => $this->workshop->now()->altitude];
    }

    private function ask(?VehicleRecord $vehicle): Response
    {
        return $this->render('planning/start.html.twig', [
            'vehicles' => $this->vehicles->rows(), 'vehicle' => $vehicle,
            'procedures' => null === $vehicle ? [] : $this->offered($vehicle),
        ]);
    }

    /** Fetched once the page stands: every other job is compiled with these and without. */
    #[Route('/start/offers', name: 'start_offers', methods: ['GET'])]
    public function offers(Request $request): Response
    {
        $vehicle = $this->garage->get($request->query->getString('vehicle'));
        $procedures = $this->chosen($request->query->all('procedures'));
        $ids = array_map(static fn (Procedure $p): string => $p->id, $procedures);
        $choices = $this->choices($procedures, $request->query, WorkshopAnswers::read($request->query, $this->usual()));
        $people = 2 === $request->query->getInt('people', 1) ? 2 : 1;
        try {
            $sheet = $this->planner->compile($vehicle, $ids, $choices->chosen, $people);
            $offers = $this->together->offers($vehicle, $ids, $choices->chosen, $sheet, $people);
            $fluids = $this->together->fluids($vehicle, $sheet);
        } catch (UnplannableFit) {
            // The page itself says why; there is nothing to offer beside it.
            $offers = $fluids = [];
        }

        return $this->render(
            'planning/_offers.html.twig', [
                'vehicle' => $vehicle, 'ids' => $ids, 'people' => $people, 'offers' => $offers, 'fluids' => $fluids,
            ],
        );
    }

    /**
     * @param array<array-key, mixed> $ids
     *
     * @return list<Procedure>
     */
    private function chosen(array $ids): array
    {
        return array_values(
            array_filter(
                array_map(
                    fn (string $id): ?Procedure => $this->shelf->procedure($id),
                    array_values(array_unique(array_filter($ids, is_string(...)))),
                ),
            ),
        );
    }

    /** @return list<array{procedure: Procedure, missing: string, gaps: list<Missing>}> */
    private function offered(VehicleRecord $vehicle): array
    {
        $offered = [];
        foreach ($this->shelf->all() as $procedure) {
            try {
                $this->planner->compile($vehicle, [$procedure->id], []);
                $offered[] = ['procedure' => $procedure, 'missing' => '', 'gaps' => []];
            } catch (UnplannableFit $e) {
                $gaps = RoleBook::missing($procedure, $vehicle->sheet());
                $offered[] = ['procedure' => $procedure, 'missing' => $e->getMessage(), 'gaps' => $gaps];
            }
        }
        usort(
            $offered,
            static fn (array $a, array $b): int => [
                '' !== $a['missing'], $a['procedure']->title,
            ] <=> ['' !== $b['missing'], $b['procedure']->title],
        );

        return $offered;
    }

    /**
     * @param list<Procedure> $procedures
     * @param InputBag<string> $input
     */
    private function choices(array $procedures, InputBag $input, WorkshopAnswers $workshop): Choices
    {
        $chosen = [];
        foreach ($procedures as $procedure) {
            foreach ($procedure->groups as $group) {
                $option = $input->getString('c_'.$group->id);
                $chosen[$group->id] = '' === $option ? $group->default : $option;
            }
        }

        foreach ($this->shelf->common()->ways as $way) {
            $option = $input->getString('c_'.$way->id);
            $chosen[$way->id] = '' === $option ? $way->default : $option;
        }

        return new Choices(Questions::agreed($procedures, $chosen) + $workshop->chosen);
    }
}
