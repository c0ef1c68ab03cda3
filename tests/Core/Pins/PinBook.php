<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

/** The pins and where they are kept. “php tests/pin.php” writes them anew; the difference is read before it is committed. */
final readonly class PinBook
{
    public const PINS = [
        'constants' => ConstantPins::class, 'tables' => TablePins::class, 'writings' => WritingPins::class, 'numbers' => NumberPins::class,
        'traces' => TracePins::class, 'warm-ups' => WarmUpPins::class, 'sheets' => SheetPins::class, 'benches' => BenchPins::class,
        'documents' => DocumentPins::class, 'sums' => SumPins::class,
    ];

    public static function file(string $name): string
    {
        return __DIR__.'/kept/'.$name.'.json';
    }

    /** @return array<array-key, string> */
    public static function now(string $name): array
    {
        $marks = [];
        foreach ((self::PINS[$name])::values() as $key => $value) {
            $marks[mb_scrub((string) $key)] = Plain::mark($value);
        }

        return $marks;
    }
}
