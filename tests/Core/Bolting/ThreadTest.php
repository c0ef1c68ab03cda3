<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Bolting;

use NimbleKnuckle\Core\Bolting\BearingFace;
use NimbleKnuckle\Core\Bolting\Friction;
use NimbleKnuckle\Core\Bolting\Grade;
use NimbleKnuckle\Core\Bolting\Material;
use NimbleKnuckle\Core\Bolting\Preload;
use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Sum\InvalidInput;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(Thread::class)]
#[CoversClass(Preload::class)]
#[CoversClass(Friction::class)]
#[CoversClass(Grade::class)]
#[CoversClass(BearingFace::class)]
#[CoversClass(Material::class)]
final class ThreadTest extends TestCase
{
    #[DataProvider('stressAreas')]
    public function testStressAreaIsThatOfTheStandard(string $thread, float $area): void
    {
        self::assertEqualsWithDelta($area, Thread::parse($thread)->stressArea(), $area * 0.006);
    }

    /** @return iterable<string, array{string, float}> ISO 898-1 table; unified from ASME B1.1, in mm² */
    public static function stressAreas(): iterable
    {
        yield 'M6' => ['M6', 20.1];
        yield 'M8' => ['M8', 36.6];
        yield 'M8x1' => ['M8x1', 39.2];
        yield 'M10' => ['M10', 58.0];
        yield 'M10x1.25' => ['m10 x 1,25', 61.2];
        yield 'M12' => ['M12', 84.3];
        yield 'M16' => ['M16', 157.0];
        yield 'M24' => ['M24', 353.0];
        yield '5/16-18' => ['5/16-18 UNC', 0.0524 * 645.16];
        yield '5/16-24' => ['5/16-24', 0.0580 * 645.16];
        yield '1/2-13' => ['1/2 UNC', 0.1419 * 645.16];
        yield '#10-32' => ['#10-32', 0.0200 * 645.16];
    }

    public function testWritingAThreadInFullOrShortIsTheSame(): void
    {
        self::assertSame('M10x1.25', Thread::parse('M10×1.25')->name);
        self::assertSame('M10', Thread::parse('m10x1.5')->name);
        self::assertSame('5/16-18 UNC', Thread::parse('5/16-18')->name);
        self::assertSame('#10-32 UNF', Thread::parse('No 10-32')->name);
    }

    public function testUnifiedThreadsTakeTheirOwnStressArea(): void
    {
        // ASME B1.1 table 6, square inches.
        foreach ([
            '#6-32' => 0.00909, '#8-32' => 0.0140, '#10-24' => 0.0175, '1/4-20' => 0.0318, '1/4-28' => 0.0364, '3/8-16' => 0.0775,
            '1/2-20' => 0.1599, '3/4-10' => 0.334,
        ] as $thread => $inches) {
            self::assertEqualsWithDelta($inches, Thread::parse($thread)->stressArea() / 645.16, 0.0015 * $inches + 0.00005, $thread);
        }
        $thread = Thread::parse('3/8-16');
        self::assertEqualsWithDelta($thread->stressArea(), \M_PI / 4 * $thread->stressDiameter() ** 2, 1e-9);
    }

    public function testThreadsAreReadAsTheyAreWritten(): void
    {
        $same = [
            'M8' => ['8mm', '8 mm', 'm8', 'M8x1.25-6g', 'M8 x 1,25', 'M 8', 'M8-1.25', 'M8-6H', 'M8×1.25 mm'],
            'M10x1.25' => ['M10x1.25-6H', 'M10 × 1,25', 'M10*1.25'],
            '1/4-20 UNC' => ['1/4-20 UNC-2A', '¼-20', '1/4"-20', '1/4 x 20', '1/4 UNC', '1/4in-20', '1/4-20UNC-2B'],
            '1/2-13 UNC' => ['½-13', '1/2-13', '½ UNC', '½”-13'],
            '#10-32 UNF' => ['10-32', '#10-32 UNF-2B', 'No. 10-32', '# 10-32'],
            'G1/4' => ['1/4 BSP', 'BSP 1/4', '1/4" BSPP', 'G 1/4 A', '1/4 G', '¼ BSP', 'BSPP 1/4'],
        ];
        foreach ($same as $name => $writings) {
            foreach ($writings as $writing) {
                self::assertSame($name, Thread::parse($writing)->name, $writing);
            }
        }
        foreach (['M１0', '５/16-18', 'M8x１.25'] as $foreign) {
            try {
                Thread::parse($foreign);
                self::fail($foreign);
            } catch (InvalidInput $e) {
                self::assertStringContainsString('none of the digits 0 to 9', $e->getMessage());
            }
        }
    }

    #[DataProvider('noThreads')]
    public function testWhatIsNoThreadIsRefused(string $text): void
    {
        $this->expectException(InvalidInput::class);
        Thread::parse($text);
    }

    /** @return iterable<string, array{string}> */
    public static function noThreads(): iterable
    {
        foreach (['', 'M', 'M9', 'M8x3', 'M8x0', '5/16-19', '3/17-18', 'eight', 'M8x1.25x30', '#99-32', 'M100'] as $text) {
            yield '“'.$text.'”' => [$text];
        }
    }

    #[DataProvider('published')]
    public function testPreloadAndTorqueArePublishedOnes(
        string $thread, string $grade, float $mu, float $share, float $kilonewtons, float $newtonMetres,
    ): void {
        $t = Thread::parse($thread);
        $preload = new Preload($t, Grade::parse($grade), BearingFace::hexagon($t));
        $force = $preload->atShareOfYield(Share::ofOne($share), $mu);
        self::assertEqualsWithDelta($kilonewtons, $force->kilonewtons(), 0.006);
        self::assertEqualsWithDelta($newtonMetres, $preload->torqueFor($force, $mu, $mu)->newtonMetres, 0.06);
        self::assertEqualsWithDelta(
            $force->newtons, $preload->fromTorque($preload->torqueFor($force, $mu, $mu), $mu, $mu)->newtons, 1e-6,
        );
    }

    /** @return iterable<string, array{string, string, float, float, float, float}> VDI 2230-1 */
    public static function published(): iterable
    {
        yield 'M8 8.8 at 0.14' => ['M8', '8.8', 0.14, 0.9, 18.13, 27.3];
        yield 'M10 8.8 at 0.12' => ['M10', '8.8', 0.12, 0.9, 29.60, 48.5];
    }

    public function testMoreFrictionMeansMoreTorqueForLessPreload(): void
    {
        foreach (['M6', 'M8', 'M12', '3/8-16'] as $name) {
            $t = Thread::parse($name);
            $preload = new Preload($t, Grade::C109, BearingFace::hexagon($t));
            $lastForce = \INF;
            $lastTorque = 0.0;
            for ($mu = 0.05; $mu < 0.4; $mu += 0.01) {
                self::assertLessThan($lastForce, $lastForce = $preload->atShareOfYield(Share::whole(), $mu)->newtons);
                self::assertGreaterThan($lastTorque, $lastTorque = $preload->yieldTorque($mu, $mu)->newtonMetres);
            }
        }
    }

    public function testFrictionByNameNumberOrTwoNumbers(): void
    {
        self::assertSame(0.10, Friction::parse('Oiled')->low);
        self::assertSame(0.24, Friction::parse('dry')->high);
        self::assertSame(0.08, Friction::parse('anti seize')->low);
        self::assertSame(0.14, Friction::parse('0,14')->typical);
        self::assertSame(0.16, Friction::parse('0.12 / 0.16')->head(0.12));
        $this->expectException(InvalidInput::class);
        Friction::parse('1.9');
    }

    public function testGradesAndMaterialsByTheirOtherNames(): void
    {
        self::assertSame(Grade::J8, Grade::parse('Grade 8'));
        self::assertSame(Grade::A270, Grade::parse('a2 70'));
        self::assertSame(Material::AluminiumCasting, Material::parse('Aluminum casting'));
        $this->expectException(InvalidInput::class);
        Grade::parse('9.8');
    }
}
