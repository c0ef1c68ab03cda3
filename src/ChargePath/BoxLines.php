<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\ChargePath;

use NimbleKnuckle\Core\Sum\InvalidInput;

/** The box as it is written down, one hose or one clamp a line: its name, a colon where it ends in a number, then its numbers in mm. */
final readonly class BoxLines
{
    private const NUMBER = '(\d+(?:[.,]\d+)?)';

    /**
     * “elbow 51 57 90”: inside at each end, and its angle.
     *
     * @return list<array<string, mixed>>
     *
     * @throws InvalidInput
     */
    public static function hoses(string $text): array
    {
        return self::each('hoses', $text, '~\A(.+?)(?::\s*|\s+)'.self::NUMBER.'(?:\s+'.self::NUMBER.')?(?:\s+'.self::NUMBER.'°?)?\z~u',
            'a name, then its inside at both ends in mm and its angle: elbow 51 57 90', ['a', 'b', 'angle']);
    }

    /**
     * “small 57 65 worm”: closes from, to; T-bolt where nothing stands.
     *
     * @return list<array<string, mixed>>
     *
     * @throws InvalidInput
     */
    public static function clamps(string $text): array
    {
        return self::each('clamps', $text,
            '~\A(.+?)(?::\s*|\s+)'.self::NUMBER.'(?:\s+|\s*-\s*)'.self::NUMBER.'(?:\s+(worm|t-bolt|spring))?\z~ui',
            'a name, then from and to in mm, then worm, t-bolt or spring: small 57 65 t-bolt', ['from', 'to', 'kind']);
    }

    /**
     * @param list<string> $keys
     *
     * @return list<array<string, mixed>>
     */
    private static function each(string $field, string $text, string $shape, string $written, array $keys): array
    {
        $things = [];
        foreach (preg_split('~\R~u', $text) ?: [] as $i => $line) {
            $line = trim($line);
            $colon = strrpos($line, ':');
            if ('' === $line) {
                continue;
            }
            // A name before a colon may hold numbers; else the first number ends it.
            1 === preg_match($shape, false === $colon ? $line : '·'.substr($line, $colon), $m) || throw InvalidInput::in(
                $field, sprintf('The %s of the box, line %d, “%s”: write %s.', $field, $i + 1, mb_substr($line, 0, 40), $written),
            );
            $thing = ['name' => mb_substr(false === $colon ? $m[1] : trim(substr($line, 0, $colon)), 0, 80)];
            foreach ($keys as $n => $key) {
                $value = $m[$n + 2] ?? '';
                '' === $value || $thing[$key] = 'kind' === $key ? mb_strtolower($value) : (float) str_replace(',', '.', $value);
            }
            $things[] = $thing;
        }

        return $things;
    }
}
