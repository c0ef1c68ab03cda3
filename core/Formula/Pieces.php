<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Formula;

/** A text cut into the pieces of a formula, with what multiplies unwritten put in. */
final readonly class Pieces
{
    private const FUNCTIONS = 'asin|acos|atan|sin|cos|tan|exp|ln|min|max|√';
    private const PI = '3.141592653589793';
    private const RAISED = ['²' => '2', '³' => '3', '⁴' => '4', '⁵' => '5', '⁶' => '6'];

    /**
     * @param list<string> $names
     *
     * @return list<Piece>
     *
     * @throws \LogicException for a sign or a name that is not known
     */
    public static function of(string $text, array $names): array
    {
        usort($names, static fn (string $a, string $b): int => strlen($b) <=> strlen($a));
        $known = [] === $names ? '(?!)' : implode('|', array_map(self::whole(...), $names));
        $pattern = sprintf(
            '~\G(\s*)(?:(%s)|(%s|π)|(\d+(?:\.\d+)?(?:·10⁻?[⁰¹²³⁴⁵⁶⁷⁸⁹]+)?)|([²³⁴⁵⁶])|([-+−·×/^,])|([(\[])|([)\]]))~u', $known,
            self::FUNCTIONS,
        );
        $pieces = [];
        for ($at = 0; $at < strlen(rtrim($text)); $at += strlen((string) $found[0])) {
            1 === preg_match($pattern, $text, $found, \PREG_UNMATCHED_AS_NULL, $at)
                || throw new \LogicException(sprintf('“%s” is no formula from “%s” on.', $text, substr($text, $at)));
            $made = self::made(array_values($found));
            $last = [] === $pieces ? null : $pieces[count($pieces) - 1];
            if (null !== $last && $last->ends() && $made->begins()) {
                $pieces[] = new Piece(PieceKind::Operator, Piece::BESIDE, '', '', 2);
            }
            $pieces[] = self::isSign($made, $last) ? new Piece(PieceKind::Operator, 'minus', $made->space, '−', 1) : $made;
            if (isset($found[5])) {
                $pieces[] = new Piece(PieceKind::Number, self::RAISED[$found[5]], '', $found[5]);
            }
        }

        return $pieces;
    }

    /** A name of plain letters ends where they end; after a Greek one the next may follow at once. */
    private static function whole(string $name): string
    {
        return preg_quote($name, '~').(1 === preg_match('~[A-Za-z]\z~', $name) ? '(?![A-Za-z])' : '');
    }

    /** 4.7·10⁻⁴ as a computer writes it. */
    private static function plain(string $number): string
    {
        return strtr($number, ['·10' => 'e', '⁻' => '-'] + array_combine(mb_str_split('⁰¹²³⁴⁵⁶⁷⁸⁹'), array_map(strval(...), range(0, 9))));
    }

    /** @param array<int, ?string> $found */
    private static function made(array $found): Piece
    {
        $space = $found[1] ?? '';

        return match (true) {
            isset($found[2]) => new Piece(PieceKind::Name, $found[2], $space),
            'π' === ($found[3] ?? null) => new Piece(PieceKind::Number, self::PI, $space, 'π'),
            isset($found[3]) => new Piece(PieceKind::Function, $found[3], $space, takes: 1),
            isset($found[4]) => new Piece(PieceKind::Number, self::plain($found[4]), $space, $found[4]),
            isset($found[5]) => new Piece(PieceKind::Operator, '^', $space, '', 2),
            ',' === ($found[6] ?? null) => new Piece(PieceKind::Comma, ',', $space),
            isset($found[6]) => new Piece(
                PieceKind::Operator, ['−' => '-', '×' => '·'][$found[6]] ?? $found[6], $space, $found[6], 2,
            ),
            isset($found[7]) => new Piece(PieceKind::Open, '(', $space, $found[7]),
            default => new Piece(PieceKind::Close, ')', $space, $found[8] ?? ')'),
        };
    }

    /** A minus before which nothing stands to take it from. */
    private static function isSign(Piece $made, ?Piece $last): bool
    {
        return '-' === $made->text && PieceKind::Operator === $made->kind && (null === $last || !$last->ends());
    }
}
