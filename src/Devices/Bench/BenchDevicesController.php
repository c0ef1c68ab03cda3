<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Bench;

use NimbleKnuckle\App\Accounts\AccountRecord;
use NimbleKnuckle\App\Devices\DeviceBook;
use NimbleKnuckle\App\Devices\DeviceRecord;
use NimbleKnuckle\App\Devices\GaugeView;
use NimbleKnuckle\App\Devices\Intake\ReadingBook;
use NimbleKnuckle\App\Devices\ReadingDocument;
use NimbleKnuckle\App\Devices\ReadingRecord;
use NimbleKnuckle\App\Devices\Simulator\SimulatedEngine;
use NimbleKnuckle\App\Devices\Simulator\SimulatedWrench;
use NimbleKnuckle\App\Fits\EventLog;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineFault;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Trace\Fault;
use Psr\Clock\ClockInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;
use Symfony\Component\Uid\Ulid;

/** Devices at a step of the bench: take one in hand, put it down, watch its gauge, pull the simulated one, hand in a trace as a file. */
#[Route('/fits/{id}/steps/{step}', requirements: ['id' => '[0-9A-Z]{26}', 'step' => '[a-z0-9.-]+'])]
final class BenchDevicesController extends AbstractController
{
    private const ASKED = 'device-asked';
    /** s between the two presses that take a device out of another’s hand. */
    private const ASKED_FOR = 60;

    public function __construct(
        private readonly DeviceBook $devices, private readonly ReadingBook $readings, private readonly FitBook $fits,
        private readonly Recorder $recorder, private readonly ClockInterface $clock,
    ) {
    }

    #[Route('/device', name: 'device_take', methods: ['POST'])]
    public function take(string $id, string $step, Request $request, #[CurrentUser] AccountRecord $person): Response
    {
        $device = $this->devices->get($request->request->getString('device'))
            ?? throw $this->createNotFoundException('There is no such device.');
        $this->fits->get($id)->sheet()->step($step) ?? throw $this->createNotFoundException('There is no such step.');
        if ('' !== $device->takenBy && $person->name !== $device->takenBy && !$this->isHandedOver($device, $request, $person)) {
            return $this->redirectToRoute('bench', ['id' => $id, 'step' => $step], Response::HTTP_SEE_OTHER);
        }
        if ($request->request->getBoolean('down')) {
            $this->devices->put($device);
        } else {
            $this->devices->take($device, $id, $step, $person->name);
        }

        return $this->redirectToRoute('bench', ['id' => $id, 'step' => $step], Response::HTTP_SEE_OTHER);
    }

    /** Out of another’s hand it is taken at the second press, and he reads it at his step. */
    private function isHandedOver(DeviceRecord $device, Request $request, AccountRecord $person): bool
    {
        $session = $request->getSession();
        $asked = $session->get(self::ASKED);
        $now = $this->clock->now();
        $record = $this->fits->get($device->fitId);
        [$of, $at] = explode(' ', (is_string($asked) ? $asked : '').' 0');
        if ($of !== $device->id || $now->getTimestamp() - (int) $at > self::ASKED_FOR) {
            $session->set(self::ASKED, $device->id.' '.$now->getTimestamp());
            $this->addFlash('bad', sprintf(
                '%s has the %s in hand, at “%s”. Ask first; pressed once more within a minute it is yours, and %1$s reads that there.',
                $device->takenBy, $device->name, $record->sheet()->step($device->step)->words->title ?? 'a step of an earlier sheet',
            ));

            return false;
        }
        $session->remove(self::ASKED);
        $this->recorder->record($record, [FitEvent::of((string) new Ulid(), EventType::Noted, array_filter([
            'step' => null === $record->sheet()->step($device->step) ? '' : $device->step,
            'text' => sprintf('The %s was taken out of the hand of %s.', $device->name, $device->takenBy),
        ]), $person->name, $now)], Authority::Server);

        return true;
    }

    /** Polled while a device is in hand: nothing new is 204; a mark made by a trace wakes the bench. */
    #[Route('/gauge', name: 'device_gauge', methods: ['GET'])]
    public function gauge(string $id, string $step, Request $request, EventLog $log): Response
    {
        $reading = $this->readings->latest($id, $step);
        if (ReadingRecord::mark($reading) === $request->query->getString('since')) {
            return new Response(status: Response::HTTP_NO_CONTENT);
        }

        return $this->gaugeOf($id, $step, $reading, $log->version($id) > $request->query->getInt('version'));
    }

    #[Route('/pull', name: 'device_pull', methods: ['POST'])]
    public function pull(string $id, string $step, Request $request, SimulatedWrench $wrench): Response
    {
        $form = $request->request;
        $device = $this->devices->get($form->getString('device'));
        null !== $device
            && $device->simulated
            && $device->isInHandAt($id, $step)
            || throw $this->createNotFoundException('That wrench is not in hand here.');
        $readingId = Ulid::isValid($form->getString('reading'))
            ? $form->getString('reading')
            : throw $this->createNotFoundException('A pull has a reading id.');
        try {
            $reading = $wrench->pull(
                $device, $readingId, self::number($request, 'ms'), max(0.05, min(3.0, self::number($request, 'eager'))),
                Fault::tryFrom($form->getString('fault')) ?? Fault::None, $form->getBoolean('done'),
            );
        } catch (InvalidInput $e) {
            return new Response($e->getMessage(), Response::HTTP_UNPROCESSABLE_ENTITY, ['Content-Type' => 'text/plain; charset=UTF-8']);
        }

        return $this->gaugeOf($id, $step, $reading, $reading->marked);
    }

    /** The simulated engine runs on for a while, or is switched off. */
    #[Route('/engine', name: 'device_engine', methods: ['POST'])]
    public function engine(string $id, string $step, Request $request, SimulatedEngine $engine, EventLog $log): Response
    {
        $form = $request->request;
        $device = $this->devices->get($form->getString('device'));
        null !== $device
            && $device->simulated
            && $device->isInHandAt($id, $step)
            || throw $this->createNotFoundException('That thermometer is not in hand here.');
        $readingId = Ulid::isValid($form->getString('reading'))
            ? $form->getString('reading')
            : throw $this->createNotFoundException('A run has a reading id.');
        $before = $log->version($id);
        try {
            $reading = $engine->run(
                $device, $readingId, self::number($request, 'seconds'),
                EngineFault::tryFrom($form->getString('fault')) ?? EngineFault::None, $form->getBoolean('done'),
            );
        } catch (InvalidInput $e) {
            return new Response($e->getMessage(), Response::HTTP_UNPROCESSABLE_ENTITY, ['Content-Type' => 'text/plain; charset=UTF-8']);
        }

        return $this->gaugeOf($id, $step, $reading, $log->version($id) > $before);
    }

    /** A trace from a wrench that cannot send: rows of degrees, N·m and ms. */
    #[Route('/trace', name: 'device_trace', methods: ['POST'])]
    public function upload(
        string $id, string $step, Request $request, #[CurrentUser] AccountRecord $person,
    ): Response {
        $device = $this->devices->get($request->request->getString('device'))
            ?? throw $this->createNotFoundException('There is no such device.');
        $file = $request->files->get('trace');
        try {
            $text = $file instanceof \Symfony\Component\HttpFoundation\File\UploadedFile && $file->isValid() && $file->getSize() < 2_000_000
                ? $file->getContent()
                : $request->request->getString('rows');
            $samples = ReadingDocument::rows($text);
            if (!$device->isInHandAt($id, $step)) {
                in_array($device->takenBy, ['', $person->name], true) || throw InvalidInput::in('device', sprintf(
                    '%s has the %s in hand: it is put down first.', $device->takenBy, $device->name,
                ));
                $this->devices->take($device, $id, $step, $person->name);
            }
            $reading = $this->readings->receive(
                $device,
                ReadingDocument::read(
                    json_encode(
                        [
                            'format' => ReadingDocument::FORMAT, 'id' => (string) new Ulid(), 'kind' => $device->kind->reading(),
                            'samples' => $samples, 'done' => true, 'at' => $this->clock->now()->format('Y-m-d\TH:i:sP'),
                        ],
                        \JSON_THROW_ON_ERROR,
                    ),
                ),
                $person->name,
            );
            $this->addFlash('ok' === $reading->verdict ? 'good' : 'bad', $reading->said);
        } catch (InvalidInput $e) {
            $this->addFlash('bad', $e->getMessage());
        }

        return $this->redirectToRoute('bench', ['id' => $id, 'step' => $step], Response::HTTP_SEE_OTHER);
    }

    private function gaugeOf(string $id, string $step, ?ReadingRecord $reading, bool $wake): Response
    {
        $response = 'temperature' === $reading?->kind
            ? $this->render(
                'devices/_curve.html.twig',
                [
                    'fitId' => $id, 'stepId' => $step, 'reading' => $reading, 'curve' => BenchThermometer::curve($reading),
                    'since' => ReadingRecord::mark($reading), 'marked' => $wake,
                ],
            )
            : $this->render(
                'devices/_gauge.html.twig',
                [
                    'fitId' => $id, 'stepId' => $step, 'gauge' => GaugeView::of($reading),
                    'since' => ReadingRecord::mark($reading), 'marked' => $wake,
                ],
            );
        if ($wake) {
            $response->headers->set('HX-Trigger', 'nk:pulse');
        }

        return $response;
    }

    private static function number(Request $request, string $name): float
    {
        $value = $request->request->get($name);

        return is_numeric($value) ? (float) $value : 0.0;
    }
}
