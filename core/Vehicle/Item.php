<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** Something on the vehicle that can come off: what it lies behind, how it is held, how long it takes. */
final readonly class Item
{
    public Parting $parting;

    /** @param list<TrayLine> $tray */
    private function __construct(
        public string $id,
        public string $role,
        public string $name,
        public ItemKind $kind,
        public Access $access,
        public Handling $handling,
        public array $tray,
        public Dangers $dangers,
    ) {
        $this->parting = $handling->parting;
    }

    public static function read(Node $node): self
    {
        $id = $node->string('id');

        return new self(
            $id, $node->string('role', $id), $node->string('name'), $node->enum('kind', ItemKind::class, ItemKind::Part),
            Access::read($node), Handling::read($node), $node->each('tray', TrayLine::read(...)), Dangers::read($node),
        );
    }

    /** Whether it is a wheel of the vehicle. */
    public function isWheel(): bool
    {
        return null !== $this->access->wheel;
    }

    /** Whether the vehicle neither steers nor brakes as it should while this is off: it is not rolled then. */
    public function steersOrBrakes(): bool
    {
        $brakes = array_filter($this->parting->ends, static fn (ItemEnd $end): bool => 'brake' === $end->guards);

        return [] !== $brakes || in_array(Dangers::STEERING, $this->dangers->hazards, true);
    }

    public function pieces(): int
    {
        return array_sum(array_map(static fn (TrayLine $line): int => $line->count, $this->tray));
    }
}
