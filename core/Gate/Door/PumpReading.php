<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate\Door;

use NimbleKnuckle\Core\Gate\ActuatorTest;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** What two doors read of a hand pump: kPa and mm, up and then down. */
final readonly class PumpReading
{
    private const LEAST = 4;

    /**
     * @return non-empty-list<array{float, float}>
     *
     * @throws InvalidInput naming the row
     */
    public static function samples(Inputs $in, string $field): array
    {
        $samples = array_map(static fn (array $row): array => [$row[0], $row[1] ?? 0.0], $in->rows($field, 2, 2));
        count($samples) >= self::LEAST || throw InvalidInput::in($field, sprintf('%d rows of kPa and mm at the least.', self::LEAST));
        foreach ($samples as $i => [$kpa, $mm]) {
            $kpa >= -5.0 && $kpa <= 1000.0 && abs($mm) <= 100.0 || throw InvalidInput::in(
                $field, sprintf('Row %d: kPa up to 1 000, then mm up to 100.', $i + 1),
            );
        }

        return $samples;
    }

    public static function test(Inputs $in, string $field): ActuatorTest
    {
        return ActuatorTest::of(self::samples($in, $field), null, null, null);
    }

    /**
     * @return array{float, float, float}|null kPa, kPa, s
     *
     * @throws InvalidInput
     */
    public static function hold(Inputs $in): ?array
    {
        if (!$in->has('hold')) {
            return null;
        }
        $raw = $in->raw['hold'];
        $row = is_array($raw) ? array_values($raw) : (preg_split('~[\s;,]+~u', trim($in->text('hold'))) ?: []);
        3 === count($row) && [] === array_filter($row, static fn (mixed $one): bool => !is_numeric($one)) || throw InvalidInput::in(
            'hold', 'Three numbers: kPa at first, kPa then, and after how many seconds.',
        );
        [$from, $to, $seconds] = array_map(static fn (mixed $one): float => is_numeric($one) ? (float) $one : 0.0, $row);
        $from > 0.0 && $to > 0.0 && $to <= $from && $seconds >= 1.0 || throw InvalidInput::in(
            'hold', 'From more than nothing, to no more than that, after a second or more.',
        );

        return [$from, $to, $seconds];
    }

    public static function maybe(Inputs $in, string $field, Kind $kind, float $low, float $high): ?float
    {
        return $in->has($field) ? $in->between($field, $kind, $low, $high) : null;
    }
}
