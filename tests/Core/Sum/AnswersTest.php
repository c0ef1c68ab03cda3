<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sum;

use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What each sum answers, by name and unit, as answers.txt says: who asks without a screen goes by these. */
final class AnswersTest extends TestCase
{
    private const EACH = 40;

    #[DataProvider('sums')]
    public function testItAnswersTheseInTheseUnits(string $name, string $stated): void
    {
        $sum = Doors::book(new \DateTimeImmutable('2026-11-25'))->named($name);
        $units = [];
        foreach ([...array_column(Worked::rows()[$name], 'inputs'), ...Drawn::inputs($name, self::EACH, 3)] as $given) {
            try {
                $result = $sum->compute(Inputs::of($given, $sum->about()->fields()));
            } catch (InvalidInput) {
                continue;
            }
            foreach ($result->values as $key => $value) {
                $units[$key] ??= $value->unit;
                self::assertSame($units[$key], $value->unit, $key.' has one unit');
            }
        }
        ksort($units);
        self::assertSame($stated, implode(', ', array_map(static fn (string $key): string => $key.' '.$units[$key], array_keys($units))));
    }

    /** @return iterable<string, array{string, string}> */
    public static function sums(): iterable
    {
        foreach (file(__DIR__.'/answers.txt', \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            if (!str_starts_with($line, '#')) {
                [$name, $stated] = explode(': ', $line, 2);
                yield $name => [$name, $stated];
            }
        }
    }

    public function testNoSumIsLeftOut(): void
    {
        self::assertEqualsCanonicalizing(array_keys(Doors::book()->all()), array_keys(iterator_to_array(self::sums())));
    }
}
