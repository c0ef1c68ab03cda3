<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** Reads what people write for one quantity, or for one torque stated in two units. */
final readonly class Notation
{
    /**
     * @param string|int|float $input a bare number is taken in the base unit of the kind
     *
     * @throws InvalidQuantity
     */
    public static function read(Kind $kind, string|int|float $input, Origin $origin = Origin::Entered): Figure
    {
        $text = self::asText($kind, $input);
        $number = WrittenNumber::read($text) ?? throw InvalidQuantity::notReadable($kind, $text);
        $unit = self::unit($kind, $number->rest, $text);

        return self::figure($kind, $number, $unit, $text)->withOrigin($origin);
    }

    /**
     * One or two figures of one kind: “29 ft-lb / 21 Nm”, “17 lbf·ft (23 N·m)”, “204 in-lb or 17 ft-lb”.
     *
     * @return non-empty-list<Figure>
     *
     * @throws InvalidQuantity
     */
    public static function readStatement(Kind $kind, string|int|float $input): array
    {
        $text = self::asText($kind, $input);
        if (1 === preg_match('~\d\s*(?:-|–|to|\.\.|…)\s*\d+(?:[.,]\d+)?(?!\s?/\s?\d)\s*\D~ui', $text) && 1 !== preg_match('~\d-\d+/\d~', $text)) {
            throw InvalidQuantity::range($text);
        }
        $pieces = self::split($text);
        count($pieces) <= 2 || throw InvalidQuantity::tooMany(count($pieces));
        $figures = [];
        foreach ($pieces as $piece) {
            $number = WrittenNumber::read($piece) ?? throw InvalidQuantity::notReadable($kind, $piece);
            if (count($pieces) > 1 && '' === self::squeeze($number->rest)) {
                throw InvalidQuantity::unknownUnit($kind, trim($piece).' (no unit)');
            }
            $figures[] = self::figure($kind, $number, self::unit($kind, $number->rest, $piece), trim($piece));
        }

        return [] === $figures ? throw InvalidQuantity::empty($kind) : $figures;
    }

    /**
     * A new figure begins where a number follows a unit; the joining marks in between belong to neither.
     *
     * @return list<string>
     */
    private static function split(string $text): array
    {
        $joined = preg_replace('~(?<=[\p{L}\'"″′²%°.)])\s*(?:[/(|;=,&]|\bor\b|\band\b|\bi\.?e\.?\b|≈|\s)+\s*(?=[-+.]?[\d½¼¾⅛⅜⅝⅞])~ui', "\x1e", $text);
        $pieces = explode("\x1e", (string) $joined);

        return array_values(array_filter(array_map(static fn (string $piece): string => trim($piece, " \t\n\r()[];|=≈"), $pieces), static fn (string $piece): bool => '' !== $piece));
    }

    private static function figure(Kind $kind, WrittenNumber $number, Unit $unit, string $text): Figure
    {
        $quantity = Quantity::of($number->value, $unit);
        if ($quantity->inBase() < 0 && !$kind->mayBeNegative()) {
            throw InvalidQuantity::negative($kind, $text);
        }
        if (abs($quantity->inBase()) > $kind->absurdAbove() || (Kind::Temperature === $kind && $quantity->inBase() < -273.15)) {
            throw InvalidQuantity::absurd($kind, $text);
        }

        return new Figure($quantity, $unit, abs($number->step * $unit->factor()) / 2, trim($text));
    }

    private static function unit(Kind $kind, string $rest, string $text): Unit
    {
        $squeezed = self::squeeze($rest);
        if ('' === $squeezed) {
            return $kind->baseUnit();
        }
        $unit = self::spelled($kind)[$squeezed] ?? null;
        if (null !== $unit) {
            return $unit;
        }
        if (1 === preg_match('~\d~', $squeezed)) {
            throw InvalidQuantity::notReadable($kind, $text);
        }
        throw InvalidQuantity::unknownUnit($kind, trim($rest));
    }

    /**
     * What people write for the units of a kind; put together once a process.
     *
     * @return array<string, Unit>
     */
    private static function spelled(Kind $kind): array
    {
        /** @var array<string, array<string, Unit>> $known */
        static $known = [];
        if (!isset($known[$kind->value])) {
            $units = [];
            foreach ($kind->units() as $unit) {
                $units += array_fill_keys($unit->spellings(), $unit);
            }
            $known[$kind->value] = $units;
        }

        return $known[$kind->value];
    }

    /** Case, spaces, dots, hyphens and multiplication signs do not matter in a unit. */
    private static function squeeze(string $unit): string
    {
        $lower = mb_strtolower(strtr($unit, ['²' => '2', '³' => '3', 'º' => '°']));

        return (string) preg_replace('~[\s.\-·⋅∙•×*_–‑]+~u', '', $lower);
    }

    private static function asText(Kind $kind, string|int|float $input): string
    {
        if (is_float($input) && !is_finite($input)) {
            throw InvalidQuantity::notFinite($kind);
        }
        $text = is_string($input) ? $input : (string) json_encode($input);
        if (!mb_check_encoding($text, 'UTF-8') || mb_strlen($text) > 120 || 1 === preg_match('~[\x00-\x08\x0e-\x1f]~', $text)) {
            throw InvalidQuantity::notReadable($kind, $text);
        }

        return '' === trim($text) ? throw InvalidQuantity::empty($kind) : trim($text);
    }
}
