<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\BeltDrive;

use NimbleKnuckle\Core\BeltDrive\Blower;
use NimbleKnuckle\Core\BeltDrive\BlowerType;
use NimbleKnuckle\Core\BeltDrive\Drive;
use NimbleKnuckle\Core\BeltDrive\DriveState;
use NimbleKnuckle\Core\BeltDrive\PulleySizeTrial;
use NimbleKnuckle\Core\BeltDrive\Sweep;
use NimbleKnuckle\Core\BeltDrive\SweepDrawing;
use NimbleKnuckle\Core\Document\InvalidDocument;
use NimbleKnuckle\Core\Document\Node;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A drive of a vehicle: read or refused, where its belt puts it, what another pulley does, where a doubt lies. */
#[CoversClass(Drive::class)]
#[CoversClass(Blower::class)]
#[CoversClass(DriveState::class)]
#[CoversClass(Sweep::class)]
#[CoversClass(SweepDrawing::class)]
#[CoversClass(PulleySizeTrial::class)]
final class DriveTest extends TestCase
{
    private const DRIVE = [
        'id' => 'blower', 'name' => 'blower belt', 'belt' => '8PK1058',
        'pulleys' => [
            ['name' => 'crank', 'd' => 150, 'drives' => true], ['name' => 'idler', 'x' => 62, 'y' => 170, 'd' => 70, 'side' => 'back'],
            ['name' => 'blower', 'x' => 24, 'y' => 338, 'd' => 74], ['name' => 'tensioner', 'd' => 76, 'side' => 'back'],
        ],
        'tensioner' => ['pulley' => 'tensioner', 'pivot' => [-42, 104], 'arm' => 78, 'free' => 55, 'window' => [65, 115]],
        'blower' => ['pulley' => 'blower', 'redline' => 6800, 'limit' => 16000, 'pressure_ratio' => 1.45],
    ];

    public function testItStandsWhereItsBeltPutsIt(): void
    {
        $state = DriveState::of(self::drive());
        self::assertEqualsWithDelta(1056.5, (float) $state->wanted, 0.05);
        self::assertEqualsWithDelta(46.0, $state->arm->travel ?? 0.0, 0.5);
        self::assertEqualsWithDelta(1058.0, $state->path->length ?? 0.0, 1e-6);
        self::assertSame(0.0, $state->misfit());
        $bare = DriveState::of(self::drive(['belt' => '']));
        self::assertNull($bare->arm);
        self::assertSame(90.0, $bare->angle());
        // The arm is said by its angle; where the list puts its idler does not matter.
        self::assertEqualsWithDelta(182.0, $bare->pulleys[3]->y, 1e-9);
        $behind = $state->drawing(true);
        self::assertSame($state->pulleys[1]->x, -$behind->pulleys[1]['x']);
        self::assertNotSame($state->drawing()->pulleys[0]['clockwise'], $behind->pulleys[0]['clockwise']);
    }

    public function testEachSizeOfASweepIsThatDrive(): void
    {
        $sweep = Sweep::of(self::drive(), 'blower');
        self::assertSame(range(60.0, 88.0, 2.0), array_map(static fn (PulleySizeTrial $one): float => $one->d, $sweep->trials));
        foreach ($sweep->trials as $trial) {
            self::assertEqualsWithDelta(6800 * 150 / $trial->d, $trial->change->speed->value ?? 0.0, 1e-9);
            self::assertEqualsWithDelta(1.45 * 74 / $trial->d, $trial->change->pressureRatio->value ?? 0.0, 1e-9);
            self::assertSame(6800 * 150 / $trial->d > 16000, in_array('over-speed', $trial->stops(), true));
            self::assertSame(!($trial->state->arm?->fits() ?? true), in_array('outside-window', $trial->stops(), true));
        }
        self::assertSame(64.0, $sweep->smallestOnThisBelt()?->d);
        // A larger crank pulley turns it as a smaller blower pulley does.
        $larger = PulleySizeTrial::of(self::drive(), 'blower', 70, 160)->change;
        self::assertEqualsWithDelta(6800 * 160 / 70, $larger->speed->value ?? 0.0, 1e-9);
        self::assertSame([], PulleySizeTrial::of(self::drive(), 'blower', 74)->stops());
        self::assertNull(PulleySizeTrial::of(self::drive(['blower' => null]), 'blower', 70)->change);
    }

    public function testASmallerPulleyLeavesLessInHandBeforeTheBeltSlips(): void
    {
        $blower = self::DRIVE['blower'];
        self::assertNull(
            PulleySizeTrial::of(self::drive(['blower' => $blower + ['power' => 34]]), 'blower', 70)->slip, 'nobody said the tension'
        );
        $drive = self::drive(['blower' => $blower + ['power' => 34, 'slack_tension' => 20]]);
        $at = static fn (float $d): PulleySizeTrial => PulleySizeTrial::of($drive, 'blower', $d);
        // As it is: P/v by hand, v = π · 150 mm · 6,800 rpm.
        self::assertEqualsWithDelta(34_000 / (\M_PI * 0.15 * 6800 / 60), $at(74)->slip->needed->value ?? 0.0, 1e-9);
        // 74 to 64 mm: 1.15625 times the air, each gram lifted by 1.6766 in place of 1.45; the belt is no faster.
        $more = 1.15625 * ((1.45 * 1.15625) ** (2 / 7) - 1) / (1.45 ** (2 / 7) - 1);
        self::assertEqualsWithDelta(
            $more, ($at(64)->slip->needed->value ?? 0.0) / ($at(74)->slip->needed->value ?? 1.0), 1e-9,
        );
        self::assertLessThan($at(74)->slip->margin ?? 0.0, $at(64)->slip->margin ?? 9.0);
        self::assertContains('slips', $at(60)->stops());
        self::assertNotContains('slips', $at(74)->stops());
    }

    /** @return iterable<string, array{BlowerType, float, ?float, float}> */
    public static function powers(): iterable
    {
        yield 'fixed volume, no ratio' => [BlowerType::PositiveDisplacement, 1.2, null, 1.44];
        yield 'wheel, no ratio' => [BlowerType::Centrifugal, 1.2, null, 1.728];
        yield 'a ratio of one makes no boost' => [BlowerType::Centrifugal, 1.2, 1.0, 1.728];
        yield 'fixed volume' => [BlowerType::PositiveDisplacement, 1.1, 1.5, 1.1 * (1.65 ** (2 / 7) - 1) / (1.5 ** (2 / 7) - 1)];
        yield 'wheel' => [BlowerType::Centrifugal, 1.1, 1.5, 1.1 * (1.605 ** (2 / 7) - 1) / (1.5 ** (2 / 7) - 1)];
        yield 'too slow to lift' => [BlowerType::PositiveDisplacement, 0.6, 1.5, 0.0];
        yield 'as it was' => [BlowerType::PositiveDisplacement, 1.0, 1.45, 1.0];
    }

    #[DataProvider('powers')]
    public function testABlowerTakesPowerByItsSpeedAndItsLift(BlowerType $type, float $faster, ?float $ratio, float $times): void
    {
        self::assertEqualsWithDelta($times, $type->power($faster, $ratio), 1e-12);
    }

    public function testTheSweepIsDrawnToScaleWithItsLimits(): void
    {
        $drawing = SweepDrawing::of(Sweep::of(self::drive(), 'blower'), 74.0, 64.0);
        $steps = [];
        foreach ($drawing->points as $i => $point) {
            $steps[] = $i > 0 ? round($point['x'] - $drawing->points[$i - 1]['x'], 6) : null;
            self::assertSame(74.0 === $point['d'], $point['isNow']);
            self::assertSame(64.0 === $point['d'], $point['isChosen']);
        }
        self::assertCount(2, array_unique($steps), 'equal steps are drawn equal');
        self::assertGreaterThan($drawing->points[1]['x'], $drawing->fastTo);
        self::assertLessThan($drawing->points[2]['x'], $drawing->fastTo);
        self::assertLessThan($drawing->foot, $drawing->top);
    }

    /** The belt is right and one entry of the drawing is not: it is among the likeliest three, and by about so much. */
    public function testADoubtFindsTheWrongEntry(): void
    {
        $fixed = self::DRIVE['pulleys'];
        $fixed[3] += ['x' => -42, 'y' => 182];
        $length = DriveState::of(self::drive(['tensioner' => null, 'belt' => '', 'pulleys' => $fixed]))->path->length ?? 0.0;
        self::assertEqualsWithDelta(1056.5, $length, 0.1);
        foreach ([['blower', 'y', 6.0], ['crank', 'd', -4.0], ['blower', 'd', 5.0]] as [$name, $what, $off]) {
            $pulleys = array_map(static fn (array $one): array => $one['name'] === $name
                ? [$what => ($one[$what] ?? 0.0) + $off] + $one : $one, $fixed);
            $state = DriveState::of(self::drive(['tensioner' => null, 'belt' => (string) $length, 'pulleys' => $pulleys]));
            $found = array_values(array_filter(
                $state->doubts($state->misfit()), static fn (array $one): bool => $one['pulley'] === $name && $one['what'] === $what,
            ));
            self::assertCount(1, $found, $name);
            self::assertEqualsWithDelta(-$off, $found[0]['off'], 3.0, $name.' '.$what);
        }
    }

    /** @param array<string, mixed> $with */
    #[DataProvider('refused')]
    public function testWhatIsRefusedNamesItsPlace(array $with, string $says): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessage($says);
        self::drive($with);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        $arm = self::DRIVE['tensioner'];
        yield 'section' => [['section' => 'PZ'], '“section”'];
        yield 'twice' => [['pulleys' => [['name' => 'a', 'd' => 50], ['name' => 'a', 'd' => 60]]], 'one name'];
        yield 'no size' => [['pulleys' => [['name' => 'a', 'd' => 0], ['name' => 'b', 'd' => 60]]], '“pulleys.0.d”'];
        yield 'whose arm' => [['tensioner' => ['pulley' => 'x'] + $arm], '“tensioner.pulley”'];
        yield 'arm' => [['tensioner' => ['arm' => 0] + $arm], '“tensioner.arm”'];
        yield 'window' => [['tensioner' => ['window' => [65, 65]] + $arm], '“tensioner.window”'];
        yield 'rest' => [['tensioner' => ['free' => 90] + $arm], '“tensioner.free”'];
        yield 'pivot' => [['tensioner' => ['pivot' => [1]] + $arm], '“tensioner.pivot”'];
        yield 'blower' => [['blower' => ['pulley' => 'x']], '“blower.pulley”'];
    }

    /** @param array<string, mixed> $with null takes an entry away */
    private static function drive(array $with = []): Drive
    {
        return Drive::read(Node::of(array_filter($with + self::DRIVE, static fn (mixed $one): bool => null !== $one)));
    }
}
