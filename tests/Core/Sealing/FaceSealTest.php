<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sealing;

use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Sealing\BeadDrawing;
use NimbleKnuckle\Core\Sealing\BoltSpacing;
use NimbleKnuckle\Core\Sealing\Door\BoltSpacingDoor;
use NimbleKnuckle\Core\Sealing\Door\FaceSealDoor;
use NimbleKnuckle\Core\Sealing\Face;
use NimbleKnuckle\Core\Sealing\FaceFit;
use NimbleKnuckle\Core\Sealing\FaceSeal;
use NimbleKnuckle\Core\Sealing\FaceWay;
use NimbleKnuckle\Core\Sealing\Sealed;
use NimbleKnuckle\Core\Sealing\SpacingDrawing;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(FaceSeal::class)]
#[CoversClass(FaceWay::class)]
#[CoversClass(FaceFit::class)]
#[CoversClass(FaceSealDoor::class)]
#[CoversClass(BoltSpacing::class)]
#[CoversClass(BoltSpacingDoor::class)]
#[CoversClass(BeadDrawing::class)]
#[CoversClass(SpacingDrawing::class)]
final class FaceSealTest extends TestCase
{
    /** Each row of the table: way, what was there, gap in mm, faces, fluid, and what is said of it. */
    #[DataProvider('faces')]
    public function testWhatSuitsAFace(string $way, string $was, float $gap, string $faces, string $fluid, FaceFit $fit): void
    {
        $seal = FaceSeal::of(
            Length::millimetres(12.0), Length::millimetres(300.0), Length::millimetres($gap), Face::from($faces),
            Sealed::from($fluid), FaceWay::tryFrom($was),
        );
        self::assertSame($fit, $seal->suits(FaceWay::from($way)));
        $level = $fit->isStop() ? Level::Stop : (FaceFit::Suits === $fit ? Level::Ok : Level::Watch);
        $in = ['width' => 12, 'length' => 300, 'gap' => $gap, 'faces' => $faces, 'fluid' => $fluid, 'way' => $way];
        self::assertSame($level, $this->work('face-seal', $in + ('' === $was ? [] : ['was' => $was]))->checks[0]->level);
    }

    /** @return iterable<string, array{string, string, float, string, string, FaceFit}> */
    public static function faces(): iterable
    {
        foreach ([
            ['gasket', '', 0.10, 'cast', 'coolant', FaceFit::Suits], ['gasket', 'gasket', 0.11, 'cast', 'oil', FaceFit::GapWide],
            ['gasket', 'gasket', 0.25, 'cast', 'oil', FaceFit::GapWide], ['gasket', 'gasket', 0.26, 'cast', 'oil', FaceFit::GapTooWide],
            ['gasket', 'silicone', 0.05, 'cast', 'oil', FaceFit::HeightIsAdded],
            ['ring', 'ring', 0.05, 'machined', 'fuel', FaceFit::Suits], ['ring', 'gasket', 0.0, 'machined', 'oil', FaceFit::NoGroove],
            ['ring', '', 0.06, 'machined', 'oil', FaceFit::GapWide], ['ring', 'ring', 0.16, 'machined', 'oil', FaceFit::GapTooWide],
            ['anaerobic', 'anaerobic', 0.25, 'machined', 'fuel', FaceFit::Suits],
            ['anaerobic', 'anaerobic', 0.26, 'machined', 'oil', FaceFit::GapTooWide],
            ['anaerobic', 'silicone', 0.05, 'pressed', 'oil', FaceFit::NotRigid],
            ['anaerobic', 'gasket', 0.05, 'machined', 'oil', FaceFit::HeightIsLost],
            ['silicone', 'silicone', 0.5, 'pressed', 'oil', FaceFit::Suits], ['silicone', '', 0.05, 'cast', 'fuel', FaceFit::InFuel],
            ['silicone', 'gasket', 0.05, 'cast', 'coolant', FaceFit::HeightIsLost],
            // √(4 × 1.3 × 12 × 1.2586 / π) is just under 5 mm.
            ['silicone', '', 1.258, 'cast', 'coolant', FaceFit::Suits], ['silicone', '', 1.26, 'cast', 'coolant', FaceFit::BeadTooThick],
            ['reuse', 'ring', 0.05, 'cast', 'air', FaceFit::Suits], ['reuse', 'gasket', 0.08, 'cast', 'oil', FaceFit::GapWide],
            ['reuse', 'gasket', 0.11, 'cast', 'oil', FaceFit::GapTooWide],
            ['reuse', 'silicone', 0.0, 'cast', 'oil', FaceFit::NothingToReuse], ['reuse', '', 0.0, 'cast', 'oil', FaceFit::NothingToReuse],
            ['reuse', 'gasket', 0.0, 'cast', 'fuel', FaceFit::ReusedInFuel],
        ] as $row) {
            yield implode(' ', array_slice($row, 0, 5)) => $row;
        }
    }

    public function testTheBeadFillsTheGapAndAThirdMore(): void
    {
        $seal = $this->work('face-seal', [
            'width' => 20, 'length' => '0.5 m', 'gap' => 0.25, 'faces' => 'cast', 'fluid' => 'oil', 'way' => 'silicone',
        ]);
        self::assertEqualsWithDelta(20 * 0.25 * 1.3, \M_PI / 4 * $seal->number('bead') ** 2, 1e-9);
        self::assertEqualsWithDelta(20 * 0.25 * 1.3 * 500 / 1e6, $seal->number('amount'), 1e-12, 'litres');
        $thin = ['width' => 5, 'length' => 100, 'gap' => 0, 'faces' => 'machined', 'fluid' => 'oil'];
        self::assertSame(2.0, $this->work('face-seal', $thin + ['way' => 'silicone'])->number('bead'));
        self::assertSame(1.0, $this->work('face-seal', $thin + ['way' => 'anaerobic'])->number('bead'));
        self::assertSame(0.0, $this->work('face-seal', $thin + ['way' => 'gasket'])->number('amount'));
    }

    public function testItSetsInItsTimeAndHalfAsFastInTheCold(): void
    {
        $at = static fn (FaceWay $way, float $celsius): array => [
            $way->open()->minutes, $way->untilFluid(Temperature::celsius($celsius))->minutes,
            $way->untilFull(Temperature::celsius($celsius))->minutes,
        ];
        self::assertSame([10.0, 60.0, 1440.0], $at(FaceWay::Silicone, 20.0));
        self::assertSame([10.0, 60.0, 720.0], $at(FaceWay::Anaerobic, 10.0));
        self::assertSame([10.0, 120.0, 1440.0], $at(FaceWay::Anaerobic, 9.9));
        self::assertSame([0.0, 0.0, 0.0], $at(FaceWay::Reuse, 0.0));
        self::assertSame([0.0, 0.0, 0.0], $at(FaceWay::Gasket, 20.0));
    }

    public function testWithoutAWishWhatWasThereComesFirst(): void
    {
        $in = ['width' => 12, 'length' => 300, 'gap' => 0.02, 'faces' => 'machined', 'fluid' => 'oil'];
        self::assertSame(['gasket'], $this->work('face-seal', $in)->entries('way'));
        self::assertSame(['anaerobic', 'silicone'], $this->work('face-seal', $in + ['was' => 'anaerobic'])->entries('suits'));
        self::assertSame(['silicone', 'anaerobic'], $this->work('face-seal', $in + ['was' => 'silicone'])->entries('suits'));
        $hopeless = $this->work('face-seal', ['gap' => 3, 'fluid' => 'fuel'] + $in);
        self::assertSame([[], Level::Stop], [$hopeless->entries('suits'), $hopeless->verdict]);
        self::assertStringContainsString('Skim the face', $hopeless->checks[0]->text);
    }

    public function testTheFlangeStaysStraightBetweenItsBolts(): void
    {
        $in = ['d' => 6, 'thickness' => 8];
        $most = fn (string $gasket, string $faces = 'rigid'): float => $this->work(
            'bolt-spacing', $in + ['pitch' => 50, 'gasket' => $gasket, 'faces' => $faces],
        )->number('most');
        self::assertEqualsWithDelta([60.0, 31.2, 12 + 48 / 3.5, 60.0], [
            $most('rubber'), $most('fibre'), $most('metal'), $most('metal', 'pressed'),
        ], 1e-9);
        $level = fn (float $pitch, string $gasket = 'rubber'): Level => $this->work(
            'bolt-spacing', $in + ['pitch' => $pitch, 'gasket' => $gasket],
        )->verdict;
        self::assertSame([Level::Ok, Level::Watch, Level::Ok], [$level(60.0), $level(60.01), $level(300.0, 'ring')]);
    }

    public function testItSaysWhereItWeepsFirst(): void
    {
        $in = ['d' => 6, 'thickness' => 8, 'gasket' => 'fibre'];
        $four = $this->work('bolt-spacing', ['points' => [[0, 0], [60, 0], [60, 80], [0, 80]]] + $in);
        self::assertSame([60.0, 80.0, 60.0, 80.0], $four->entries('pitches'));
        self::assertSame([80.0, 2.0], [$four->number('widest'), $four->number('at')]);
        self::assertStringStartsWith('Between bolts 2 and 3', $four->checks[0]->text);
        $last = $this->work('bolt-spacing', ['points' => [[0, 0], [30, 0], [30, 90]]] + $in);
        self::assertSame(3.0, $last->number('at'), 'the last back to the first');
        self::assertStringStartsWith('Between bolts 3 and 1', $last->checks[0]->text);
        $two = $this->work('bolt-spacing', ['points' => [[0, 0], [3, 40]]] + $in);
        self::assertCount(1, $two->entries('pitches'), 'there and back is one stretch');
        self::assertStringStartsWith('Between bolts 1 and 2', $two->checks[0]->text);
    }

    public function testDrawingsAreToScale(): void
    {
        $bolt = Length::millimetres(6.0);
        $points = [[0.0, 0.0], [60.0, 0.0], [60.0, 80.0]];
        $spacing = BoltSpacing::pressed(BoltSpacing::round($points));
        $drawing = SpacingDrawing::of($points, $spacing, $bolt, false);
        self::assertSame([false, true, true], array_column($drawing->stretches, 4));
        self::assertSame([false, false, false], array_column(SpacingDrawing::of($points, $spacing, $bolt, true)->stretches, 4));
        self::assertEqualsWithDelta([-15.0, -15.0, 90.0, 110.0, 6.0], [
            $drawing->left, $drawing->top, $drawing->width, $drawing->height, $drawing->bolt,
        ], 1e-9);
        $seal = FaceSeal::of(
            Length::millimetres(14.0), Length::millimetres(99.0), Length::millimetres(0.3), Face::Cast, Sealed::Oil, null,
        );
        $bead = BeadDrawing::of($seal, FaceWay::Silicone);
        self::assertSame([14.0, 0.3, true], [$bead->width, $bead->gap, $bead->isSealant]);
        self::assertEqualsWithDelta(2.637, $bead->bead, 0.001);
        self::assertFalse(BeadDrawing::of($seal, FaceWay::Gasket)->isSealant);
    }

    /** @param array<string, mixed> $in */
    #[DataProvider('refusals')]
    public function testWhatIsWrongIsNamed(string $sum, array $in, string $field): void
    {
        try {
            $this->work($sum, $in);
            self::fail('refused');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
        }
    }

    /** @return iterable<array{string, array<string, mixed>, string}> */
    public static function refusals(): iterable
    {
        $spacing = ['d' => 6, 'thickness' => 8, 'gasket' => 'fibre'];
        yield ['bolt-spacing', $spacing, 'pitch'];
        yield ['bolt-spacing', $spacing + ['points' => [[0, 0]]], 'points'];
        yield ['bolt-spacing', $spacing + ['points' => [[0, 0], [40, 0], [40, 0.5]]], 'points'];
        yield ['bolt-spacing', ['gasket' => 'cork', 'pitch' => 40] + $spacing, 'gasket'];
        $face = ['width' => 12, 'length' => 300, 'gap' => 0.1, 'faces' => 'cast', 'fluid' => 'oil'];
        yield ['face-seal', ['gap' => 11] + $face, 'gap'];
        yield ['face-seal', ['faces' => 'wood'] + $face, 'faces'];
        yield ['face-seal', $face + ['was' => 'reuse'], 'was'];
        yield ['face-seal', $face + ['temperature' => 80], 'temperature'];
    }

    /** @param array<string, mixed> $in */
    private function work(string $sum, array $in): SumResult
    {
        return Doors::book()->run($sum, $in);
    }
}
