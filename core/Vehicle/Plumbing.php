<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;

/** How a circuit is laid and what closes it. Cap pressure in kPa gauge, heights in mm, temperatures in °C. */
final readonly class Plumbing
{
    public const HEIGHTS = ['radiator', 'engine', 'heater', 'tank', 'bleed'];

    /**
     * @param float $cap kPa gauge; 0 where not known
     * @param list<string> $drainBehind ids of the items that must be off before it can be drained
     * @param array<string, float> $heights mm over the floor of the tops of radiator, engine, heater, tank and of the bleed
     *                                      screw; empty where nobody measured
     * @param float $marks L between the two marks of the tank; 0 where not known
     * @param float $opens °C at which its thermostat opens; 0 where not known
     * @param float $warmest °C it normally gets at most; 0 where not known
     * @param ?LevelRead $level how its level is read; null where nobody said
     */
    public function __construct(
        public float $cap,
        public array $drainBehind,
        public array $heights = [],
        public float $marks = 0.0,
        public float $opens = 0.0,
        public float $warmest = 0.0,
        public ?LevelRead $level = null,
    ) {
    }

    public static function read(Node $node): self
    {
        return new self(
            $node->float('cap', 0.0), $node->strings('drain_behind'), self::heightsOf($node->node('heights')),
            $node->float('marks', 0.0), $node->float('opens', 0.0), BoundedNumber::within($node, 'warmest', 0.0, 200.0),
            $node->has('level') ? LevelRead::read($node->node('level')) : null,
        );
    }

    /** @return array<string, float> */
    private static function heightsOf(Node $node): array
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
}
