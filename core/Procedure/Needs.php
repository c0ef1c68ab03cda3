<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Vehicle\TrayLine;

/** What a step takes: tools, what is used up, what goes in for good or for a while, and what is counted in the tray. */
final readonly class Needs
{
    /**
     * @param list<string> $tools
     * @param list<Supply> $consumables
     * @param list<Supply> $parts
     * @param list<TrayLine> $tray
     * @param list<PutIn> $puts what goes in for a while and must come out again
     */
    public function __construct(
        public array $tools = [],
        public array $consumables = [],
        public array $parts = [],
        public array $tray = [],
        public array $puts = [],
    ) {
    }

    public function and(self $other): self
    {
        return new self(
            array_values(array_unique([...$this->tools, ...$other->tools])), self::distinct([
                ...$this->consumables, ...$other->consumables,
            ]),
            self::distinct([...$this->parts, ...$other->parts]), [...$this->tray, ...$other->tray],
            array_values(array_column([...$other->puts, ...$this->puts], null, 'thing')),
        );
    }

    /**
     * @param list<Supply> $supplies
     *
     * @return list<Supply> each once; the same thing in another amount is another
     */
    private static function distinct(array $supplies): array
    {
        $known = [];
        foreach ($supplies as $supply) {
            $known[$supply->name."\n".$supply->amount] ??= $supply;
        }

        return array_values($known);
    }

    /** @param list<PutIn> $puts */
    public function putting(array $puts): self
    {
        return new self($this->tools, $this->consumables, $this->parts, $this->tray, $puts);
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->strings('tools'), $node->each('consumables', Supply::read(...)), $node->each('parts', Supply::read(...)),
            $node->each('tray', TrayLine::read(...)), $node->each('puts', PutIn::read(...)),
        );
    }
}
