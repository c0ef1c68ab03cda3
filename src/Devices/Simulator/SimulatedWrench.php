<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Simulator;

use NimbleKnuckle\App\Devices\DeviceRecord;
use NimbleKnuckle\App\Devices\Intake\ReadingBook;
use NimbleKnuckle\App\Devices\ReadingDocument;
use NimbleKnuckle\App\Devices\ReadingRecord;
use NimbleKnuckle\App\Fits\FitBook;
use NimbleKnuckle\Core\Bench\Task\WrenchTask;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Trace\Fault;
use NimbleKnuckle\Core\Trace\SimulatedPuller;

/**
 * The wrench that ships with the product: turns the joint that is next as a physical model of it, and sends readings
 * like any other device.
 */
final readonly class SimulatedWrench
{
    private const PIECE_MS = 150.0;
    /** A hand slows as the figure nears. */
    private const NEAR = 0.75;
    private const SLOWER = 0.35;

    public function __construct(private FitBook $fits, private ReadingBook $readings)
    {
    }

    /**
     * A hand that pulls for a while: the reading of this id goes on from where it was.
     *
     * @param float $eagerness 1 goes from snug to the figure in about a second
     *
     * @throws InvalidInput
     */
    public function pull(DeviceRecord $device, string $readingId, float $ms, float $eagerness, Fault $fault, bool $release): ReadingRecord
    {
        $reading = $this->readings->find($readingId);
        $task = $this->task($device);
        $known = null === $reading ? [
            'angle' => 0.0, 'ms' => 0.0, 'jerked' => 0.0,
        ] : [
            'angle' => $reading->taskNumber('hand_angle'), 'ms' => $reading->taskNumber('hand_ms'),
            'jerked' => $reading->taskNumber('hand_jerked'),
        ];
        $fault = null === $reading ? $fault : Fault::from($reading->taskText('fault'));
        $hand = new SimulatedPuller(
            $task->model($fault, self::seed($readingId)), self::seed($readingId), $known['angle'], $known['ms'],
            $known['jerked'] > 0,
        );
        $last = null === $reading || [] === $reading->samples ? 0.0 : $reading->samples[count($reading->samples) - 1][1] ?? 0.0;
        $samples = $hand->pull(
            min(2000.0, max(0.0, $ms)), $last > self::NEAR * $task->spec->torque ? $eagerness * self::SLOWER : $eagerness,
        );
        $reading = $this->readings->receive($device, $this->piece($readingId, count($reading->samples ?? []), $samples, false));
        $reading->task = [
            'fault' => $fault->value, 'hand_angle' => $hand->angle(), 'hand_ms' => $hand->ms(),
            'hand_jerked' => $hand->hasJerked() ? 1 : 0,
        ] + $reading->task;

        return $this->readings->receive($device, $this->piece($readingId, count($reading->samples), [], $release));
    }

    /**
     * The whole of it as a steady hand would, in pieces.
     *
     * @return list<string> JSON documents in the reading format
     */
    public static function pieces(WrenchTask $task, string $readingId, Fault $fault, int $seed): array
    {
        $hand = new SimulatedPuller($task->model($fault, $seed), $seed);
        $samples = $task->spec->isByAngle() ? $hand->turn($task->spec->angle) : $hand->tighten();
        $pieces = [];
        $size = (int) (self::PIECE_MS / SimulatedPuller::STEP_MS);
        for ($from = 0; $from < count($samples); $from += $size) {
            $pieces[] = self::document($readingId, $from, array_slice($samples, $from, $size), $from + $size >= count($samples));
        }

        return $pieces;
    }

    public static function seed(string $readingId): int
    {
        return crc32($readingId);
    }

    private function task(DeviceRecord $device): WrenchTask
    {
        '' !== $device->fitId || throw InvalidInput::in(
            'device', sprintf('%s is not in hand: take it in hand at a step of the bench first.', $device->name),
        );

        return $this->readings->wrenchTask($this->fits->get($device->fitId), $device->step);
    }

    /** @param list<array{float, float, float}> $samples */
    private function piece(string $id, int $from, array $samples, bool $done): ReadingDocument
    {
        return ReadingDocument::read(self::document($id, $from, $samples, $done));
    }

    /** @param list<array{float, float, float}> $samples */
    private static function document(string $id, int $from, array $samples, bool $done): string
    {
        return json_encode(
            [
                'format' => ReadingDocument::FORMAT, 'id' => $id, 'kind' => 'torque-angle', 'from' => $from, 'samples' => $samples,
                'done' => $done,
            ],
            \JSON_THROW_ON_ERROR,
        );
    }
}
