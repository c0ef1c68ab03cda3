<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Carry;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Fits\EventLog;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\LawVersion;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use Psr\Clock\ClockInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** The whole of a fit at once, for a tablet to carry it where no server is. With “have” it says only whether that is still so. */
final class CarryController extends AbstractController
{
    public function __construct(private readonly LawVersion $law)
    {
    }

    #[Route('/fits/{id}/carry', name: 'carry', requirements: ['id' => '[0-9A-Z]{26}'], methods: ['GET'])]
    public function __invoke(
        string $id, Request $request, #[CurrentUser] AccountRecord $person, FitBook $fits, Recorder $recorder, EventLog $log,
        CarriedFit $carried, ClockInterface $clock,
    ): Response {
        $version = $log->version($id);
        $record = $fits->get($id);
        // Another build may show it otherwise, another person do otherwise.
        $mark = hash('xxh64', implode('|', [
            $version, $record->revision, $person->login, $person->hand()->value, $carried->build(), $this->law->id,
        ]));
        if ($request->query->getString('have') === $mark) {
            return new Response(status: Response::HTTP_NO_CONTENT);
        }
        $fit = $recorder->load($record);

        return new JsonResponse([
            'fit' => $id, 'mark' => $mark, 'version' => $version, 'person' => $person->login, 'name' => $person->name,
            'now' => (float) $clock->now()->format('U.u'), 'vehicle' => $fit->vehicle->short, 'title' => $record->title,
            'current' => $fit->course()->currentStep()->id ?? '', 'sheet' => TabletSheet::of($fit), 'law' => $this->law->id,
            'others' => TabletSheet::others($fit),
            'log' => array_map(static fn (FitEvent $one): array => [
                'payload' => (object) $one->payload, 'device' => $one->receipt->device, 'beside' => $one->receipt->beside,
                'late' => $one->wasQueued(),
                'kept' => (float) $one->receipt->at->format('U.u'), 'happened' => (float) $one->happened()->format('U.u'),
            ] + $one->toArray(), $fit->state->log),
            'steps' => $carried->of($record, $fit, $version, $person->hand()),
        ]);
    }
}
