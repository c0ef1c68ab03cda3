<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\BeltDrive;

use NimbleKnuckle\Core\BeltDrive\Alignment;
use NimbleKnuckle\Core\BeltDrive\BeltCode;
use NimbleKnuckle\Core\BeltDrive\BeltDrawing;
use NimbleKnuckle\Core\BeltDrive\BeltPath;
use NimbleKnuckle\Core\BeltDrive\BeltSection;
use NimbleKnuckle\Core\BeltDrive\BeltSlip;
use NimbleKnuckle\Core\BeltDrive\Door\DriveReading;
use NimbleKnuckle\Core\BeltDrive\DriveWear;
use NimbleKnuckle\Core\BeltDrive\Pulley;
use NimbleKnuckle\Core\BeltDrive\PulleyChange;
use NimbleKnuckle\Core\BeltDrive\Side;
use NimbleKnuckle\Core\BeltDrive\SpanNote;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Sum\Entries;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Working;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The doors of what turns: worked values, where each verdict turns, and what is refused with its remedy. */
#[CoversClass(DriveReading::class)]
#[CoversClass(PulleyChange::class)]
#[CoversClass(BeltSlip::class)]
#[CoversClass(BeltCode::class)]
#[CoversClass(BeltDrawing::class)]
#[CoversClass(SpanNote::class)]
#[CoversClass(DriveWear::class)]
#[CoversClass(Alignment::class)]
#[CoversClass(Entries::class)]
final class BeltSumsTest extends TestCase
{
    private const RING = 'crank 0 0 152 ribs drives; alternator 225 150 62; idler 2 -52 214 70 back; pump -176 150 128';

    public function testThePathThroughItsDoor(): void
    {
        $r = self::answer('belt-path', ['pulleys' => DriveReading::EXAMPLE]);
        self::assertEqualsWithDelta(1569.99, $r->number('length'), 0.005);
        self::assertSame('with the crank', $r->entries('turns')[0]);
        self::assertSame('against the crank', $r->entries('turns')[2]);
        self::assertSame('ok', $r->verdict->value);
        $flat = self::answer('belt-path', ['pulleys' => 'a 0 0 100; b 300 0 100', 'be' => '0', 'tb' => '0']);
        self::assertEqualsWithDelta(914.159, $flat->number('length'), 0.001);
        self::assertFalse($flat->has('gap'));
    }

    /** A record, a written line and a name that ends in a number are the same pulley. */
    public function testAPulleyIsReadAsItIsWritten(): void
    {
        $record = [
            ['name' => 'crank', 'x' => 0, 'y' => 0, 'd' => '152 mm', 'side' => 'ribs', 'drives' => true],
            ['name' => 'alternator', 'x' => 225, 'y' => 150, 'd' => 62],
            ['name' => 'idler 2', 'x' => -52, 'y' => 214, 'd' => 70, 'side' => 'back'],
            ['name' => 'pump', 'x' => -176, 'y' => 150, 'd' => 128],
        ];
        self::assertSame(
            self::answer('belt-path', ['pulleys' => self::RING])->values['wraps']->entries(),
            self::answer('belt-path', ['pulleys' => $record])->values['wraps']->entries(),
        );
        $close = self::answer('belt-path', ['pulleys' => str_replace('blower', 'idler 7', DriveReading::EXAMPLE)]);
        self::assertContains('Idler 7', array_map(static fn (Working $one): string => $one->label, $close->working));
    }

    public function testLittleWrapIsSaidAndLessIsAStop(): void
    {
        foreach ([300 => 'ok', 230 => 'watch', 120 => 'stop'] as $up => $verdict) {
            $r = self::answer('belt-path', ['pulleys' => sprintf(
                'crank 0 -160 150 drives; pump 260 0 60; fan 0 %d 60; alternator -260 0 60', $up,
            )]);
            self::assertSame($verdict, $r->verdict->value, sprintf('%s° at %d', $r->entries('wraps')[2] ?? '', $up));
        }
    }

    /** It gives all the others take: so little of the belt round it is no drive, whoever they are. */
    public function testACrankThatTheBeltHardlyTouchesIsNamed(): void
    {
        $r = self::answer('belt-path', ['pulleys' => 'crank 0 -60 150 drives; pump 260 0 60; fan 0 300 60; alternator -260 0 60']);
        self::assertLessThan(60.0, $r->entries('wraps')[0]);
        self::assertStringContainsString('round the crank', $r->headline());
        self::assertSame('stop', $r->verdict->value);
    }

    /** An idler takes nothing off the belt: it may have as little of it as it likes. */
    public function testARibbedIdlerNeedsNoWrap(): void
    {
        $drive = 'crank 0 -160 150 drives; pump 260 0 60; %s 0 120 60; alternator -260 0 60';
        self::assertSame('stop', self::answer('belt-path', ['pulleys' => sprintf($drive, 'fan')])->verdict->value);
        self::assertSame('ok', self::answer('belt-path', ['pulleys' => sprintf($drive, 'upper idler')])->verdict->value);
    }

    public function testABeltThatPassesTooNearIsSaid(): void
    {
        foreach ([-24 => 'stop', -20 => 'watch', -10 => 'ok'] as $x => $verdict) {
            $r = self::answer('belt-path', ['pulleys' => sprintf(
                'crank 0 0 100 drives; a 400 0 100; b 400 300 100; idler %d 150 60 back; c 0 300 100', $x,
            )]);
            self::assertSame($verdict, $r->verdict->value, sprintf('%s mm', $r->number('gap')));
        }
    }

    public function testTheBeltThatFits(): void
    {
        $in = [
            'pulleys' => DriveReading::EXAMPLE, 'tensioner' => 'tensioner 169 159 61 175 160 125', 'belts' => '6PK1555; 6PK1570; 1585 mm',
        ];
        $r = self::answer('belt-fit', $in);
        self::assertSame(1570.0, $r->number('best'));
        self::assertEqualsWithDelta(143.0, $r->number('arm'), 0.5);
        self::assertEqualsWithDelta(49.0, $r->number('travel'), 1.0);
        self::assertCount(3, $r->entries('arms'));
        $record = ['pivot' => [169, 159], 'arm' => 61, 'free' => 175, 'window' => [160, 125]];
        self::assertSame(
            $r->values['arms']->entries(), self::answer('belt-fit', ['tensioner' => $record] + $in)->values['arms']->entries(),
        );
        $alone = array_diff_key($in, ['belts' => true]);
        self::assertSame('stop', self::answer('belt-fit', $alone + ['belt' => 1700])->verdict->value);
        self::assertTrue(self::answer('belt-fit', $alone + ['belt' => 1700])->hasCheck('too-long'));
        self::assertTrue(self::answer('belt-fit', $alone + ['belt' => 1450])->hasCheck('too-short'));
        self::assertTrue(self::answer('belt-fit', $alone + ['belt' => 1605])->hasCheck('outside-window'));
    }

    public function testAnotherPulley(): void
    {
        $in = ['crank' => 152, 'old' => 74, 'new' => 68, 'redline' => 6800, 'limit' => 16000, 'pressure_ratio_old' => 1.45];
        $r = self::answer('pulley-change', $in);
        self::assertEqualsWithDelta(152 / 68, $r->number('ratio'), 1e-12);
        self::assertEqualsWithDelta(15200.0, $r->number('speed'), 1e-9);
        self::assertEqualsWithDelta(100 * (74 / 68 - 1), $r->number('overdrive'), 1e-9);
        self::assertEqualsWithDelta(\M_PI * 0.152 * 6800 / 60, $r->number('belt_speed'), 1e-9);
        self::assertEqualsWithDelta(1.45 * 74 / 68, $r->number('pressure_ratio'), 1e-12);
        self::assertEqualsWithDelta((1.45 * 74 / 68 - 1) * 101.325, $r->number('boost'), 1e-9);
        $thrown = self::answer('pulley-change', ['type' => 'centrifugal', 'altitude' => '640 m'] + $in);
        self::assertEqualsWithDelta(1 + 0.45 * (74 / 68) ** 2, $thrown->number('pressure_ratio'), 1e-12);
        self::assertEqualsWithDelta(0.45 * (74 / 68) ** 2 * 93.87, $thrown->number('boost'), 0.01);
        $both = self::answer('pulley-change', ['crank_new' => 160] + $in);
        self::assertEqualsWithDelta(6800 * 160 / 68, $both->number('speed'), 1e-9);
        self::assertEqualsWithDelta(1.45 * 160 / 152 * 74 / 68, $both->number('pressure_ratio'), 1e-12);
        self::assertTrue($both->hasCheck('speed'));
        self::assertSame('stop', self::answer('pulley-change', ['limit' => 15199.9] + $in)->verdict->value);
        self::assertFalse(self::answer('pulley-change', ['limit' => 15200] + $in)->hasCheck('over-speed'));
        self::assertTrue(self::answer('pulley-change', $in)->hasCheck('belt-fast'));
        self::assertSame('ok', self::answer('pulley-change', ['crank' => 140] + $in)->verdict->value);
        self::assertFalse(self::answer('pulley-change', ['crank' => 140] + $in)->hasCheck('belt-fast'));
        // Whatever it does, the fuel is a question.
        self::assertTrue(self::answer('pulley-change', ['new' => 80] + $in)->hasCheck('calibration'));
        self::assertLessThan(0.0, self::answer('pulley-change', ['new' => 80] + $in)->number('overdrive'));
    }

    public function testSlip(): void
    {
        $in = ['ribs' => 8, 'wrap' => 171, 'slack_tension' => 320, 'power' => 38, 'speed' => 14000, 'd' => 74];
        $r = self::answer('belt-slip', $in);
        self::assertEqualsWithDelta(38_000 / (\M_PI * 0.074 * 14000 / 60), $r->number('needed'), 1e-6);
        self::assertEqualsWithDelta(320 * (exp(0.35 / sin(\M_PI / 9) * deg2rad(171)) - 1), $r->number('available'), 1e-6);
        $back = self::answer('belt-slip', ['ribs' => 0] + $in);
        self::assertEqualsWithDelta(320 * (exp(0.35 * deg2rad(171)) - 1), $back->number('available'), 1e-6);
        $needed = $r->number('needed');
        $grip = $r->number('available') / 320;
        self::assertSame('watch', self::answer('belt-slip', ['slack_tension' => 1.29 * $needed / $grip] + $in)->verdict->value);
        self::assertSame('ok', self::answer('belt-slip', ['slack_tension' => 1.31 * $needed / $grip] + $in)->verdict->value);
        self::assertSame('stop', self::answer('belt-slip', ['slack_tension' => 0.99 * $needed / $grip] + $in)->verdict->value);
        self::assertEqualsWithDelta($needed, self::answer('belt-slip', ['power' => '51.66 PS'] + $in)->number('needed'), 0.1);
    }

    #[DataProvider('codes')]
    public function testCodes(string $code, int $ribs, string $section, float $length, bool $isWhole): void
    {
        $r = self::answer('belt-code', ['code' => $code]);
        self::assertSame((float) $ribs, $r->number('ribs'));
        self::assertSame([$section], $r->entries('section'));
        self::assertEqualsWithDelta($length, $r->number('length'), 1e-9);
        self::assertSame($isWhole, !$r->hasCheck('unread'));
    }

    /** @return iterable<array{string, int, string, float, bool}> */
    public static function codes(): iterable
    {
        yield ['6PK1915', 6, 'PK', 1915.0, true];
        yield ['6 PK 1915', 6, 'PK', 1915.0, true];
        yield ['6-pk-1915', 6, 'PK', 1915.0, true];
        yield ['K060755', 6, 'PK', 1917.7, true];
        yield ['EPDM 8PK2120', 8, 'PK', 2120.0, false];
        yield ['4PJ1200', 4, 'PJ', 1200.0, true];
        yield ['12PL1841 X', 12, 'PL', 1841.0, false];
    }

    public function testNoteAndTensionAreEachOther(): void
    {
        $r = self::answer('belt-note', ['belt' => '6PK1570', 'span' => 268, 'note' => 96]);
        self::assertEqualsWithDelta(4 * 0.114 * 0.268 ** 2 * 96 ** 2, $r->number('tension'), 1e-9);
        $back = self::answer('belt-note', ['mass' => 0.114, 'span' => '268 mm', 'tension' => $r->number('tension')]);
        self::assertEqualsWithDelta(96.0, $back->number('note'), 1e-9);
        self::assertSame(
            'stop', self::answer('belt-note', ['belt' => '6PK1570', 'span' => 268, 'note' => 96, 'least' => 302])->verdict->value,
        );
        self::assertSame(
            'stop', self::answer('belt-note', ['belt' => '6PK1570', 'span' => 268, 'note' => 96, 'most' => 301])->verdict->value,
        );
        self::assertSame(
            'ok',
            self::answer('belt-note', ['belt' => '6PK1570', 'span' => 268, 'note' => 96, 'least' => 300, 'most' => 303])->verdict->value,
        );
        self::assertEqualsWithDelta(100.0, SpanNote::frequency(0.1, Length::millimetres(500), Force::newtons(1000)), 1e-9);
    }

    public function testWhatIsSeenOnABelt(): void
    {
        $when = self::when(...);
        self::assertSame(
            [['sound'], ['soon'], ['soon'], ['now']],
            array_map($when, [['cracks' => 2], ['cracks' => 3], ['cracks' => 9], ['cracks' => 10]]),
        );
        $ribs = static fn (float $now): array => self::answer('drive-wear', ['rib_new' => 2, 'rib_now' => $now])->entries('when');
        self::assertSame([['sound'], ['soon'], ['soon'], ['now'], ['sound']], array_map($ribs, [1.72, 1.69, 1.42, 1.39, 2.1]));
        self::assertSame([['sound'], ['soon'], ['now']], array_map($when, [['swing' => 2.9], ['swing' => 3], ['swing' => 6]]));
        self::assertSame([['sound'], ['soon'], ['now']], array_map($when, [['play' => 0.4], ['play' => 0.5], ['play' => 1.5]]));
        self::assertSame([['now'], ['sound'], ['soon']], array_map($when, [['spin' => 100], ['spin' => '2 turns'], ['spin' => '7 turns']]));
        $seen = [
            'missing' => 'now', 'frayed' => 'now', 'parted' => 'now', 'oily' => 'now', 'glazed' => 'soon', 'weak' => 'now',
            'noisy' => 'soon', 'rough' => 'now', 'uncapped' => 'soon',
        ];
        foreach ($seen as $field => $is) {
            self::assertSame([$is], $when([$field => true]), $field);
        }
        $all = self::answer('drive-wear', ['cracks' => 1, 'glazed' => true, 'swing' => 1, 'rough' => true]);
        self::assertSame(['belt', 'tensioner', 'idler'], $all->entries('part'));
        self::assertSame(['soon', 'sound', 'now'], $all->entries('when'));
    }

    /** Only a belt that fails does it, and only there. */
    public function testAFailingBeltBesideACrankSealIsAStop(): void
    {
        self::assertTrue(self::answer('drive-wear', ['missing' => true, 'near_seal' => true])->hasCheck('seal'));
        self::assertFalse(self::answer('drive-wear', ['missing' => true])->hasCheck('seal'));
        self::assertFalse(self::answer('drive-wear', ['glazed' => true, 'near_seal' => true])->hasCheck('seal'));
        self::assertFalse(self::answer('drive-wear', ['weak' => true, 'near_seal' => true])->hasCheck('seal'));
    }

    public function testPulleysInLine(): void
    {
        $r = self::answer('belt-line', ['gap' => 2, 'span' => 200]);
        self::assertEqualsWithDelta(rad2deg(atan(0.01)), $r->number('angle'), 1e-9);
        self::assertSame('stop', $r->verdict->value);
        self::assertEqualsWithDelta(2.0, $r->number('offset'), 1e-9);
        $edge = 200 * tan(deg2rad(0.5));
        self::assertSame('watch', self::answer('belt-line', ['gap' => $edge - 0.001, 'span' => 200])->verdict->value);
        self::assertSame('stop', self::answer('belt-line', ['gap' => $edge + 0.001, 'span' => 200])->verdict->value);
        self::assertSame('ok', self::answer('belt-line', ['gap' => 200 * tan(deg2rad(0.329)), 'span' => 200])->verdict->value);
        self::assertEqualsWithDelta(-2.0, self::answer('belt-line', ['gap' => 2, 'span' => 200, 'proud' => true])->number('offset'), 1e-9);
        $rims = self::answer('belt-line', ['gap' => 2, 'span' => 200, 'rim' => 3.5, 'rim_fixed' => 2]);
        self::assertEqualsWithDelta(0.5, $rims->number('offset'), 1e-9);
        $leans = self::answer('belt-line', ['gap' => 0, 'gap_far' => 1, 'across' => 60, 'span' => 400]);
        self::assertEqualsWithDelta(rad2deg(atan(1 / 60)), $leans->number('tilt'), 1e-9);
        self::assertTrue($leans->hasCheck('leans'));
        self::assertTrue(self::answer('belt-line', ['gap' => 0, 'span' => 200, 'run_out' => 0.26])->hasCheck('runs-out'));
        self::assertTrue(self::answer('belt-line', ['gap' => 0, 'span' => 200, 'run_out' => 0.25])->hasCheck('true'));
        self::assertTrue(
            self::answer('belt-line', ['gap' => 0, 'span' => 200, 'rib_old' => 11.2, 'rib_new' => 11.71])->hasCheck('other-offset'),
        );
        self::assertTrue(
            self::answer('belt-line', ['gap' => 0, 'span' => 200, 'rib_old' => 11.2, 'rib_new' => 11.69])->hasCheck('same-offset'),
        );
    }

    /** @param array<string, mixed> $in */
    #[DataProvider('refused')]
    public function testWhatIsRefusedNamesItsFieldAndTheRemedy(string $sum, array $in, string $field, string $says): void
    {
        try {
            self::answer($sum, $in);
            self::fail('It was taken.');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
            self::assertStringContainsString($says, $e->getMessage());
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string}> */
    public static function refused(): iterable
    {
        $fit = ['pulleys' => DriveReading::EXAMPLE, 'belt' => 1570];
        yield 'one pulley' => ['belt-path', ['pulleys' => 'crank 0 0 152'], 'pulleys', 'two pulleys'];
        yield 'no diameter' => ['belt-path', ['pulleys' => 'crank 0 0; pump 100 0 40'], 'pulleys', 'Entry 1 has no “d”'];
        yield 'diameter of nothing' => ['belt-path', ['pulleys' => 'crank 0 0 0; pump 100 0 40'], 'pulleys', 'crank'];
        yield 'overlap' => ['belt-path', ['pulleys' => 'crank 0 0 152; pump 80 0 40'], 'pulleys', 'The pump and the crank overlap'];
        yield 'section' => ['belt-path', ['pulleys' => self::RING, 'section' => 'QQ'], 'section', 'PK'];
        yield 'no belt' => ['belt-fit', array_diff_key($fit, ['belt' => 1]) + ['tensioner' => '169 159 61 175 160 125'], 'belt', '6PK1570'];
        yield 'no arm' => ['belt-fit', $fit + ['tensioner' => '169 159 0 175 160 125'], 'tensioner', 'arm'];
        yield 'no window' => ['belt-fit', $fit + ['tensioner' => '169 159 61 175 160 160'], 'tensioner', 'two different angles'];
        yield 'rests inside' => ['belt-fit', $fit + ['tensioner' => '169 159 61 140 160 125'], 'tensioner', 'rests inside'];
        yield 'which idler' => [
            'belt-fit',
            [
                'pulleys' => str_replace('tensioner', 'roller', DriveReading::EXAMPLE), 'belt' => 1570,
                'tensioner' => '169 159 61 175 160 125',
            ],
            'tensioner', 'Which of the pulleys',
        ];
        yield 'belt in words' => [
            'belt-fit', ['belt' => 'the long one'] + $fit + ['tensioner' => '169 159 61 175 160 125'], 'belt', '6PK1570',
        ];
        yield 'redline' => ['pulley-change', ['crank' => 152, 'old' => 74, 'new' => 68, 'redline' => 100], 'redline', 'rpm'];
        yield 'type' => [
            'pulley-change', ['crank' => 152, 'old' => 74, 'new' => 68, 'redline' => 6800, 'type' => 'fan'], 'type',
            'centrifugal',
        ];
        yield 'code' => ['belt-code', ['code' => 'A-42'], 'code', '6PK1915'];
        yield 'too many ribs' => ['belt-code', ['code' => '88PK1915'], 'code', '6PK1915'];
        yield 'note and tension' => [
            'belt-note', ['belt' => '6PK1570', 'span' => 268, 'note' => 96, 'tension' => 300], 'tension', 'not both',
        ];
        yield 'neither' => ['belt-note', ['belt' => '6PK1570', 'span' => 268], 'note', 'Hz'];
        yield 'nothing looked at' => ['drive-wear', ['near_seal' => true], 'cracks', 'Say one thing'];
        yield 'no new rib' => ['drive-wear', ['rib_now' => 2], 'rib_new', 'new belt'];
        yield 'no other edge' => ['belt-line', ['gap' => 1, 'span' => 200, 'across' => 60], 'gap_far', 'needed'];
        yield 'no new offset' => ['belt-line', ['gap' => 1, 'span' => 200, 'rib_old' => 60], 'rib_new', 'needed'];
        yield 'no mass' => ['belt-note', ['span' => 268, 'note' => 96], 'mass', 'code of the belt'];
    }

    /** Seen from the front a crank turns clockwise, whichever way round the list goes. */
    public function testTheDrawingIsToScaleAndRunsTheWayTheCrankTurns(): void
    {
        $pulleys = [new Pulley('crank', 0, 0, 150), new Pulley('pump', 0, 300, 90), new Pulley('idler', -40, 150, 60, Side::Back)];
        foreach ([$pulleys, array_reverse($pulleys)] as $order) {
            $drawing = BeltDrawing::of($order, BeltPath::of($order, BeltSection::common()));
            foreach ($drawing->pulleys as $i => $drawn) {
                self::assertSame($order[$i]->x, $drawn['x']);
                self::assertSame($order[$i]->y, -$drawn['y']);
                self::assertSame($order[$i]->d / 2, $drawn['r']);
                self::assertSame(Side::Ribs === $order[$i]->side, $drawn['clockwise']);
            }
            // From crank to pump on the right the belt runs down: a clockwise crank pulls it in on its right.
            $right = array_values(array_filter($drawing->chevrons, static fn (array $one): bool => $one['x'] > 20))[0] ?? null;
            self::assertNotNull($right);
            self::assertGreaterThan(0.9, sin(deg2rad($right['angle'])));
        }
    }

    /**
     * @param array<string, mixed> $in
     *
     * @return list<float|string>
     */
    private static function when(array $in): array
    {
        return self::answer('drive-wear', $in)->entries('when');
    }

    /** @param array<string, mixed> $in */
    private static function answer(string $sum, array $in): SumResult
    {
        return Doors::book()->run($sum, $in);
    }
}
