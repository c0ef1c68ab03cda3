<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** What parts when an item comes off: its ends, what stands open then, what it held together and what it protected. */
final readonly class Parting
{
    public const OPENINGS = ['intake', 'turbo', 'cylinder', 'oil', 'fuel', 'coolant'];

    /**
     * @param list<ItemEnd> $ends
     * @param list<string> $opens what stands open once it is off
     */
    private function __construct(public array $ends, public array $opens, public Between $between, public Protects $protects)
    {
    }

    /** @return list<ItemEnd> those looked over by name before the engine runs */
    public function guards(): array
    {
        return array_values(array_filter($this->ends, static fn (ItemEnd $end): bool => $end->guardsTheStart()));
    }

    /** The end that is called so; null where none is. */
    public function end(string $name): ?ItemEnd
    {
        return array_values(array_filter($this->ends, static fn (ItemEnd $end): bool => $end->name === $name))[0] ?? null;
    }

    public static function read(Node $node): self
    {
        $opens = $node->strings('opens');
        foreach ($opens as $one) {
            in_array($one, self::OPENINGS, true) || throw $node->refuse(
                'opens', sprintf('“%s” is none of %s.', $one, implode(', ', self::OPENINGS)),
            );
        }

        return new self(
            $node->each('ends', ItemEnd::read(...)), $opens, Between::read($node),
            $node->enum('protects', Protects::class, Protects::Nothing),
        );
    }
}
