<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Formula;

/** A name, a number, a sign or a bracket of a formula. */
final readonly class Piece
{
    /** What multiplies without being written. */
    public const BESIDE = 'beside';
    private const BINDS = ['+' => 1, '-' => 1, '·' => 2, self::BESIDE => 2, '/' => 2, 'minus' => 3, '^' => 5];

    /**
     * @param string $text numbers with a point, names as written, operators by their plain sign
     * @param string $space what stands before it
     * @param ?string $written where it is written otherwise than its text says
     * @param int $takes of an operator or function, how many arguments
     */
    public function __construct(
        public PieceKind $kind, public string $text, public string $space = '', private ?string $written = null, public int $takes = 0,
    ) {
    }

    public function shown(): string
    {
        return $this->written ?? $this->text;
    }

    public function isTimes(): bool
    {
        return self::BESIDE === $this->text || '·' === $this->text;
    }

    /** How tightly it binds: a product before a sum, a function before a product. */
    public function binds(): int
    {
        return PieceKind::Function === $this->kind ? 4 : self::BINDS[$this->text] ?? 0;
    }

    /** Whether a value may end here. */
    public function ends(): bool
    {
        return PieceKind::Number === $this->kind || PieceKind::Name === $this->kind || PieceKind::Close === $this->kind;
    }

    /** Whether a value may begin here. */
    public function begins(): bool
    {
        return PieceKind::Number === $this->kind || PieceKind::Name === $this->kind || PieceKind::Open === $this->kind
            || PieceKind::Function === $this->kind;
    }

    public function taking(int $arguments): self
    {
        return new self($this->kind, $this->text, $this->space, $this->written, $arguments);
    }
}
