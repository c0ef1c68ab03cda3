<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Core\Pins;

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
            $text = trim(explode("\t", $line)[1] ?? '');
            if (str_starts_with($line, '#') || '' === $text || isset($seen[$text])) {
                continue;
            }
            $seen[$text] = true;
            yield $text => array_map(static fn (Kind $kind): mixed => self::read($kind, $text), Kind::cases());
            yield 'rows '.$text => self::rows(str_replace(' / ', "\n", $text).'; '.$text);
            yield 'system '.$text => UnitSystem::heardIn($text);
        }
    }

    private static function read(Kind $kind, string $text): mixed
    {
        try {
            return Notation::readStated($kind, $text);
        } catch (InvalidQuantity $e) {
            return $e->getMessage();
        }
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
