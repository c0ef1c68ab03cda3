<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Fits\Arrival;
use NimbleKnuckle\App\Fits\EventLog;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Fits\Seen;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Sheet\Step;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/**
 * Takes marks: {"events":[{"id":ULID,"type":…,"payload":{…},"at":ISO 8601}],"device":"…","sent":ISO 8601}. Sending one again
 * changes nothing. With "view":{"step":"…","have":{…}} it answers with what changed on the bench as well.
 */
final class EventsController extends AbstractController
{
    private const MOST = 200;

    public function __construct(
        private readonly FitBook $fits, private readonly Recorder $recorder, private readonly EventLog $log,
        private readonly BenchPage $page, private readonly BenchRegions $regions, private readonly MeasuredText $measured,
        private readonly Arrival $arrival,
    ) {
    }

    #[Route('/fits/{id}/events', name: 'fit_events', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['POST'])]
    public function __invoke(string $id, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $record = $this->fits->get($id);
        try {
            $body = json_decode($request->getContent(), true, 16);
            $body = is_array($body) ? $body : [];
            $events = $this->events($body, $person->name, $record);
            $before = $this->recorder->load($record);
            $fit = $this->recorder->record($record, $events, $person->hand(), seen: self::seen($body));
        } catch (InvalidEvent $e) {
            return new JsonResponse(
                ['error' => ['field' => $e->field, 'message' => $e->getMessage()]],
                $e->isOther ? Response::HTTP_CONFLICT : Response::HTTP_UNPROCESSABLE_ENTITY,
            );
        }
        $kept = ['kept' => array_map(static fn (FitEvent $e): string => $e->id, $events)];
        $wanted = is_array($body['view'] ?? null) ? $body['view'] : null;
        if (null === $wanted) {
            return new JsonResponse($kept + ['version' => $this->log->version($id)]);
        }
        $shown = is_string($wanted['step'] ?? null) ? $fit->sheet->step($wanted['step']) : null;
        $step = $this->follows($shown, $before, $fit) ?? $fit->course()->currentStep()
            ?? throw $this->createNotFoundException('The sheet has no steps.');
        $have = is_array($wanted['have'] ?? null) ? $wanted['have'] : [];

        $view = $this->page->view($record, $fit, $step, $this->log->version($id), $person->hand());

        return new JsonResponse($kept + $this->regions->answer($view, $have));
    }

    /** A step just closed, or just set running, makes room for the next; otherwise we stay where we are. */
    private function follows(?Step $shown, Fit $before, Fit $fit): ?Step
    {
        if (null === $shown) {
            return null;
        }
        $closedNow = !$before->state->isClosed($shown->id) && $fit->state->isClosed($shown->id);

        $runsNow = $fit->course()->runsByItself($shown) && !$before->course()->runsByItself($shown);

        return $closedNow || $runsNow ? $fit->course()->currentStep() : $shown;
    }

    /**
     * @return array{string, EventType, array<array-key, mixed>}
     *
     * @throws InvalidEvent
     */
    private static function whole(mixed $one): array
    {
        $type = is_array($one) && is_string($one['type'] ?? null) ? EventType::tryFrom($one['type']) : null;
        if (!is_array($one) || null === $type || !is_string($one['id'] ?? null) || !is_array($one['payload'] ?? null)) {
            throw InvalidEvent::in('events', 'Each event has an id, a type we know and a payload.');
        }

        return [$one['id'], $type, $one['payload']];
    }

    /**
     * @param array<array-key, mixed> $body
     *
     * @return list<FitEvent>
     *
     * @throws InvalidEvent
     */
    private function events(array $body, string $by, FitRecord $record): array
    {
        $given = $body['events'] ?? null;
        if (!is_array($given) || [] === $given || count($given) > self::MOST) {
            throw InvalidEvent::in('events', sprintf('Send 1 to %d events.', self::MOST));
        }
        [$events, $after] = [[], null];
        foreach ($given as $one) {
            [$id, $type, $payload] = self::whole($one);
            EventType::PhotoTaken !== $type || throw InvalidEvent::in('type', 'A picture comes with its file: send it to the pictures.');
            // How it came to be known is the server’s to say: a tablet’s word for it is dropped, and the mark stands as set by hand.
            $payload = array_diff_key($payload, array_flip($type->fieldsOfServer()));
            $payload = EventType::Measured === $type
                ? $this->measured->read($payload, $record->sheet(), $record->vehicleSheet())
                : $payload;
            $at = is_array($one) ? $one['at'] ?? null : null;
            $receipt = $this->arrival->of($record, $body['device'] ?? '', $at, $body['sent'] ?? null, $after);
            $after = $receipt->happened();
            $events[] = FitEvent::of($id, $type, $payload, $by, $receipt->happened(), $receipt);
        }

        return $events;
    }

    /**
     * @param array<array-key, mixed> $body
     *
     * @return array<string, Seen> event => what its tablet went by
     */
    private static function seen(array $body): array
    {
        $seen = [];
        foreach (is_array($body['events'] ?? null) ? $body['events'] : [] as $one) {
            if (is_array($one) && is_string($one['id'] ?? null)) {
                $seen[$one['id']] = Seen::read($one);
            }
        }

        return $seen;
    }
}
