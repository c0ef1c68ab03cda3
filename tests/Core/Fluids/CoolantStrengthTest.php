<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Fluids;

use NimbleKnuckle\Core\Fluids\CoolantStrength;
use NimbleKnuckle\Core\Fluids\Glycol;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(CoolantStrength::class)]
#[CoversClass(Glycol::class)]
final class CoolantStrengthTest extends TestCase
{
    /** The rows themselves, and one between two of them: −18 °C lies 0.1 of 4.4 K behind the row of 32.6 %. */
    #[DataProvider('readings')]
    public function testAFreezingPointIsAStrength(string $text, Glycol $base, float $percent): void
    {
        self::assertEqualsWithDelta($percent, CoolantStrength::read($text, $base)->figure->value(), 0.02);
    }

    /** @return iterable<string, array{string, Glycol, float}> */
    public static function readings(): iterable
    {
        yield '-18 °C' => ['-18 °C', Glycol::Ethylene, 32.6 + 4.9 * 0.1 / 4.4];
        yield 'with a true minus' => ['−18 °C', Glycol::Ethylene, 32.6 + 4.9 * 0.1 / 4.4];
        yield 'in Fahrenheit' => ['-0.4 °F', Glycol::Ethylene, 32.6 + 4.9 * 0.1 / 4.4];
        yield 'a row of ethylene' => ['-33.8 C', Glycol::Ethylene, 47.5];
        yield 'a row of propylene' => ['-33.5 °C', Glycol::Propylene, 49.9];
        yield 'plain water' => ['0 °C', Glycol::Ethylene, 0.0];
        yield 'the last row' => ['-48.3 °C', Glycol::Ethylene, 57.8];
        yield 'in percent it is what it says' => ['32 %', Glycol::Propylene, 32.0];
        yield 'half and half' => ['50/50', Glycol::Ethylene, 50.0];
    }

    #[DataProvider('refused')]
    public function testWhatIsNoneIsRefused(string $text, string $hint): void
    {
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessageMatches('~'.$hint.'~');
        CoolantStrength::read($text, Glycol::Ethylene);
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'above freezing' => ['20 °C', 'no freezing point of ethylene glycol'];
        yield 'colder than any mix' => ['-60 °C', 'between 0 and −48.3 °C'];
        yield 'no unit' => ['-18', 'below zero'];
        yield 'a word' => ['blue', 'is not a percent'];
    }

    public function testTheSumsTakeEither(): void
    {
        $book = Doors::book();
        $mix = ['capacity' => 6.4, 'drained' => 4.1, 'target' => '50 %', 'product' => 100];
        $asPercent = $book->run('coolant-mix', $mix + ['present' => 47.5]);
        self::assertEqualsWithDelta(
            $asPercent->number('pour'), $book->run('coolant-mix', $mix + ['present' => '-33.8 °C'])->number('pour'), 1e-9,
        );
        $propylene = $book->run('coolant-mix', $mix + ['present' => '-33.5 °C', 'base' => 'pg']);
        self::assertEqualsWithDelta(
            $book->run('coolant-mix', $mix + ['present' => 49.9])->number('pour'), $propylene->number('pour'), 1e-9,
        );
        self::assertSame('Strength by its freezing point', $propylene->working[0]->label);
        self::assertEqualsWithDelta(
            -33.8, $book->run('coolant-protect', ['base' => 'eg', 'percent' => '-33.8 °C'])->number('freeze'), 1e-9,
        );
    }
}
