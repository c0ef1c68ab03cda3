<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Curve;

use Doctrine\ORM\EntityManagerInterface;
use NimbleKnuckle\App\Devices\DeviceAtHand;
use NimbleKnuckle\App\Devices\DevicesAtHand;
use NimbleKnuckle\App\Devices\ReadingRecord;
use NimbleKnuckle\App\Fits\FitRecord;
use NimbleKnuckle\App\Web\KeptInput;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Task\PressTask;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\NumberRows;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sum\InvalidInput;
use Psr\Clock\ClockInterface;
use Symfony\Component\Uid\Ulid;

/** A curve at a step of the bench: handed in as rows, or drawn by the simulated device. */
final readonly class CurveBench
{
    public function __construct(
        private StepCurves $kinds, private CurveJudge $judge, private DevicesAtHand $devices, private EntityManagerInterface $em,
        private ClockInterface $clock, private KeptInput $typed,
    ) {
    }

    public static function form(string $fitId, string $step): string
    {
        return 'curve.'.$fitId.'.'.$step;
    }

    /** Null at a step that takes none. */
    public function view(Fit $fit, Step $step, string $fitId): ?CurveView
    {
        $kind = $this->kinds->of($step);
        if (null === $kind) {
            return null;
        }
        $known = $this->known($fitId, $step->id);
        [$reading, $before] = [$known[0] ?? null, $known[1] ?? null];
        $all = $this->devices->of($kind->device(), $fitId, $step->id);

        return new CurveView(
            $kind->words(), $kind->isTaken($fit, $step), PressTask::of($fit, $step), $reading,
            null === $reading ? null : $kind->plot($reading->samples, $reading->taskNumbers(), $before->samples ?? []),
            array_values(array_filter($all, static fn (DeviceAtHand $one): bool => !$one->simulated)),
            array_values(array_filter($all, static fn (DeviceAtHand $one): bool => $one->simulated))[0] ?? null,
            [$kind->faults(), $kind->asked($fit, $step), $this->typed->of(self::form($fitId, $step->id))],
        );
    }

    /**
     * Rows of numbers; a heading and decimal commas are understood.
     *
     * @param array<string, string> $given
     *
     * @throws InvalidInput naming what is wrong with them
     */
    public function handIn(FitRecord $record, string $stepId, string $rows, array $given, string $by): ReadingRecord
    {
        $kind = $this->judge->kind($record, $stepId);
        $task = $this->judge->task($record, $stepId, $given);
        try {
            $samples = $kind->samples(NumberRows::read($rows));
        } catch (InvalidQuantity $e) {
            throw InvalidInput::in('rows', $e->getMessage());
        }

        $curve = [$kind->device()->reading(), $task, $samples];

        return $this->kept($record, $stepId, $curve, ['', 'handed in', $by, 'rows handed in by '.$by]);
    }

    /**
     * @param array<string, string> $given
     *
     * @throws InvalidInput where nothing can be drawn yet
     */
    public function simulate(FitRecord $record, string $stepId, string $fault, int $seed, array $given, string $by): ReadingRecord
    {
        $kind = $this->judge->kind($record, $stepId);
        $task = $this->judge->task($record, $stepId, $given);
        $device = array_values(array_filter(
            $this->devices->of($kind->device(), $record->id, $stepId), static fn (DeviceAtHand $one): bool => $one->simulated,
        ))[0] ?? throw InvalidInput::in('device', sprintf('This workshop keeps no simulated %s.', $kind->device()->value));
        $held = $kind instanceof PumpCurve && !isset($task['hold_from']) ? $kind->held($task, $fault, $seed) : [];

        return $this->kept($record, $stepId, [
            $kind->device()->reading(), $task + $held, $kind->simulated($task, $fault, $seed),
        ], [$device->id, $device->name, $by, '']);
    }

    /**
     * The last two at a step that are whole, the newest first.
     *
     * @return list<ReadingRecord>
     */
    private function known(string $fitId, string $stepId): array
    {
        return array_values($this->em->getRepository(ReadingRecord::class)->findBy(
            ['fitId' => $fitId, 'step' => $stepId, 'done' => true], ['id' => 'DESC'], 2,
        ));
    }

    /**
     * @param array{string, array<string, float>, non-empty-list<non-empty-list<float>>} $curve kind of reading, task, samples
     * @param array{string, string, string, string} $who id and name of the device, whose hand, and how it came where no device sent it
     */
    private function kept(FitRecord $record, string $stepId, array $curve, array $who): ReadingRecord
    {
        [$kind, $task, $samples] = $curve;
        [$device, $name, $by, $via] = $who;
        $reading = new ReadingRecord(
            (string) new Ulid(), $device, $name, $kind, $record->id, $stepId, '', 0, ['said' => $kind] + $task, $by, $this->clock->now(),
            $samples, via: $via,
        );
        $this->em->wrapInTransaction(function () use ($record, $reading): void {
            $this->em->persist($reading);
            $this->judge->finish($reading, $record);
            $this->em->flush();
        });

        return $reading;
    }
}
