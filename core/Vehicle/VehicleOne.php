<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Side;

/**
 * Reads nimble-knuckle/vehicle@1 for good: where the vehicle had to stand becomes from where one reaches in, and the side has a name
 * of its own. What a sheet of that format did not say is not made up.
 */
final readonly class VehicleOne
{
    public const FORMAT = 'nimble-knuckle/vehicle@1';
    private const PLACES = ['any' => 'anywhere', 'ground' => 'above', 'raised' => 'below', 'wheel-off' => 'arch'];

    /** The same as nimble-knuckle/vehicle@2; what is that already comes back as it is. */
    public static function read(Node $node): Node
    {
        if (self::FORMAT !== $node->string('format')) {
            return $node;
        }
        foreach ($node->nodes('items') as $item) {
            $item->enum('position', Position::class);
            $item->enum('place', Side::class, Side::Anywhere);
        }
        $two = self::asTwo($node->raw());

        return $node->with('items', $two['items'] ?? [])->with('format', VehicleSheet::FORMAT);
    }

    /**
     * @param array<array-key, mixed> $document of either format
     *
     * @return array<array-key, mixed> nimble-knuckle/vehicle@2
     */
    public static function asTwo(array $document): array
    {
        if (self::FORMAT !== ($document['format'] ?? null)) {
            return $document;
        }
        $document['format'] = VehicleSheet::FORMAT;
        if (is_array($document['items'] ?? null)) {
            $document['items'] = array_map(self::item(...), $document['items']);
        }

        return $document;
    }

    private static function item(mixed $item): mixed
    {
        if (!is_array($item)) {
            return $item;
        }
        $two = [];
        foreach ($item as $key => $value) {
            if ('position' === $key) {
                $two['place'] = is_string($value) ? self::PLACES[$value] ?? $value : $value;
            } else {
                $two['place' === $key ? 'side' : $key] = $value;
            }
        }

        return $two;
    }
}
