<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\App;

use NimbleKnuckle\App\Bench\StepSum;
use NimbleKnuckle\App\Fits\Recorder;
use NimbleKnuckle\App\Garage\Garage;
use NimbleKnuckle\App\Planning\FitPlanner;
use NimbleKnuckle\Core\Bench\Event\Authority;
use NimbleKnuckle\Core\Bench\Event\EventType;
use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Known\BoostSums;
use NimbleKnuckle\Core\Bench\Known\Known;
use NimbleKnuckle\Core\ChargeAir\Door\ClampHeatSum;
use PHPUnit\Framework\Attributes\CoversClass;
use Symfony\Component\Uid\Ulid;

/** Clamps set again after heat: what was read at the bench, and what vehicle sheet knows of the clamp, stand in the sum of the step. */
#[CoversClass(BoostSums::class)]
#[CoversClass(ClampHeatSum::class)]
#[CoversClass(Known::class)]
final class ClampHeatTest extends AppTestCase
{
    public function testTheTurnOfTheWorstClampSaysWhatItsHoseDid(): void
    {
        $this->signIn('joss');
        $record = $this->service(FitPlanner::class)->plan(
            $this->service(Garage::class)->get('veldra-tarn-20t'), ['clamps-after-heat'], [], 'Joss Wending', new \DateTimeImmutable(),
        );
        $recorder = $this->service(Recorder::class);
        $read = static fn (string $step, string $field, float $value, string $unit, string $text = ''): FitEvent => FitEvent::of(
            (string) new Ulid(), EventType::Measured,
            ['step' => $step, 'field' => $field, 'text' => $text ?: $value.' '.$unit, 'value' => $value, 'unit' => $unit], 'Joss Wending',
            new \DateTimeImmutable(),
        );
        $sum = fn (): ?array => $this->service(StepSum::class)->of(
            $record->sheet()->step('heat-turned') ?? self::fail('no step'), $recorder->load($record),
        );
        self::assertSame([], $sum()['query'] ?? null, 'before it was read there is nothing to work out');
        $recorder->record($record, [
            $read('heat-cold', 'surface_temperature', 24.0, '°C'), $read('heat-stroke', 'hose_wall', 5.0, 'mm'),
            $read('heat-stroke', 'hose_rubber', 1.0, '1', 'Silicone'), $read('heat-turned', 'clamp_turn', 180.0, '°'),
            $read('heat-turned', 'clamp_found', 4.0, 'N·m'),
        ], Authority::Server);
        $answer = $sum();
        self::assertEquals([
            'turn' => 180.0, 'clamp' => 'worm', 'wall' => 5.0, 'screw_torque' => 5.0, 'found' => 4.0, 'warm' => 24.0, 'hose' => 'silicone',
        ], $answer['query'] ?? null);
        // By hand: 1.6 mm of band and 0.1018 of what cools from 24 °C, over a circle: 0.2708 mm of 5.
        self::assertEqualsWithDelta(0.2708, ($answer['result'] ?? null)?->number('gave') ?? 0.0, 1e-4);
        self::assertSame('usual', ($answer['result'] ?? null)?->checks[0]->code);
        $this->client->request('GET', sprintf('/fits/%s/bench/heat-turned', $record->id));
        self::assertResponseIsSuccessful();
        self::assertSelectorExists('svg.drawing[aria-label^="The wall of the hose"]');
    }
}
