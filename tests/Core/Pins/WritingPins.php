<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

use NimbleKnuckle\Core\Quantity\Figure;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\NumberRows;
use NimbleKnuckle\Core\Quantity\UnitSystem;

/** Every writing of the table in every field it might be put in: what it is read as, or what is said of it. */
final readonly class WritingPins implements Pin
{
    public static function values(): iterable
    {
        $seen = [];
        foreach (file(dirname(__DIR__).'/Quantity/writings.txt', \FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            [$kind, $text] = [explode("\t", $line)[0], trim(explode("\t", $line)[1] ?? '')];
            if (str_starts_with($line, '#') || '' === $text || isset($seen[$text])) {
                continue;
            }
            $seen[$text] = true;
            $rows = Text::of(self::rows(str_replace(' / ', "\n", $text).'; '.$text));
            yield $text => self::everyKind($text, Kind::tryFrom($kind))."\nrows ".$rows.' | '.Text::of(UnitSystem::heardIn($text));
        }
    }

    /** As its own kind of field reads it, and some others; the same said of several stands once. */
    private static function everyKind(string $text, ?Kind $own): string
    {
        $said = [];
        $others = [Kind::Torque, Kind::Length, Kind::Angle, Kind::Temperature, Kind::Number];
        foreach (array_unique([$own ?? Kind::Torque, ...$others], \SORT_REGULAR) as $kind) {
            $said[Text::of(self::read($kind, $text))][] = $kind->value;
        }
        $lines = [];
        foreach ($said as $words => $kinds) {
            $lines[] = implode(' ', $kinds).': '.$words;
        }

        return implode("\n", $lines);
    }

    private static function read(Kind $kind, string $text): mixed
    {
        try {
            $stated = Notation::readStated($kind, $text);

            return implode(', ', self::figures(get_object_vars($stated)));
        } catch (InvalidQuantity $e) {
            return $e->getMessage();
        }
    }

    /**
     * @param array<array-key, mixed> $parts
     *
     * @return list<string> each figure there is, with half of its last step
     */
    private static function figures(array $parts): array
    {
        $said = [];
        foreach ($parts as $name => $part) {
            if ($part instanceof Figure) {
                $said[] = sprintf('%s %s ±%s (%s)', $name, Text::of($part->quantity), Text::number($part->halfStep), $part->unit->value);
            } elseif (is_object($part) || is_array($part)) {
                $inside = self::figures(is_array($part) ? $part : get_object_vars($part));
                [] === $inside || $said[] = $name.' '.implode(' ', $inside);
            } elseif (!in_array($part, [null, '', false], true)) {
                $said[] = $name.' '.Text::of($part);
            }
        }

        return $said;
    }

    private static function rows(string $text): mixed
    {
        try {
            return NumberRows::read($text);
        } catch (InvalidQuantity $e) {
            return $e->getMessage();
        }
    }
}
