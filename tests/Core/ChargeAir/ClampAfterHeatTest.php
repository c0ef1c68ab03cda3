<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\ChargeAir;

use NimbleKnuckle\Core\ChargeAir\BandClamp;
use NimbleKnuckle\Core\ChargeAir\ClampAfterHeat;
use NimbleKnuckle\Core\ChargeAir\ClampDrawing;
use NimbleKnuckle\Core\ChargeAir\Door\ClampHeatSum;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Quantity\Temperature;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** A clamp that is set again after heat. */
#[CoversClass(ClampAfterHeat::class)]
#[CoversClass(ClampDrawing::class)]
#[CoversClass(ClampHeatSum::class)]
final class ClampAfterHeatTest extends TestCase
{
    /** Walked round the band instead: two circles whose radii differ by what the wall gave way. */
    public function testTheBandIsShorterByTheDifferenceOfTwoCircles(): void
    {
        $set = self::set(137.0, 4.0);
        $before = 2 * \M_PI * 33.0;
        self::assertEqualsWithDelta($set->drawn->value, $before - 2 * \M_PI * (33.0 - $set->gave->value), 1e-9);
        self::assertEqualsWithDelta($set->gave->value, 4.0 * $set->share->value, 1e-12);
    }

    /** Set warm and cooled, or the screw turned back by what it says: the same band. */
    public function testWhatCoolsIsSaidInDegreesOfItsScrew(): void
    {
        foreach ([25.0, 60.0, 110.0] as $warm) {
            $set = self::set(90.0, 5.0, $warm);
            self::assertEqualsWithDelta($set->slack->value, 3.2 * $set->shortCold()->degrees / 360, 1e-9);
            self::assertGreaterThan($set->slack->value, self::set(90.0, 5.0, $warm, 'silicone')->slack->value);
        }
        $cold = self::set(150.0, 5.0);
        $short = self::set(150.0, 5.0, 60.0)->shortCold()->degrees;
        self::assertEqualsWithDelta(
            $cold->gave->value, self::set(150.0 - $short, 5.0, 60.0)->gave->value, 1e-9, 'set warm it turns less far, for the same wall',
        );
        self::assertSame(0.0, self::set(90.0, 5.0, -10.0)->slack->value, 'set colder than cold nothing comes loose');
    }

    /** On either side of each edge, of a wall of 4 mm and a lead of 3.2 mm: 56.55° is two percent, 282.74° ten, 565.49° twenty. */
    #[TestWith([0, 'settled'])]
    #[TestWith([56.5, 'settled'])]
    #[TestWith([56.6, 'usual'])]
    #[TestWith([282.7, 'usual'])]
    #[TestWith([282.8, 'soft'])]
    #[TestWith([565.4, 'soft'])]
    #[TestWith([565.6, 'gives-way'])]
    public function testWhatTheTurnSays(float $turn, string $code): void
    {
        self::assertSame($code, self::answer(['turn' => $turn, 'wall' => 4])->checks[0]->code);
    }

    public function testSetWarmItIsSaidToComeLoose(): void
    {
        $codes = static fn (float $warm): array => array_column(self::answer(['warm' => $warm, 'hose' => 'epdm'])->checks, 'code');
        self::assertNotContains('warm', $codes(20));
        self::assertNotContains('warm', $codes(31));
        self::assertContains('warm', $codes(34));
        self::assertFalse(self::answer([])->has('lost'));
    }

    public function testWhatWasLostGoesByTheTwoPulls(): void
    {
        self::assertEqualsWithDelta(0.3, self::answer(['screw_torque' => 5, 'found' => 3.5])->number('lost'), 1e-9);
        $stuck = self::answer(['screw_torque' => 5, 'found' => 7]);
        self::assertSame(0.0, $stuck->number('lost'), 'a screw that sticks has not gained any');
        self::assertNotContains('lost', array_column($stuck->checks, 'code'));
    }

    public function testAClampAtItsEndHoldsNothing(): void
    {
        self::assertSame('stop', self::answer(['over' => 59.9, 'smallest' => 60])->verdict->value);
        self::assertSame('ok', self::answer(['over' => 60, 'smallest' => 60])->verdict->value);
    }

    /** @param array<string, mixed> $with */
    #[TestWith(['clamp', ['clamp' => 'spring']])]
    #[TestWith(['turn', ['turn' => 1080, 'wall' => 1.5]])]
    #[TestWith(['screw', ['clamp' => 't-bolt', 'screw' => 'a big one']])]
    #[TestWith(['wall', ['wall' => 1.4]])]
    public function testWhatIsRefusedSaysItsField(string $field, array $with): void
    {
        try {
            self::answer($with);
            self::fail('It was taken.');
        } catch (InvalidInput $e) {
            self::assertSame($field, $e->field);
        }
    }

    public function testTheDrawingIsToScaleWithItself(): void
    {
        foreach ([[2.0, 0.4, 45.0], [4.5, 0.13, 90.0], [12.0, 1.0, 700.0]] as [$wall, $gave, $turn]) {
            $drawn = ClampDrawing::of(Length::millimetres($wall), Length::millimetres($gave), Angle::degrees($turn));
            self::assertEqualsWithDelta($gave / $wall, $drawn->gave / $drawn->wall, 1e-9);
            self::assertEqualsWithDelta(12.0 / $wall, $drawn->band() / $drawn->wall, 1e-9);
            self::assertLessThanOrEqual(130.0 + 1e-9, $drawn->wall);
            self::assertLessThanOrEqual(300.0 + 1e-9, $drawn->band());
            self::assertSame($turn > 180.0, str_contains($drawn->arc, ' 0 1 1 '), 'the long way round');
        }
    }

    private static function set(float $turn, float $wall, float $warm = 20.0, string $rubber = 'epdm'): ClampAfterHeat
    {
        return ClampAfterHeat::of(
            Angle::degrees($turn), BandClamp::Worm->lead(1.0), Length::millimetres($wall), Temperature::celsius($warm),
            ClampAfterHeat::GROWTH[$rubber],
        );
    }

    /** @param array<string, mixed> $with */
    private static function answer(array $with): SumResult
    {
        return Doors::book()->run('clamp-heat', $with + ['turn' => 90, 'clamp' => 'worm']);
    }
}
