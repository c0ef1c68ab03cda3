<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

use NimbleKnuckle\Tests\Core\Doors;

/**
 * What is held to what it was, and where that is kept, as text: a name, and below it, set in, what was answered. “php tests/pin.php”
 * writes all of it anew; the difference is read before it is committed.
 */
final readonly class PinBook
{
    private const PINS = [
        'tables' => TablePins::class, 'writings' => WritingPins::class, 'numbers' => NumberPins::class, 'traces' => TracePins::class,
        'warm-ups' => WarmUpPins::class, 'sheets' => SheetPins::class, 'benches' => BenchPins::class, 'documents' => DocumentPins::class,
        'models' => ModelPins::class,
    ];
    private const WIDTH = 150;
    private const IN = '    ';

    /** @return list<string> */
    public static function names(): array
    {
        return [...array_keys(self::PINS), ...array_map(static fn (string $sum): string => 'sums/'.$sum, array_keys(Doors::book()->all()))];
    }

    public static function file(string $name): string
    {
        return __DIR__.'/kept/'.$name.'.txt';
    }

    /** @return array<string, string> name => what is answered now */
    public static function now(string $name): array
    {
        $told = [];
        $values = str_starts_with($name, 'sums/') ? SumPins::of(substr($name, 5)) : (self::PINS[$name])::values();
        foreach ($values as $key => $value) {
            $key = self::line((string) $key);
            for ($once = $key, $n = 2; isset($told[$key]); ++$n) {
                $key = $once.' ('.$n.')';
            }
            $told[$key] = self::wrapped(is_string($value) ? $value : Text::of($value));
        }

        return $told;
    }

    /** @return array<string, string> */
    public static function kept(string $name): array
    {
        $kept = [];
        $key = '';
        foreach (file(self::file($name), \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            if (str_starts_with($line, self::IN)) {
                $kept[$key] = ltrim(($kept[$key] ?? '')."\n".substr($line, strlen(self::IN)), "\n");
            } else {
                $key = $line;
                $kept[$key] = '';
            }
        }

        return $kept;
    }

    /** @param array<string, string> $told */
    public static function written(array $told): string
    {
        $text = '';
        foreach ($told as $key => $said) {
            $text .= $key."\n".('' === $said ? '' : self::IN.str_replace("\n", "\n".self::IN, $said)."\n");
        }

        return $text;
    }

    private static function wrapped(string $text): string
    {
        $lines = [];
        foreach (explode("\n", mb_scrub($text)) as $line) {
            while (mb_strlen($line) > self::WIDTH) {
                $head = mb_substr($line, 0, self::WIDTH);
                $at = max(mb_strrpos($head, ', ') ?: 0, mb_strrpos($head, '; ') ?: 0, mb_strrpos($head, '. ') ?: 0);
                $at = $at > self::WIDTH / 3 ? $at + 2 : self::WIDTH;
                $lines[] = self::line(mb_substr($line, 0, $at));
                $line = mb_substr($line, $at);
            }
            $lines[] = self::line($line);
        }

        return implode("\n", array_filter($lines, static fn (string $line): bool => '' !== $line));
    }

    /** Every space is one that is seen, so that a file and what is told compare alike. */
    private static function line(string $text): string
    {
        return trim((string) preg_replace('/[\p{Z}\p{C}]+/u', ' ', mb_scrub($text)));
    }
}
