<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\ChainDrive;

use NimbleKnuckle\Core\ChainDrive\ChainFault;
use NimbleKnuckle\Core\ChainDrive\ChainTravel;
use NimbleKnuckle\Core\ChainDrive\Door\ChainTravelSum;
use NimbleKnuckle\Core\ChainDrive\PlungerDrawing;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\SumResult;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Tensioner or chain: the plunger’s travel decides, then whether it holds its oil. */
#[CoversClass(ChainTravel::class)]
#[CoversClass(ChainTravelSum::class)]
#[CoversClass(PlungerDrawing::class)]
final class ChainTravelTest extends TestCase
{
    /** @return iterable<string, array{float, ?float, bool, ChainFault}> */
    public static function cases(): iterable
    {
        yield 'fresh' => [3.0, 0.5, false, ChainFault::None];
        yield 'not timed' => [3.0, null, false, ChainFault::None];
        yield 'at the limit' => [12.0, null, false, ChainFault::ChainSoon];
        yield 'just past it' => [12.001, null, false, ChainFault::Chain];
        yield 'past it, whatever the oil does' => [13.0, 9.0, true, ChainFault::Chain];
        yield 'near it' => [10.2, 1.0, false, ChainFault::ChainSoon];
        yield 'not near it' => [10.19, 1.0, false, ChainFault::None];
        yield 'rattles for three seconds' => [6.0, 3.0, false, ChainFault::None];
        yield 'rattles on' => [6.0, 3.01, false, ChainFault::Tensioner];
        yield 'sinks' => [6.0, null, true, ChainFault::Tensioner];
        yield 'near it and sinks' => [11.0, null, true, ChainFault::Tensioner];
    }

    #[DataProvider('cases')]
    public function testWhatIsAtFault(float $travel, ?float $rattle, bool $sinks, ChainFault $fault): void
    {
        $chain = ChainTravel::of(Length::millimetres($travel), Length::millimetres(12.0), $rattle, $sinks);
        self::assertSame($fault, $chain->fault);
        self::assertEqualsWithDelta(12.0 - $travel, $chain->left->millimetres, 1e-12);
    }

    public function testTheDoorSaysWhatToDo(): void
    {
        self::assertSame('stop', self::answer(['travel' => 13, 'limit' => 12])->verdict->value);
        self::assertTrue(self::answer(['travel' => 5, 'limit' => 12])->hasCheck('not-timed'));
        self::assertTrue(self::answer(['travel' => 5, 'limit' => 12, 'rattle' => 1.1])->hasCheck('late'));
        self::assertFalse(self::answer(['travel' => 5, 'limit' => 12, 'rattle' => 1])->hasCheck('late'));
        // A bare number is seconds, not the minutes a duration is kept in.
        self::assertTrue(self::answer(['travel' => 5, 'limit' => 12, 'rattle' => 4])->hasCheck('tensioner'));
        self::assertTrue(self::answer(['travel' => 5, 'limit' => 12, 'rattle' => '0,1 min'])->hasCheck('tensioner'));
        self::assertTrue(self::answer(['travel' => 5, 'limit' => 12, 'rattle' => '0,5'])->hasCheck('sound'));
        self::assertEqualsWithDelta(62.5, self::answer(['travel' => 7.5, 'limit' => 12])->number('share'), 1e-9);
    }

    public function testAnImpossibleTimeIsRefusedInSeconds(): void
    {
        $this->expectExceptionMessage('601 s is outside 0 to 600 s');
        self::answer(['travel' => 5, 'limit' => 12, 'rattle' => 601]);
    }

    public function testALimitOfNothingIsRefused(): void
    {
        $this->expectException(InvalidInput::class);
        self::answer(['travel' => 5, 'limit' => 0]);
    }

    public function testThePlungerIsDrawnToScaleWithItsLimit(): void
    {
        $at = static fn (float $mm): PlungerDrawing => PlungerDrawing::of(
            ChainTravel::of(Length::millimetres($mm), Length::millimetres(12.0), null, false), 12.0,
        );
        self::assertEqualsWithDelta($at(6.0)->limit - $at(6.0)->tip, $at(6.0)->tip - $at(6.0)->from, 1e-9);
        self::assertFalse($at(12.0)->isPast);
        self::assertTrue($at(12.1)->isPast);
        self::assertGreaterThan($at(12.0)->limit, $at(13.0)->tip);
        self::assertLessThan(640.0, $at(90.0)->tip, 'it stays inside its frame');
    }

    /** @param array<string, mixed> $raw */
    private static function answer(array $raw): SumResult
    {
        $sum = new ChainTravelSum();

        return $sum->compute(Inputs::of($raw, $sum->about()->fields()));
    }
}
