<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Formula;

/** The order in which the pieces of a formula are reckoned: arguments first, then what takes them (Dijkstra’s shunting yard). */
final class Order
{
    /** @var list<Piece> */
    private array $out = [];
    /** @var list<Piece> */
    private array $waiting = [];
    /** @var list<int> how many arguments each open bracket has so far */
    private array $arguments = [];

    private function __construct()
    {
    }

    /**
     * @param list<Piece> $pieces
     *
     * @return list<Piece>
     *
     * @throws \LogicException where a bracket or a value is missing
     */
    public static function of(array $pieces): array
    {
        $order = new self();
        foreach ($pieces as $piece) {
            $order->take($piece);
        }
        while (null !== $last = array_pop($order->waiting)) {
            PieceKind::Open !== $last->kind || throw new \LogicException('A bracket is not closed.');
            $order->out[] = $last;
        }
        $left = array_reduce($order->out, self::depth(...), 0);
        1 === $left || throw new \LogicException('A value or an operator is missing.');

        return $order->out;
    }

    private function take(Piece $piece): void
    {
        switch ($piece->kind) {
            case PieceKind::Number:
            case PieceKind::Name:
                $this->out[] = $piece;
                break;
            case PieceKind::Open:
                $this->arguments[] = 1;
                $this->waiting[] = $piece;
                break;
            case PieceKind::Function:
                $this->waiting[] = $piece;
                break;
            case PieceKind::Operator:
                $this->release(static fn (Piece $last): bool => $last->binds() > $piece->binds()
                    || $last->binds() === $piece->binds() && '^' !== $piece->text && 'minus' !== $piece->text);
                $this->waiting[] = $piece;
                break;
            case PieceKind::Comma:
                $this->release(static fn (): bool => true);
                $this->arguments[] = 1 + (array_pop($this->arguments) ?? 0);
                break;
            case PieceKind::Close:
                $this->close();
        }
    }

    private function close(): void
    {
        $this->release(static fn (): bool => true);
        $open = array_pop($this->waiting);
        $count = array_pop($this->arguments);
        null !== $open && null !== $count || throw new \LogicException('A bracket is closed that was not opened.');
        $before = $this->waiting[count($this->waiting) - 1] ?? null;
        if (PieceKind::Function === $before?->kind) {
            array_pop($this->waiting);
            $this->out[] = $before->taking($count);
        }
    }

    /** @param callable(Piece): bool $goes whether what waits goes before what comes */
    private function release(callable $goes): void
    {
        while (([] !== $this->waiting) && PieceKind::Open !== ($last = $this->waiting[count($this->waiting) - 1])->kind && $goes($last)) {
            $this->out[] = $last;
            array_pop($this->waiting);
        }
    }

    private static function depth(int $depth, Piece $piece): int
    {
        $depth >= $piece->takes || throw new \LogicException('A value is missing.');

        return $depth + 1 - $piece->takes;
    }
}
