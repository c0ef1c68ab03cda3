<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Bench\Recorder;
use NimbleKnuckle\App\Planning\FitRecord;
use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\InvalidEvent;
use NimbleKnuckle\Core\Bench\WrenchTask;
use NimbleKnuckle\Core\Fastening\Trace\Trace;
use NimbleKnuckle\Core\Fastening\Trace\TraceJudge;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/**
 * Takes readings piece by piece, from a real device or a simulated one; when one is done it is judged, a sound trace marks
 * the fastener, and the samples are kept with it.
 */
final readonly class ReadingBook
{
    public function __construct(private EntityManagerInterface $em, private Recorder $recorder, private ClockInterface $clock)
    {
    }

    /** @throws InvalidInput naming the field and the remedy */
    public function receive(DeviceRecord $device, ReadingDocument $piece): ReadingRecord
    {
        $device->kind->reading() === $piece->kind || throw InvalidInput::in('kind', sprintf('%s sends «%s».', $device->name, $device->kind->reading()));
        $reading = $this->em->find(ReadingRecord::class, $piece->id) ?? $this->begin($device, $piece);
        $reading->deviceId === $device->id || throw InvalidInput::in('id', 'This id belongs to a reading of another device.');
        if ($reading->done) {
            return $reading;
        }
        $kept = count($reading->samples);
        $piece->from <= $kept || throw InvalidInput::in('from', sprintf('%d samples are kept: send from %d on.', $kept, $kept));
        $reading->samples = [...$reading->samples, ...array_slice($piece->samples, $kept - $piece->from)];
        count($reading->samples) <= 40_000 || throw InvalidInput::in('samples', 'This reading is too long: begin another.');
        if ($piece->done) {
            $this->finish($reading);
        }
        $this->em->flush();

        return $reading;
    }

    public function find(string $id): ?ReadingRecord
    {
        return $this->em->find(ReadingRecord::class, $id);
    }

    /** The newest reading at a step. */
    public function latest(string $fitId, string $step): ?ReadingRecord
    {
        return $this->em->getRepository(ReadingRecord::class)->findOneBy(['fitId' => $fitId, 'step' => $step], ['id' => 'DESC']);
    }

    /** @return list<ReadingRecord> the readings of a joint on a fit, oldest first */
    public function ofJoint(string $fitId, string $joint): array
    {
        return array_values($this->em->getRepository(ReadingRecord::class)->findBy(['fitId' => $fitId, 'joint' => $joint], ['id' => 'ASC']));
    }

    private function begin(DeviceRecord $device, ReadingDocument $piece): ReadingRecord
    {
        $record = '' === $device->fitId ? null : $this->em->find(FitRecord::class, $device->fitId);
        null !== $record || throw InvalidInput::in('device', sprintf('%s is not in hand: take it in hand at a step of the bench first.', $device->name));
        $task = DeviceKind::Wrench === $device->kind ? $this->wrenchTask($record, $device->step) : null;
        $reading = new ReadingRecord(
            $piece->id, $device->id, $device->name, $piece->kind, $record->id, $device->step, $task->joint->id ?? '', $task->bolt ?? 0,
            null === $task ? [] : self::told($task), $device->takenBy, $piece->at ?? $this->clock->now(),
        );
        $this->em->persist($reading);

        return $reading;
    }

    /** @throws InvalidInput when a wrench has nothing to do there */
    public function wrenchTask(FitRecord $record, string $stepId): WrenchTask
    {
        $fit = $this->recorder->load($record);
        $joint = $fit->vehicle->joints[$fit->sheet->step($stepId)->joint ?? ''] ?? throw InvalidInput::in('device', 'That step tightens nothing.');
        null === $fit->state->signed || throw InvalidInput::in('device', 'This fit is signed off.');

        return WrenchTask::next($fit, $joint) ?? throw InvalidInput::in('device', 0 === $fit->boltsLeft($joint->id) ? 'Every fastener here is final.' : 'Start them by hand and run them down to snug first; then the wrench measures.');
    }

    private function finish(ReadingRecord $reading): void
    {
        $reading->done = true;
        if ('torque-angle' !== $reading->kind) {
            return;
        }
        try {
            $record = $this->em->find(FitRecord::class, $reading->fitId) ?? throw InvalidInput::in('device', 'The fit is gone.');
            $task = $this->wrenchTask($record, $reading->step);
            $task->bolt === $reading->bolt && $task->stage() === $reading->task['stage'] || throw InvalidInput::in('device', sprintf('Bolt %d was marked meanwhile: nothing was marked by this trace.', $reading->bolt));
            /** @var list<non-empty-list<float>> $samples */
            $samples = $reading->samples;
            $judged = (new TraceJudge())->judge(Trace::of($samples), $task->spec, $task->expected());
            [$reading->verdict, $reading->finding, $reading->said] = [$judged->verdict->value, $judged->checks[0]->code, $judged->checks[0]->text];
            if ($task->isMetBy($judged)) {
                $this->recorder->record($record, $this->marks($reading, $task, $judged->number('final_torque')), false);
                $reading->marked = true;
            }
        } catch (InvalidInput|InvalidEvent $e) {
            [$reading->verdict, $reading->finding, $reading->said] = ['watch', '' === $reading->finding ? 'not-judged' : $reading->finding, trim($reading->said.' '.$e->getMessage())];
        }
    }

    /** @return list<FitEvent> */
    private function marks(ReadingRecord $reading, WrenchTask $task, float $torque): array
    {
        $now = $this->clock->now();

        return array_map(static fn (int $stage): FitEvent => FitEvent::of((string) new Ulid(), EventType::FastenerMarked, [
            'joint' => $task->joint->id, 'bolt' => $task->bolt, 'stage' => $stage, 'step' => $reading->step, 'wrench' => $reading->deviceName, 'setting' => round($task->spec->torque, 2),
            'reading' => $reading->id, 'torque' => round($torque, 3),
        ], $reading->byName, $now), $task->stages);
    }

    /** @return array<string, mixed> */
    private static function told(WrenchTask $task): array
    {
        return ['stage' => $task->stage(), 'said' => $task->inWords(), 'torque' => $task->spec->torque, 'angle' => $task->spec->angle, 'from' => $task->spec->from];
    }
}
