<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Intake;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Devices\Curve\CurveJudge;
use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Devices\DeviceRecord;
use NimbleKnuckle\App\Devices\KeptSamples;
use NimbleKnuckle\App\Devices\ReadingDocument;
use NimbleKnuckle\App\Devices\ReadingRecord;
use NimbleKnuckle\App\Devices\Slip;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Event\InvalidEvent;
use NimbleKnuckle\Core\Bench\Task\ClutchTrials;
use NimbleKnuckle\Core\Bench\Task\WrenchTask;
use NimbleKnuckle\Core\Curve\AtOnce;
use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Fluids\Door\WarmUp;
use NimbleKnuckle\Core\Fluids\WarmUp\Curve;
use NimbleKnuckle\Core\Fluids\WarmUp\WarmUpJudgement;
use NimbleKnuckle\Core\Procedure\Ask;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Trace\Door\TraceJudge;
use NimbleKnuckle\Core\Trace\Judgement;
use NimbleKnuckle\Core\Trace\Trace;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/**
 * Takes readings piece by piece, from a real device or a simulated one; when one is done it is judged, a sound trace marks
 * the fastener, and the samples are kept with it.
 */
final readonly class ReadingBook
{
    /** A curve of fewer says nothing. */
    private const LEAST_SAMPLES = 8;
    /** s by which the clocks of a device and of the server may differ. */
    private const CLOCKS_DIFFER = 300;
    /** °C, where the vehicle sheet does not say at what its thermostat opens. */
    private const USUAL_OPENING = 88.0;

    public function __construct(
        private EntityManagerInterface $em, private KeptSamples $kept, private Recorder $recorder, private ClockInterface $clock,
        private CurveJudge $curves,
    ) {
    }

    /**
     * @param string $uploadedBy who handed it in as rows; empty where the device sent it
     *
     * @throws InvalidInput naming the field and the remedy
     */
    public function receive(DeviceRecord $device, ReadingDocument $piece, string $uploadedBy = ''): ReadingRecord
    {
        return $this->em->wrapInTransaction(fn (): ReadingRecord => $this->received($device, $piece, $uploadedBy));
    }

    /** Under the write lock, so that a piece that is sent six times at once is taken once. */
    private function received(DeviceRecord $device, ReadingDocument $piece, string $uploadedBy): ReadingRecord
    {
        $device->kind->reading() === $piece->kind || throw InvalidInput::in(
            'kind', sprintf('%s sends “%s”.', $device->name, $device->kind->reading()),
        );
        $reading = $this->em->find(ReadingRecord::class, $piece->id) ?? $this->begin($device, $piece, $uploadedBy);
        $this->kept->into($reading);
        $reading->deviceId === $device->id || throw InvalidInput::in('id', 'This id belongs to a reading of another device.');
        if ($reading->done) {
            return $reading;
        }
        $kept = count($reading->samples);
        $piece->from <= $kept || throw InvalidInput::in('from', sprintf('%d samples are kept: send from %d on.', $kept, $kept));
        $reading->samples = [...$reading->samples, ...array_slice($piece->samples, $kept - $piece->from)];
        count($reading->samples) <= 40_000 || throw InvalidInput::in('samples', 'This reading is too long: begin another.');
        if ('temperature' === $reading->kind) {
            $this->watch($reading, $piece->done);
        } elseif ($piece->done) {
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
        return array_values(
            $this->em->getRepository(ReadingRecord::class)->findBy(['fitId' => $fitId, 'joint' => $joint], ['id' => 'ASC']),
        );
    }

    private function begin(DeviceRecord $device, ReadingDocument $piece, string $uploadedBy): ReadingRecord
    {
        $record = '' === $device->fitId ? null : $this->em->find(FitRecord::class, $device->fitId);
        null !== $record || throw InvalidInput::in(
            'device', sprintf('%s is not in hand: take it in hand at a step of the bench first.', $device->name),
        );
        $task = DeviceKind::Wrench === $device->kind && !$this->isPulledThrough($record, $device->step)
            ? $this->wrenchTask($record, $device->step) : null;
        $reading = new ReadingRecord(
            $piece->id, $device->id, $device->name, $piece->kind, $record->id, $device->step, $task->joint->id ?? '', $task->bolt ?? 0,
            match ($device->kind) {
                DeviceKind::Thermometer => $this->warmUpTask($record, $device->step),
                DeviceKind::Wrench => null === $task ? ['said' => Slip::SAID] : self::told($task),
                default => $this->curveTask($device, $record, $piece->given),
            }, $uploadedBy ?: $device->takenBy,
            $this->taken($piece->at, $record), via: '' === $uploadedBy ? '' : 'rows handed in by '.$uploadedBy,
        );
        '' === $uploadedBy || $this->ensureNew($reading, $piece->samples);
        $this->em->persist($reading);

        return $reading;
    }

    /**
     * When it was taken, by the clock of its device.
     *
     * @throws InvalidInput where that cannot be: before the fit was made, to come, or more than a day ago
     */
    private function taken(?\DateTimeImmutable $at, FitRecord $record): \DateTimeImmutable
    {
        $now = $this->clock->now();
        $ago = null === $at ? 0 : $now->getTimestamp() - $at->getTimestamp();
        $sinceMade = $now->getTimestamp() - $record->createdAt->getTimestamp();
        -self::CLOCKS_DIFFER <= $ago && $ago <= min(86_400, $sinceMade + self::CLOCKS_DIFFER) || throw InvalidInput::in(
            'at', 'That is no time at which this can have been taken: set the clock of the device, or leave “at” out.',
        );

        return $at ?? $now;
    }

    /**
     * One pull turns one fastener: the same rows are not another one.
     *
     * @param list<list<float>> $samples
     *
     * @throws InvalidInput where they stand on this fit already
     */
    private function ensureNew(ReadingRecord $reading, array $samples): void
    {
        $all = $this->em->getRepository(ReadingRecord::class)->findBy(
            ['fitId' => $reading->fitId, 'kind' => $reading->kind, 'done' => true],
        );
        foreach ($all as $one) {
            $one->samples !== $samples || throw InvalidInput::in('trace', sprintf(
                'The same rows stand here already%s, by %s at %s. One pull is of one fastener.',
                $one->bolt > 0 ? sprintf(', as bolt %d', $one->bolt) : '', $one->byName, $one->takenAt->format('H:i'),
            ));
        }
    }

    /**
     * @param array<string, string> $given
     *
     * @return array<string, string|float>
     *
     * @throws InvalidInput where the step takes no curve of this device
     */
    private function curveTask(DeviceRecord $device, FitRecord $record, array $given): array
    {
        $kind = $this->curves->kind($record, $device->step);
        $kind === $this->curves->sentBy($device->kind) || throw InvalidInput::in(
            'device', sprintf('That step takes no curve of a %s.', $device->kind->value),
        );

        return ['said' => $device->kind->reading()] + $this->curves->task($record, $device->step, $given);
    }

    /** @throws InvalidInput when a wrench has nothing to do there */
    public function wrenchTask(FitRecord $record, string $stepId): WrenchTask
    {
        $fit = $this->recorder->load($record);
        $joint = $fit->vehicle->joints[$fit->sheet->step($stepId)->target->joint ?? '']
            ?? throw InvalidInput::in('device', 'That step tightens nothing.');
        null === $fit->state->signed || throw InvalidInput::in('device', 'This fit is signed off.');

        return WrenchTask::next($fit, $joint) ?? throw InvalidInput::in(
            'device',
            0 === $fit->joints()->boltsLeft($joint->id)
                ? 'Every fastener here is final.'
                : 'Start them by hand and run them down to snug first; then the wrench measures.',
        );
    }

    private function isPulledThrough(FitRecord $record, string $stepId): bool
    {
        $step = $record->sheet()->step($stepId);

        return null !== $step && ClutchTrials::areTriedAt($step);
    }

    private function finish(ReadingRecord $reading): void
    {
        if (Slip::SAID === $reading->taskText('said')) {
            $reading->done = true;
            [$reading->verdict, $reading->finding] = ['ok', 'slipped'];
            $reading->said = sprintf('Slipped at %s N·m.', Slip::peak($reading->samples));

            return;
        }
        if ('torque-angle' !== $reading->kind) {
            $this->curves->finish($reading, $this->em->find(FitRecord::class, $reading->fitId) ?? throw InvalidInput::in(
                'device', 'The fit is gone.',
            ));

            return;
        }
        $reading->done = true;
        try {
            $record = $this->em->find(FitRecord::class, $reading->fitId) ?? throw InvalidInput::in('device', 'The fit is gone.');
            $task = $this->wrenchTask($record, $reading->step);
            $task->bolt === $reading->bolt && $task->stage() === $reading->task['stage'] || throw InvalidInput::in(
                'device', sprintf('Bolt %d was marked meanwhile: nothing was marked by this trace.', $reading->bolt),
            );
            /** @var list<non-empty-list<float>> $samples */
            $samples = $reading->samples;
            $judged = Judgement::of(Trace::of($samples), $task->spec, $task->expected());
            $check = (new TraceJudge())->said($judged)->checks[0];
            [$reading->verdict, $reading->finding, $reading->said] = [$check->level->value, $check->code, $check->text];
            if ($task->isMetBy($judged)) {
                $this->recorder->record($record, $this->marks($reading, $task, $judged->trace->finalTorque()), Authority::Server);
                $reading->marked = true;
            }
        } catch (InvalidInput|InvalidEvent $e) {
            [$reading->verdict, $reading->finding, $reading->said] = [
                'watch', '' === $reading->finding ? 'not-judged' : $reading->finding, trim($reading->said.' '.$e->getMessage()),
            ];
        }
    }

    /** Judges a temperature curve as it grows. What must stop the engine, and the end, stand in the log. */
    private function watch(ReadingRecord $reading, bool $done): void
    {
        $reading->done = $done;
        $judged = self::judgedCurve($reading);
        $before = $reading->finding;
        if (null !== $judged) {
            $said = (new WarmUp())->said($judged);
            $shown = $said->checks[$judged->isTooHot() ? count($said->checks) - 1 : 0];
            [$reading->verdict, $reading->finding, $reading->said] = [
                $said->verdict->value, $judged->sign()->finding(), mb_substr($shown->text, 0, 500),
            ];
        }
        $isNews = 'stop' === $reading->verdict
            && $before !== $reading->finding
            || 'stop' === $reading->verdict
            && true === $judged?->isTooHot()
            && !$reading->marked;
        if ('' === $reading->finding || !$done && !$isNews) {
            return;
        }
        $record = $this->em->find(FitRecord::class, $reading->fitId);
        if (true !== $record?->status->takesMarks()) {
            return;
        }
        $reading->marked = $reading->marked || true === $judged?->isTooHot();
        $this->recorder->record($record, $this->curveEvents($reading, $judged, $done), Authority::Server);
    }

    /** @return list<FitEvent> */
    private function curveEvents(ReadingRecord $reading, ?WarmUpJudgement $judged, bool $done): array
    {
        $now = $this->clock->now();
        $hot = true === $judged?->isTooHot();
        $events = [FitEvent::of(
            (string) new Ulid(), EventType::CurveJudged,
            [
                'step' => $reading->step, 'reading' => $reading->id, 'finding' => $hot ? AtOnce::Overheating->value : $reading->finding,
                'verdict' => $reading->verdict, 'said' => $reading->said,
            ],
            $reading->byName, $now,
        )];
        $asked = array_filter(
            $this->em->find(FitRecord::class, $reading->fitId)?->sheet()->step($reading->step)->asking->asks ?? [],
            static fn (Ask $ask): bool => 'opened_at' === $ask->field,
        );
        $opened = $judged?->openedAt();
        if ($done && [] !== $asked && null !== $opened && 'ok' === $reading->verdict) {
            $at = round($opened->celsius, 1);
            $events[] = FitEvent::of(
                (string) new Ulid(), EventType::Measured,
                [
                    'step' => $reading->step, 'field' => 'opened_at', 'text' => sprintf('%s °C, from the curve', $at),
                    'value' => $at, 'unit' => '°C',
                ],
                $reading->byName, $now,
            );
        }

        return $events;
    }

    /** Null while there is too little to judge. */
    public static function judgedCurve(ReadingRecord $reading): ?WarmUpJudgement
    {
        if (count($reading->samples) < self::LEAST_SAMPLES) {
            return null;
        }
        try {
            return WarmUpJudgement::of(Curve::of($reading->samples), Temperature::celsius($reading->taskNumber('opens')));
        } catch (InvalidInput) {
            // Samples out of their order: the next ones may put it right, and until then there is no verdict.
            return null;
        }
    }

    /** @return array<string, mixed> */
    private function warmUpTask(FitRecord $record, string $stepId): array
    {
        $step = $record->sheet()->step($stepId);
        CurveKind::WarmUp->value === $step?->asking->sum || throw InvalidInput::in('device', 'That step does not warm anything up.');

        return [
            'said' => 'warm-up',
            'opens' => ($record->vehicleSheet()->circuits[$step->target->circuit]->plumbing->opens ?? 0.0) ?: self::USUAL_OPENING,
        ];
    }

    /** The id of a mark follows from its reading’s: however often that comes in, it marks once. */
    private static function markId(string $reading, int $stage): string
    {
        $letters = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
        $id = substr($reading, 0, 10);
        foreach (str_split(substr(hash('sha256', $reading.' '.$stage, true), 0, 16)) as $byte) {
            $id .= $letters[ord($byte) % 32];
        }

        return $id;
    }

    /** @return list<FitEvent> */
    private function marks(ReadingRecord $reading, WrenchTask $task, float $torque): array
    {
        $now = $this->clock->now();

        return array_map(static fn (int $stage): FitEvent => FitEvent::of(self::markId($reading->id, $stage), EventType::FastenerMarked, [
            'joint' => $task->joint->id, 'bolt' => $task->bolt, 'stage' => $stage, 'step' => $reading->step,
            'wrench' => $reading->deviceName, 'setting' => round($task->spec->torque, 2),
            'reading' => $reading->id, 'torque' => round($torque, 3),
        ], $reading->byName, $now), $task->stages);
    }

    /** @return array<string, mixed> */
    private static function told(WrenchTask $task): array
    {
        return [
            'stage' => $task->stage(), 'said' => $task->inWords(), 'torque' => $task->spec->torque, 'angle' => $task->spec->angle,
            'from' => $task->spec->from,
        ];
    }
}
