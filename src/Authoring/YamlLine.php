<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Authoring;

/** On which line of a text in YAML a place of its document stands: “operations.3.phase”. */
final readonly class YamlLine
{
    /** @return int counted from 1; the nearest place above where it cannot be told, as within a line that holds a whole list */
    public static function of(string $yaml, string $path): int
    {
        $lines = preg_split('/\R/', $yaml) ?: [];
        [$from, $to] = [0, count($lines)];
        foreach ('' === $path ? [] : explode('.', $path) as $part) {
            $found = self::find($lines, $from, $to, $part);
            if (null === $found) {
                break;
            }
            [$from, $to] = $found;
        }

        return $from + 1;
    }

    /**
     * @param list<string> $lines
     *
     * @return array{int, int}|null the first line of it, and the first behind it
     */
    private static function find(array $lines, int $from, int $to, string $part): ?array
    {
        $isNumber = ctype_digit($part);
        $pattern = $isNumber ? '/^(\s*)-(?:\s|$)/' : '/^(\s*(?:-\s+)?)'.preg_quote($part, '/').'\s*:/';
        $indent = null;
        $count = -1;
        for ($i = $from; $i < $to; ++$i) {
            if (1 !== preg_match($pattern, $lines[$i], $m)) {
                continue;
            }
            $indent ??= strlen($m[1]);
            $count += strlen($m[1]) === $indent ? 1 : 0;
            if (strlen($m[1]) === $indent && (!$isNumber || $count === (int) $part)) {
                return [$i, self::end($lines, $i, $to, $indent)];
            }
        }

        return null;
    }

    /** @param list<string> $lines */
    private static function end(array $lines, int $from, int $to, int $indent): int
    {
        for ($i = $from + 1; $i < $to; ++$i) {
            $own = strlen($lines[$i]) - strlen(ltrim($lines[$i]));
            // A list may stand as far in as the key it belongs to.
            $isNext = $own === $indent && (!self::isDash($lines[$i]) || self::isDash($lines[$from]));
            if ('' !== trim($lines[$i]) && ($own < $indent || $isNext)) {
                return $i;
            }
        }

        return $to;
    }

    private static function isDash(string $line): bool
    {
        return str_starts_with(ltrim($line), '- ');
    }
}
