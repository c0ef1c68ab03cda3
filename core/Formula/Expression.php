<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Formula;

/** The text of a formula as its pieces, in the order they are written and in that they are reckoned in. */
final class Expression
{
    /** @var array<string, self> */
    private static array $read = [];

    /**
     * @param string $head what it is the formula of, with its “=”
     * @param list<Piece> $pieces as written
     */
    private function __construct(private readonly string $head, private readonly array $pieces, private readonly Reckoning $reckoning)
    {
    }

    /**
     * @param list<string> $names that may stand in it; the same for the same text
     *
     * @throws \LogicException for a text that is no formula of these names
     */
    public static function read(string $text, array $names): self
    {
        return self::$read[$text] ??= self::parsed($text, $names);
    }

    /** @param array<string, float> $values of its names, each in a unit of the formula’s own */
    public function value(array $values): float
    {
        return $this->reckoning->of($values);
    }

    /** @param callable(string): string $name what is printed for a name */
    public function printed(callable $name): string
    {
        return $this->head.implode('', array_map(
            static fn (Piece $piece): string => $piece->space.(PieceKind::Name === $piece->kind ? $name($piece->text) : $piece->shown()),
            $this->pieces,
        ));
    }

    /**
     * Without what it is the formula of.
     *
     * @param callable(string): string $name what is printed for a name
     */
    public function filled(callable $name): string
    {
        $text = '';
        foreach ($this->pieces as $piece) {
            $put = PieceKind::Name === $piece->kind ? $name($piece->text) : $piece->shown();
            // A negative number inside is set apart from the sign before it.
            $put = '' !== $text && str_starts_with($put, '-') && PieceKind::Name === $piece->kind ? '('.$put.')' : $put;
            $text .= $piece->isTimes() ? ' × ' : ('' === $piece->space || str_ends_with($text, ' ') ? '' : ' ').$put;
        }

        return $text;
    }

    /** @param list<string> $names */
    private static function parsed(string $text, array $names): self
    {
        $head = 1 === preg_match('~\A[^=(]*= ~u', $text, $found) ? $found[0] : '';
        $pieces = Pieces::of(substr($text, strlen($head)), $names);

        return new self($head, $pieces, new Reckoning(Order::of($pieces)));
    }
}
