<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\BeltDrive;

use NimbleKnuckle\Core\Document\Node;

/**
 * What is known of a driven compressor: which pulley it hangs on, what it may turn, what it makes.
 * rpm, kW, N; 0 where nobody said.
 */
final readonly class Blower
{
    /**
     * @param float $power kW it takes at the redline, as it is
     * @param float $slack N in the slack side of its belt
     */
    private function __construct(
        public string $pulley, public BlowerType $type, public float $redline, public float $limit, public float $pressureRatio,
        public float $power, public float $slack,
    ) {
    }

    /** @param list<Pulley> $pulleys */
    public static function read(Node $node, array $pulleys): self
    {
        $name = $node->string('pulley');
        in_array($name, array_map(static fn (Pulley $one): string => $one->name, $pulleys), true) || throw $node->refuse(
            'pulley', 'no pulley has that name.',
        );

        return new self(
            $name, $node->enum('type', BlowerType::class, BlowerType::PositiveDisplacement), $node->float('redline', 0.0),
            $node->float('limit', 0.0), $node->float('pressure_ratio', 0.0),
            $node->float('power', 0.0), $node->float('slack_tension', 0.0),
        );
    }
}
