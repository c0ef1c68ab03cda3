<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Devices\Simulator;

use NimbleKnuckle\App\Devices\DeviceRecord;
use NimbleKnuckle\App\Devices\Intake\ReadingBook;
use NimbleKnuckle\App\Devices\ReadingDocument;
use NimbleKnuckle\App\Devices\ReadingRecord;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineData;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineFault;
use NimbleKnuckle\Core\Fluids\WarmUp\EngineModel;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** The engine that ships with the product: warms up as a physical model of one, and sends its temperature like any other device. */
final readonly class SimulatedEngine
{
    private const AMBIENT = 16.0;
    private const LONGEST = 3600.0;

    public function __construct(private ReadingBook $readings)
    {
    }

    /**
     * Runs on for so many of its own seconds; the reading of this id goes on from where it was.
     *
     * @throws InvalidInput
     */
    public function run(DeviceRecord $device, string $readingId, float $seconds, EngineFault $fault, bool $stop): ReadingRecord
    {
        $reading = $this->readings->find($readingId);
        $fault = null === $reading ? $fault : EngineFault::tryFrom($reading->taskText('fault')) ?? EngineFault::None;
        $ran = null === $reading ? 0.0 : $reading->taskNumber('engine_ran');
        if (null === $reading) {
            $reading = $this->readings->receive($device, ReadingDocument::read(self::document($readingId, 0, [], false)));
        }
        $engine = new EngineModel(new EngineData($reading->taskNumber('opens'), self::AMBIENT), $fault, crc32($readingId));
        $engine->run($ran);
        $samples = $reading->done || $ran >= self::LONGEST ? [] : $engine->run(min(120.0, max(0.0, $seconds)));
        $reading->task = ['fault' => $fault->value, 'engine_ran' => $engine->time()] + $reading->task;

        return $this->readings->receive(
            $device, ReadingDocument::read(self::document($readingId, count($reading->samples), $samples, $stop)),
        );
    }

    /** @param list<array{float, float}> $samples */
    public static function document(string $id, int $from, array $samples, bool $done): string
    {
        return json_encode(
            [
                'format' => ReadingDocument::FORMAT, 'id' => $id, 'kind' => 'temperature', 'from' => $from, 'samples' => $samples,
                'done' => $done,
            ],
            \JSON_THROW_ON_ERROR,
        );
    }
}
