<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\PressFit;

use NimbleKnuckle\Core\PressFit\Door\PartReading;
use NimbleKnuckle\Core\PressFit\FitDrawing;
use NimbleKnuckle\Core\PressFit\Measured;
use NimbleKnuckle\Core\PressFit\PartMaterial;
use NimbleKnuckle\Core\PressFit\PressCurve;
use NimbleKnuckle\Core\PressFit\PressFit;
use NimbleKnuckle\Core\PressFit\PressScrew;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Hub on a shaft and the screw that draws it on: worked values, what must hold, where each verdict turns, what is refused. */
#[CoversClass(PressFit::class)]
#[CoversClass(PressScrew::class)]
#[CoversClass(PressCurve::class)]
#[CoversClass(Measured::class)]
#[CoversClass(PartMaterial::class)]
#[CoversClass(PartReading::class)]
#[CoversClass(FitDrawing::class)]
final class PressSumsTest extends TestCase
{
    private const FIT = ['shaft' => 32, 'bore' => 31.965, 'hub' => 60, 'hollow' => 12, 'length' => 30, 'friction' => 0.12];
    private const SCREW = ['force' => 26240, 'screw' => 'M16x2', 'material' => 'steel', 'travel' => 28];

    public function testTheWorkedFit(): void
    {
        $r = self::answer('press-fit', self::FIT);
        self::assertEqualsWithDelta(0.035, $r->number('interference'), 1e-9);
        self::assertEqualsWithDelta(72.51, $r->number('pressure'), 0.005);
        self::assertEqualsWithDelta(130.2, $r->number('hoop'), 0.05);
        self::assertEqualsWithDelta(177.9, $r->number('equivalent'), 0.05);
        self::assertEqualsWithDelta(168.8, $r->number('shaft_bore'), 0.05);
        self::assertEqualsWithDelta(26240, $r->number('force'), 5.0);
        self::assertEqualsWithDelta(419.9, $r->number('slip_torque'), 0.05);
        self::assertEqualsWithDelta(251.0, $r->number('heat_to'), 0.5);
        self::assertEqualsWithDelta(20 - 0.085 / (8.5e-6 * 32), $r->number('chill_to'), 1e-6);
    }

    public function testTheWorkedScrew(): void
    {
        $r = self::answer('press-screw', self::SCREW);
        self::assertEqualsWithDelta(66.7, $r->number('torque'), 0.05);
        self::assertEqualsWithDelta(14.0, $r->number('turns'), 1e-9);
        $bearing = self::answer('press-screw', ['face' => '12 mm 0.02'] + self::SCREW);
        self::assertEqualsWithDelta(26.24 * (0.32 + 0.58 * 14.701 * 0.12 + 12 * 0.02), $bearing->number('torque'), 0.01);
    }

    /** Half the interference is half of everything; a very thick hub of the same metal on a solid shaft is pressed to E Δ/(2 d). */
    public function testWhatMustHold(): void
    {
        $solid = array_diff_key(self::FIT, ['hollow' => true]);
        $one = self::answer('press-fit', ['bore' => 31.96] + $solid);
        $half = self::answer('press-fit', ['bore' => 31.98] + $solid);
        foreach (['pressure', 'hoop', 'equivalent', 'force', 'slip_torque'] as $what) {
            self::assertEqualsWithDelta($one->number($what) / 2, $half->number($what), 1e-6 * $one->number($what));
        }
        self::assertSame(0.0, $one->number('shaft_bore'));
        $thick = self::answer('press-fit', ['hub' => 2000] + $solid);
        self::assertEqualsWithDelta(207000 * 0.035 / (2 * 32), $thick->number('pressure'), 0.1);
        $rough = self::answer('press-fit', ['roughness' => '4 µm; 6 µm'] + self::FIT);
        self::assertEqualsWithDelta(72.51 * (0.035 - 0.008) / 0.035, $rough->number('pressure'), 0.01);
        self::assertEqualsWithDelta(0.035, $rough->number('interference'), 1e-9);
        $oiled = self::answer('press-fit', ['friction' => 'oiled'] + self::FIT);
        self::assertEqualsWithDelta(1.25 * 26240, $oiled->number('force'), 10.0);
        self::assertEqualsWithDelta(0.75 * 419.9, $oiled->number('slip_torque'), 0.1);
        $dry = self::answer('press-fit', ['friction' => 'dry'] + self::FIT);
        self::assertEqualsWithDelta(16 / 12, $dry->number('force') / $oiled->number('force'), 1e-9);
    }

    public function testReadingsAreLevelledAndBroughtToTwentyDegrees(): void
    {
        $r = self::answer('press-fit', ['shaft' => '32.002 32.001; 32.000 31.997', 'bore' => [31.97, 31.96]] + self::FIT);
        self::assertEqualsWithDelta(32.0 - 31.965, $r->number('interference'), 1e-9);
        self::assertEqualsWithDelta([0.003, 0.01], $r->values['taper']->entries(), 1e-9);
        self::assertEqualsWithDelta([0.003, 0.0], $r->values['ovality']->entries(), 1e-9);
        self::assertTrue($r->hasCheck('tapered'));
        self::assertFalse($r->hasCheck('oval'));
        $warm = self::answer('press-fit', ['temperature' => '40; 20'] + self::FIT);
        self::assertEqualsWithDelta(32 / (1 + 11.5e-6 * 20) - 31.965, $warm->number('interference'), 1e-9);
        $alike = self::answer('press-fit', ['temperature' => 40] + self::FIT);
        self::assertEqualsWithDelta(0.035 / (1 + 11.5e-6 * 20), $alike->number('interference'), 1e-9);
    }

    public function testWhereTheVerdictsTurn(): void
    {
        self::assertTrue(self::fit([])->hasCheck('yield-unknown'));
        self::assertSame('ok', self::fit(['materials' => 'steel 212; steel 223', 'hub' => 60])->verdict->value);
        self::assertTrue(self::fit(['materials' => 'steel 210; steel 400'])->hasCheck('stress'));
        self::assertSame('stop', self::fit(['materials' => 'steel 210; steel 400'])->verdict->value);
        self::assertSame('stop', self::fit(['materials' => 'steel 400; steel 222'])->verdict->value);
        self::assertSame('stop', self::fit(['bore' => 32.001])->verdict->value);
        self::assertTrue(self::fit(['bore' => 32.0])->hasCheck('no-interference'));
        self::assertTrue(self::fit(['roughness' => '0.03; 0.02'])->hasCheck('no-interference'));
        self::assertTrue(self::fit(['bonded' => true])->hasCheck('rubber'));
        self::assertFalse(self::fit(['bonded' => true, 'bore' => 31.99, 'clearance' => 0.02])->hasCheck('rubber'));
        self::assertTrue(self::fit(['materials' => 'steel; aluminium', 'bore' => 31.93])->hasCheck('soft'));
        self::assertFalse(self::fit(['materials' => 'steel; aluminium'])->hasCheck('soft'));
        self::assertTrue(self::fit([])->hasCheck('chill'), 'it is only said');
        self::assertFalse(self::fit(['bore' => 31.99, 'clearance' => 0.02])->hasCheck('chill'));
        $iron = self::fit(['materials' => [['name' => 'steel', 'yield' => 400], ['E' => 100, 'ν' => 0.25, 'α' => 10.5, 'yield' => 250]]]);
        self::assertSame($iron->number('pressure'), self::fit(['materials' => 'steel 400; cast iron 250'])->number('pressure'));
    }

    public function testBoltsOfThePullerAreDeepEnoughAndAlike(): void
    {
        $with = static fn (string $bolts): SumResult => self::answer('press-screw', ['bolts' => $bolts] + self::SCREW);
        self::assertTrue($with('M8 12; M8 12; M8 11.6')->hasCheck('puller bolt'));
        self::assertTrue($with('M8 12; M8 12; M8 11.4')->hasCheck('uneven'));
        self::assertTrue($with('M10 9.9; M10 9.9; M10 9.9')->hasCheck('puller bolt-short'));
        self::assertFalse($with('M10 10; M10 10; M10 10')->hasCheck('puller bolt-short'));
        self::assertTrue(
            self::answer('press-screw', ['bolts' => 'M5 5; M5 5', 'force' => '90 kN'] + self::SCREW)->hasCheck('puller bolt-strips'),
        );
        $weak = self::answer('press-screw', ['material' => 'magnesium', 'force' => '90 kN'] + self::SCREW);
        self::assertTrue($weak->hasCheck('screw-strips'));
    }

    #[DataProvider('curves')]
    public function testACurveIsJudged(string $curve, string $end): void
    {
        $r = self::answer('press-screw', ['curve' => $curve] + self::SCREW);
        self::assertSame([$end], $r->entries('end'));
        self::assertSame('seated' === $end ? 'ok' : 'stop', $r->verdict->value);
    }

    /** @return iterable<string, array{string, string}> worked out: 66.7 N·m over 28 mm */
    public static function curves(): iterable
    {
        yield 'seated' => ['0 20; 5 60; 20 66; 27.9 67; 28.1 140', 'seated'];
        yield 'seated early by half a millimetre' => ['0 20; 5 60; 27.3 66; 27.5 140', 'seated'];
        yield 'a jump too early' => ['0 20; 5 60; 26.9 66; 27.2 140', 'not-seated'];
        yield 'no jump' => ['0 20; 5 60; 20 66; 28.4 70', 'not-seated'];
        yield 'a jump over too long a way' => ['0 20; 5 60; 27.6 66; 28.0 140', 'not-seated'];
        yield 'picking up' => ['0 20; 5 60; 22 101; 28 140', 'picking-up'];
        yield 'hard, but near the end' => ['0 20; 5 60; 22.5 101; 27.9 101; 28.1 210', 'seated'];
        yield 'too easy' => ['0 5; 10 20; 28 22', 'free'];
        yield 'just not too easy' => ['0 5; 10 20; 28 22.5', 'not-seated'];
    }

    /** @param array<string, mixed> $in */
    #[DataProvider('refused')]
    public function testWhatIsRefusedNamesItsField(string $sum, array $in, string $field, string $says): void
    {
        try {
            self::answer($sum, $in + ('press-fit' === $sum ? self::FIT : self::SCREW));
            self::fail('It was taken.');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
            self::assertStringContainsString($says, $e->getMessage());
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string}> */
    public static function refused(): iterable
    {
        yield 'hub inside the shaft' => ['press-fit', ['hub' => 31], 'hub', 'larger outside'];
        yield 'bored away' => ['press-fit', ['hollow' => 32], 'hollow', 'smaller than the shaft'];
        yield 'wood' => ['press-fit', ['materials' => 'oak'], 'materials', 'cast iron'];
        yield 'three materials' => ['press-fit', ['materials' => 'steel; steel; steel'], 'materials', 'semicolon'];
        yield 'friction in words' => ['press-fit', ['friction' => 'slippery'], 'friction', ''];
        yield 'no diameter' => ['press-fit', ['shaft' => '0'], 'shaft', 'between 1'];
        yield 'screw' => ['press-screw', ['screw' => 'thick'], 'screw', ''];
        yield 'bolt' => ['press-screw', ['bolts' => 'M8'], 'bolts', 'M8 12 mm'];
        yield 'bolt of nothing' => ['press-screw', ['bolts' => 'M8 0'], 'bolts', 'Bolt 1'];
        yield 'curve back' => ['press-screw', ['curve' => '0 1; 5 2; 4 3'], 'curve', 'Row 3'];
        yield 'face' => ['press-screw', ['face' => '0 mm'], 'face', 'over 0'];
        yield 'friction of nothing' => ['press-screw', ['friction' => '0'], 'friction', '0.6'];
    }

    public function testItIsDrawnToScaleButForTheInterference(): void
    {
        $mm = Length::millimetres(...);
        $drawing = FitDrawing::of($mm(32), $mm(60), $mm(12), $mm(0.035));
        self::assertSame([30.0, 16.0, 6.0, true], [$drawing->outside, $drawing->shaft, $drawing->inside, $drawing->isTight]);
        self::assertGreaterThan($drawing->interference, $drawing->shown);
        self::assertFalse(FitDrawing::of($mm(32), $mm(60), $mm(12), $mm(-0.01))->isTight);
    }

    /** @param array<string, mixed> $more */
    private static function fit(array $more): SumResult
    {
        return self::answer('press-fit', $more + self::FIT);
    }

    /** @param array<string, mixed> $in */
    private static function answer(string $sum, array $in): SumResult
    {
        return Doors::book()->run($sum, $in);
    }
}
