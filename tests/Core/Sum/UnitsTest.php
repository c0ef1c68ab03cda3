<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Sum;

use NimbleKnuckle\Core\Quantity\Quantity;
use NimbleKnuckle\Core\Quantity\Unit;
use NimbleKnuckle\Core\Sum\Check;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;
use NimbleKnuckle\Core\Sum\Sum;
use NimbleKnuckle\Core\Sum\SumResult;
use NimbleKnuckle\Core\Sum\Value;
use NimbleKnuckle\Tests\Core\Doors;
use NimbleKnuckle\Tests\Sample;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The same size in any unit of its kind is the same answer: each field of each sum, in each unit. */
final class UnitsTest extends TestCase
{
    private const BASES = 40;
    private const CLOSE = 1e-6;
    private const OFF_LIMITS = 1.00073;

    #[DataProvider('sums')]
    public function testAFieldIsTheSameInEveryUnit(string $name): void
    {
        $sum = Doors::book(new \DateTimeImmutable('2026-11-25'))->named($name);
        $tried = 0;
        foreach ($sum->about()->fields() as $field) {
            foreach (Sample::of(Drawn::inputs($name, self::BASES, 5), 'units '.$name.$field->name, 10, 3) as $inputs) {
                if (null === $field->kind || !is_numeric($inputs[$field->name] ?? null)) {
                    continue;
                }
                // Not on a limit, where the last digit decides.
                $size = self::OFF_LIMITS * (float) $inputs[$field->name];
                $base = [$field->name => $size.' '.$field->kind->baseUnit()->symbol()] + $inputs;
                $said = self::answer($sum, $base);
                if (null === $said) {
                    continue;
                }
                foreach ($field->kind->units() as $unit) {
                    $this->compare($sum, $field, $unit, $size, $base, $said);
                    ++$tried;
                }
            }
        }
        self::assertGreaterThanOrEqual(0, $tried);
    }

    /** @return iterable<string, array{string}> */
    public static function sums(): iterable
    {
        foreach (Drawn::sums() as $sum) {
            yield $sum => [$sum];
        }
    }

    /** @param array<string, string> $inputs */
    private function compare(Sum $sum, Field $field, Unit $unit, float $base, array $inputs, SumResult $said): void
    {
        $kind = $field->kind ?? throw new \LogicException('No kind.');
        $size = Quantity::of($base, $kind->baseUnit())->in($unit);
        $where = sprintf('%s: %s of %s in %s', $sum->about()->name, $field->name, json_encode($inputs, \JSON_THROW_ON_ERROR), $unit->value);
        $other = self::answer($sum, [$field->name => sprintf('%.15g %s', $size, $unit->symbol())] + $inputs);
        self::assertNotNull($other, $where);
        self::assertSame(array_keys($said->values), array_keys($other->values), $where);
        foreach ($said->values as $name => $value) {
            foreach (self::numbers($value) as $i => $number) {
                $now = self::numbers($other->values[$name])[$i] ?? \NAN;
                self::assertEqualsWithDelta($number, $now, self::CLOSE * max(1.0, abs($number)), $where.': '.$name);
            }
        }
        self::assertSame(self::codes($said), self::codes($other), $where);
    }

    /** @return list<float> */
    private static function numbers(Value $value): array
    {
        return array_values(array_filter($value->entries(), is_float(...)));
    }

    /** @return list<string> */
    private static function codes(SumResult $result): array
    {
        return array_map(static fn (Check $check): string => $check->code, $result->checks);
    }

    /** @param array<string, string> $inputs */
    private static function answer(Sum $sum, array $inputs): ?SumResult
    {
        try {
            return $sum->compute(Inputs::of($inputs, $sum->about()->fields()));
        } catch (InvalidInput) {
            return null;
        }
    }
}
