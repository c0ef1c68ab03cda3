<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Place;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Side;
use NimbleKnuckle\Core\Plan\Stance;

/** From where an item is reached, at which side of the vehicle, which items must be off first, and what is done on it as it sits. */
final readonly class Access
{
    /** Where the vehicle has to be for it: by the stance it asks, else by the place it is reached from. */
    public Position $position;

    /**
     * @param list<string> $behind ids
     * @param Stance $stance what the vehicle has to stand on for it, where that is more than the place says
     * @param ?Corner $wheel which wheel of the vehicle it is; null where it is none
     * @param list<Act> $acts
     */
    private function __construct(
        public Place $place, public Stance $stance, public Side $side, public array $behind, public ?Corner $wheel, public array $acts,
    ) {
        $this->position = match (true) {
            Stance::Floor === $stance => Position::Ground,
            null !== $wheel => Position::Raised,
            $stance->isUp() && Place::Arch !== $place => Position::Raised,
            default => $place->position(),
        };
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->enum('place', Place::class), $node->enum('stance', Stance::class, Stance::Any),
            $node->enum('side', Side::class, Side::Anywhere), $node->strings('behind'),
            $node->has('wheel') ? $node->enum('wheel', Corner::class) : null, $node->each('acts', Act::read(...)),
        );
    }
}
