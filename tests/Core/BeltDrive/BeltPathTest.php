<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\BeltDrive;

use NimbleKnuckle\Core\BeltDrive\BeltFit;
use NimbleKnuckle\Core\BeltDrive\BeltPath;
use NimbleKnuckle\Core\BeltDrive\BeltSection;
use NimbleKnuckle\Core\BeltDrive\NoBeltPath;
use NimbleKnuckle\Core\BeltDrive\NoSuchPoint;
use NimbleKnuckle\Core\BeltDrive\Pulley;
use NimbleKnuckle\Core\BeltDrive\Side;
use NimbleKnuckle\Core\BeltDrive\Span;
use NimbleKnuckle\Core\BeltDrive\Tensioner;
use NimbleKnuckle\Core\BeltDrive\TensionerFit;
use NimbleKnuckle\Core\BeltDrive\Trilateration;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** The geometry of a belt: against a published case, against Cauchy's formula for convex drives, and what must hold for any. */
#[CoversClass(BeltPath::class)]
#[CoversClass(BeltFit::class)]
#[CoversClass(Tensioner::class)]
#[CoversClass(Span::class)]
#[CoversClass(NoBeltPath::class)]
#[CoversClass(Trilateration::class)]
final class BeltPathTest extends TestCase
{
    public function testTheWorkedDrive(): void
    {
        $path = BeltPath::of(self::drive(), BeltSection::common());
        self::assertEqualsWithDelta(1569.99, $path->length, 0.005);
        self::assertEqualsWithDelta([86.7, 152.1, 104.6, 171.3, 101.9, 156.4], $path->wraps, 0.05);
        self::assertSame(0, $path->driver());
        self::assertSame([true, true, false, true, false, true], array_map($path->turnsWithCrank(...), array_keys($path->pulleys)));
        self::assertSame([], $path->crossings());
    }

    public function testTwoEqualPulleys(): void
    {
        $path = BeltPath::of([new Pulley('a', 0, 0, 100), new Pulley('b', 300, 0, 100)], BeltSection::common()->with(0, 0));
        self::assertEqualsWithDelta(600 + 100 * \M_PI, $path->length, 1e-9);
        self::assertSame([], $path->gaps());
    }

    /** Le = Lp − 2π be, and the pitch line runs at r + be: round ribbed pulleys alone it does not matter where it runs. */
    public function testEffectiveLengthOfEqualPulleysDoesNotDependOnThePitchLine(): void
    {
        $drive = [new Pulley('a', 0, 0, 100), new Pulley('b', 300, 0, 100), new Pulley('c', 120, 260, 100)];
        $thin = BeltPath::of($drive, BeltSection::common()->with(0, 0))->length;
        self::assertEqualsWithDelta($thin, BeltPath::of($drive, BeltSection::common())->length, 1e-9);
    }

    /** Round ribbed pulleys alone a belt is the hull of circles, whose length is the integral of its support function (Cauchy). */
    public function testConvexDrivesAgainstAnIntegral(): void
    {
        $luck = new Randomizer(new Mt19937(41));
        for ($n = 0; $n < 60; ++$n) {
            $pulleys = self::ring($luck, $luck->getInt(2, 8));
            $length = 0.0;
            $steps = 20_000;
            for ($i = 0; $i < $steps; ++$i) {
                $angle = 2 * \M_PI * ($i + 0.5) / $steps;
                $length += max(-\INF, ...array_map(
                    static fn (Pulley $one): float => $one->x * cos($angle) + $one->y * sin($angle) + $one->d / 2 + 2.0, $pulleys,
                ));
            }
            $length = $length * 2 * \M_PI / $steps - 2 * \M_PI * 2.0;
            self::assertEqualsWithDelta($length, BeltPath::of($pulleys, BeltSection::common())->length, 0.05);
        }
    }

    /** With flat pulleys pressed in between: once round is 360°; turned round, mirrored or begun elsewhere it is the same belt. */
    public function testThousandDrives(): void
    {
        $luck = new Randomizer(new Mt19937(7));
        $legal = 0;
        for ($n = 0; $legal < 1000 && $n < 4000; ++$n) {
            $pulleys = self::withIdlers($luck, self::ring($luck, $luck->getInt(3, 7)));
            try {
                $path = BeltPath::of($pulleys, BeltSection::common());
            } catch (NoBeltPath $e) {
                self::assertContains($e->pulley, array_map(static fn (Pulley $one): string => $one->name, $pulleys));
                continue;
            }
            ++$legal;
            $sum = 0.0;
            foreach ($path->pulleys as $i => $pulley) {
                $sum += (Side::Ribs === $pulley->side ? 1 : -1) * $path->wraps[$i];
            }
            self::assertEqualsWithDelta(360.0, $sum, 1e-6);
            self::assertSame(
                $path->sense, BeltPath::of([...array_slice($pulleys, 2), ...array_slice($pulleys, 0, 2)], $path->section)->sense,
            );
            self::assertEqualsWithDelta($path->length, BeltPath::of(array_reverse($pulleys), $path->section)->length, 1e-6);
            $mirrored = array_map(static fn (Pulley $one): Pulley => $one->at(-$one->x, $one->y), $pulleys);
            self::assertEqualsWithDelta($path->length, BeltPath::of($mirrored, $path->section)->length, 1e-6);
            self::assertSame(-$path->sense, BeltPath::of($mirrored, $path->section)->sense);
            self::ensureSpansTouch($path);
        }
        self::assertSame(1000, $legal);
    }

    public function testHowTheLengthAnswersIsItsDerivative(): void
    {
        $path = BeltPath::of(self::drive(), BeltSection::common());
        foreach ($path->sensitivity() as $i => $by) {
            $changed = static function (Pulley $one) use ($path, $i): float {
                $pulleys = $path->pulleys;
                $pulleys[$i] = $one;

                return (BeltPath::of(array_values($pulleys), $path->section)->length - $path->length) / 1e-4;
            };
            $pulley = $path->pulleys[$i];
            self::assertEqualsWithDelta($changed($pulley->at($pulley->x + 1e-4, $pulley->y)), $by['x'], 1e-3);
            self::assertEqualsWithDelta($changed($pulley->at($pulley->x, $pulley->y + 1e-4)), $by['y'], 1e-3);
            self::assertEqualsWithDelta($changed($pulley->sized($pulley->d + 1e-4)), $by['d'], 1e-3);
        }
    }

    /** @param list<Pulley> $pulleys */
    #[DataProvider('illegal')]
    public function testWhatCannotRunNamesThePulley(array $pulleys, string $name): void
    {
        try {
            BeltPath::of($pulleys, BeltSection::common());
            self::fail('A belt ran.');
        } catch (NoBeltPath $e) {
            self::assertSame($name, $e->pulley);
            self::assertStringContainsString('' === $name ? 'two pulleys' : $name, $e->getMessage());
        }
    }

    /** @return iterable<string, array{list<Pulley>, string}> */
    public static function illegal(): iterable
    {
        [$crank, $alternator, $tensioner, $blower, $idler, $pump] = self::drive();
        yield 'one' => [[$crank], ''];
        yield 'none ribbed' => [[$tensioner, $idler], ''];
        yield 'overlap' => [[$crank, $alternator->at(90, 0), $blower], 'alternator'];
        yield 'flat one out of reach' => [[$crank, $alternator, $tensioner->at(200, 300), $blower, $idler, $pump], 'tensioner'];
        yield 'ribbed one inside' => [[$crank, $alternator, $blower, new Pulley('spare', 0, 180, 40), $pump], 'spare'];
    }

    public function testABeltThroughAPulleyIsSeen(): void
    {
        $ring = [new Pulley('crank', 0, 0, 100), new Pulley('a', 300, 0, 100), new Pulley('idler', 20, 140, 60, Side::Back)];
        $path = BeltPath::of([...$ring, new Pulley('b', 150, 300, 100)], BeltSection::common());
        self::assertNotSame(
            [], [...array_filter($path->gaps(), static fn (array $gap): bool => $gap['gap'] <= 0.0), ...$path->crossings()],
        );
    }

    public function testTheArmStandsWhereItsBeltPutsIt(): void
    {
        $fit = self::fit();
        foreach ([126.0, 135.0, 143.0, 159.0] as $angle) {
            $place = $fit->place($fit->at($angle)->length);
            self::assertEqualsWithDelta($angle, $place->angle, 1e-4);
            self::assertEqualsWithDelta(100 * (160 - $angle) / 35, $place->travel, 1e-3);
            self::assertTrue($place->fits());
        }
        self::assertSame(TensionerFit::TooLong, $fit->place(1700)->take);
        self::assertSame(TensionerFit::TooShort, $fit->place(1400)->take);
        self::assertSame(TensionerFit::LongOfWindow, $fit->place($fit->at(165.0)->length)->take);
        self::assertSame(TensionerFit::ShortOfWindow, $fit->place($fit->at(120.0)->length)->take);
        self::assertSame(1, $fit->best([1555.0, 1570.0, 1585.0, 1700.0]));
        self::assertEqualsWithDelta((float) $fit->middle(), $fit->at(142.5)->length, 1e-9);
    }

    public function testAWindowMayBeGivenEitherWayRound(): void
    {
        $one = new Tensioner(0, 0, 60, 175, [160, 125]);
        $other = new Tensioner(0, 0, 60, 175, [125, 160]);
        self::assertSame([160.0, 125.0], [$other->near, $other->far]);
        self::assertSame($one->travel(140), $other->travel(140));
        self::assertFalse($one->turnsCounterClockwise());
        self::assertSame(105.0, $one->end());
        self::assertTrue((new Tensioner(0, 0, 60, 140, [160, 125]))->restsInWindow());
    }

    public function testAPointFromItsDistances(): void
    {
        $known = [[0.0, 0.0], [225.0, 150.0], [-176.0, 150.0]];
        $two = Trilateration::of([self::far($known[0]), self::far($known[1])], true);
        self::assertEqualsWithDelta([40.0, 330.0, 0.0], [$two->x, $two->y, $two->doubt], 1e-9);
        $other = Trilateration::of([self::far($known[0]), self::far($known[1])], false);
        self::assertGreaterThan(100.0, hypot($other->x - 40, $other->y - 330));
        $three = Trilateration::of(array_map(self::far(...), $known), true);
        self::assertEqualsWithDelta(0.0, $three->doubt, 1e-9);
        $off = Trilateration::of([self::far($known[0], 1.5), self::far($known[1], -1.0), self::far($known[2], 0.5)], true);
        self::assertGreaterThan(0.5, $off->doubt);
        self::assertLessThan(3.0, hypot($off->x - 40, $off->y - 330));
        self::assertCount(3, $off->residuals);
        // The residual is least: a step any way makes it larger.
        $square = static fn (float $x, float $y): float => array_sum(array_map(
            static fn (array $one, float $d): float => (hypot($one[0] - $x, $one[1] - $y) - hypot($one[0] - 40, $one[1] - 330) - $d) ** 2,
            $known, [1.5, -1.0, 0.5],
        ));
        foreach ([[0.01, 0.0], [-0.01, 0.0], [0.0, 0.01], [0.0, -0.01]] as [$dx, $dy]) {
            self::assertGreaterThan($square($off->x, $off->y), $square($off->x + $dx, $off->y + $dy));
        }
    }

    public function testDistancesThatDoNotMeetAreRefused(): void
    {
        $this->expectException(NoSuchPoint::class);
        $this->expectExceptionMessage('they are 300 mm apart');
        Trilateration::of([[0.0, 0.0, 100.0], [300.0, 0.0, 150.0]], true);
    }

    /**
     * @param array{float, float} $from
     *
     * @return array{float, float, float} how far a known point at 40, 330 is from there
     */
    private static function far(array $from, float $off = 0.0): array
    {
        return [$from[0], $from[1], hypot($from[0] - 40, $from[1] - 330) + $off];
    }

    private static function fit(): BeltFit
    {
        return BeltFit::of(self::drive(), 2, new Tensioner(169, 159, 61, 175, [160, 125]), BeltSection::common());
    }

    /** Each span begins and ends on the pitch circles of its two pulleys, square to their radii. */
    private static function ensureSpansTouch(BeltPath $path): void
    {
        foreach ($path->spans as $span) {
            foreach ([[$span->from, $span->start], [$span->to, $span->end]] as [$at, $point]) {
                $pulley = $path->pulleys[$at];
                [$dx, $dy] = [$point[0] - $pulley->x, $point[1] - $pulley->y];
                self::assertEqualsWithDelta($pulley->pitchRadius($path->section), hypot($dx, $dy), 1e-6);
                self::assertEqualsWithDelta(0.0, $dx * cos($span->way) + $dy * sin($span->way), 1e-6);
            }
        }
    }

    /** @return list<Pulley> */
    private static function drive(): array
    {
        return [
            new Pulley('crank', 0, 0, 152), new Pulley('alternator', 225, 150, 62), new Pulley('tensioner', 120, 196, 76, Side::Back),
            new Pulley('blower', 40, 330, 74), new Pulley('idler', -52, 214, 70, Side::Back), new Pulley('pump', -176, 150, 128),
        ];
    }

    /** @return list<Pulley> on an ellipse, so that each is touched */
    private static function ring(Randomizer $luck, int $count): array
    {
        $pulleys = [];
        [$wide, $tall] = [$luck->getInt(220, 420), $luck->getInt(220, 420)];
        for ($i = 0; $i < $count; ++$i) {
            $angle = 2 * \M_PI * ($i + $luck->getInt(-12, 12) / 100) / $count;
            $pulleys[] = new Pulley('p'.$i, $wide * cos($angle), $tall * sin($angle), $luck->getInt(50, 120));
        }

        return $pulleys;
    }

    /**
     * @param list<Pulley> $pulleys
     *
     * @return list<Pulley>
     */
    private static function withIdlers(Randomizer $luck, array $pulleys): array
    {
        $with = [];
        foreach ($pulleys as $i => $pulley) {
            $with[] = $pulley;
            $next = $pulleys[($i + 1) % count($pulleys)];
            if ($luck->getInt(0, 2) > 0) {
                $in = $luck->getInt(40, 75) / 100;
                $with[] = new Pulley(
                    'i'.$i, $in * ($pulley->x + $next->x) / 2, $in * ($pulley->y + $next->y) / 2, $luck->getInt(40, 80),
                    Side::Back,
                );
            }
        }

        return $with;
    }
}
