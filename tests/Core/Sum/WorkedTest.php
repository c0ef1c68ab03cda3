<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sum;

use NimbleKnuckle\Tests\Core\Doors;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Each sum against values worked out another way: by a published table, by hand, or from the law itself, said with each. */
final class WorkedTest extends TestCase
{
    private const WITHIN = 1e-4;

    /**
     * @param array<string, string> $inputs
     * @param array<string, float|int|string|list<float|int|string>> $answers
     */
    #[DataProvider('worked')]
    public function testItIsAsWorkedOut(string $sum, array $inputs, array $answers, float $within, string $source): void
    {
        $result = Doors::book(new \DateTimeImmutable('2026-11-25'))->run($sum, $inputs);
        foreach ($answers as $name => $wanted) {
            $said = $result->entries($name);
            foreach (is_array($wanted) ? $wanted : [$wanted] as $i => $one) {
                $now = $said[$i] ?? null;
                $where = sprintf('%s of %s, by %s', $name, $sum, $source);
                is_string($one) ? self::assertSame($one, $now, $where)
                    : self::assertEqualsWithDelta((float) $one, $now, $within * max(1e-3, abs($one)), $where);
            }
        }
    }

    /**
     * @return iterable<string, array{string, array<string, string>, array<string, float|int|string|list<float|int|string>>, float,
     *     string}>
     */
    public static function worked(): iterable
    {
        foreach (Worked::rows() as $sum => $rows) {
            foreach ($rows as $i => $row) {
                yield sprintf('%s %d: %s', $sum, $i + 1, $row['source']) => [
                    $sum, $row['inputs'], $row['answers'], $row['within'] ?? self::WITHIN, $row['source'],
                ];
            }
        }
    }

    public function testEverySumHasTwoAtTheLeast(): void
    {
        $rows = Worked::rows();
        foreach (array_keys(Doors::book()->all()) as $sum) {
            self::assertGreaterThanOrEqual(2, count($rows[$sum] ?? []), $sum);
        }
        self::assertSame([], array_values(array_diff(array_keys($rows), array_keys(Doors::book()->all()))));
    }
}
