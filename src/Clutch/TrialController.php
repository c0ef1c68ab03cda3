<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Clutch;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Web\KeptInput;
use NimbleKnuckle\App\Web\Typed;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\CoreException;
use NimbleKnuckle\Core\Quantity\Kind;
use Psr\Clock\ClockInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** A trial of a slip clutch: kept, or pulled on the simulated one first. What was typed stays where it cannot be kept. */
final class TrialController extends AbstractController
{
    private const FIELDS = ['stack' => '', 'height' => '', 'shims' => '', 'thread_left' => '', 'pulls' => '', 'box' => ''];

    public function __construct(
        private readonly Recorder $recorder, private readonly ClutchBench $bench, private readonly KeptInput $typed,
        private readonly ClockInterface $clock,
    ) {
    }

    #[Route(
        '/fits/{id}/steps/{step}/trial', name: 'clutch_trial', requirements: ['id' => '[0-9A-Z]{26}', 'step' => '[a-z0-9.-]+'],
        methods: ['POST'],
    )]
    public function __invoke(
        string $id, string $step, Request $request, FitBook $fits, #[CurrentUser] AccountRecord $person,
    ): Response {
        $record = $fits->get($id);
        $given = Typed::texts($request->request->all(), self::FIELDS);
        $form = ClutchBench::form($id, $step);
        try {
            if ('pull' === $request->request->getString('do')) {
                $given['pulls'] = $this->pulled($record, $given);
                $this->typed->keep($form, $given);
            } else {
                $this->keep($record, $step, $given, $request->request->getString('event'), $person);
                $this->typed->drop($form);
            }
        } catch (CoreException $e) {
            $this->typed->keep($form, $given);
            $this->addFlash('bad', $e->getMessage());
        }

        return $this->redirectToRoute('bench', ['id' => $id, 'step' => $step], Response::HTTP_SEE_OTHER);
    }

    /** @param array<string, string> $given */
    private function pulled(FitRecord $record, array $given): string
    {
        $height = Typed::number($given, 'height', Kind::Length, 'The height it is set to');

        return implode(' ', $this->bench->simulated($this->recorder->load($record), $record->id, $given['stack'], $height));
    }

    /** @param array<string, string> $given */
    private function keep(FitRecord $record, string $step, array $given, string $event, AccountRecord $person): void
    {
        $numbers = ['height' => Typed::number($given, 'height', Kind::Length, 'The height it is set to')];
        foreach (['shims' => 'The shims under it', 'thread_left' => 'The thread left on the nut'] as $field => $said) {
            '' === $given[$field] || $numbers[$field] = Typed::number($given, $field, Kind::Length, $said);
        }
        $this->recorder->record($record, [FitEvent::of(
            $event, EventType::TrialKept,
            ['step' => $step, 'stack' => $given['stack'], 'pulls' => $given['pulls'], 'box' => $given['box']] + $numbers, $person->name,
            $this->clock->now(),
        )], $person->hand());
    }
}
