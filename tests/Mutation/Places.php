<?php

declare(strict_types=1);

namespace NimbleKnuckle\Tests\Mutation;

/** Where a file can be changed in one token: a comparison, a sign, a term, a unit, a number. What does not parse then is no place. */
final readonly class Places
{
    private const NUMBER = [\T_LNUMBER, \T_DNUMBER];
    private const SWAPPED = ['+' => '-', '-' => '+', '*' => '/', '/' => '*', '<' => '>=', '>' => '<='];
    private const SWAPPED_TOKENS = [
        \T_IS_SMALLER_OR_EQUAL => '<', \T_IS_GREATER_OR_EQUAL => '>', \T_IS_IDENTICAL => '!==', \T_IS_NOT_IDENTICAL => '===',
        \T_BOOLEAN_AND => '||', \T_BOOLEAN_OR => '&&',
    ];
    private const UNITS = [
        'Millimetre' => 'Inch', 'NewtonMetre' => 'PoundFoot', 'Kilopascal' => 'Psi', 'Litre' => 'Millilitre', 'Celsius' => 'Fahrenheit',
        'Percent' => 'One', 'Degree' => 'Turn', 'Newton' => 'PoundForce', 'Minute' => 'Second',
    ];

    /** @return list<Place> */
    public static function of(string $path, string $code): array
    {
        $places = [];
        $at = 0;
        $tokens = token_get_all($code);
        $isDeclared = false;
        foreach ($tokens as $i => $token) {
            [$id, $text] = is_array($token) ? $token : [null, $token];
            $isDeclared = \T_DECLARE === $id || ($isDeclared && ';' !== $text);
            $new = $isDeclared ? null : self::instead($tokens, $i);
            if (null !== $new) {
                $place = new Place($path, $at, substr_count($code, "\n", 0, $at) + 1, $text, $new, $code);
                self::parses($place->mutant()) && $places[] = $place;
            }
            $at += strlen($text);
        }

        return $places;
    }

    /** @param list<array{int, string, int}|string> $tokens */
    private static function instead(array $tokens, int $i): ?string
    {
        [$id, $text] = is_array($tokens[$i]) ? $tokens[$i] : [null, $tokens[$i]];
        $before = $tokens[$i - 1] ?? '';
        $isValue = is_array($tokens[$i - 2] ?? null) || in_array($tokens[$i - 2] ?? '', [')', ']'], true);

        return match (true) {
            \T_STRING === $id => is_array($before) && \T_DOUBLE_COLON === $before[0] ? self::UNITS[$text] ?? null : null,
            in_array($id, self::NUMBER, true) => self::number($text),
            null !== $id => self::SWAPPED_TOKENS[$id] ?? null,
            default => is_array($before) && \T_WHITESPACE === $before[0] && $isValue ? self::SWAPPED[$text] ?? null : null,
        };
    }

    private static function number(string $text): string
    {
        $value = (float) str_replace('_', '', $text);
        $isWhole = !str_contains($text, '.') && !str_contains(strtolower($text), 'e');

        return $isWhole ? (string) ((int) $value + 1) : sprintf('%.10F', 0.0 === $value ? 1.0 : $value * 1.1);
    }

    private static function parses(string $code): bool
    {
        try {
            return [] !== token_get_all($code, \TOKEN_PARSE);
        } catch (\ParseError) {
            return false;
        }
    }
}
