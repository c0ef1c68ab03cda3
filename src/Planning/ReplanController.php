<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Planning;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Procedures\ProcedureShelf;
use NimbleKnuckle\Core\Compiler\AppliedChoices;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Procedure\ChoiceGroup;
use NimbleKnuckle\Core\Procedure\Procedure;
use NimbleKnuckle\Core\Procedure\Questions;
use NimbleKnuckle\Core\Procedure\UnplannableFit;
use NimbleKnuckle\Core\Sheet\SheetChange;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What comes off surprises: one more job, another answer, or a cover nobody knew of. Shows what changes before it is taken. */
#[IsGranted(May::PlanFits->value)]
final class ReplanController extends AbstractController
{
    #[Route('/fits/{id}/replan', name: 'replan', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET', 'POST'])]
    public function __invoke(
        string $id, Request $request, #[CurrentUser] AccountRecord $person, FitBook $fits, ProcedureShelf $shelf,
        Replanner $replanner, Garage $garage,
    ): Response {
        $fit = $fits->get($id);
        $stale = $request->isMethod('POST') && $request->request->getInt('revision', $fit->revision) !== $fit->revision;
        $fit->status->takesMarks() || throw $this->createAccessDeniedException('A fit that is signed or stopped is not planned again.');
        $input = $request->isMethod('POST') ? $request->request : $request->query;
        [$procedures, $drop] = self::wanted($fit, $input);
        $jobs = $this->known($shelf, $procedures, $fit);
        $corrected = Corrected::since($fit, $garage->get($fit->vehicle->id));
        $taken = array_values(array_filter($input->all('figure'), is_string(...)));
        $choices = $this->choices($fit, $jobs, $shelf->common()->ways, $input);
        $view = [
            'fit' => $fit, 'procedures' => $this->known($shelf, array_diff($procedures, $drop), $fit),
            'jobs' => $this->known($shelf, $fit->procedures, $fit), 'drop' => $drop,
            'others' => array_filter($shelf->all(), static fn (Procedure $p): bool => !in_array($p->id, $fit->procedures, true)),
            'choices' => $choices, 'asked' => Questions::of($jobs),
            'habits' => AppliedChoices::asked($shelf->common()->ways, $fit->vehicleSheet()),
            'add' => array_values(array_diff($procedures, $fit->procedures)),
            'input' => $input, 'change' => null,
            'error' => '', 'versions' => $replanner->versions($id), 'corrected' => $corrected, 'taken' => $taken,
        ];
        try {
            $vehicle = $corrected->onto(self::vehicle($fit, $input, $replanner), $taken);
            $sheet = $replanner->compile($fit, $procedures, $choices, $vehicle);
            $view['change'] = SheetChange::between($fit->sheet(), $sheet);
            if ($request->isMethod('POST') && $input->has('adopt')) {
                $replanner->adopt($fit, $sheet, $procedures, $choices, $vehicle, $person->name, self::reason($input, $stale));
                $this->addFlash('good', 'The new sheet is in force; every mark is kept.');

                return $this->redirectToRoute('fit_sheet', ['id' => $id], Response::HTTP_SEE_OTHER);
            }
        } catch (CoreException $e) {
            $view['error'] = $e->getMessage();
        }

        return $this->render('planning/replan.html.twig', $view, new Response(status: '' === $view['error'] ? 200 : 422));
    }

    /**
     * @param InputBag<string> $input
     *
     * @return array<array-key, mixed> the vehicle of the fit, with an item that came up
     *
     * @throws UnplannableFit
     */
    private static function vehicle(FitRecord $fit, InputBag $input, Replanner $replanner): array
    {
        $name = trim($input->getString('item'));

        return '' === $name ? $fit->vehicleDocument : $replanner->withItem(
            $fit, $name, $input->getString('before'), self::fasteners(trim($input->getString('fasteners'))),
        );
    }

    /**
     * @param InputBag<string> $input
     *
     * @return array{list<string>, list<string>} the jobs that are wanted now, and those that are left out
     */
    private static function wanted(FitRecord $fit, InputBag $input): array
    {
        $drop = array_values(array_filter($input->all('drop'), is_string(...)));
        $add = array_filter($input->all('add'), is_string(...));

        return [array_values(array_unique([...array_diff($fit->procedures, $drop), ...$add])), $drop];
    }

    /**
     * @param InputBag<string> $input
     *
     * @throws UnplannableFit where the sheet is another one by now, or no reason stands there
     */
    private static function reason(InputBag $input, bool $isStale): string
    {
        $reason = trim($input->getString('reason'));
        !$isStale || throw UnplannableFit::dueToItem(
            'Somebody planned this fit again meanwhile. What you see now is the new sheet: look at the change once more.',
        );
        '' !== $reason || throw UnplannableFit::dueToItem('Say what came up: it stands with the new version.');

        return mb_substr($reason, 0, 500);
    }

    /**
     * @param array<array-key, Procedure> $procedures
     * @param list<ChoiceGroup> $ways asked of every fit
     * @param InputBag<string> $input
     *
     * @return array<string, string> group => what is chosen now
     */
    private function choices(FitRecord $fit, array $procedures, array $ways, InputBag $input): array
    {
        $choices = $fit->choices;
        $groups = array_merge($ways, ...array_map(static fn (Procedure $job): array => $job->groups, array_values($procedures)));
        foreach ($groups as $group) {
            $choices[$group->id] = '' !== $input->getString('c_'.$group->id)
                ? $input->getString('c_'.$group->id)
                : $choices[$group->id] ?? $group->default;
        }

        return Questions::agreed(array_values($procedures), $choices);
    }

    /** @throws UnplannableFit */
    private static function fasteners(string $written): int
    {
        return match (true) {
            '' === $written => 0,
            ctype_digit($written) && (int) $written <= 200 => (int) $written,
            default => throw UnplannableFit::dueToItem('Fasteners: write how many come off with it, 0 to 200, or leave it empty.'),
        };
    }

    /**
     * @param array<array-key, string> $ids
     *
     * @return list<Procedure>
     */
    private function known(ProcedureShelf $shelf, array $ids, FitRecord $fit): array
    {
        return array_values(array_filter(array_map(
            static fn (string $id): ?Procedure => $shelf->procedure($id, $fit->procedureTexts[$id] ?? ''), $ids,
        )));
    }
}
