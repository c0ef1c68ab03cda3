<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Formula;

/** Pieces in the order they are reckoned in, ready to be run over and over. The caller's units throughout. */
final readonly class Reckoning
{
    /** @var list<array{string, string, float, int}> what is done, of what name or number, with how many arguments */
    private array $steps;

    /**
     * @param list<Piece> $order arguments before what takes them
     *
     * @throws \LogicException for a function with another number of arguments than it has
     */
    public function __construct(array $order)
    {
        $this->steps = array_map(static fn (Piece $piece): array => match ($piece->kind) {
            PieceKind::Number => ['number', '', (float) $piece->text, 0],
            PieceKind::Name => ['name', $piece->text, 0.0, 0],
            PieceKind::Function => ['call', $piece->text, 0.0, self::arguments($piece)],
            default => [Piece::BESIDE === $piece->text ? '·' : $piece->text, '', 0.0, $piece->takes],
        }, $order);
    }

    /** @param array<string, float> $values of the names */
    public function of(array $values): float
    {
        /** @var array<int, float> $stack */
        $stack = [];
        $top = -1;
        foreach ($this->steps as [$do, $name, $number, $takes]) {
            $top += 1 - $takes;
            $a = $stack[$top] ?? 0.0;
            $b = $stack[$top + 1] ?? 0.0;
            $stack[$top] = match ($do) {
                'number' => $number,
                'name' => $values[$name],
                '·' => $a * $b,
                '/' => $a / $b,
                '+' => $a + $b,
                '-' => $a - $b,
                '^' => $a ** $b,
                'minus' => -$a,
                default => self::called($name, $a, array_slice($stack, $top, $takes)),
            };
        }

        return $stack[0];
    }

    private static function arguments(Piece $function): int
    {
        $isRight = in_array($function->text, ['min', 'max'], true) ? $function->takes > 0 : 1 === $function->takes;

        return $isRight ? $function->takes : throw new \LogicException(sprintf('“%s” takes one argument.', $function->text));
    }

    /** @param array<int, float> $of */
    private static function called(string $function, float $x, array $of): float
    {
        return match ($function) {
            '√' => sqrt($x),
            'exp' => exp($x),
            'ln' => log($x),
            'sin' => sin(deg2rad($x)),
            'cos' => cos(deg2rad($x)),
            'tan' => tan(deg2rad($x)),
            'asin' => rad2deg(asin($x)),
            'acos' => rad2deg(acos($x)),
            'atan' => rad2deg(atan($x)),
            'min' => min($x, ...$of),
            default => max($x, ...$of),
        };
    }
}
