<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Formula;

use NimbleKnuckle\Core\Quantity\Show;

/**
 * One expression, written as the field writes it: what it comes to, how it reads, and how it reads with the numbers put in are
 * all taken from the same text. Angles of sin, cos, tan and their inverses are degrees; the unit of the answer is that of the terms.
 */
final readonly class Formula
{
    public float $value;

    /** @param array<string, Term|float> $terms */
    private function __construct(private Expression $expression, private array $terms)
    {
        foreach ($terms as $name => $term) {
            $terms[$name] = is_float($term) ? $term : $term->value;
        }
        $this->value = $expression->value($terms);
    }

    /**
     * @param string $text such as “k = π (D⁴ − d⁴) / 32”: names, numbers, + − · / ^ √ and powers above the line, brackets, min, max,
     *                     exp, ln; what stands side by side is multiplied, and a product and a quotient are taken from the left
     * @param array<string, Term|float> $terms every name in it; a bare float is a quantity of the case
     */
    public static function of(string $text, array $terms): self
    {
        return new self(Expression::read($text, array_keys($terms)), $terms);
    }

    private function term(string $name): Term
    {
        $term = $this->terms[$name];

        return is_float($term) ? Term::of($term) : $term;
    }

    /** As it reads: a fixed factor by its number. */
    public function written(): string
    {
        return $this->expression->printed(fn (string $name): string => $this->term($name)->isFixed ? $this->term($name)->shown() : $name);
    }

    /** With the numbers put in, and × between what is multiplied. */
    public function filled(): string
    {
        return $this->expression->filled(fn (string $name): string => $this->term($name)->shown());
    }

    /** What goes in, by name: those asked for, or all. */
    public function listed(string ...$names): string
    {
        $names = [] === $names ? array_keys(
            array_filter($this->terms, static fn (Term|float $term): bool => is_float($term) || !$term->isFixed)
        ) : $names;

        return implode(', ', array_map(fn (string $name): string => $name.' = '.$this->term($name)->shown(), $names));
    }

    /** What it comes to. */
    public function said(string $unit = '', int $digits = 4): string
    {
        return Show::n($this->value, $digits).('' === $unit || '°' === $unit ? $unit : ' '.$unit);
    }

    /** In percent, of a share of one. */
    public function percent(int $digits = 4): string
    {
        return Show::n(100 * $this->value, $digits).' %';
    }
}
