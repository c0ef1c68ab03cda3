<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/**
 * Rows of plain numbers as a file or a person writes them: one row a line, or rows with semicolons between on one line;
 * columns by space, tab, semicolon or comma; decimals with a point or a comma. A heading line is passed over.
 */
final readonly class NumberRows
{
    private const NUMBER = '~\A[-+]?(?:[0-9]{1,15}(?:\.[0-9]{0,15})?|\.[0-9]{1,15})(?:e[-+]?[0-9]{1,2})?\z~i';

    /**
     * @return list<non-empty-list<float>>
     *
     * @throws InvalidQuantity naming the row
     */
    public static function read(string $text): array
    {
        $clean = CleanText::of($text);
        $lines = preg_split('~\R~', $clean) ?: [];
        $lines = 1 === count($lines) ? explode(';', $clean) : $lines;
        $cells = [];
        foreach ($lines as $i => $line) {
            $row = self::cells($line);
            if ([] === $row || 0 === $i && 1 !== preg_match('~[0-9]~', $row[0])) {
                continue;
            }
            $cells[$i + 1] = $row;
        }
        $commas = self::hasDecimalCommas($cells);
        $rows = [];
        foreach ($cells as $number => $row) {
            $rows[] = array_map(static fn (string $cell): float => self::number($cell, $commas, $number), $row);
        }

        return $rows;
    }

    /** @throws InvalidQuantity naming the row */
    public static function one(string $cell, int $row): float
    {
        return self::number(CleanText::of($cell), null, $row);
    }

    /** @return list<string> */
    private static function cells(string $line): array
    {
        $line = trim($line, " \t;");
        $split = match (true) {
            str_contains($line, ';') => '~\s*;\s*~',
            str_contains($line, "\t") => '~\s*\t\s*~',
            1 === preg_match('~[^\s,][\s]|,\s~', $line) => '~,?\s+~',
            default => '~,~',
        };

        return array_values(array_filter(preg_split($split, $line) ?: [], static fn (string $cell): bool => '' !== $cell));
    }

    /**
     * Whether commas are decimal ones; null where they may be: three digits behind the only comma can be thousands, 1,200.
     *
     * @param array<int, list<string>> $rows
     */
    private static function hasDecimalCommas(array $rows): ?bool
    {
        $sure = null;
        foreach (array_merge(...array_values($rows)) as $cell) {
            if (1 === preg_match('~\A[-+]?[0-9]*\.[0-9]~', $cell)) {
                return false;
            }
            $sure = 1 === preg_match('~\A[-+]?(?:0?,[0-9]+|[0-9]+,(?:[0-9]{1,2}|[0-9]{4,}))\z~', $cell) ? true : $sure;
        }

        return $sure;
    }

    private static function number(string $cell, ?bool $commas, int $row): float
    {
        if (str_contains($cell, ',')) {
            true === $commas || null === $commas && 1 !== preg_match(
                '~\A[-+]?[1-9][0-9]{0,2},[0-9]{3}\z~', $cell,
            ) || throw InvalidQuantity::inRow($row, InvalidQuantity::quote($cell));
            $cell = str_replace(',', '.', $cell);
        }
        $value = 1 === preg_match(self::NUMBER, $cell) ? (float) $cell : throw InvalidQuantity::inRow($row, InvalidQuantity::quote($cell));

        return is_finite($value) ? $value : throw InvalidQuantity::inRow($row, $cell);
    }
}
