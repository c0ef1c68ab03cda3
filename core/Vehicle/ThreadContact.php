<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Vehicle;

use NimbleKnuckle\Core\Bolting\Compound;
use NimbleKnuckle\Core\Bolting\ThreadCondition;
use NimbleKnuckle\Core\Document\Node;

/** What the bolts go into and clamp, and what is on their threads. */
final readonly class ThreadContact
{
    /**
     * @param float $cure minutes its compound needs before load, fluid or heat
     * @param float $heat °C that it gets there; 0 where nobody said
     * @param bool $isSaid whether anybody said what is on the threads
     * @param string $sheetSays the figure of the sheet and what it is meant for, where something else goes on the thread now
     */
    private function __construct(
        public string $material, public string $friction, public string $compound, public float $cure, public Grip $grip,
        public float $heat, public bool $isSaid, public string $sheetSays = '',
    ) {
    }

    public static function read(Node $node): self
    {
        $compound = $node->string('compound', '');

        return new self(
            $node->string('material', ''), $node->string('friction', '') ?: self::frictionOf($compound), $compound,
            $node->float('cure', 0.0), Grip::read($node->node('grip')), BoundedNumber::within($node, 'heat', 0.0, 1000.0),
            '' !== $node->string('friction', '').$compound,
        );
    }

    /** What the figure of the sheet is meant for; null where nobody can tell. */
    public function meantFor(): ?Compound
    {
        return '' === $this->compound ? ThreadCondition::tryFrom($this->friction)?->compound() : Compound::named($this->compound);
    }

    /** @param string $figure as the sheet states it */
    public function coated(Compound $compound, string $figure): self
    {
        $was = $this->meantFor()->value ?? 'other';

        return new self(
            $this->material, self::frictionOf($compound->value), $compound->value, 0.0, $this->grip, $this->heat,
            true, '' === $figure ? '' : sprintf('%s on %s threads', $figure, $was),
        );
    }

    /** As it came out of its bag: neither cleaned nor oiled. Its own coating is what the figure is meant for. */
    public function isAsSupplied(): bool
    {
        return ThreadCondition::AsSupplied->value === $this->friction;
    }

    public function isSoft(): bool
    {
        return str_contains($this->material, 'aluminium') || str_contains($this->material, 'magnesium');
    }

    /** A thread nobody said anything of is dry. */
    private static function frictionOf(string $compound): string
    {
        return (ThreadCondition::named($compound) ?? ThreadCondition::Dry)->value;
    }
}
