<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Tightening;

use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Tightening\Door\WrenchSet;
use NimbleKnuckle\Core\Tightening\WrenchDrawing;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\TestCase;

#[CoversClass(WrenchSet::class)]
#[CoversClass(WrenchDrawing::class)]
final class WrenchSetTest extends TestCase
{
    public function testACrowFootStraightOutLowersTheSetting(): void
    {
        $result = $this->set(['target' => '9 N·m', 'lever' => '220 mm', 'adapter' => '32 mm']);
        self::assertEqualsWithDelta(9 * 220 / 252, $result->number('setting'), 1e-12);
        self::assertEqualsWithDelta(220 / 252, $result->number('factor'), 1e-12);
    }

    public function testSquareChangesNothingAndFoldedBackRaises(): void
    {
        self::assertEqualsWithDelta(
            30.0, $this->set(['target' => 30, 'lever' => 300, 'adapter' => 40, 'adapter_angle' => 90])->number('setting'), 1e-9,
        );
        self::assertEqualsWithDelta(
            30 * 300 / 260,
            $this->set(['target' => 30, 'lever' => 300, 'adapter' => 40, 'adapter_angle' => 180])->number('setting'), 1e-9,
        );
        $plain = $this->set(['target' => 30, 'lever' => 300, 'adapter' => 0]);
        self::assertSame(30.0, $plain->number('setting'));
        self::assertStringContainsString('straight extension', $plain->headline());
    }

    public function testTheSettingRisesWithTheAngleAndNotWithTheUnit(): void
    {
        $last = 0.0;
        for ($angle = 0; $angle <= 180; $angle += 5) {
            $setting = $this->set(['target' => 25, 'lever' => 350, 'adapter' => 45, 'adapter_angle' => $angle])->number('setting');
            self::assertGreaterThan($last, $setting);
            $last = $setting;
        }
        self::assertEqualsWithDelta(
            $this->set(['target' => '18.4390 lbf·ft', 'lever' => '12 in', 'adapter' => '1 1/2 in'])->number('setting'),
            $this->set(['target' => 25.0, 'lever' => 304.8, 'adapter' => 38.1])->number('setting'),
            1e-3,
        );
    }

    public function testABentJointIsSaidToBe(): void
    {
        $base = ['target' => 25, 'lever' => 350, 'adapter' => 0];
        self::assertSame(Level::Ok, $this->set($base + ['joint_angle' => 15])->verdict);
        self::assertSame(Level::Watch, $this->set($base + ['joint_angle' => '16°'])->verdict);
        self::assertSame(Level::Stop, $this->set($base + ['joint_angle' => 31])->verdict);
    }

    public function testAnAdapterThatReachesTheHandIsRefused(): void
    {
        $this->expectException(InvalidInput::class);
        $this->set(['target' => 25, 'lever' => 100, 'adapter' => 98, 'adapter_angle' => 180]);
    }

    public function testTheDrawingIsToScale(): void
    {
        $drawing = WrenchDrawing::of(220, 32, 90);
        self::assertEqualsWithDelta(0.0, $drawing->boltX, 1e-9);
        self::assertEqualsWithDelta(-32.0, $drawing->boltY, 1e-9);
        self::assertGreaterThan($drawing->boltY + 32, $drawing->frame->height);
    }

    /** @param array<string, mixed> $raw */
    private function set(array $raw): SumResult
    {
        return Doors::book()->run('wrench-set', $raw);
    }
}
