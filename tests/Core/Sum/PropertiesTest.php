<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sum;

use NimbleKnuckle\Core\Sum\Level;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\TestCase;

/** What must hold of the sums whatever the numbers: turned round they give back what went in, and more never gives less. */
final class PropertiesTest extends TestCase
{
    private const ROUNDS = 150;

    protected function setUp(): void
    {
        mt_srand(2026);
    }

    public function testTheWrenchSettingTurnsBackIntoTheTorque(): void
    {
        for ($i = 0; $i < self::ROUNDS; ++$i) {
            [$target, $lever, $adapter, $angle] = [$this->lot(2, 200), $this->lot(150, 600), $this->lot(5, 100), $this->lot(0, 180)];
            $out = $this->work('wrench-set', ['target' => $target, 'lever' => $lever, 'adapter' => $adapter, 'adapter_angle' => $angle]);
            self::assertEqualsWithDelta(
                $target, $out->number('setting') * ($lever + $adapter * cos(deg2rad($angle))) / $lever, 1e-9 * $target,
            );
            self::assertEqualsWithDelta($out->number('setting'), $target * $out->number('factor'), 1e-9 * $target);
        }
    }

    public function testThePartTurnGivesBackTheTorqueItStandsFor(): void
    {
        for ($i = 0; $i < 60; ++$i) {
            $grip = [
                'thread' => 'M8', 'grade' => '8.8', 'shank' => $this->lot(5, 30), 'threaded' => $this->lot(8, 30),
                'member' => 'aluminium', 'friction' => '0.12',
            ];
            $turn = $this->work('part-turn', $grip + ['target' => $this->lot(8, 24), 'snug' => 4]);
            $angle = $this->work('angle-tighten', $grip + ['snug' => 4, 'angle' => $turn->number('angle')]);
            self::assertEqualsWithDelta($turn->number('preload'), $angle->number('preload'), 0.002 * $turn->number('preload'));
        }
    }

    public function testMoreAngleMoreSnugAndLessGripAllMeanMorePreload(): void
    {
        for ($i = 0; $i < self::ROUNDS; ++$i) {
            $base = [
                'thread' => 'M10', 'grade' => '12.9', 'snug' => $this->lot(5, 20), 'angle' => $this->lot(10, 40),
                'shank' => $this->lot(10, 40), 'threaded' => $this->lot(10, 30), 'member' => 'steel', 'friction' => '0.12',
            ];
            $now = $this->work('angle-tighten', $base);
            self::assertGreaterThan(
                $now->number('added_preload'),
                $this->work('angle-tighten', ['angle' => $base['angle'] + 5] + $base)->number('added_preload'),
            );
            self::assertGreaterThan(
                $now->number('snug_preload'),
                $this->work('angle-tighten', ['snug' => $base['snug'] + 2] + $base)->number('snug_preload'),
            );
            self::assertLessThan(
                $now->number('added_preload'),
                $this->work('angle-tighten', ['threaded' => $base['threaded'] + 5] + $base)->number('added_preload'),
                'a longer bolt is a softer spring',
            );
            self::assertLessThan(
                $now->number('added_preload'),
                $this->work('angle-tighten', ['member' => 'aluminium'] + $base)->number('added_preload'), 'softer parts too',
            );
        }
    }

    public function testEngagementThatIsNeededIsJustEnough(): void
    {
        foreach (['M6', 'M8', 'M12x1.25', '3/8-16'] as $thread) {
            foreach (['aluminium casting', 'cast iron', 'steel'] as $material) {
                $in = ['thread' => $thread, 'grade' => '8.8', 'material' => $material, 'engagement' => 10];
                $needed = $this->work('thread-engagement', $in)->number('needed');
                $just = $this->work('thread-engagement', ['engagement' => $needed] + $in);
                self::assertEqualsWithDelta(1.25, $just->number('strip_force') / $just->number('bolt_force'), 1e-6, $thread.' '.$material);
                self::assertNotSame(Level::Stop, $this->work('thread-engagement', ['engagement' => 1.01 * $needed] + $in)->verdict);
                self::assertNotSame(Level::Ok, $this->work('thread-engagement', ['engagement' => 0.5 * $needed] + $in)->verdict);
            }
        }
    }

    public function testWhatIsMixedIsReadBackAndMixedAgainNeedsNothing(): void
    {
        for ($i = 0; $i < self::ROUNDS; ++$i) {
            $in = [
                'capacity' => $v = $this->lot(4, 14), 'drained' => $this->lot(0.4, 0.95) * $v, 'present' => $this->lot(20, 45),
                'target' => $this->lot(46, 55), 'product' => 100,
            ];
            $mix = $this->work('coolant-mix', $in);
            if (Level::Stop === $mix->verdict) {
                continue;
            }
            $again = $this->work('coolant-mix', ['present' => $mix->number('result')] + $in);
            self::assertEqualsWithDelta(
                $in['drained'] * $in['target'] / 100, $again->number('pour'), 1e-9, 'at strength only what was drained is replaced',
            );
            self::assertGreaterThan(
                $mix->number('pour'), $this->work('coolant-mix', ['target' => $in['target'] + 0.5] + $in)->number('pour') + 1e-12,
            );
        }
    }

    public function testVacuumIsInvertibleAndShallowerWhereItIsHighOrWarm(): void
    {
        for ($i = 0; $i < self::ROUNDS; ++$i) {
            $in = [
                'altitude' => $this->lot(0, 3000), 'temperature' => $this->lot(5, 60), 'volume' => $this->lot(4, 12),
                'pulled' => $this->lot(10, 60),
            ];
            $out = $this->work('vacuum-fill', $in);
            $air = 101.325 * (1 - 2.25577e-5 * $in['altitude']) ** 5.25588;
            self::assertEqualsWithDelta($in['pulled'], $air * (1 - $out->number('air_left') / $in['volume']), 1e-9);
            self::assertLessThan(
                $out->number('limit'), $this->work('vacuum-fill', ['altitude' => $in['altitude'] + 100] + $in)->number('limit'),
            );
            self::assertLessThan(
                $out->number('limit'), $this->work('vacuum-fill', ['temperature' => $in['temperature'] + 5] + $in)->number('limit'),
            );
            self::assertLessThan(
                $out->number('air_left'), $this->work('vacuum-fill', ['pulled' => $in['pulled'] + 5] + $in)->number('air_left'),
            );
            $byBarometer = $this->work('vacuum-fill', array_diff_key($in, ['altitude' => 1]) + ['barometer' => $air]);
            self::assertEqualsWithDelta($out->number('limit'), $byBarometer->number('limit'), 1e-9);
        }
    }

    public function testTheLevelGrowsWithVolumeHeatAndStrengthAndByPartsAsByTheWhole(): void
    {
        for ($i = 0; $i < self::ROUNDS; ++$i) {
            $in = [
                'volume' => $this->lot(3, 15), 'percent' => $this->lot(0, 60), 'cold' => $this->lot(-20, 30),
                'hot' => $this->lot(60, 110),
            ];
            $whole = $this->work('coolant-level', $in)->number('growth');
            $middle = ($in['cold'] + 60) / 2;
            $parts = $this->work('coolant-level', ['hot' => $middle] + $in)->number('growth') + $this->work(
                'coolant-level', ['cold' => $middle] + $in,
            )->number('growth');
            self::assertEqualsWithDelta($whole, $parts, 1e-12);
            self::assertEqualsWithDelta(
                2 * $whole, $this->work('coolant-level', ['volume' => 2 * $in['volume']] + $in)->number('growth'), 1e-12,
            );
            self::assertGreaterThan($whole, $this->work('coolant-level', ['percent' => $in['percent'] + 1] + $in)->number('growth'));
        }
    }

    public function testOilPoursMakeUpWhatIsMissingAndTheDipFollowsThePour(): void
    {
        for ($i = 0; $i < self::ROUNDS; ++$i) {
            $in = [
                'capacity' => $c = $this->lot(3, 9), 'filter' => 'changed', 'dip_mm' => $dip = $this->lot(2, 30),
                'litre_per_mm' => $perMm = $this->lot(0.02, 0.1), 'target_mm' => 20,
            ];
            $out = $this->work('oil-fill', $in);
            self::assertEqualsWithDelta($c, $out->number('first_pour') + $out->number('then'), 1e-9);
            $change = $out->has('draw_off') ? -$out->number('draw_off') : $out->number('top_up');
            self::assertEqualsWithDelta(20.0, $dip + $change / $perMm, 1e-9, 'after it the stick shows what is wanted');
            self::assertSame($dip > 20.0 + 1e-6, Level::Stop === $out->verdict);
        }
    }

    public function testTheFigureOfAWarmUpDoesNotDependOnWhenTheClockWasStarted(): void
    {
        $samples = [];
        for ($t = 0; $t < 900; $t += 6) {
            $samples[] = [(float) $t, min(18 + 0.14 * $t, 89.0)];
        }
        $out = $this->work('warm-up', ['samples' => $samples, 'opens' => 88]);
        $late = $this->work(
            'warm-up', ['samples' => array_map(static fn (array $s): array => [$s[0] + 3600, $s[1]], $samples), 'opens' => 88],
        );
        foreach (['opened_at', 'plateau', 'rate', 'opened_after'] as $name) {
            self::assertEqualsWithDelta($out->number($name), $late->number($name), 1e-6, $name);
        }
    }

    private function lot(float $low, float $high): float
    {
        return $low + ($high - $low) * mt_rand(0, 10_000) / 10_000;
    }

    /** @param array<string, mixed> $in */
    private function work(string $name, array $in): SumResult
    {
        return Doors::book()->run($name, $in);
    }
}
