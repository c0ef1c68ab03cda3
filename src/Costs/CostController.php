<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Costs;

use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitFilter;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\FitRow;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Workshop\WorkshopBook;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** What a fit took and what it costs: hours of each, parts with their numbers; to be written down, and to be taken away as CSV. */
final class CostController extends AbstractController
{
    private const FIT = ['id' => '[0-9A-Z]{26}'];
    private const MOST = 500;

    public function __construct(
        private readonly FitBook $fits, private readonly Recorder $recorder, private readonly CostBook $costs,
        private readonly AccountDocument $accounts,
    ) {
    }

    #[Route('/fits/{id}/cost', name: 'cost', requirements: self::FIT, methods: ['GET', 'POST'])]
    public function __invoke(string $id, Request $request, WorkshopBook $workshop): Response
    {
        $record = $this->fits->get($id);
        $fit = $this->recorder->load($record);
        $form = null;
        if ($request->isMethod('POST')) {
            $this->denyAccessUnlessGranted(May::KeepJobs->value);
            $form = CostForm::read($request->request);
            if ([] === $form->errors) {
                $this->costs->keep($id, $form->parts);
                $this->addFlash('good', 'Written down. Numbers and prices are known from now on.');

                return $this->redirectToRoute('cost', ['id' => $id], Response::HTTP_SEE_OTHER);
            }
        }
        $cost = $this->costs->of($id, $fit);

        return $this->render('costs/page.html.twig', [
            'record' => $record, 'fit' => $fit, 'cost' => $cost, 'workshop' => $workshop->now(), 'form' => $form,
            'rows' => CostForm::shown($cost, $form),
        ], new Response(status: null === $form ? 200 : 422));
    }

    #[Route('/fits/{id}/account.{kind}', name: 'account', requirements: self::FIT + ['kind' => 'csv|json'], methods: ['GET'])]
    public function account(string $id, string $kind): Response
    {
        $document = $this->document($this->fits->get($id));

        return 'json' === $kind ? new JsonResponse($document) : self::csv('account-'.$id, $document);
    }

    /** All that a list of signed fits shows, the newest five hundred of it. */
    #[Route('/accounts.csv', name: 'accounts_csv', methods: ['GET'])]
    #[IsGranted(May::ReviewFits->value)]
    public function all(Request $request): Response
    {
        $rows = $this->fits->signed(self::MOST, 0, FitFilter::read($request->query));

        return self::csv('accounts', ...array_map(
            fn (FitRow $row): array => $this->document($this->fits->get($row->id)), $rows,
        ));
    }

    /** @return array<string, mixed> nimble-knuckle/account@1 */
    private function document(FitRecord $record): array
    {
        return $this->accounts->of($record, $this->costs->of($record->id, $this->recorder->load($record)));
    }

    /** @param array<string, mixed> ...$accounts */
    private static function csv(string $name, array ...$accounts): Response
    {
        return new Response(AccountDocument::csv(...$accounts), headers: [
            'Content-Type' => 'text/csv; charset=UTF-8', 'Content-Disposition' => sprintf('attachment; filename="%s.csv"', $name),
        ]);
    }
}
