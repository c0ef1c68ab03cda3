<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** Something that must be closed again. Capacity in L, strengths in percent, cap pressure in kPa gauge. */
final readonly class Circuit
{
    public const HEIGHTS = ['radiator', 'engine', 'heater', 'tank', 'bleed'];

    /**
     * @param list<string> $drainBehind ids of the items that must be off before it can be drained
     * @param array<string, float> $heights mm over the floor of the tops of radiator, engine, heater, tank and of the bleed
     *                                      screw; empty where nobody measured
     * @param int $everyMonths when it is to be changed; 0 where nobody says
     * @param float $everyKm the same by distance, km
     * @param float $opens °C at which its thermostat opens; 0 where not known
     * @param float $marks L between the two marks of the tank; 0 where not known
     */
    public function __construct(
        public string $id,
        public string $role,
        public string $name,
        public float $capacity,
        public string $base,
        public string $family,
        public float $target,
        public float $product,
        public float $cap,
        public array $drainBehind,
        public string $note,
        public array $heights = [],
        public float $marks = 0.0,
        public float $opens = 0.0,
        public int $everyMonths = 0,
        public float $everyKm = 0.0,
    ) {
    }

    /** @return array<string, float> */
    private static function heights(Node $node): array
    {
        $heights = [];
        foreach ($node->keys() as $name) {
            in_array($name, self::HEIGHTS, true) || throw $node->refuse(
                $name, sprintf('the heights are those of %s.', implode(', ', self::HEIGHTS)),
            );
            $height = $node->float($name, 0.0);
            $height > 100 && $height < 3000 || throw $node->refuse($name, 'a height over the floor of 100 to 3000 mm is needed.');
            $heights[$name] = $height;
        }

        return $heights;
    }

    public static function read(Node $node): self
    {
        $id = $node->string('id');
        $capacity = $node->float('capacity', 0.0);
        if ($capacity < 0 || $capacity > 200) {
            throw $node->refuse('capacity', 'a capacity of 0 to 200 L is needed.');
        }

        return new self(
            $id, $node->string('role', $id), $node->string('name'), $capacity, $node->string('base', ''), $node->string('family', ''),
            $node->float('target', 50.0), $node->float('product', 100.0), $node->float('cap', 0.0), $node->strings('drain_behind'),
            $node->string('note', ''),
            self::heights($node->node('heights')), $node->float('marks', 0.0), $node->float('opens', 0.0),
            $node->int('every_months', 0), $node->float('every_km', 0.0),
        );
    }
}
