<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Causes;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\Core\Causes\CauseTable;
use NimbleKnuckle\Core\Causes\CheckFindings;
use NimbleKnuckle\Core\Causes\Proof;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\InputBag;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** One complaint as it was looked into: before and after, what it was, and whether that counts here from now on. */
final class ComplaintController extends AbstractController
{
    public function __construct(private readonly CauseShelf $shelf, private readonly ComplaintBook $book)
    {
    }

    /** Written down without a fit: an earth that was cleaned takes no sheet. */
    #[IsGranted(May::PlanFits->value)]
    #[Route('/causes/{id}', name: 'keep_complaint', requirements: ['id' => '[a-z0-9-]{1,60}'], methods: ['POST'])]
    public function keep(string $id, Request $request, Garage $garage, #[CurrentUser] AccountRecord $person): Response
    {
        $complaint = $this->shelf->complaint($request->request, $id) ?? throw $this->createNotFoundException('There is no such complaint.');
        $record = $this->book->begin($complaint, $garage->get($request->request->getString('vehicle')), $person->name);

        return $this->redirectToRoute('complaint', ['id' => $record->id], Response::HTTP_SEE_OTHER);
    }

    #[Route('/complaints/{id}', name: 'complaint', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function __invoke(string $id): Response
    {
        return $this->page($this->record($id), '', []);
    }

    #[IsGranted(May::PlanFits->value)]
    #[Route('/complaints/{id}', name: 'settle_complaint', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['POST'])]
    public function settle(string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $record = $this->record($id);
        $table = $this->table($record);
        $outcome = $request->request->getString('outcome');
        [$after, $error] = self::after($table, $record, $request->request);
        $error = isset($table->names[$outcome]) ? $error : 'Say what it was.';
        if ('' !== $error) {
            return $this->page($record, $error, $request->request->all());
        }
        $this->book->settle($record, $outcome, $request->request->getString('remedy'), $after, $person->name);

        return $this->redirectToRoute('complaint', ['id' => $id], Response::HTTP_SEE_OTHER);
    }

    #[IsGranted(May::PlanFits->value)]
    #[Route(
        '/complaints/{id}/{what}', name: 'count_complaint', requirements: ['id' => '[0-9A-Z]{26}', 'what' => 'out|in'], methods: ['POST'],
    )]
    public function count(string $id, string $what): Response
    {
        $record = $this->record($id);
        $this->book->leaveOut($record, 'out' === $what);

        return $this->redirectToRoute('complaint', ['id' => $id], Response::HTTP_SEE_OTHER);
    }

    /** @param array<array-key, mixed> $typed */
    private function page(ComplaintRecord $record, string $error, array $typed): Response
    {
        $table = $this->table($record);
        $found = CheckFindings::in($table, $record->answers, $record->readings);

        return $this->render('causes/complaint.html.twig', [
            'record' => $record, 'table' => $table, 'found' => $found, 'proof' => Proof::of($table, $found, $record->cause),
            'both' => BeforeAfter::of($record, $table, $record->after),
            'error' => $error, 'typed' => $typed, 'confirmed' => $this->book->confirmed($table->id),
        ], new Response(status: '' === $error ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY));
    }

    /**
     * @param InputBag<string> $in
     *
     * @return array{array<string, string>, string} check => as it was written, or the answer in words; and what is wrong
     */
    private static function after(CauseTable $table, ComplaintRecord $record, InputBag $in): array
    {
        $after = [];
        $error = '';
        $typed = $in->all('after');
        $found = CheckFindings::in($table, $record->answers, $record->readings);
        foreach (Proof::of($table, $found, $record->cause) as $check) {
            $text = is_string($typed[$check->id] ?? null) ? mb_substr(trim($typed[$check->id]), 0, 60) : '';
            $after[$check->id] = $check->labels[$text] ?? $text;
            try {
                $isMeasured = isset($found->read[$check->id]) && null !== $check->scale;
                $after[$check->id] = $isMeasured && '' !== $text ? $check->scale->said($text) : $after[$check->id];
            } catch (InvalidQuantity $e) {
                $error = $check->ask.': '.$e->getMessage();
            }
            $error = '' === $text ? sprintf('%s: check it again, and say what came of it.', $check->ask) : $error;
        }

        return [$after, $error];
    }

    private function record(string $id): ComplaintRecord
    {
        return $this->book->find($id) ?? throw $this->createNotFoundException('There is no such complaint.');
    }

    private function table(ComplaintRecord $record): CauseTable
    {
        return $this->shelf->all()[$record->symptom] ?? throw $this->createNotFoundException('The table of this complaint is gone.');
    }
}
