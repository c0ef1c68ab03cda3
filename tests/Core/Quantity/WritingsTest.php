<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Quantity;

use NimbleKnuckle\Core\Quantity\CleanText;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\Separator;
use NimbleKnuckle\Core\Quantity\Stated;
use NimbleKnuckle\Core\Quantity\WrittenFigure;
use PHPUnit\Framework\Attributes\CoversClass;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What people write, one writing a line in writings.txt: what it means in the base unit, or the sentence it is refused with. */
#[CoversClass(CleanText::class)]
#[CoversClass(Notation::class)]
#[CoversClass(Separator::class)]
#[CoversClass(Stated::class)]
#[CoversClass(WrittenFigure::class)]
final class WritingsTest extends TestCase
{
    #[DataProvider('writings')]
    public function testIsReadAsWhatItMeans(Kind $kind, string $text, string $meaning): void
    {
        if (str_starts_with($meaning, '! ')) {
            $this->expectException(InvalidQuantity::class);
            $this->expectExceptionMessageMatches('~'.preg_quote(substr($meaning, 2), '~').'|Nothing was written~');
            Notation::readStated($kind, $text);

            return;
        }
        $stated = Notation::readStated($kind, $text);
        $said = $stated->isRange()
            ? [$stated->low->value(), $stated->high->value()]
            : [$stated->low->value(), ($stated->other ?? $stated->angle)?->value()];
        $m = [...explode(' ', $meaning), '', ''];
        self::assertEqualsWithDelta((float) $m[1], $said[0], 2e-6 * max(1.0, abs((float) $m[1])));
        self::assertSame('to' === $m[2], $stated->isRange());
        self::assertSame('plus' === $m[2], null !== $stated->angle);
        self::assertSame('and' === $m[2], null !== $stated->other);
        '' !== $m[3] && self::assertEqualsWithDelta((float) $m[3], (float) $said[1], 2e-6 * max(1.0, abs((float) $m[3])));
    }

    /** @return iterable<string, array{Kind, string, string}> */
    public static function writings(): iterable
    {
        foreach (file(__DIR__.'/writings.txt', \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            [$kind, $text, $meaning] = explode("\t", $line);
            yield $kind.': '.$text => [Kind::from($kind), $text, $meaning];
        }
    }

    public function testTheTableIsALongOne(): void
    {
        self::assertGreaterThanOrEqual(400, iterator_count(self::writings()));
    }

    /** Whatever is refused as one figure because it is more than one says so. */
    public function testOneFieldHoldsOneFigure(): void
    {
        foreach ([
            '18-22 Nm' => 'a range', '20 ± 2 Nm' => 'a range', '18/22 Nm' => 'a range', '40 Nm + 90°' => 'torque and an angle',
            '29 ft-lb / 39 Nm' => '2 figures',
        ] as $text => $hint) {
            try {
                Notation::read(Kind::Torque, $text);
                self::fail($text);
            } catch (InvalidQuantity $e) {
                self::assertStringContainsString($hint, $e->getMessage());
            }
        }
    }
}
