<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\ChargeAir;

use NimbleKnuckle\Core\ChargeAir\BandClamp;
use NimbleKnuckle\Core\ChargeAir\BoxDrawing;
use NimbleKnuckle\Core\ChargeAir\ChargePath;
use NimbleKnuckle\Core\ChargeAir\ChargeSection;
use NimbleKnuckle\Core\ChargeAir\Cooler;
use NimbleKnuckle\Core\ChargeAir\CoolerDrawing;
use NimbleKnuckle\Core\ChargeAir\Coupler;
use NimbleKnuckle\Core\ChargeAir\CouplerFit;
use NimbleKnuckle\Core\ChargeAir\CouplerMatch;
use NimbleKnuckle\Core\ChargeAir\Door\ClampChoice;
use NimbleKnuckle\Core\ChargeAir\Door\SectionReading;
use NimbleKnuckle\Core\ChargeAir\Gas;
use NimbleKnuckle\Core\ChargeAir\HoldDrawing;
use NimbleKnuckle\Core\ChargeAir\HoseHold;
use NimbleKnuckle\Core\ChargeAir\Leak;
use NimbleKnuckle\Core\ChargeAir\LeakDrawing;
use NimbleKnuckle\Core\ChargeAir\PathDrawing;
use NimbleKnuckle\Core\ChargeAir\PipeJoint;
use NimbleKnuckle\Core\ChargeAir\Wetting;
use NimbleKnuckle\Core\Luck;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Pressure;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Quantity\Volume;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Charge air: worked values, what must hold, where each verdict turns, what is refused. */
#[CoversClass(BandClamp::class)]
#[CoversClass(BoxDrawing::class)]
#[CoversClass(ChargePath::class)]
#[CoversClass(ChargeSection::class)]
#[CoversClass(ClampChoice::class)]
#[CoversClass(Cooler::class)]
#[CoversClass(CoolerDrawing::class)]
#[CoversClass(Coupler::class)]
#[CoversClass(CouplerFit::class)]
#[CoversClass(CouplerMatch::class)]
#[CoversClass(Gas::class)]
#[CoversClass(HoldDrawing::class)]
#[CoversClass(HoseHold::class)]
#[CoversClass(Leak::class)]
#[CoversClass(LeakDrawing::class)]
#[CoversClass(PathDrawing::class)]
#[CoversClass(PipeJoint::class)]
#[CoversClass(SectionReading::class)]
#[CoversClass(Wetting::class)]
final class ChargeAirTest extends TestCase
{
    private const HOSE = ['diameter' => 63.5, 'pressure' => 150, 'clamp' => 'worm', 'screw_torque' => 4.5];
    private const LEAK = ['volume' => 12, 'from' => 100, 'to' => 80, 'seconds' => 30, 'temperature' => 20];
    private const PIPE = ['flow' => 238.1, 'boost' => 110, 'temperature' => 45, 'sections' => [
        ['name' => 'pipe', 'd' => 57, 'length' => 900, 'bends' => [[90, 85], [45, 85]]],
    ]];

    public function testTheWorkedHoses(): void
    {
        $dry = self::answer('blow-off', self::HOSE);
        self::assertEqualsWithDelta(475.0, $dry->number('push'), 0.05);
        self::assertEqualsWithDelta(1325, $dry->number('band'), 0.5);
        self::assertEqualsWithDelta(3747, $dry->number('hold'), 0.5);
        self::assertEqualsWithDelta(3747 * 0.7 * 0.75, $dry->number('hold_low'), 0.5);
        self::assertEqualsWithDelta(833, self::answer('blow-off', ['friction' => 'oily'] + self::HOSE)->number('hold'), 0.5);
        $bead = self::answer('blow-off', ['friction' => 'oily', 'bead' => true] + self::HOSE);
        self::assertEqualsWithDelta(4947, $bead->number('hold'), 0.5);
        $bolt = self::answer('blow-off', ['clamp' => 't-bolt', 'screw_torque' => 5, 'friction' => 'oily'] + self::HOSE);
        self::assertEqualsWithDelta([4167, 2618], [$bolt->number('band'), $bolt->number('hold')], 0.5);
        self::assertEqualsWithDelta(
            5000 / 1.6, self::answer(
                'blow-off', ['clamp' => 't-bolt', 'screw_torque' => 5, 'screw' => 'M8'] + self::HOSE,
            )->number('band'), 1e-6,
        );
        $spring = self::answer('blow-off', ['clamp' => 'spring', 'tension' => 900] + self::HOSE);
        self::assertSame(900.0, $spring->number('band'), 'what is given goes before the screw');
        self::assertEqualsWithDelta(
            self::answer('blow-off', ['bead' => 25] + self::HOSE)->number('hold'),
            self::answer('blow-off', ['bead' => 'yes'] + self::HOSE)->number('hold'), 1e-9,
        );
    }

    /** @return iterable<string, array{float, bool, string}> the margin wanted, whether it is tied, what is said */
    public static function holds(): iterable
    {
        yield 'enough' => [2.001, false, 'ok'];
        yield 'under twice' => [1.999, false, 'watch'];
        yield 'just over the least' => [1.201, false, 'watch'];
        yield 'under it' => [1.199, false, 'stop'];
        yield 'under it and tied' => [1.199, true, 'watch'];
    }

    #[DataProvider('holds')]
    public function testWhereAHoseTurns(float $margin, bool $tied, string $verdict): void
    {
        $push = 475.0;
        // 2π · 0.75 T · 0.7 · 0.45 = margin · push
        $tension = $margin * 0.15 * \M_PI * 63.5 ** 2 / 4 / (2 * \M_PI * 0.75 * 0.7 * 0.45);
        $r = self::answer('blow-off', ['clamp' => 'spring', 'tension' => $tension, 'tied' => $tied] + self::HOSE);
        self::assertEqualsWithDelta($margin, $r->number('margin'), 1e-9);
        self::assertEqualsWithDelta($push, $r->number('push'), 0.1);
        self::assertSame($verdict, $r->verdict->value);
    }

    public function testTheWorkedLeak(): void
    {
        $r = self::answer('leak-decay', self::LEAK);
        self::assertEqualsWithDelta(0.3243, $r->number('area'), 0.00005);
        self::assertEqualsWithDelta(0.643, $r->number('hole'), 0.0005);
        self::assertEqualsWithDelta(0.1002, $r->number('loss'), 0.00005);
        self::assertEqualsWithDelta(82.8, $r->number('half_time'), 0.05);
        self::assertFalse($r->has('share'));
        self::assertEqualsWithDelta(
            $r->number('area') / 2, self::answer('leak-decay', ['seconds' => '1 min'] + self::LEAK)->number('area'), 1e-9,
        );
        self::assertEqualsWithDelta(0.1002 / 20 * 100, self::answer('leak-decay', ['flow' => 20] + self::LEAK)->number('share'), 0.001);
        self::assertGreaterThan(
            $r->number('area'), self::answer('leak-decay', ['altitude' => 1500] + self::LEAK)->number('area'), 'thinner air outside',
        );
    }

    public function testWhatALeakIsHeldAgainst(): void
    {
        $loss = self::answer('leak-decay', self::LEAK)->number('loss');
        foreach ([['tight', 0.499], ['leaks-some', 0.501], ['leaks-some', 1.999], ['leaks', 2.001]] as [$code, $share]) {
            self::assertTrue(self::answer('leak-decay', ['flow' => 100 * $loss / $share] + self::LEAK)->hasCheck($code), $code.' '.$share);
        }
        self::assertTrue(self::answer('leak-decay', ['to' => 99.01] + self::LEAK)->hasCheck('little'));
        self::assertFalse(self::answer('leak-decay', ['to' => 99.0] + self::LEAK)->hasCheck('little'));
    }

    /** A vessel let down in small steps of its own, by another way of counting: the hole it was given comes back. */
    public function testTheHoleOfALeakingVesselComesBack(): void
    {
        $luck = new Luck(77);
        for ($i = 0; $i < 60; ++$i) {
            [$hole, $litres, $from] = [$luck->between(0.2, 2.5), $luck->between(3.0, 30.0), $luck->between(40.0, 250.0)];
            [$kelvin, $outside] = [$luck->between(268.0, 320.0), $luck->between(85.0, 102.0)];
            $seconds = $luck->between(8.0, 90.0);
            $mass = 1000 * ($outside + $from) * $litres / 1000 / (287.05 * $kelvin);
            $area = \M_PI / 4 * ($hole / 1000) ** 2;
            for ($n = 0; $n < 4000; ++$n) {
                $p = $mass * 287.05 * $kelvin / ($litres / 1000);
                $r = max(1000 * $outside / $p, 0.5283);
                $speed = sqrt(7 * 287.05 * $kelvin * max(0.0, 1 - $r ** (2 / 7)));
                $mass -= 0.65 * $area * $p / (287.05 * $kelvin) * $r ** (5 / 7) * $speed * $seconds / 4000;
            }
            $to = $mass * 287.05 * $kelvin / ($litres / 1000) / 1000 - $outside;
            if ($to < 0.03 * $from) {
                continue;
            }
            $leak = Leak::of(
                Volume::litres($litres), Pressure::kilopascals($from), Pressure::kilopascals($to), $seconds,
                Temperature::celsius($kelvin - 273.15), Pressure::kilopascals($outside),
            );
            self::assertEqualsWithDelta($hole, $leak->hole, 0.01 * $hole);
            self::assertEqualsWithDelta($to, $leak->after(Pressure::kilopascals($from), $seconds), 0.02 * $from);
        }
    }

    public function testTheWorkedCoolerAndCompressor(): void
    {
        $r = self::answer('charge-cooler', [
            'before' => 118, 'after' => 42, 'ambient' => 24, 'pressure_before' => 105, 'pressure_after' => 98,
            'compressor' => ['ratio' => 2, 'efficiency' => 0.72, 'inlet' => 25],
        ]);
        self::assertEqualsWithDelta(80.9, $r->number('effectiveness'), 0.05);
        self::assertEqualsWithDelta(7.0, $r->number('drop'), 1e-9);
        self::assertEqualsWithDelta(1.199, $r->number('density_ratio'), 0.0005);
        self::assertEqualsWithDelta(115.7, $r->number('expected'), 0.05);
        $bare = ['before' => 100, 'ambient' => 20];
        self::assertTrue(self::answer('charge-cooler', ['after' => 52] + $bare)->hasCheck('cools'));
        self::assertTrue(self::answer('charge-cooler', ['after' => 52.01] + $bare)->hasCheck('weak'));
        foreach ([['passes', 90.0], ['drop', 89.99]] as [$code, $after]) {
            self::assertTrue(self::answer('charge-cooler', [
                'after' => 40, 'pressure_before' => 100, 'pressure_after' => $after,
            ] + $bare)->hasCheck($code));
        }
        $gain = self::answer('charge-cooler', ['after' => 40, 'first' => '100 60 20'] + $bare)->number('gain');
        self::assertEqualsWithDelta(100 * ((60 + 273.15) / (40 + 273.15) - 1), $gain, 1e-9);
    }

    public function testTheWorkedPipe(): void
    {
        $r = self::answer('charge-path', self::PIPE);
        self::assertEqualsWithDelta([40.3], $r->entries('velocity'), 0.05);
        self::assertEqualsWithDelta([0.113], $r->entries('mach'), 0.0005);
        self::assertEqualsWithDelta(0.990, $r->number('loss'), 0.001);
        self::assertEqualsWithDelta(238.1, self::answer('charge-path', [
            'engine' => '2.0 L 6500 95', 'flow' => null,
        ] + self::PIPE)->number('flow'), 0.06);
        self::assertEqualsWithDelta(\M_PI / 4 * 0.57 ** 2 * 9, $r->number('volume'), 1e-9);
        self::assertEqualsWithDelta(
            $r->number('volume') / 1000 * 110_000 / (287.05 * 318.15 * 0.2381), $r->number('fill_time'), 1e-9,
        );
    }

    /** Two like pipes lose twice as much as one; a step up or down adds what Borda and Carnot say; a size up saves. */
    public function testWhatMustHoldOfPipes(): void
    {
        $one = new ChargeSection('one', 57, 500);
        $at = static fn (ChargeSection $first, ChargeSection ...$more): float => ChargePath::of(
            [$first, ...array_values($more)], 0.2, 200.0, 40.0,
        )->loss;
        self::assertEqualsWithDelta(2 * $at($one), $at($one, $one), 1e-12);
        $wide = new ChargeSection('wide', 80, 500);
        $speed = static fn (float $d): float => 0.2 / (200_000 / (287.05 * 313.15)) / (\M_PI * $d ** 2 / 4e6);
        $ratio = (57 / 80) ** 2;
        $dynamic = 200_000 / (287.05 * 313.15) * $speed(57) ** 2 / 2000;
        self::assertEqualsWithDelta($at($one) + $at($wide) + (1 - $ratio) ** 2 * $dynamic, $at($one, $wide), 1e-9);
        self::assertEqualsWithDelta($at($one) + $at($wide) + 0.5 * (1 - $ratio) * $dynamic, $at($wide, $one), 1e-9);
        // A bend is counted once, and no bend for more than 1.2.
        $bent = new ChargeSection('bent', 57, 500, [[90.0, 28.5]]);
        self::assertEqualsWithDelta($at($one) + 1.2 * $dynamic, $at($bent), 1e-9);
        // Slow and narrow, it is laminar: 64/Re.
        $slow = ChargePath::of([new ChargeSection('slow', 10, 1000)], 1e-5, 101.325, 20.0);
        $v = 1e-5 / (101_325 / (287.05 * 293.15)) / (\M_PI * 1e-4 / 4);
        self::assertEqualsWithDelta(32 * Gas::viscosity(293.15) * $v / 1e-4 / 1000, $slow->loss, 1e-9);
        $r = self::answer('charge-path', ['sizes' => '40; 63.5; 76'] + self::PIPE);
        $larger = [['d' => 63.5] + self::PIPE['sections'][0]];
        self::assertEqualsWithDelta(
            self::answer('charge-path', self::PIPE)->number('loss')
                - self::answer('charge-path', ['sections' => $larger] + self::PIPE)->number('loss'), $r->number('saves'), 1e-9,
        );
        self::assertFalse(self::answer('charge-path', ['sizes' => '40'] + self::PIPE)->has('saves'));
        self::assertTrue(self::answer('charge-path', ['flow' => 640] + self::PIPE)->hasCheck('fast'));
        self::assertTrue(self::answer('charge-path', ['flow' => 620] + self::PIPE)->hasCheck('speed'));
    }

    public function testABoxIsMatchedAsWellAsCanBe(): void
    {
        $luck = new Luck(3);
        $sizes = [50.8, 57.0, 57.15, 60.3, 63.0, 63.5, 70.0, 76.2];
        for ($i = 0; $i < 1000; ++$i) {
            $joints = $couplers = [];
            for ($n = 1 + (int) $luck->between(0, 6.99); $n > 0; --$n) {
                $joints[] = new PipeJoint('j', $luck->oneOf($sizes), $luck->oneOf($sizes), true, $luck->oneOf([0.0, 45.0, 90.0]));
            }
            for ($n = (int) $luck->between(0, 7.99); $n > 0; --$n) {
                $couplers[] = new Coupler(
                    'c', $luck->oneOf($sizes) + $luck->between(-0.8, 0.8), $luck->oneOf($sizes), $luck->oneOf([0.0, 45.0, 90.0]),
                );
            }
            $match = CouplerMatch::of($joints, $couplers);
            [$most, $least] = self::tried($joints, $couplers, 0, []);
            self::assertSame($most, count($match->joined), 'box '.$i);
            self::assertEqualsWithDelta($least, $match->cost, 1e-9, 'box '.$i);
            self::assertSame(count($joints), count($match->joined) + count($match->open));
            self::assertSame(count($couplers), count($match->joined) + count($match->over));
            $used = array_column($match->joined, 0);
            self::assertSame($used, array_unique($used), 'no hose on two joints');
        }
    }

    /**
     * Every way there is.
     *
     * @param list<PipeJoint> $joints
     * @param list<Coupler> $couplers
     * @param array<int, true> $used
     *
     * @return array{int, float}
     */
    private static function tried(array $joints, array $couplers, int $at, array $used): array
    {
        if ($at === count($joints)) {
            return [0, 0.0];
        }
        $best = self::tried($joints, $couplers, $at + 1, $used);
        foreach (array_diff_key($couplers, $used) as $j => $coupler) {
            $fit = CouplerFit::of($joints[$at], $coupler);
            if (null !== $fit) {
                [$count, $cost] = self::tried($joints, $couplers, $at + 1, $used + [$j => true]);
                $best = $count + 1 > $best[0] || $count + 1 === $best[0] && $cost + $fit->cost < $best[1]
                    ? [$count + 1, $cost + $fit->cost] : $best;
            }
        }

        return $best;
    }

    /** @return iterable<string, array{float, string}> over the inside of a hose of 60 mm */
    public static function ends(): iterable
    {
        yield 'far too loose' => [-1.01, ''];
        yield 'loose' => [-1.0, 'loose'];
        yield 'hardly loose' => [-0.31, 'loose'];
        yield 'easy' => [-0.3, 'fits'];
        yield 'three in a hundred' => [1.8, 'fits'];
        yield 'more' => [1.81, 'tight'];
        yield 'six' => [3.6, 'tight'];
        yield 'more than that' => [3.61, ''];
    }

    #[DataProvider('ends')]
    public function testHowTightAnEndMayBe(float $over, string $end): void
    {
        $joint = new PipeJoint('one', 60 + $over, 60, false, 0.0);
        self::assertSame($end, CouplerFit::of($joint, new Coupler('straight', 60, 60, 0.0))->end ?? '');
        self::assertSame($end, CouplerFit::of($joint, new Coupler('straight', 60, 60, 10.0))->end ?? '');
        self::assertNull(CouplerFit::of($joint, new Coupler('elbow', 60, 60, 10.1)));
    }

    public function testWhichWayRoundWhatIsLeftAndWhatIsMissing(): void
    {
        $r = self::answer('coupler-match', [
            'ends' => 'turbo 50.8 57 90 bead; throttle 63.5 63.5 bead; spare 85 85',
            'couplers' => 'elbow 57 51 90; a 63 63; b 63 63; c 76 76',
            'clamps' => 'small 55 66; large 63 75',
        ]);
        self::assertSame(['turbo', 'throttle'], $r->entries('joint'));
        self::assertSame([1.0, 0.0], $r->entries('turned'));
        self::assertSame(['spare: 85 to 85 mm'], $r->entries('missing'));
        self::assertSame(['a = b'], $r->entries('alike'), 'either will do');
        self::assertCount(2, $r->entries('left'));
        // 50.8 + 9 and 57 + 9 mm round the hose: the nearer to the middle of its range.
        self::assertSame(['small', 'large', 'large', 'large'], $r->entries('clamp'));
        self::assertSame('stop', $r->verdict->value);
        $none = self::answer('coupler-match', ['ends' => 'one 60 60 bead', 'couplers' => 'x 60 60', 'clamps' => 'wide 70 80']);
        self::assertTrue($none->hasCheck('no-clamp'));
        self::assertTrue(self::answer('coupler-match', ['ends' => 'one 60', 'couplers' => 'x 60'])->hasCheck('no-bead'));
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string}> */
    public static function faults(): iterable
    {
        yield 'a spring has no screw' => ['blow-off', ['clamp' => 'spring'] + self::HOSE, 'tension', 'needed'];
        yield 'no such clamp' => ['blow-off', ['clamp' => 'string'] + self::HOSE, 'clamp', 'worm'];
        yield 'a flank of five degrees' => ['blow-off', ['bead' => 5] + self::HOSE, 'bead', '10'];
        yield 'nothing on it' => ['blow-off', ['screw_torque' => null] + self::HOSE, 'screw_torque', 'needed'];
        yield 'it rises' => ['leak-decay', ['to' => 101] + self::LEAK, 'to', 'warms'];
        yield 'it stands' => ['leak-decay', ['to' => 100] + self::LEAK, 'to', 'Wait longer'];
        yield 'no warmer than outside' => ['charge-cooler', ['before' => 20, 'after' => 19, 'ambient' => 20], 'before', 'nothing to cool'];
        yield 'no cooler after' => ['charge-cooler', ['before' => 90, 'after' => 90, 'ambient' => 20], 'after', 'changed over'];
        yield 'cooler than outside' => ['charge-cooler', ['before' => 90, 'after' => 19, 'ambient' => 20], 'after', 'ice'];
        yield 'one boost' => [
            'charge-cooler', ['before' => 90, 'after' => 40, 'ambient' => 20, 'pressure_before' => 90], 'pressure_after', 'needed',
        ];
        yield 'a tight bend' => [
            'charge-path', ['sections' => [['name' => 'x', 'd' => 60, 'length' => 100, 'bends' => [[90, 29]]]]] + self::PIPE, 'sections',
            'centre line',
        ];
        yield 'no engine' => ['charge-path', ['flow' => null] + self::PIPE, 'engine', 'needed'];
        yield 'no length' => ['charge-path', ['sections' => 'x 60'] + self::PIPE, 'sections', 'length'];
        yield 'a clamp from large to small' => [
            'coupler-match', ['ends' => 'a 60', 'couplers' => 'b 60', 'clamps' => 'c 70 60'], 'clamps', 'smaller',
        ];
        yield 'a pipe of two mm' => ['coupler-match', ['ends' => 'a 2', 'couplers' => 'b 60'], 'ends', '5 to 300'];
    }

    /** @param array<string, mixed> $raw */
    #[DataProvider('faults')]
    public function testWhatCannotBeIsNamed(string $sum, array $raw, string $field, string $said): void
    {
        try {
            self::answer($sum, $raw);
            self::fail('it was taken');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
            self::assertStringContainsString($said, $e->getMessage());
        }
    }

    public function testTheDrawingsAreToScale(): void
    {
        $pipes = [new ChargeSection('a', 40, 300), new ChargeSection('b', 80, 900)];
        $drawn = PathDrawing::of($pipes, ChargePath::of($pipes, 0.2, 200.0, 40.0))->pipes;
        self::assertEqualsWithDelta(2.0, $drawn[1]['height'] / $drawn[0]['height'], 1e-9);
        self::assertEqualsWithDelta(PathDrawing::WIDTH, $drawn[1]['x'] + $drawn[1]['width'], 1e-9);
        self::assertTrue($drawn[0]['isWorst']);
        $hold = HoldDrawing::of(Length::millimetres(63.5), 25.0, 475.0, 950.0, 1900.0);
        self::assertEqualsWithDelta(0.25, $hold->bars['push'] / $hold->bars['hold'], 1e-9);
        self::assertGreaterThan(0.0, $hold->bead);
        self::assertSame(0.0, HoldDrawing::of(Length::millimetres(63.5), 0.0, 1.0, 1.0, 1.0)->bead);
        $box = BoxDrawing::of(
            $joints = [
                new PipeJoint('one', 50, 100, true, 0.0),
            ], $hoses = [new Coupler('x', 100, 50, 0.0)], CouplerMatch::of($joints, $hoses),
        );
        self::assertEqualsWithDelta(2.0, $box->rows[0]['right'] / $box->rows[0]['left'], 1e-9);
        self::assertTrue($box->rows[0]['turned']);
    }

    /** @param array<string, mixed> $raw */
    private static function answer(string $sum, array $raw): SumResult
    {
        return Doors::book()->run($sum, $raw);
    }
}
