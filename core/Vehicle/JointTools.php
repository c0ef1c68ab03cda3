<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;

/** What a joint is undone and done up with, end by end where its ends are not alike. */
final readonly class JointTools
{
    /**
     * @param string $off what undoes it, where that is not what does it up again
     * @param Length $adapter from drive to bolt; none without one
     * @param Angle $adapterAngle 0 straight out, 180 folded back
     * @param string $key what unlocks one of them, in hand before anything is raised; empty for none
     * @param list<JointEnd> $ends
     */
    private function __construct(
        public string $on, private string $off, public Length $adapter, public Angle $adapterAngle, public string $adapterName,
        public string $key, public array $ends,
    ) {
    }

    public static function read(Node $node): self
    {
        $adapter = $node->node('adapter');

        return new self(
            $node->string('tool', ''), $node->string('tool_off', ''), Length::millimetres($adapter->float('length', 0.0)),
            Angle::degrees($adapter->float('angle', 0.0)), $adapter->string('name', ''), $node->string('key', ''),
            $node->each('ends', JointEnd::read(...)),
        );
    }

    /** @return list<string> all that is needed to do it up, a counterhold too */
    public function allOn(): array
    {
        return self::named($this->on, ...array_map(static fn (JointEnd $end): string => $end->tool, $this->ends));
    }

    /** @return list<string> all that is needed to undo it */
    public function allOff(): array
    {
        return self::named($this->off(), ...array_map(static fn (JointEnd $end): string => $end->toolOff, $this->ends));
    }

    /** @return list<string> */
    private static function named(string ...$tools): array
    {
        return array_values(array_unique(array_filter($tools, static fn (string $tool): bool => '' !== $tool)));
    }

    /** The tool that undoes it; new fasteners of the same joint may take another. */
    public function off(): string
    {
        return '' === $this->off ? $this->on : $this->off;
    }
}
