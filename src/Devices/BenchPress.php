<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\PressTask;
use NimbleKnuckle\Core\Drawing\Plot;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\PressFit\PressFault;
use NimbleKnuckle\Core\PressFit\PressModel;
use NimbleKnuckle\Core\PressFit\ScrewDrawing;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\NumberRows;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** A hub pressed on at the bench: its curve, handed in as rows or pulled by the simulated press. */
final readonly class BenchPress
{
    public function __construct(
        private DevicesAtHand $devices, private ReadingBook $readings, private PressJudge $judge, private EntityManagerInterface $em,
        private ClockInterface $clock,
    ) {
    }

    public function view(Fit $fit, Step $step, string $fitId): PressView
    {
        $reading = $this->readings->latest($fitId, $step->id);
        $reading = PressJudge::KIND === $reading?->kind && $reading->done ? $reading : null;
        $all = $this->devices->of(DeviceKind::Press, $fitId, $step->id);

        return new PressView(
            PressTask::of($fit, $step), $reading, null === $reading ? null : self::plot($reading),
            array_values(array_filter($all, static fn (DeviceAtHand $one): bool => !$one->simulated)),
            array_values(array_filter($all, static fn (DeviceAtHand $one): bool => $one->simulated))[0] ?? null, PressFault::cases(),
        );
    }

    private static function plot(ReadingRecord $reading): Plot
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
        $task = $this->judge->task($record, $stepId);
        try {
            $samples = PressJudge::curve(NumberRows::read($rows));
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('rows', $e->getMessage());
        }

        return $this->kept($record, $stepId, $task, $samples, ['', 'handed in', $by]);
    }

    /** @throws InvalidInput where nothing can be pressed yet */
    public function pull(FitRecord $record, string $stepId, PressFault $fault, int $seed, string $by): ReadingRecord
    {
        $task = $this->judge->task($record, $stepId);
        $press = array_values(array_filter(
            $this->devices->of(DeviceKind::Press, $record->id, $stepId), static fn (DeviceAtHand $one): bool => $one->simulated,
        ))[0] ?? throw InvalidInput::in('device', 'This workshop keeps no simulated press.');
        $samples = (new PressModel($task->torque, $task->travel, $fault, $seed))->samples();

        return $this->kept($record, $stepId, $task, $samples, [$press->id, $press->name, $by]);
    }

    /**
     * @param non-empty-list<array{float, float}> $samples
     * @param array{string, string, string} $who id and name of the device, and whose hand
     */
    private function kept(FitRecord $record, string $stepId, PressTask $task, array $samples, array $who): ReadingRecord
    {
        [$device, $name, $by] = $who;
        $reading = new ReadingRecord(
            (string) new Ulid(), $device, $name, PressJudge::KIND, $record->id, $stepId, '', 0, PressJudge::told($task), $by,
            $this->clock->now(), $samples,
        );
        $this->em->wrapInTransaction(function () use ($record, $reading): void {
            $this->em->persist($reading);
            $this->judge->finish($reading, $record);
            $this->em->flush();
        });

        return $reading;
    }
}
