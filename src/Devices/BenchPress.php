<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\Hand;
use NimbleKnuckle\Core\Bench\InvalidEvent;
use NimbleKnuckle\Core\Bench\PressTask;
use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\PressFit\Door\PressSaid;
use NimbleKnuckle\Core\PressFit\PressCurve;
use NimbleKnuckle\Core\PressFit\PressEnd;
use NimbleKnuckle\Core\PressFit\PressFault;
use NimbleKnuckle\Core\PressFit\PressModel;
use NimbleKnuckle\Core\PressFit\ScrewDrawing;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\NumberRows;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** A hub pressed on at the bench: its curve, handed in as rows or pulled by the simulated press, judged and kept in the log. */
final readonly class BenchPress
{
    public const KIND = 'press';
    private const LEAST = 4;
    private const MOST = 2000;

    public function __construct(
        private DevicesAtHand $devices, private ReadingBook $readings, private Recorder $recorder, private EntityManagerInterface $em,
        private ClockInterface $clock,
    ) {
    }

    public function view(Fit $fit, Step $step, string $fitId): PressView
    {
        $reading = $this->readings->latest($fitId, $step->id);
        $reading = self::KIND === $reading?->kind ? $reading : null;
        $simulated = array_values(array_filter(
            $this->devices->of(DeviceKind::Press, $fitId, $step->id), static fn (DeviceAtHand $one): bool => $one->simulated,
        ));

        return new PressView(
            PressTask::of($fit, $step), $reading, null === $reading ? null : self::plot($reading), $simulated[0] ?? null,
            PressFault::cases(),
        );
    }

    public static function plot(ReadingRecord $reading): Plot
    {
        return ScrewDrawing::of(
            $reading->taskNumber('torque'), $reading->taskNumber('travel'),
            array_map(static fn (array $one): array => [$one[0] ?? 0.0, $one[1] ?? 0.0], $reading->samples),
        );
    }

    /**
     * Rows of mm and N·m, by the way; a heading and decimal commas are understood.
     *
     * @throws InvalidInput naming what is wrong with them
     */
    public function handIn(FitRecord $record, string $stepId, string $rows, string $by): ReadingRecord
    {
        $task = $this->task($record, $stepId);
        try {
            $read = NumberRows::read($rows);
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('rows', $e->getMessage());
        }
        $samples = array_map(static fn (array $row): array => [$row[0], $row[1] ?? \NAN], $read);
        count($samples) >= self::LEAST && count($samples) <= self::MOST || throw InvalidInput::in(
            'rows', sprintf('A curve has %d to %d rows of mm and N·m; here are %d.', self::LEAST, self::MOST, count($samples)),
        );
        foreach ($samples as $i => [$way, $torque]) {
            is_finite($torque) && $torque >= 0.0 && $way >= 0.0 || throw InvalidInput::in(
                'rows', sprintf('Row %d is two numbers that are not less than nothing: mm, then N·m.', $i + 1),
            );
            0 === $i || $way >= $samples[$i - 1][0] || throw InvalidInput::in(
                'rows', sprintf('Row %d goes back: give them by the way.', $i + 1),
            );
        }

        return $this->kept($record, $stepId, $task, $samples, ['', 'handed in', $by]);
    }

    /** @throws InvalidInput where nothing can be pressed yet */
    public function pull(FitRecord $record, string $stepId, PressFault $fault, int $seed, string $by): ReadingRecord
    {
        $task = $this->task($record, $stepId);
        $press = array_values(array_filter(
            $this->devices->of(DeviceKind::Press, $record->id, $stepId), static fn (DeviceAtHand $one): bool => $one->simulated,
        ))[0] ?? throw InvalidInput::in('device', 'This workshop keeps no simulated press.');

        $samples = (new PressModel($task->torque, $task->travel, $fault, $seed))->samples();

        return $this->kept($record, $stepId, $task, $samples, [$press->id, $press->name, $by]);
    }

    private function task(FitRecord $record, string $stepId): PressTask
    {
        $fit = $this->recorder->load($record);
        $step = $fit->sheet->step($stepId);
        $record->status->takesMarks() || throw InvalidInput::in('rows', 'This fit takes no more marks.');
        null !== $step && PressTask::SUM === $step->asking->sum || throw InvalidInput::in('rows', 'Nothing is pressed at that step.');
        !$fit->state->isClosed($stepId) || throw InvalidInput::in('rows', 'That step is closed. Open it again first.');

        return PressTask::of($fit, $step) ?? throw InvalidInput::in(
            'rows', 'What is tight is not known yet: measure shaft, bore, outside and length of the fit first.',
        );
    }

    /**
     * @param non-empty-list<array{float, float}>|list<array{float, float}> $samples
     * @param array{string, string, string} $who id and name of the device, and whose hand
     */
    private function kept(FitRecord $record, string $stepId, PressTask $task, array $samples, array $who): ReadingRecord
    {
        [$device, $name, $by] = $who;
        [] !== $samples || throw InvalidInput::in('rows', 'A curve has rows.');
        $judged = PressCurve::judge($samples, $task->torque, $task->travel);
        $check = PressSaid::of($judged)[0];
        $reading = new ReadingRecord(
            (string) new Ulid(), $device, $name, self::KIND, $record->id, $stepId, '', 0,
            ['said' => 'press', 'torque' => $task->torque, 'travel' => $task->travel], $by, $this->clock->now(), $samples, true,
            $check->level->value, $judged->isEasy ? PressEnd::Free->value : $judged->end->value, $check->text,
        );
        $event = FitEvent::of((string) new Ulid(), EventType::CurveJudged, [
            'step' => $stepId, 'reading' => $reading->id, 'finding' => $reading->finding, 'verdict' => $reading->verdict,
            'said' => $reading->said,
        ], $by, $this->clock->now());
        $this->em->wrapInTransaction(function () use ($record, $reading, $event): void {
            $this->em->persist($reading);
            $this->em->flush();
            try {
                $this->recorder->record($record, [$event], Hand::Server);
            } catch (InvalidEvent $e) {
                throw InvalidInput::in('rows', $e->getMessage());
            }
        });

        return $reading;
    }
}
