<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\BeltDrive;

use NimbleKnuckle\Core\BeltDrive\BeltDrawing;
use NimbleKnuckle\Core\BeltDrive\Drive;
use NimbleKnuckle\Core\BeltDrive\DriveState;
use NimbleKnuckle\Core\BeltDrive\RouteDrawing;
use NimbleKnuckle\Core\BeltDrive\RouteStep;
use NimbleKnuckle\Core\BeltDrive\Routing;
use NimbleKnuckle\Core\BeltDrive\Side;
use NimbleKnuckle\Core\Document\Node;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Yaml\Yaml;

/** The order in which one person lays a belt: what must hold for any drive, and what it is for those of the demo. */
#[CoversClass(Routing::class)]
#[CoversClass(RouteDrawing::class)]
#[CoversClass(RouteStep::class)]
final class RoutingTest extends TestCase
{
    public function testTheDemoBelts(): void
    {
        [$six, $eight] = self::demo();
        self::assertSame([1, 2, 5, 4, 3], Routing::of($six)->numbers(), 'no smooth pulley but the arm’s: the highest comes last');
        self::assertSame([1, 4, 3, 2], Routing::of($eight)->numbers(), 'the smooth idler comes last');
        self::assertSame('idler', $eight->pulleys[Routing::of($eight)->last]->name);
        self::assertStringContainsString('anticlockwise', Routing::of($eight)->inWords(false));
        self::assertStringContainsString('Turn the arm clockwise', Routing::of($six)->inWords(true));
        self::assertStringContainsString('Off the alternator first', Routing::of($six)->inWords(true));
        self::assertSame(['crank', 'compressor', 'alternator', 'pump'], Routing::of($six)->seats());
    }

    /** Every pulley once, no step leaves a gap, the arm is held back just before the last and let back after it. */
    public function testWhatHoldsForAnyDrive(): void
    {
        foreach ([...self::demo(), self::drive(2), self::drive(5, 3), self::drive(7, 4), self::drive(4, 0)] as $drive) {
            $routing = Routing::of($drive);
            $count = count($drive->pulleys);
            self::assertSame(range(1, $count), self::sorted($routing->numbers()));
            $laid = [];
            foreach ($routing->steps as $i => $step) {
                self::assertSame([], array_diff($laid, $step->laid), 'nothing comes off again');
                self::assertLessThanOrEqual(count($laid) + 1, count($step->laid));
                self::assertSame(
                    $step->isRelieved,
                    null !== $drive->tensioner && $i >= count($routing->steps) - 3 && $i < count($routing->steps) - 1,
                );
                $gaps = array_filter($step->laid, static fn (int $at): bool => !in_array(($at + 1) % $count, $step->laid, true));
                self::assertLessThanOrEqual(1, count($gaps), 'one piece of belt');
                $laid = $step->laid;
            }
            self::assertCount($count, $laid);
            self::assertNotSame($drive->idler, $routing->last);
            self::assertFalse($drive->pulleys[$routing->last]->drives && $count > 1);
        }
    }

    public function testTheLaidPartIsDrawnWhereItLies(): void
    {
        $state = DriveState::of(self::demo()[1]);
        $path = $state->path;
        self::assertNotNull($path);
        self::assertSame(1, substr_count(BeltDrawing::laid($path, [0]), 'A'));
        $two = BeltDrawing::laid($path, [3, 0]);
        self::assertSame([2, 1], [substr_count($two, 'A'), substr_count($two, 'L')], 'two arcs and the piece between them');
        self::assertSame('', RouteDrawing::of($state)->laid, 'all of it lies');
        $held = RouteDrawing::of($state, 3);
        self::assertTrue($held->toLeft);
        self::assertNull(RouteDrawing::of($state, 0)->toLeft);
        self::assertSame(0, RouteDrawing::of($state, 0)->current);
    }

    /** @return list<Drive> */
    private static function demo(): array
    {
        $vane = Yaml::parseFile(dirname(__DIR__, 3).'/demo/vehicles/ostrel-vane-s6.yaml');
        self::assertIsArray($vane);

        return array_map(static fn (mixed $one): Drive => Drive::read(Node::of($one)), array_values((array) $vane['drives']));
    }

    private static function drive(int $count, int $drives = 0): Drive
    {
        $pulleys = [];
        for ($i = 0; $i < $count; ++$i) {
            $pulleys[] = [
                'name' => 'p'.$i, 'x' => 300 * cos(2 * \M_PI * $i / $count), 'y' => 300 * sin(2 * \M_PI * $i / $count), 'd' => 80,
                'side' => Side::Ribs->value,
            ] + ($i === $drives ? ['drives' => true] : []);
        }

        return Drive::read(Node::of(['id' => 'a', 'name' => 'a', 'pulleys' => $pulleys]));
    }

    /**
     * @param list<int> $numbers
     *
     * @return list<int>
     */
    private static function sorted(array $numbers): array
    {
        sort($numbers);

        return $numbers;
    }
}
