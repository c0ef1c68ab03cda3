<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Caution;

/** What a step tells: what it is called, what to do and why, which way round things go, what can hurt. */
final readonly class Words
{
    /** @param list<Caution> $cautions */
    public function __construct(
        public string $title,
        public string $text = '',
        public string $why = '',
        public string $orientation = '',
        public array $cautions = [],
        public Second $second = new Second(),
    ) {
    }

    /** These words, and what others say that these do not; a caution once, to be acknowledged where either asks for it. */
    public function and(self $other): self
    {
        return new self(
            $this->title, self::joined($this->text, $other->text), self::joined($this->why, $other->why),
            self::joined($this->orientation, $other->orientation), self::distinct([...$this->cautions, ...$other->cautions]),
            $this->second->isNone() ? $other->second : $this->second,
        );
    }

    /** Both texts, without a sentence of the second that the first has already. */
    public static function joined(string $first, string $second): string
    {
        $new = array_filter(
            preg_split('/(?<=[.!?])\s+/', $second) ?: [],
            static fn (string $sentence): bool => '' !== $sentence && !str_contains($first, $sentence),
        );

        return trim($first.' '.implode(' ', $new));
    }

    /**
     * @param list<Caution> $cautions
     *
     * @return list<Caution> each text once; where one of the two is to be acknowledged, that one
     */
    public static function distinct(array $cautions): array
    {
        $byText = [];
        foreach ($cautions as $caution) {
            $known = $byText[$caution->text] ?? null;
            $byText[$caution->text] = null !== $known && $known->acknowledge ? $known : $caution;
        }

        return array_values($byText);
    }

    public static function read(Node $node, string $title): self
    {
        return new self(
            $title, $node->string('text', ''), $node->string('why', ''), $node->string('orientation', ''),
            Caution::readList($node, 'cautions'), Second::read($node->node('second')),
        );
    }
}
