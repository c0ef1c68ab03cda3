<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/** Tables, units, bands, judgements, sheets, benches and what the sums answer do not change unseen. */
#[Group('pins')]
final class KeptTest extends TestCase
{
    private const SHOWN = 5;

    #[DataProvider('pins')]
    public function testItIsWhatItWas(string $name): void
    {
        [$kept, $now] = [PinBook::kept($name), PinBook::now($name)];
        $other = array_filter($now, static fn (string $said, string $key): bool => $said !== ($kept[$key] ?? null), \ARRAY_FILTER_USE_BOTH);
        $shown = array_slice($other, 0, self::SHOWN, true);
        self::assertSame(
            array_intersect_key($kept, $shown), $shown, sprintf('%d of %d are not what they were', count($other), count($now)),
        );
        self::assertSame(array_keys($kept), array_keys($now));
    }

    /** @return iterable<string, array{string}> */
    public static function pins(): iterable
    {
        foreach (PinBook::names() as $name) {
            yield $name => [$name];
        }
    }
}
