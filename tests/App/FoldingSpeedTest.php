<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\EventType;
use NimbleKnuckle\Core\Bench\FitEvent;
use NimbleKnuckle\Core\Bench\Hand;
use NimbleKnuckle\Tests\Cpu;
use PHPUnit\Framework\Attributes\CoversClass;

/** A long log costs what is new in it, not what is old: bounds three times what a slow machine needs. */
#[CoversClass(Recorder::class)]
final class FoldingSpeedTest extends AppTestCase
{
    private int $made = 0;

    public function testTwoThousandEventsAndThenABatchOfTwoHundred(): void
    {
        $record = $this->tarnFit();
        $recorder = $this->service(Recorder::class);
        $import = Cpu::seconds(fn () => $recorder->record($record, $this->marks(2000), Hand::Lead, true));
        $recorder->record($record, $this->marks(3000), Hand::Lead, true);
        $batch = 1e3 * Cpu::seconds(fn () => $recorder->record($record, $this->marks(200), Hand::Lead));
        self::assertLessThan(3.0, $import, sprintf('2,000 events took %.2f s', $import));
        self::assertLessThan(450.0, $batch, sprintf('200 events on 5,000 took %.0f ms', $batch));
        fwrite(\STDERR, sprintf("\n2,000 events %.2f s; 200 on 5,000 %.0f ms\n", $import, $batch));
    }

    /** @return list<FitEvent> */
    private function marks(int $count): array
    {
        $events = [];
        for ($i = 0; $i < $count; ++$i) {
            ++$this->made;
            [$type, $payload] = match ($i % 3) {
                0 => [EventType::Noted, ['text' => 'n'.$this->made, 'step' => 'clean']],
                1 => [
                    EventType::FastenerMarked,
                    ['joint' => 'thermostat-cover-bolts', 'bolt' => 1 + $this->made % 3, 'stage' => 0, 'step' => 'housing-tight'],
                ],
                default => [
                    EventType::Measured,
                    ['step' => 'drained', 'field' => 'drained', 'text' => '4.1 L', 'value' => 4.1, 'unit' => 'L'],
                ],
            };
            $events[] = FitEvent::of(
                sprintf('01K%023d', $this->made), $type, $payload, 'Joss Wending', new \DateTimeImmutable('-1 minute'),
            );
        }

        return $events;
    }
}
