<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Quantity;

use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Numbers written out, and fractions of one sign: what each is in turns. */
final class WordsTest extends TestCase
{
    private const COUNT = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
    private const PARTS = [2 => 'half', 3 => 'third', 4 => 'quarter', 6 => 'sixth', 8 => 'eighth', 16 => 'sixteenth'];
    private const SIGNS = [
        '½' => 1 / 2, '⅓' => 1 / 3, '⅔' => 2 / 3, '¼' => 1 / 4, '¾' => 3 / 4, '⅕' => 1 / 5, '⅖' => 2 / 5, '⅗' => 3 / 5, '⅘' => 4 / 5,
        '⅙' => 1 / 6, '⅚' => 5 / 6, '⅛' => 1 / 8, '⅜' => 3 / 8, '⅝' => 5 / 8, '⅞' => 7 / 8, '⅒' => 1 / 10,
    ];

    #[DataProvider('written')]
    public function testItIsRead(string $written, float $turns): void
    {
        self::assertEqualsWithDelta(360 * $turns, Notation::read(Kind::Angle, $written)->value(), 1e-6, $written);
    }

    /** @return iterable<string, array{string, float}> */
    public static function written(): iterable
    {
        foreach (self::COUNT as $i => $word) {
            foreach ([
                $word.' turns' => $i + 1, $word.' and a half turns' => $i + 1.5, $word.' and three quarters turns' => $i + 1.75,
            ] as $text => $turns) {
                $turns <= 10 && yield $text => [$text, (float) $turns];
            }
        }
        foreach (self::PARTS as $part => $word) {
            yield $word => [$word.' turn', 1 / $part];
            yield 'three of '.$word => ['three '.$word.'s turn', 3 / $part];
            yield 'two and a '.$word => ['two and a '.$word.' turns', 2 + 1 / $part];
        }
        foreach (self::SIGNS as $sign => $value) {
            yield $sign => [$sign.' turn', $value];
            yield '2'.$sign => ['2'.$sign.' turns', 2 + $value];
        }
    }
}
