<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Fits\EventLog;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Logbook\DueBook;
use NimbleKnuckle\Core\Bench\Event\BenchRight;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Signing\ReviewEntry;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** What is still open on a fit, and the sign-off. */
final class LooseEndsController extends AbstractController
{
    #[Route('/fits/{id}/loose-ends', name: 'loose_ends', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function __invoke(
        string $id, #[CurrentUser] AccountRecord $person, FitBook $fits, Recorder $recorder, EventLog $log, DueBook $dues,
    ): Response {
        $record = $fits->get($id);
        $fit = $recorder->load($record);

        return $this->render('bench/loose_ends.html.twig', [
            'record' => $record, 'fit' => $fit, 'ends' => SignOff::of($fit)->looseEnds(), 'openSteps' => SignOff::of($fit)->openSteps(),
            'unanswered' => SignOff::of($fit)->unanswered(),
            'refusals' => SignOff::of($fit)->refusals($person->hand()),
            'dues' => $dues->ofFit($id), 'review' => self::grouped(SignOff::of($fit)->review()),
            'reviewCount' => count(SignOff::of($fit)->review()),
            'mayWaiveDanger' => $person->hand()->may(BenchRight::WaiveDanger), 'reasons' => self::reasons($fit),
            'version' => $log->version($id),
        ]);
    }

    /**
     * @param list<ReviewEntry> $entries
     *
     * @return array<string, list<ReviewEntry>> what it is => entries
     */
    private static function grouped(array $entries): array
    {
        $groups = [];
        foreach ($entries as $entry) {
            $groups[$entry->kind->label()][] = $entry;
        }

        return $groups;
    }

    /** @return list<string> */
    private static function reasons(Fit $fit): array
    {
        return array_values(
            array_filter(
                ['Replaced by a new one', 'Left off on purpose', 'Checked by second person', 'Vehicle differs from sheet'],
                static fn (string $one): bool => $one !== $fit->state->lastReason,
            ),
        );
    }
}
