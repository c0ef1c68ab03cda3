<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Sheet\Lane;
use NimbleKnuckle\Core\Sheet\SheetChange;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\Shorthand;
use NimbleKnuckle\Tests\Core\Plan\Sheets;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Shorthand::class)]
#[CoversClass(Lane::class)]
#[CoversClass(SheetChange::class)]
final class ShorthandTest extends TestCase
{
    /** @param array<string, mixed> $expected */
    #[DataProvider('lines')]
    public function testAJointIsReadOffOneLine(string $line, array $expected): void
    {
        $read = Shorthand::read($line);
        self::assertSame([], $read->left);
        self::assertEquals($expected, array_intersect_key($read->joint, $expected));
        $joint = Joint::read(Node::of(['id' => 'x', 'name' => 'x'] + $read->joint));
        self::assertSame(isset($expected['figure']), $joint->hasFigure());
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function lines(): iterable
    {
        yield 'in full' => [
            '3x M6x20 8.8 into aluminium casting, 9 Nm / 80 in-lb, dry, reuse, 10 mm socket, ring',
            [
                'layout' => 'ring 3', 'thread' => 'M6', 'length' => '20 mm', 'grade' => '8.8', 'material' => 'aluminium casting',
                'figure' => '9 Nm / 80 in-lb', 'compound' => 'dry', 'friction' => 'dry zinc', 'reuse' => 'reuse',
                'tool' => '10 mm socket',
            ],
        ];
        yield 'in another order' => [
            'new 120 N·m M16x1.5x55 10.9 oiled 19mm',
            [
                'layout' => 'line 1', 'thread' => 'M16x1.5', 'length' => '55 mm', 'grade' => '10.9', 'figure' => '120 N·m',
                'compound' => 'oiled', 'reuse' => 'new', 'tool' => '19 mm socket',
            ],
        ];
        yield 'inch' => [
            '4x 5/16-18 into cast iron 17 ft-lb medium threadlocker line',
            [
                'layout' => 'line 4', 'thread' => '5/16-18 UNC', 'material' => 'cast iron', 'figure' => '17 ft-lb',
                'compound' => 'medium threadlocker', 'friction' => 'threadlocker wet',
            ],
        ];
        yield 'a grid' => [
            '10x M8x25 22 Nm grid 2x5 T40',
            ['layout' => 'grid 2x5', 'thread' => 'M8', 'length' => '25 mm', 'tool' => 'T40', 'figure' => '22 Nm'],
        ];
        yield 'torque and angle' => [
            '1x M12x1.25x60 10.9 40 Nm + 75° new',
            ['layout' => 'line 1', 'thread' => 'M12x1.25', 'length' => '60 mm', 'figure' => '40 Nm', 'angle' => 75.0, 'reuse' => 'new'],
        ];
        yield 'under load, in passes' => [
            '4x M12x40 8.8 70 Nm dry loaded passes 50 100 grid 2x2',
            ['layout' => 'grid 2x2', 'figure' => '70 Nm', 'thread' => 'M12', 'length' => '40 mm'],
        ];
        yield 'a wheel on each side' => [
            '5x M12x1.5 wheel nuts 110 Nm printed 17 mm socket ring at front left and front right loaded',
            ['figure' => '110 Nm', 'layout' => 'ring 5', 'kind' => 'nut', 'places' => ['front left', 'front right'], 'when' => ['loaded']],
        ];
        yield 'one big nut' => ['1x centre nut 300 Nm', ['figure' => '300 Nm', 'kind' => 'centre-nut', 'layout' => 'line 1']];
        yield 'hot, and two ends that are not reached alike' => [
            '2x M8x40 8.8 21 Nm heat 450 °C head from above with 13 mm socket nut from below with 13 mm spanner lifted held',
            ['figure' => '21 Nm', 'heat' => 450.0, 'ends' => [
                ['end' => 'head', 'place' => 'above', 'tool' => '13 mm socket'],
                ['end' => 'nut', 'place' => 'below', 'tool' => '13 mm spanner', 'body' => 'lifted', 'held' => true],
            ]],
        ];
        yield 'without a figure' => ['6 x M5x12 screws', ['layout' => 'ring 6', 'thread' => 'M5', 'length' => '12 mm']];
    }

    public function testItSaysWhatItDidNotUnderstand(): void
    {
        self::assertSame(['banana'], Shorthand::read('3x M6x20 banana 9 Nm')->left);
        self::assertNotSame([], Shorthand::read('3x M6 9 furlongs')->left);
        self::assertSame([], Shorthand::read('')->left);
    }

    public function testATrayLine(): void
    {
        self::assertSame(
            ['thing' => 'screws with captive washer', 'count' => 6, 'tool' => '8 mm socket'],
            Shorthand::trayLine('6x screws with captive washer, 8 mm socket'),
        );
        self::assertSame(['thing' => 'push pins', 'count' => 4], Shorthand::trayLine(' 4 push pins '));
        foreach (['screws', '0x screws', '999x screws', '', '2０x pins', '٣x screws'] as $bad) {
            try {
                Shorthand::trayLine($bad);
                self::fail('It was taken: '.$bad);
            } catch (InvalidInput $e) {
                self::assertSame('tray', $e->field);
            }
        }
    }

    public function testTheLaneIsToScale(): void
    {
        $sheet = Sheets::thermostat();
        $lane = Lane::of($sheet);
        self::assertCount(2, $lane->rows);
        self::assertCount(7, $lane->phases);
        self::assertSame(
            ['next morning: Coolant level, cold, next morning', 'in 30 days or 300 km: Housing bolts and hose clamps again'],
            $lane->nextDays,
        );
        $shown = 0;
        foreach ($lane->rows as $row) {
            $last = 0.0;
            foreach ($row['blocks'] as $block) {
                ++$shown;
                self::assertEqualsWithDelta($block['step']->slot->minutes->likely / $lane->minutes * 100, $block['width'], 1e-6);
                self::assertGreaterThanOrEqual($last - 1e-6, $block['x']);
                $last = $block['x'] + $block['width'];
            }
            self::assertLessThanOrEqual(100.0001, $last);
        }
        self::assertSame(count($sheet->steps), $shown);
    }

    public function testAChangeNamesWhatCameInAndWhatWent(): void
    {
        $old = Sheets::thermostat();
        self::assertTrue(SheetChange::between($old, Sheets::thermostat())->isNone());
        $change = SheetChange::between($old, Sheets::thermostat(null, ['fill' => 'burp']));
        self::assertContains('burp-run', array_map(static fn ($s): string => $s->id, $change->added));
        self::assertContains('vacuum-fill', array_map(static fn ($s): string => $s->id, $change->gone));
        self::assertGreaterThan(0.0, $change->minutes);
    }

    public function testWhatCannotBeIsSaidInsteadOfDropped(): void
    {
        foreach ([
            '3x M8x3 25 Nm' => 'M8 has no pitch of 3', '2x M9x20 9 Nm' => 'not a thread', '3x M6x20 ９ Nm' => 'sign “９”',
            '4x 5/16-19 20 Nm' => 'not a thread', '2x M8 1,200 Nm' => 'can mean',
        ] as $line => $hint) {
            self::assertStringContainsString($hint, implode(' ', Shorthand::read($line)->wrong), $line);
        }
        foreach ([
            '3x M8x1.25-6g 25 Nm' => 'M8', '2x ½-13 40 lb-ft' => '1/2-13 UNC', '4x 1/4-20 UNC-2A 9 Nm' => '1/4-20 UNC',
            '2x M6x1x20 9 Nm' => 'M6', '1x G1/4 20 Nm' => 'G1/4',
        ] as $line => $thread) {
            $read = Shorthand::read($line);
            self::assertSame([], $read->wrong, $line);
            self::assertSame([], $read->left, $line);
            self::assertSame($thread, $read->joint['thread'] ?? '', $line);
        }
    }
}
