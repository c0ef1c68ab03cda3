<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bolting;

use NimbleKnuckle\Core\Bolting\BearingFace;
use NimbleKnuckle\Core\Bolting\Grade;
use NimbleKnuckle\Core\Bolting\Member;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Sum\InvalidInput;
use PHPUnit\Framework\TestCase;

/** The tables row by row: against the rule they were made by, or against what another page of the standard says of the same thing. */
final class TablesTest extends TestCase
{
    /** Threads an inch, as ASME B1.1 names the sizes. */
    private const UNC = '#6-32 #8-32 #10-24 #12-24 1/4-20 5/16-18 3/8-16 7/16-14 1/2-13 9/16-12 5/8-11 3/4-10';
    private const UNF = '#6-40 #8-36 #10-32 #12-28 1/4-28 5/16-24 3/8-24 7/16-20 1/2-20 9/16-18 5/8-18 3/4-16';
    /** Tensile stress areas in square inches, ASME B1.1. */
    private const UNC_AREAS = '.00909 .0140 .0175 .0242 .0318 .0524 .0775 .1063 .1419 .182 .226 .334';
    private const UNF_AREAS = '.01015 .01474 .0200 .0258 .0364 .0580 .0878 .1187 .1599 .203 .256 .373';
    /** ISO 898-1: coarse pitch and stress area, mm². */
    private const COARSE = [
        3 => [0.5, 5.03], 4 => [0.7, 8.78], 5 => [0.8, 14.2], 6 => [1.0, 20.1], 7 => [1.0, 28.9], 8 => [1.25, 36.6], 10 => [1.5, 58.0],
        12 => [1.75, 84.3], 14 => [2.0, 115.0], 16 => [2.0, 157.0], 18 => [2.5, 192.0], 20 => [2.5, 245.0], 22 => [2.5, 303.0],
        24 => [3.0, 353.0],
    ];
    /** ISO 261, fine. */
    private const FINE = 'M3x0.35 M4x0.5 M5x0.5 M6x0.75 M7x0.75 M8x1 M8x0.75 M10x1.25 M10x1 M10x0.75 M12x1.5 M12x1.25 M12x1 M14x1.5 '
        .'M14x1.25 M14x1 M16x1.5 M16x1 M18x2 M18x1.5 M18x1 M20x2 M20x1.5 M20x1 M22x2 M22x1.5 M22x1 M24x2 M24x1.5 M24x1';
    /** ISO 228-1 from the inch: major diameter in inches, threads an inch. */
    private const PIPE = [
        'G1/8' => [0.383, 28], 'G1/4' => [0.518, 19], 'G3/8' => [0.656, 19], 'G1/2' => [0.825, 14], 'G5/8' => [0.902, 14],
        'G3/4' => [1.041, 14], 'G7/8' => [1.189, 14], 'G1' => [1.309, 11],
    ];
    /** Widths across flats, ISO 272; clearance holes, ISO 273 medium. */
    private const FLATS = [
        3 => [5.5, 3.4], 4 => [7.0, 4.5], 5 => [8.0, 5.5], 6 => [10.0, 6.6], 7 => [11.0, 7.6], 8 => [13.0, 9.0], 10 => [16.0, 11.0],
        12 => [18.0, 13.5], 14 => [21.0, 15.5], 16 => [24.0, 17.5], 18 => [27.0, 20.0], 20 => [30.0, 22.0], 22 => [34.0, 24.0],
        24 => [36.0, 26.0],
    ];
    /** Heads of socket screws, ISO 4762. */
    private const SOCKETS = [
        3 => 5.5, 4 => 7.0, 5 => 8.5, 6 => 10.0, 8 => 13.0, 10 => 16.0, 12 => 18.0, 14 => 21.0, 16 => 24.0, 18 => 27.0, 20 => 30.0,
        22 => 33.0, 24 => 36.0,
    ];
    /** Width across flats of unified hexagons and normal clearance holes, inches: ASME B18.2.1 and B18.2.8. */
    private const INCH_FLATS = [
        '#6' => [1 / 4, 0.1535], '#8' => [1 / 4, 0.177], '#10' => [5 / 16, 0.2047], '#12' => [5 / 16, 0.2323], '1/4' => [7 / 16, 9 / 32],
        '5/16' => [1 / 2, 11 / 32], '3/8' => [9 / 16, 13 / 32], '7/16' => [5 / 8, 15 / 32], '1/2' => [3 / 4, 9 / 16],
        '9/16' => [13 / 16, 5 / 8], '5/8' => [15 / 16, 11 / 16], '3/4' => [9 / 8, 13 / 16],
    ];

    public function testMetricThreads(): void
    {
        foreach (self::COARSE as $size => [$pitch, $area]) {
            $thread = Thread::parse('M'.$size);
            self::assertSame([(float) $size, $pitch], [$thread->diameter, $thread->pitch]);
            self::assertEqualsWithDelta($area, $thread->stressArea(), 0.005 * $area, $thread->name);
        }
        $all = array_map(static fn (Thread $one): string => $one->name, Thread::all());
        $coarse = array_map(static fn (int $size): string => 'M'.$size, array_keys(self::COARSE));
        self::assertEqualsCanonicalizing(
            [...$coarse, ...explode(' ', self::FINE)], array_values(array_filter($all, static fn (string $one): bool => 'M' === $one[0])),
        );
        foreach (explode(' ', self::FINE) as $name) {
            self::assertSame($name, 'M'.implode('x', [Thread::parse($name)->diameter, Thread::parse($name)->pitch]));
        }
        self::assertCount(count($coarse) + substr_count(self::FINE, ' ') + 1 + 24 + count(self::PIPE), $all);
    }

    public function testUnifiedThreads(): void
    {
        foreach ([['UNC', self::UNC, self::UNC_AREAS], ['UNF', self::UNF, self::UNF_AREAS]] as [$series, $sizes, $areas]) {
            $areas = explode(' ', $areas);
            foreach (explode(' ', $sizes) as $i => $size) {
                $thread = Thread::parse($size.' '.$series);
                [$name, $turns] = explode('-', $size);
                $inch = '#' === $name[0] ? 0.060 + 0.013 * (int) substr($name, 1)
                    : (int) explode('/', $name)[0] / (int) explode('/', $name)[1];
                self::assertEqualsWithDelta(25.4 * $inch, $thread->diameter, 1e-9, $size);
                self::assertEqualsWithDelta(25.4 / (int) $turns, $thread->pitch, 1e-9, $size);
                self::assertEqualsWithDelta((float) $areas[$i] * 25.4 ** 2, $thread->stressArea(), 0.006 * $thread->stressArea(), $size);
                self::assertSame([false, true, false], [$thread->isMetric(), $thread->isUnified(), $thread->isPipe()]);
                self::assertSame($thread->name, Thread::parse($size)->name, 'by its turns alone');
                self::assertSame($thread->name, Thread::parse($name.' '.$series)->name, 'by its series alone');
            }
        }
    }

    public function testPipeThreads(): void
    {
        foreach (self::PIPE as $name => [$inch, $turns]) {
            $thread = Thread::parse($name);
            self::assertEqualsWithDelta(25.4 * $inch, $thread->diameter, 0.012, $name);
            self::assertEqualsWithDelta(25.4 / $turns, $thread->pitch, 1e-9, $name);
            self::assertSame([false, false, true], [$thread->isMetric(), $thread->isUnified(), $thread->isPipe()]);
        }
    }

    /** From the height of the triangle itself: 60° cut off by an eighth and a quarter, 55° by a sixth at either end. */
    public function testTheProfileFollowsFromItsTriangle(): void
    {
        foreach (Thread::all() as $thread) {
            $high = $thread->pitch / 2 / tan(deg2rad($thread->isPipe() ? 27.5 : 30.0));
            $pitch = $thread->isPipe() ? 2 * $high / 3 : 3 * $high / 4;
            $root = $thread->isPipe() ? 4 * $high / 3 : 17 * $high / 12;
            $minor = $thread->isPipe() ? $root : 5 * $high / 4;
            self::assertEqualsWithDelta($thread->diameter - $pitch, $thread->pitchDiameter(), 1e-5 * $thread->diameter, $thread->name);
            self::assertEqualsWithDelta($thread->diameter - $root, $thread->rootDiameter(), 1e-5 * $thread->diameter, $thread->name);
            self::assertEqualsWithDelta($thread->diameter - $minor, $thread->minorDiameter(), 1e-5 * $thread->diameter, $thread->name);
            self::assertEqualsWithDelta(\M_PI / 4 * $thread->stressDiameter() ** 2, $thread->stressArea(), 1e-6 * $thread->stressArea());
            $all = \M_PI * $thread->diameter * 12.5;
            self::assertEqualsWithDelta(7 / 8, $thread->internalShearArea(12.5) / $all, 1e-9, 'of the cylinder over its crests');
            self::assertEqualsWithDelta(
                3 / 4, $thread->externalShearArea(12.5) / $all * $thread->diameter / $thread->minorDiameter(), 1e-9, 'of the nut’s bore',
            );
        }
    }

    /** A washer face stands a millimetre or two inside the flats, and nothing rests on the hole. */
    public function testTheRingUnderAMetricHead(): void
    {
        foreach (self::FLATS as $size => [$flats, $hole]) {
            $thread = Thread::parse('M'.$size);
            $face = BearingFace::hexagon($thread);
            self::assertSame($hole, $face->hole, $thread->name);
            self::assertGreaterThan($flats < 22 ? 0.9 : 1.4, $flats - $face->outer, $thread->name);
            self::assertLessThan($flats < 22 ? 1.4 : 2.5, $flats - $face->outer, $thread->name);
            self::assertEqualsWithDelta(($face->outer + $face->hole) / 2, $face->meanDiameter(), 1e-12);
        }
        foreach ([5, 6, 8, 10, 12, 14, 16, 20] as $size) {
            $face = BearingFace::under('flange', Thread::parse('M'.$size));
            self::assertEqualsWithDelta(2 * $size, $face->outer, 0.045 * $size, 'a flange is twice the bolt');
            self::assertSame(self::FLATS[$size][1], $face->hole);
        }
        foreach (self::SOCKETS as $size => $head) {
            $face = BearingFace::under('socket', Thread::parse('M'.$size));
            self::assertGreaterThan(0.35, $head - $face->outer, 'M'.$size);
            self::assertLessThan(1.25, $head - $face->outer, 'M'.$size);
        }
        foreach (['flange' => [3, 4, 7, 18, 22, 24], 'socket' => [7]] as $head => $sizes) {
            foreach ($sizes as $size) {
                try {
                    BearingFace::under($head, Thread::parse('M'.$size));
                    self::fail($head.' M'.$size);
                } catch (InvalidInput $e) {
                    self::assertSame('head', $e->field);
                }
            }
        }
    }

    public function testTheRingUnderAUnifiedHeadAndAPlug(): void
    {
        foreach (self::INCH_FLATS as $size => [$flats, $hole]) {
            $thread = Thread::parse($size.' UNC');
            $face = BearingFace::hexagon($thread);
            self::assertEqualsWithDelta(0.95 * 25.4 * $flats, $face->outer, 0.008, $size);
            self::assertEqualsWithDelta(25.4 * $hole, $face->hole, 0.006, $size);
            self::assertEqualsWithDelta(2 * $thread->diameter, BearingFace::under('flanged', $thread)->outer, 1e-9);
            self::assertEqualsWithDelta(1.425 * $thread->diameter, BearingFace::under('cap', $thread)->outer, 1e-9);
        }
        $collars = [
            'G1/8' => 14.0, 'G1/4' => 18.0, 'G3/8' => 22.0, 'G1/2' => 26.0, 'G5/8' => 28.0, 'G3/4' => 32.0, 'G7/8' => 36.0, 'G1' => 39.0,
        ];
        foreach ($collars as $size => $collar) {
            $face = BearingFace::hexagon(Thread::parse($size));
            self::assertSame([$collar, Thread::parse($size)->diameter], [$face->outer, $face->hole], $size);
        }
    }

    /** The first figure of a property class is a hundredth of its strength, the second what share of it is its yield (ISO 898-1). */
    public function testGradesSayTheirOwnStrength(): void
    {
        foreach (['4.6', '5.6', '5.8', '8.8', '10.9', '12.9'] as $class) {
            [$strength, $share] = explode('.', $class);
            $grade = Grade::parse($class);
            self::assertGreaterThanOrEqual(100 * (int) $strength, $grade->tensileStrength(), $class);
            self::assertLessThanOrEqual(104 * (int) $strength, $grade->tensileStrength(), $class);
            self::assertGreaterThanOrEqual(10 * (int) $strength * (int) $share, $grade->yieldStress(), $class);
            self::assertLessThanOrEqual(10.5 * (int) $strength * (int) $share, $grade->yieldStress(), $class);
        }
        // Stainless by its name (ISO 3506-1), SAE J429 in ksi, aluminium AL4 (EN 28839).
        $others = ['A2-70' => [700.0, 450.0], 'A4-80' => [800.0, 600.0], 'aluminium' => [420.0, 290.0]];
        foreach (['SAE 2' => [74, 57], 'SAE 5' => [120, 92], 'SAE 8' => [150, 130]] as $name => $ksi) {
            $others[$name] = array_map(static fn (int $one): float => round(6.894757 * $one), $ksi);
        }
        foreach ($others as $name => [$strength, $yield]) {
            self::assertSame([$strength, $yield], [Grade::parse($name)->tensileStrength(), Grade::parse($name)->yieldStress()], $name);
        }
        foreach (Grade::cases() as $grade) {
            self::assertSame(Grade::Aluminium === $grade ? 71_000.0 : 207_000.0, $grade->modulus());
        }
    }

    /** A cone of 30° through two like plates (Shigley, 8-5): what the fitted curve stands for, to a few parts in a hundred. */
    public function testAMemberIsAsStiffAsTheConesUnderItsHead(): void
    {
        foreach ([[Member::Steel, 207.0], [Member::Aluminium, 71.0], [Member::CastIron, 100.0]] as [$member, $modulus]) {
            foreach ([[8.0, 16.0], [10.0, 25.0], [12.0, 24.0], [6.0, 15.0]] as [$d, $grip]) {
                $cone = 0.5774 * \M_PI * 1000 * $modulus * $d / (2 * log(5 * (0.5774 * $grip + 0.5 * $d) / (0.5774 * $grip + 2.5 * $d)));
                self::assertEqualsWithDelta(1.0, $member->stiffness($d, $grip)->value / $cone, 0.07, $member->value.' '.$d.' '.$grip);
            }
        }
    }
}
