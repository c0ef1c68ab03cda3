<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Sums;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumBook;
use Psr\Clock\ClockInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Pins a sum to the step a fit is at, with what was put in: it stands there and in the log. */
final class PinController extends AbstractController
{
    #[Route('/sums/{name}/pin', name: 'sum_pin', requirements: ['name' => '[a-z-]{1,40}'], methods: ['POST'])]
    public function __invoke(
        string $name, Request $request, #[CurrentUser] AccountRecord $person, SumBook $sums, FitBook $fits, Recorder $recorder,
        ClockInterface $clock,
    ): Response {
        parse_str($request->request->getString('query'), $raw);
        $back = $this->redirectToRoute('sum', ['name' => $name] + $raw, Response::HTTP_SEE_OTHER);
        try {
            $result = $sums->run($name, $raw);
            $record = $fits->get($request->request->getString('fit'));
            $step = $recorder->load($record)->course()->currentStep() ?? throw InvalidInput::in(
                'fit', 'That fit has no step to pin it to.'
            );
            $query = http_build_query(array_filter($raw, static fn (mixed $value): bool => is_string($value) && '' !== $value));
            strlen($query) <= 500 || throw InvalidInput::in('query', 'This is too long to pin: keep its address instead.');
            $recorder->record(
                $record,
                [FitEvent::of(
                    $request->request->getString('event'), EventType::SumPinned,
                    [
                        'step' => $step->id, 'sum' => $name, 'query' => $query,
                        'said' => $sums->named($name)->headline($result)->asLine() ?: $result->headline(),
                        'verdict' => $result->verdict->value,
                    ],
                    $person->name, $clock->now(),
                )],
                Authority::Server,
            );
        } catch (InvalidInput|InvalidEvent $e) {
            $this->addFlash('bad', $e->getMessage());

            return $back;
        }

        return $this->redirectToRoute('bench', ['id' => $record->id, 'step' => $step->id], Response::HTTP_SEE_OTHER);
    }
}
