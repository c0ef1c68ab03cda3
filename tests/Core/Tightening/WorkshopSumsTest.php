<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Tightening;

use NimbleKnuckle\Core\Bolting\Door\ThreadCompound;
use NimbleKnuckle\Core\Bolting\Door\ThreadGauge;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Kit\Calibration;
use NimbleKnuckle\Core\Kit\Door\WrenchPick;
use NimbleKnuckle\Core\Kit\Kit;
use NimbleKnuckle\Core\Kit\Wrench;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Tightening\Door\EvenTakeUp;
use NimbleKnuckle\Core\Tightening\Door\TightenOrder;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(WrenchPick::class)]
#[CoversClass(TightenOrder::class)]
#[CoversClass(EvenTakeUp::class)]
#[CoversClass(ThreadGauge::class)]
#[CoversClass(ThreadCompound::class)]
final class WorkshopSumsTest extends TestCase
{
    private const KIT = [
        ['name' => 'small', 'min' => 2, 'max' => 20, 'drive' => '1/4 in', 'error' => 3, 'calibrated' => '2026-06-01'],
        ['name' => 'middle', 'min' => '7.4 lbf·ft', 'max' => 60, 'drive' => '3/8 in', 'error' => '4 %', 'calibrated' => '2025-06-01'],
        ['name' => 'digital', 'min' => 6.8, 'max' => 135, 'drive' => '3/8 in', 'error' => 2, 'calibrated' => true],
    ];

    /** @param array<string, mixed> $inputs */
    private static function worked(string $sum, array $inputs): SumResult
    {
        return Doors::book(new \DateTimeImmutable('2026-11-25'))->run($sum, $inputs);
    }

    public function testLockerAndSealantSlipInTheThreadAlone(): void
    {
        $lever = static fn (float $thread, float $head): float => 0.2 + 0.58 * (8 - 0.649519 * 1.25) * $thread + 5.1575 * $head;
        self::assertEqualsWithDelta(
            $lever(0.14, 0.18) / $lever(0.18, 0.18),
            self::worked('thread-compound', ['thread' => 'M8'] + ['turns' => true])->number('factor'), 1e-9, 'locker',
        );
        self::assertEqualsWithDelta(
            $lever(0.12, 0.18) / $lever(0.18, 0.18),
            self::worked('thread-compound', ['thread' => 'M8'] + ['wet' => true])->number('factor'), 1e-9, 'sealant',
        );
        self::assertEqualsWithDelta(
            $lever(0.10, 0.10) / $lever(0.18, 0.18),
            self::worked('thread-compound', ['thread' => 'M8'] + ['heat' => 400])->number('factor'), 1e-9,
            'paste gets under the head too',
        );
        self::assertEqualsWithDelta(1.0, self::worked('thread-compound', ['thread' => 'M8'] + [])->number('factor'), 1e-12);
    }

    public function testAGapIsTakenUpByWholeScrewsAndSaidAsItIs(): void
    {
        $in = ['thread' => 'M6', 'gap' => '3 mm', 'count' => 4];
        self::assertSame(
            '6 rounds of 180° on all 4: never more than 0.5 mm uneven.', self::worked('even-take-up', [] + $in)->checks[0]->text,
        );
        $short = self::worked('even-take-up', ['gap' => '0.2 mm'] + $in);
        self::assertSame('One round of 72° on all 4: never more than 0.2 mm uneven.', $short->checks[0]->text);
        self::assertEqualsWithDelta(0.2, $short->number('uneven'), 1e-12);
        self::assertEqualsWithDelta(72.0, $short->number('last_turn'), 1e-9);
        self::assertStringContainsString(
            'on both screws: 180° each, the last one 72°',
            self::worked('even-take-up', ['gap' => '1.2 mm', 'count' => 2] + $in)->checks[0]->text,
        );
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches('/whole number/');
        self::worked('even-take-up', ['count' => 2.5] + $in);
    }

    public function testEachFigureGetsTheWrenchWithTheSmallestBandThatReachesIt(): void
    {
        $result = self::worked('wrench-pick', ['targets' => [9, '22 N·m', '40 N·m'], 'kit' => self::KIT]);
        self::assertSame(['small', 'middle', 'digital'], $result->entries('pick'));
        self::assertEqualsWithDelta([0.27, 0.88, 0.80], $result->entries('error_band'), 1e-9);
        self::assertSame(Level::Watch, $result->verdict, 'The middle one is past its calibration and alone reaches 22.');
        self::assertStringContainsString('27', $result->checks[0]->text);
        self::assertSame(Level::Stop, self::worked('wrench-pick', ['targets' => [200], 'kit' => self::KIT])->verdict);
        self::assertSame(
            ['small'],
            self::worked(
                'wrench-pick', ['targets' => '9 N·m', 'kit' => "small, 2, 20, 3, 2026-06-01\nbig, 40, 210, 4, 2026-06-01"],
            )->entries('pick'),
        );
    }

    public function testAWrenchIsTrustedFromAFifthOfItsScale(): void
    {
        $kit = new Kit([new Wrench('w', '', 10.0, 100.0, 4.0, 0.0, 0)], []);
        self::assertNull($kit->pick(19.9));
        self::assertNotNull($kit->pick(20.0));
        self::assertNotNull($kit->pick(100.0));
        self::assertNull($kit->pick(100.1));
        self::assertSame(0, Calibration::daysPast(new \DateTimeImmutable('2025-11-25'), new \DateTimeImmutable('2026-11-25')));
        self::assertSame(1, Calibration::daysPast(new \DateTimeImmutable('2025-11-24'), new \DateTimeImmutable('2026-11-25')));
    }

    public function testTheOrderComesWithThePassesAndTheirTorques(): void
    {
        $result = self::worked('tighten-order', ['layout' => 'ring 6', 'passes' => '40; 70; 100', 'target' => '20 N·m']);
        $order = $result->entries('order');
        sort($order);
        self::assertEquals(range(1, 6), $order);
        self::assertEqualsWithDelta([8.0, 14.0, 20.0], $result->entries('torques'), 1e-9);
        self::assertEqualsWithDelta([30.0, 60.0, 100.0], self::worked('tighten-order', ['layout' => 'grid 2x5'])->entries('passes'), 1e-9);
        self::assertCount(3, self::worked('tighten-order', ['layout' => '[[0,0],[40,0],[20,30]]'])->entries('order'));
        self::assertCount(8, self::worked('tighten-order', ['layout' => ['shape' => 'ring', 'n' => 8]])->entries('order'));
        self::assertCount(
            10, self::worked('tighten-order', ['layout' => ['shape' => 'grid', 'rows' => 2, 'columns' => 5]])->entries('order'),
        );
    }

    public function testAGapIsTakenUpInRounds(): void
    {
        $result = self::worked('even-take-up', ['gap' => '3 mm', 'thread' => 'M8', 'count' => 4]);
        self::assertEqualsWithDelta(2.4, $result->number('turns'), 1e-9);
        self::assertSame(5.0, $result->number('rounds'));
        self::assertEqualsWithDelta(144.0, $result->number('last_turn'), 1e-9);
        self::assertSame(
            Level::Watch,
            self::worked('even-take-up', ['gap' => 9, 'thread' => 'M16', 'count' => 4, 'step' => 'one turn'])->verdict,
        );
    }

    public function testEveryThreadOfTheTablesIsNamedFromItsOwnMeasures(): void
    {
        foreach (Thread::all() as $thread) {
            foreach ([0.0, 0.1, 0.2] as $worn) {
                $result = self::worked('thread-gauge', ['diameter' => $thread->diameter - $worn, 'pitch' => $thread->pitch]);
                $named = $result->entries('thread')[0];
                $said = Thread::parse((string) $named);
                self::assertTrue(
                    $named === $thread->name || $result->hasCheck('two-fit') || abs($said->pitch - $thread->pitch) < 0.03,
                    sprintf('%s less %s is called %s', $thread->name, $worn, $named),
                );
            }
        }
        self::assertSame(['M8'], self::worked('thread-gauge', ['diameter' => 7.85, 'pitch' => 1.25])->entries('thread'));
        self::assertContains('5/16-18 UNC', self::worked('thread-gauge', ['diameter' => 7.95, 'pitch' => 1.25])->entries('neighbours'));
        self::assertSame(['5/16-18 UNC'], self::worked('thread-gauge', ['diameter' => '5/16 in', 'tpi' => 18])->entries('thread'));
        self::assertSame(['G1/4'], self::worked('thread-gauge', ['diameter' => 13.1, 'tpi' => 19])->entries('thread'));
    }

    public function testTheCompoundFollowsHeatFluidAndMovement(): void
    {
        $chosen = static fn (mixed ...$in): mixed => self::worked(
            'thread-compound', array_combine(array_map(strval(...), array_keys($in)), $in) + ['thread' => 'M8'],
        )->entries('compound')[0];
        self::assertSame('dry', $chosen());
        self::assertSame('anti-seize', $chosen(heat: 600, turns: true));
        self::assertSame('thread sealant', $chosen(wet: true));
        self::assertSame('high-strength threadlocker', $chosen(turns: true));
        self::assertSame('medium threadlocker', $chosen(turns: true, removed: true));
        self::assertSame('medium threadlocker', $chosen(turns: true, thread: 'M5'));
        self::assertSame('anti-seize', $chosen(bolt: 'stainless'));
        self::assertSame('oil', $chosen(material: 'aluminium casting', removed: true));
    }

    public function testASlipperyThreadNeedsALowerFigureAndColdACureLonger(): void
    {
        $paste = self::worked('thread-compound', ['thread' => 'M10', 'heat' => 600, 'stated' => 40]);
        self::assertLessThan(1.0, $paste->number('factor'));
        self::assertEqualsWithDelta(40 * $paste->number('factor'), $paste->number('torque'), 1e-9);
        $warm = self::worked('thread-compound', ['thread' => 'M10', 'turns' => true, 'removed' => true, 'ambient' => 22])->number('cure');
        $cold = self::worked('thread-compound', ['thread' => 'M10', 'turns' => true, 'removed' => true, 'ambient' => 12])->number('cure');
        self::assertEqualsWithDelta(2.0, $cold / $warm, 1e-9);
        self::assertEqualsWithDelta(
            3 * $warm,
            self::worked(
                'thread-compound',
                ['thread' => 'M10', 'turns' => true, 'removed' => true, 'ambient' => 22, 'material' => 'aluminium casting'],
            )->number('cure'),
            1e-9,
        );
    }

    /** @param array<string, mixed> $inputs */
    #[DataProvider('refused')]
    public function testBadInputNamesTheField(string $sum, array $inputs, string $field): void
    {
        try {
            self::worked($sum, $inputs);
            self::fail('It was taken.');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function refused(): iterable
    {
        yield 'no targets' => ['wrench-pick', ['targets' => [], 'kit' => self::KIT], 'targets'];
        yield 'a torque of nothing' => ['wrench-pick', ['targets' => [0], 'kit' => self::KIT], 'targets'];
        yield 'a target that is no torque' => ['wrench-pick', ['targets' => [[1]], 'kit' => self::KIT], 'targets'];
        yield 'a range that falls' => ['wrench-pick', ['targets' => [9], 'kit' => [['name' => 'x', 'min' => 20, 'max' => 10]]], 'kit'];
        yield 'a wrench without a range' => ['wrench-pick', ['targets' => [9], 'kit' => [['name' => 'x']]], 'kit'];
        yield 'a date that is none' => [
            'wrench-pick', ['targets' => [9], 'kit' => [['name' => 'x', 'min' => 1, 'max' => 10, 'calibrated' => 'in spring']]],
            'kit',
        ];
        yield 'passes that fall' => ['tighten-order', ['layout' => 'ring 4', 'passes' => [60, 30, 100]], 'passes'];
        yield 'passes that stop early' => ['tighten-order', ['layout' => 'ring 4', 'passes' => [30, 60]], 'passes'];
        yield 'a shape unknown' => ['tighten-order', ['layout' => 'star 5'], 'layout'];
        yield 'no gap' => ['even-take-up', ['gap' => 0, 'thread' => 'M8', 'count' => 4], 'gap'];
        yield 'a diameter alone' => ['thread-gauge', ['diameter' => 8], 'pitch'];
        yield 'a thread nobody cuts' => ['thread-gauge', ['diameter' => 8, 'pitch' => 3], 'diameter'];
        yield 'an unknown bolt' => ['thread-compound', ['thread' => 'M8', 'bolt' => 'wood'], 'bolt'];
    }
}
