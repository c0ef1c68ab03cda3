<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use Psr\Clock\ClockInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** One mark by an ordinary form: waiving, finding, skipping, signing, closing a due check. The form carries the event's id. */
final class MarkController extends AbstractController
{
    private const BY_FORM = [
        EventType::Waived, EventType::Found, EventType::StepSkipped, EventType::Signed, EventType::FollowUpClosed, EventType::Noted,
        EventType::Stopped, EventType::TakenUp,
    ];

    #[Route('/fits/{id}/mark', name: 'fit_mark', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['POST'])]
    public function __invoke(
        string $id, Request $request, #[CurrentUser] AccountRecord $person, FitBook $fits, Recorder $recorder,
        ClockInterface $clock,
    ): Response {
        $form = $request->request;
        $type = EventType::tryFrom($form->getString('type'));
        $back = $form->getString('back');
        $target = match ($back) {
            'logbook' => $this->generateUrl('logbook'),
            'review' => $this->generateUrl('review_fit', ['id' => $id]),
            default => $this->generateUrl('sheet' === $back ? 'fit_sheet' : 'loose_ends', ['id' => $id]),
        };
        try {
            null !== $type && in_array($type, self::BY_FORM, true) || throw InvalidEvent::in('type', 'That is not done by a form.');
            $payload = array_intersect_key($form->all(), $type->fields());
            foreach (['seen', 'shown'] as $count) {
                $said = $form->getString($count);
                $payload = ctype_digit($said) ? [$count => (int) $said] + $payload : array_diff_key($payload, [$count => '']);
            }
            $recorder->record(
                $fits->get($id), [FitEvent::of($form->getString('event'), $type, $payload, $person->name, $clock->now())],
                $person->hand(),
            );
            $this->addFlash('good', EventType::Signed === $type ? 'Signed off. Follow-ups are in the logbook.' : 'Kept.');
        } catch (InvalidEvent $e) {
            $this->addFlash('bad', $e->getMessage());
        }

        return $this->redirect($target, Response::HTTP_SEE_OTHER);
    }
}
