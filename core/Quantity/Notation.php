<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Quantity;

/** Reads what people write: one quantity, or all that one line may state of a figure. */
final readonly class Notation
{
    /** A bound and no figure. */
    private const LIMIT = '~\A(?:max|min|maximum|minimum|at most|at least|up to|less than|more than|no more than|[<>≤≥])'
        .'[\s.:]*[0-9]~ui';
    private const MOST_FIGURES = 3;

    /**
     * One quantity. A bare number is taken in the base unit of the kind; a bare fraction of a length in inches.
     *
     * @throws InvalidQuantity
     */
    public static function read(Kind $kind, string|int|float $input, Origin $origin = Origin::Entered): Figure
    {
        $stated = self::readStated($kind, $input);
        $text = trim((string) $input);
        !$stated->isRange() || throw InvalidQuantity::range($text);
        null === $stated->angle || throw InvalidQuantity::plusAngle($text);
        null === $stated->other || throw InvalidQuantity::tooMany(2);

        return $stated->low->withOrigin($origin);
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
        $stated = self::readStated($kind, $input);
        !$stated->isRange() || throw InvalidQuantity::range(trim((string) $input));
        null === $stated->angle || throw InvalidQuantity::plusAngle(trim((string) $input));

        return $stated->figures();
    }

    /**
     * Whatever can be said of a figure in one line: “40 Nm + 90°”, “18 to 22 Nm”, “20 ± 2 Nm”, “29 ft-lb / 39 Nm”,
     * “1 h 30 min”.
     *
     * @throws InvalidQuantity
     */
    public static function readStated(Kind $kind, string|int|float $input): Stated
    {
        $text = self::asText($kind, $input);
        $plain = WrittenFigure::plain($kind, $text);
        if (null !== $plain) {
            return Stated::one($plain);
        }
        1 !== preg_match(self::LIMIT, $text) || throw InvalidQuantity::limit($text);
        if (Kind::Percent === $kind && null !== $share = self::ratio($text)) {
            return Stated::one($share);
        }

        return self::several($kind, $text);
    }

    /** A range, a tolerance, an angle further, or the same figure in another unit. */
    private static function several(Kind $kind, string $text): Stated
    {
        $first = WrittenFigure::read($kind, $text, $text);
        $figures = [$first];
        while ('' !== $first->rest) {
            [$separator, $rest] = Separator::at($first->rest);
            if (Separator::Tolerance === $separator) {
                return self::tolerance($kind, $figures[0], $rest, $text);
            }
            $angle = Kind::Torque === $kind ? self::angle($separator, $rest, $text) : null;
            if (null !== $angle) {
                return self::stated($kind, $figures, $angle, $text);
            }
            $next = WrittenFigure::read($kind, $rest, $text);
            if (null !== $whole = $first->with($next, $separator)) {
                $figures[count($figures) - 1] = $first = $whole;
                continue;
            }
            if (self::joinsARange($separator, $first)) {
                return self::range($kind, $first, $next, $text);
            }
            Separator::None !== $separator || $next->hasUnit && $first->hasUnit || throw InvalidQuantity::notReadable($kind, $text);
            $figures[] = $first = $next;
            count($figures) <= self::MOST_FIGURES || throw InvalidQuantity::tooMany(count($figures));
        }

        return self::stated($kind, $figures, null, $text);
    }

    /** A stroke behind a number without its unit stands between two figures in one unit: 18/22 Nm. */
    private static function joinsARange(Separator $separator, WrittenFigure $first): bool
    {
        return Separator::Range === $separator || Separator::Stroke === $separator && !$first->hasUnit;
    }

    /** @param non-empty-list<WrittenFigure> $figures */
    private static function stated(Kind $kind, array $figures, ?Figure $angle, string $text): Stated
    {
        count($figures) <= 2 || throw InvalidQuantity::tooMany(count($figures));
        if (2 === count($figures)) {
            foreach ($figures as $figure) {
                $figure->hasUnit || throw InvalidQuantity::unknownUnit($kind, $figure->text.' (no unit)');
            }
        }
        $figures[0]->ensureNotTwoWays($kind, $text);

        return Stated::one($figures[0]->figure($kind), ($figures[1] ?? null)?->figure($kind), $angle);
    }

    private static function range(Kind $kind, WrittenFigure $low, WrittenFigure $high, string $text): Stated
    {
        '' === $high->rest || throw InvalidQuantity::notReadable($kind, $text);
        $high = $high->hasUnit || !$low->hasUnit ? $high : $high->in($low->unit);
        $low = $low->hasUnit ? $low : $low->in($high->unit);
        [$from, $to] = [$low->figure($kind), $high->figure($kind)];
        $from->value() < $to->value() || throw InvalidQuantity::rangeBackwards($text);

        return new Stated($from, $to);
    }

    private static function tolerance(Kind $kind, WrittenFigure $middle, string $rest, string $text): Stated
    {
        $share = 1 === preg_match('~\A(?<n>[0-9]{1,2}(?:[.,][0-9]{1,3})?)\s?(?:%|percent)\z~ui', trim($rest), $m) && Kind::Percent !== $kind
            ? (float) str_replace(',', '.', $m['n']) / 100 : null;
        $by = null === $share ? WrittenFigure::read($kind, $rest, $text) : null;
        null === $by || '' === $by->rest || throw InvalidQuantity::notReadable($kind, $text);
        $middle = $middle->hasUnit || null === $by || !$by->hasUnit ? $middle : $middle->in($by->unit);
        $figure = $middle->figure($kind);
        $size = null === $by ? $figure->written() : ($by->hasUnit ? $by : $by->in($middle->unit))->size($middle->unit);
        $span = abs($share ?? 1.0) * abs($size);
        $span > 0.0 || throw InvalidQuantity::notReadable($kind, $text);
        $side = static fn (float $written): Figure => new Figure(
            Quantity::of($written, $figure->unit), $figure->unit, $figure->halfStep, $text,
        );

        return new Stated($side($figure->written() - $span), $side($figure->written() + $span), $figure);
    }

    /** What is turned further, where that is what follows: it must say an angle by its unit. */
    private static function angle(Separator $separator, string $rest, string $text): ?Figure
    {
        if (!in_array($separator, [Separator::Plus, Separator::None, Separator::Also], true)) {
            return null;
        }
        try {
            $angle = WrittenFigure::read(Kind::Angle, $rest, $text);

            return $angle->hasUnit && '' === $angle->rest ? $angle->figure(Kind::Angle) : null;
        } catch (InvalidQuantity $e) {
            return Separator::Plus === $separator ? throw $e : null;
        }
    }

    /** Half-and-half premix is written 50/50, or 1:1; the first is the antifreeze. */
    private static function ratio(string $text): ?Figure
    {
        if (1 === preg_match(
            '~\A(?<a>[0-9]{1,3})\s?/\s?(?<b>[0-9]{1,3})(?:\s?(?:%|mix|premix))?\z~ui', $text, $m,
        ) && 100 === (int) $m['a'] + (int) $m['b']) {
            return new Figure(Quantity::percent((float) $m['a']), Unit::Percent, 0.5, $text);
        }

        return 1 === preg_match('~\A1\s?:\s?1\z~', $text) ? new Figure(Quantity::percent(50.0), Unit::Percent, 0.5, $text) : null;
    }

    private static function asText(Kind $kind, string|int|float $input): string
    {
        if (is_float($input) && !is_finite($input)) {
            throw InvalidQuantity::notFinite($kind);
        }
        $raw = is_string($input) ? $input : (string) json_encode($input);
        if (mb_strlen($raw) > 120 || 1 === preg_match('~[\x00-\x08\x0e-\x1f]~', $raw)) {
            throw InvalidQuantity::notReadable($kind, $raw);
        }
        $text = CleanText::of($raw);
        $text = trim((string) preg_replace('~\A(?:\[([^\[\]]+)\]|\(([^()]+)\))\z~u', '$1$2', $text));
        $text = (string) preg_replace(
            '~\A(?:about|approximately|approx\.?|around|roughly|circa|ca\.|\~|≈|=)\s*(?=[0-9.½¼¾⅛⅓a])~ui', '', $text,
        );
        $text = rtrim((string) preg_replace('~\Abetween\s+(.*?)\s+and\s+~ui', '$1 to ', $text), ' ;,');
        if (1 === preg_match('~\([^()]*[0-9][^()]*\)\z|\[[^\[\]]*\]\z~u', $text)) {
            $text = mb_substr($text, 0, -1);
        }

        return '' === $text ? throw InvalidQuantity::empty($kind) : $text;
    }
}
