<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Caution;
use NimbleKnuckle\Core\Plan\Minutes;
use NimbleKnuckle\Core\Plan\Position;

/** Something on the vehicle that can come off: what it lies behind, how it is held, how long it takes. */
final readonly class Item
{
    /**
     * @param list<string> $behind ids of the items that must be off first
     * @param list<TrayLine> $tray
     * @param list<Caution> $cautions
     * @param string $carries what hangs on it: engine, gearbox, or nothing
     * @param list<string> $hazards what makes touching it dangerous: battery
     */
    public function __construct(
        public string $id,
        public string $role,
        public string $name,
        public ItemKind $kind,
        public Position $position,
        public array $behind,
        public array $tray,
        public Minutes $off,
        public Minutes $on,
        public string $removeNote,
        public string $refitNote,
        public array $cautions,
        public string $carries,
        public array $hazards,
    ) {
    }

    public static function read(Node $node): self
    {
        $id = $node->string('id');

        return new self(
            $id,
            $node->string('role', $id),
            $node->string('name'),
            $node->enum('kind', ItemKind::class, ItemKind::Part),
            $node->enum('position', Position::class),
            $node->strings('behind'),
            $node->each('tray', TrayLine::read(...)),
            Minutes::read($node, 'off'),
            Minutes::read($node, 'on'),
            $node->string('remove_note', ''),
            $node->string('refit_note', ''),
            Caution::readList($node, 'cautions'),
            $node->string('carries', ''),
            $node->strings('hazards'),
        );
    }

    public function pieces(): int
    {
        return array_sum(array_map(static fn (TrayLine $line): int => $line->count, $this->tray));
    }
}
