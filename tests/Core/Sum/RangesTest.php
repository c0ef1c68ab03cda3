<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sum;

use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What each field takes, on both sides of both ends, as ranges.txt says. */
final class RangesTest extends TestCase
{
    private const NEAR = 1e-6;

    #[DataProvider('ranges')]
    public function testItTakesWhatLiesBetweenAndRefusesWhatLiesPast(string $sum, string $field, string $low, string $high): void
    {
        $sum = Doors::book(new \DateTimeImmutable('2026-11-25'))->named($sum);
        $given = Worked::first($sum->about()->name);
        if ('' === $high) {
            self::assertSame(sprintf('“%s” must be more than zero.', $field), self::refusal($sum, $given, $field, 0.0));
            self::assertStringNotContainsString('must be more', self::refusal($sum, $given, $field, 0.001));

            return;
        }
        [$low, $high] = [(float) $low, (float) $high];
        foreach ([[$low, -1], [$high, 1]] as [$end, $way]) {
            self::assertStringNotContainsString('is outside', self::refusal($sum, $given, $field, $end), $end.' is within');
            self::assertStringNotContainsString('is outside', self::refusal($sum, $given, $field, $end - $way * self::NEAR), 'within');
            $past = self::refusal($sum, $given, $field, $end + $way * self::NEAR * max(1.0, abs($end)));
            $isPastTheKind = str_contains($past, 'is below zero') || str_contains($past, 'is past anything');
            self::assertTrue($isPastTheKind || str_contains($past, 'is outside') && str_contains($past, 'check “'.$field.'”'), $past);
        }
    }

    /** @return iterable<string, array{string, string, string, string}> */
    public static function ranges(): iterable
    {
        foreach (file(__DIR__.'/ranges.txt', \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            if (1 === preg_match('~^(\S+) (\S+): (?:over 0|(\S+) to (\S+))(?: \S+)?$~u', $line, $m)) {
                yield $m[1].' '.$m[2] => [$m[1], $m[2], $m[3] ?? '', $m[4] ?? ''];
            }
        }
    }

    /** What has a range is in the list, so that none is without a test. */
    public function testEveryLineOfTheListIsRead(): void
    {
        $lines = array_filter(
            file(__DIR__.'/ranges.txt', \FILE_IGNORE_NEW_LINES) ?: [], static fn (string $line): bool => '#' !== $line[0],
        );
        self::assertCount(count($lines), iterator_to_array(self::ranges()));
    }

    /** @param array<string, string> $given */
    private static function refusal(Sum $sum, array $given, string $field, float $value): string
    {
        return Worked::refusal($sum, [$field => Worked::typed($value)] + $given, $field);
    }
}
