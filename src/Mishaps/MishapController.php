<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Mishaps;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Sheet\Mishap\Mishap;
use NimbleKnuckle\Core\Sheet\Mishap\Repair;
use NimbleKnuckle\Core\Sheet\Step;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Something went wrong: what, to what, and how it is mended. Shows the steps before they are taken into the sheet. */
final class MishapController extends AbstractController
{
    public function __construct(private readonly FitBook $fits, private readonly Recorder $recorder, private readonly Mender $mender)
    {
    }

    #[Route(
        '/fits/{id}/mishap/{mishap}/{step}', name: 'mishap',
        requirements: ['id' => '[0-9A-Z]{26}', 'mishap' => '[a-z0-9-]{1,40}', 'step' => '[a-z0-9.-]+'], methods: ['GET', 'POST'],
    )]
    public function __invoke(
        string $id, string $mishap, string $step, Request $request, #[CurrentUser] AccountRecord $person, MishapShelf $shelf,
    ): Response {
        $record = $this->fits->get($id);
        $fit = $this->recorder->load($record);
        $known = $shelf->all()->mishap($mishap) ?? throw $this->createNotFoundException('There is no such mishap on the list.');
        $at = $fit->sheet->step($step) ?? throw $this->createNotFoundException('There is no such step on this sheet.');
        null === $fit->state->signed || throw $this->createAccessDeniedException('A signed fit is not planned again.');
        $errors = $request->isMethod('POST') ? $this->errors($known, $fit, $at, $request) : [];
        if ($request->isMethod('POST') && [] === $errors) {
            try {
                return $this->named($record, $fit, $at, $known, $request, $person);
            } catch (CoreException $e) {
                $errors['form'] = $e->getMessage();
            }
        }

        return $this->render('mishaps/page.html.twig', [
            'record' => $record, 'fit' => $fit, 'step' => $at, 'mishap' => $known, 'things' => AtHand::at($fit, $at, $known->of),
            'ways' => $this->ways($known, $at), 'input' => $request->request, 'errors' => $errors,
        ], new Response(status: [] === $errors ? 200 : 422));
    }

    #[Route('/fits/{id}/withdraw-mishap', name: 'mishap_withdraw', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['POST'])]
    public function withdraw(string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        try {
            $this->mender->withdraw(
                $this->fits->get($id), $request->request->getString('mishap'), $request->request->getString('event'), $person->name,
            );
            $this->addFlash('good', 'Withdrawn. Its steps are off the sheet.');
        } catch (CoreException $e) {
            $this->addFlash('bad', $e->getMessage());
        }

        return $this->redirectToRoute('loose_ends', ['id' => $id], Response::HTTP_SEE_OTHER);
    }

    /** @return array<string, string> field => what is missing */
    private function errors(Mishap $mishap, Fit $fit, Step $at, Request $request): array
    {
        $errors = [];
        null !== $mishap->way($request->request->getString('way')) || $errors['way'] = 'Choose how it is mended.';
        if (null === $this->thing($mishap, $fit, $at, $request)) {
            $errors['thing'] = 'Choose what it happened to, or write it.';
        }

        return $errors;
    }

    private function thing(Mishap $mishap, Fit $fit, Step $at, Request $request): ?AtHand
    {
        $key = $request->request->getString('thing');
        $written = mb_substr(trim($request->request->getString('other')), 0, 80);
        $known = AtHand::at($fit, $at, $mishap->of)[$key] ?? null;

        return $known ?? ('' === $written ? null : AtHand::other($written, $fit, $at));
    }

    /** @throws CoreException */
    private function named(
        FitRecord $record, Fit $fit, Step $at, Mishap $mishap, Request $request, AccountRecord $person,
    ): Response {
        $way = $mishap->way($request->request->getString('way')) ?? throw new \LogicException('A form without errors names a way.');
        $thing = $this->thing($mishap, $fit, $at, $request) ?? throw new \LogicException('A form without errors names a thing.');
        $event = $request->request->getString('event');
        $first = $this->mender->name($record, $at, $mishap, $way, $thing, $event, $person->name);

        return $this->redirectToRoute('bench', ['id' => $record->id, 'step' => $first], Response::HTTP_SEE_OTHER);
    }

    /** @return list<array{id: string, label: string, text: string, steps: list<Step>, minutes: float}> */
    private function ways(Mishap $mishap, Step $at): array
    {
        $ways = [];
        foreach ($mishap->ways as $way) {
            $steps = array_merge(...(new Repair('preview', $way, 'it'))->steps(1, $at));
            $minutes = array_sum(array_map(static fn (Step $step): float => $step->slot->minutes->likely, $steps));
            $ways[] = ['id' => $way->id, 'label' => $way->label, 'text' => $way->text, 'steps' => $steps, 'minutes' => $minutes];
        }

        return $ways;
    }
}
