<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Quantity;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\NumberRows;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

#[CoversClass(NumberRows::class)]
final class NumberRowsTest extends TestCase
{
    #[DataProvider('sameRows')]
    public function testTheSameRowsHoweverWritten(string $text): void
    {
        self::assertSame([[0.0, 0.4], [90.0, 1.25], [184.5, 12.0]], NumberRows::read($text));
    }

    /** @return iterable<string, array{string}> */
    public static function sameRows(): iterable
    {
        yield 'on one line' => ['0 0.4; 90 1.25; 184.5 12'];
        yield 'decimal commas on one line' => ['0 0,4; 90 1,25; 184,5 12'];
        yield 'a row a line' => ["0 0.4\n90 1.25\n184.5 12"];
        yield 'decimal commas, a row a line' => ["0 0,4\n90 1,25\n184,5 12\n"];
        yield 'comma and space between' => ["0, 0.4\n90, 1.25\n184.5, 12"];
        yield 'comma and space between decimal commas' => ["0, 0,4\n90, 1,25\n184,5, 12"];
        yield 'commas between' => ["0,0.4\n90,1.25\n184.5,12"];
        yield 'commas between, with a heading' => ["angle,torque\n0,0.4\r\n90,1.25\r\n184.5,12\r\n"];
        yield 'semicolons between decimal commas' => ["0;0,4\n90;1,25\n184,5;12"];
        yield 'tabs' => ["0\t0.4\n90\t1.25\n184.5\t12"];
        yield 'tabs and decimal commas under a heading' => ["Grad\tNm\n0\t0,4\n90\t1,25\n184,5\t12"];
        yield 'many spaces, empty lines, a byte order mark' => ["\u{FEFF}  0    0.4\n\n 90  1.25 \n184.5   12\n\n"];
        yield 'powers of ten' => ['0 4e-1; 9e1 1.25; 1.845e2 12'];
    }

    public function testThreeDigitsBehindACommaAreDecimalsWhereOthersSaySo(): void
    {
        self::assertSame([[12.345, 1.234], [13.0, 0.5]], NumberRows::read("12,345;1,234\n13;0,5"));
    }

    #[DataProvider('bad')]
    public function testABadRowIsNamed(string $text, string $hint): void
    {
        $this->expectException(InvalidQuantity::class);
        $this->expectExceptionMessageMatches('~'.$hint.'~');
        NumberRows::read($text);
    }

    /** @return iterable<string, array{string, string}> */
    public static function bad(): iterable
    {
        yield 'a word' => ["0 0.4\n90 tight", 'Row 2: “tight”'];
        yield 'a unit' => ['0 0.4; 90 1.2Nm', 'Row 2: “1.2Nm”'];
        yield 'thousands or a decimal comma' => ["0 1\n1,200 3", 'Row 2: “1,200”'];
        yield 'a comma among points' => ["0 0.4\n90 1,2", 'Row 2: “1,2”'];
        yield 'digits of another script' => ["0 0.4\n９0 1.2", 'sign “９”'];
        yield 'past any number' => ['0 1; 1e999 2', 'Row 2'];
        yield 'hexadecimal' => ['0x10 1', 'Row 1'];
    }
}
