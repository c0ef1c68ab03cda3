<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Review;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Accounts\May;
use NimbleKnuckle\App\Causes\Proofs;
use NimbleKnuckle\App\Costs\CostBook;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Jobs\JobBook;
use NimbleKnuckle\App\Logbook\DueBook;
use NimbleKnuckle\Core\Bench\Labour\LabourTimes;
use NimbleKnuckle\Core\Bench\Signing\SignOff;
use NimbleKnuckle\Core\Bench\Told\FitNarrative;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Security\Http\Attribute\IsGranted;

/** All a lead looks at before a name goes under it, on one page; what is signed is what is shown here. */
final class ReviewController extends AbstractController
{
    #[Route('/fits/{id}/review', name: 'review_fit', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    #[IsGranted(May::ReviewFits->value)]
    public function __invoke(
        string $id, #[CurrentUser] AccountRecord $person, FitBook $fits, Recorder $recorder, DueBook $dues, JobBook $jobs, CostBook $costs,
        Proofs $proofs,
    ): Response {
        $record = $fits->get($id);
        $fit = $recorder->load($record);
        $groups = [];
        foreach (SignOff::of($fit)->review() as $entry) {
            $groups[$entry->kind->label()][] = $entry;
        }

        return $this->render('review/page.html.twig', [
            'record' => $record, 'fit' => $fit, 'unanswered' => SignOff::of($fit)->unanswered(), 'told' => new FitNarrative($fit),
            'review' => $groups,
            'reviewCount' => array_sum(array_map(count(...), $groups)), 'refusals' => SignOff::of($fit)->refusals($person->hand()),
            'hands' => LabourTimes::of($fit), 'dues' => $dues->ofFit($id), 'job' => $jobs->of($id), 'cost' => $costs->of($id, $fit),
            'both' => $proofs->of($id, $fit),
        ]);
    }
}
