<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** What stands between two figures of one line, and what it says of them. */
enum Separator
{
    case Range;
    case Tolerance;
    case Stroke;
    case Plus;
    case Also;
    /** Nothing at all, or a space: 1 h 30 min. */
    case None;

    private const SIGNS = [
        '±|\+\s?/?\s?-|plus or minus|plus/minus' => self::Tolerance,
        '\+|plus|,?\s*(?:and\s+)?then(?: a further)?|and a further' => self::Plus,
        '-|to(?![a-z])|\.{2,}|through|thru|up to' => self::Range,
        '/' => self::Stroke,
        '[(|;=,&\[≈]+|or(?![a-z])|and(?![a-z])|i\.?e\.?(?![a-z])' => self::Also,
    ];

    /** @return array{self, string} which it is, and what follows */
    public static function at(string $text): array
    {
        foreach (self::SIGNS as $signs => $separator) {
            if (1 === preg_match('~\A\s*(?:'.$signs.')\s*(?<rest>.*)\z~uis', $text, $m)) {
                return [$separator, $m['rest']];
            }
        }

        return [self::None, ltrim($text)];
    }
}
