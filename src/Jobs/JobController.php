<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Jobs;

use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Fits\FitBook;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Form\FormFactoryInterface;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** Whose vehicle a fit is on. A lead can have the customer forgotten. */
final class JobController extends AbstractController
{
    private const FIT = ['id' => '[0-9A-Z]{26}'];

    public function __construct(private readonly JobBook $jobs, private readonly FitBook $fits)
    {
    }

    #[Route('/fits/{id}/job', name: 'job', requirements: self::FIT, methods: ['GET', 'POST'])]
    #[IsGranted(May::KeepJobs->value)]
    public function __invoke(string $id, Request $request, FormFactoryInterface $forms): Response
    {
        $fit = $this->fits->get($id);
        $job = $this->jobs->of($id);
        $form = $forms->createNamed('', JobForm::class, $job);
        $form->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            $this->jobs->keep($form->getData());
            $this->addFlash('good', 'Saved.');

            return $this->redirectToRoute('fit_sheet', ['id' => $id], Response::HTTP_SEE_OTHER);
        }

        return $this->render(
            'jobs/job.html.twig', ['fit' => $fit, 'job' => $job, 'form' => $form],
            new Response(status: $form->isSubmitted() ? 422 : 200),
        );
    }

    #[Route('/fits/{id}/job/forget', name: 'forget_customer', requirements: self::FIT, methods: ['POST'])]
    #[IsGranted(May::ForgetCustomers->value)]
    public function forget(string $id): Response
    {
        $this->jobs->forget($this->fits->get($id)->id);
        $this->addFlash('good', 'The customer is forgotten. The fit stays as it was.');

        return $this->redirectToRoute('fit_sheet', ['id' => $id], Response::HTTP_SEE_OTHER);
    }
}
