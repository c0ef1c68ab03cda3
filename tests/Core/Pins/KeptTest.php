<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

use PHPUnit\Framework\Attributes\CoversNothing;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Tables, units, bands, judgements, sheets and benches do not change unseen. */
#[CoversNothing]
final class KeptTest extends TestCase
{
    #[DataProvider('pins')]
    public function testItIsWhatItWas(string $name): void
    {
        $kept = json_decode((string) file_get_contents(PinBook::file($name)), true, 4, \JSON_THROW_ON_ERROR);
        self::assertIsArray($kept);
        self::assertContainsOnlyString($kept);
        $now = PinBook::now($name);
        $other = array_diff_assoc($now, $kept);
        self::assertSame([], array_slice($other, 0, 5), sprintf('%d of %d are not what they were', count($other), count($now)));
        self::assertSame(array_keys($kept), array_keys($now));
    }

    /** @return iterable<string, array{string}> */
    public static function pins(): iterable
    {
        foreach (array_keys(PinBook::PINS) as $name) {
            yield $name => [$name];
        }
    }
}
