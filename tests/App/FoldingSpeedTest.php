<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Tests\Cpu;
use PHPUnit\Framework\Attributes\CoversClass;

/**
 * A long log costs what is new in it, not what is old: told by ratios within one run; folding the whole log for each mark would
 * be a hundredfold.
 */
#[CoversClass(Recorder::class)]
final class FoldingSpeedTest extends AppTestCase
{
    private int $made = 0;

    public function testAMarkCostsTheSameOnALongLog(): void
    {
        $record = $this->tarnFit();
        $recorder = $this->service(Recorder::class);
        $cost = fn (int $count): float => Cpu::seconds(fn () => $recorder->record($record, $this->marks($count), Authority::Lead));
        $each = static fn (): float => (min($cost(200), $cost(200), $cost(200)) - min($cost(1), $cost(1), $cost(1))) / 199;
        $cost(50);
        $onShort = $each();
        $recorder->record($record, $this->marks(4000), Authority::Lead, true);
        $onLong = $each();
        self::assertLessThan(
            6.0, $onLong / $onShort, sprintf('A mark costs %.2f ms on a short log, %.2f on a long one', 1e3 * $onShort, 1e3 * $onLong)
        );
    }

    public function testTenTimesTheMarksCostTenTimesTheTime(): void
    {
        $record = $this->tarnFit();
        $recorder = $this->service(Recorder::class);
        $import = fn (int $count): float => Cpu::seconds(fn () => $recorder->record($record, $this->marks($count), Authority::Lead, true));
        $import(100);
        $few = min($import(200), $import(200), $import(200));
        $many = $import(2000);
        self::assertLessThan(4.0, $many / (10 * $few), sprintf('200 at once took %.0f ms, 2,000 %.0f ms', 1e3 * $few, 1e3 * $many));
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
