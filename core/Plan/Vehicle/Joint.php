<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Vehicle;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Fastening\Layout;
use NimbleKnuckle\Core\Quantity\Figure;
use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Notation;
use NimbleKnuckle\Core\Quantity\Origin;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** A group of like fasteners that clamp one thing. The figure is kept as it was written, with where it came from. */
final readonly class Joint
{
    /**
     * @param list<float> $passes percent of the figure, the last one 100
     * @param list<string> $labels what the card says beside each fastener, in order
     * @param list<string> $when «loaded»: only with the weight on; «room»: only while it is raised or lowered out of the way
     * @param string $set joints of one set are all loosely in before any is tightened
     * @param float $cure minutes its compound needs before load, fluid or heat
     */
    public function __construct(
        public string $id,
        public string $role,
        public string $name,
        public string $item,
        public Layout $layout,
        public string $outline,
        public string $thread,
        public string $length,
        public string $grade,
        public string $material,
        public string $friction,
        public string $stated,
        public Origin $origin,
        public array $passes,
        public string $compound,
        public string $reuse,
        public string $tool,
        public float $adapter,
        public float $adapterAngle,
        public string $adapterName,
        public string $note,
        public array $labels,
        public array $when,
        public string $set,
        public float $cure,
        private ?Figure $figure,
    ) {
    }

    public static function read(Node $node): self
    {
        $id = $node->string('id');
        try {
            $layout = Layout::parse($node->raw()['layout'] ?? null);
        } catch (InvalidInput $e) {
            throw $node->refuse('layout', $e->getMessage());
        }
        $passes = $node->floats('passes');
        if ([] !== $passes && 100.0 !== $passes[count($passes) - 1]) {
            throw $node->refuse('passes', 'the last pass is 100 percent.');
        }
        $adapter = $node->node('adapter');
        $stated = $node->string('figure', '');
        $origin = $node->enum('origin', Origin::class, Origin::Entered);
        try {
            $figure = '' === $stated ? null : Notation::readStatement(Kind::Torque, $stated)[0]->withOrigin($origin);
        } catch (InvalidQuantity $e) {
            throw $node->refuse('figure', $e->getMessage());
        }

        return new self(
            $id, $node->string('role', $id), $node->string('name'), $node->string('item', ''), $layout, $node->string('outline', 'plate'),
            $node->string('thread', ''), $node->string('length', ''), $node->string('grade', ''), $node->string('material', ''), $node->string('friction', ''),
            $stated, $origin, [] === $passes ? [100.0] : $passes,
            $node->string('compound', ''), $node->string('reuse', 'reuse'), $node->string('tool', ''),
            $adapter->float('length', 0.0), $adapter->float('angle', 0.0), $adapter->string('name', ''), $node->string('note', ''), $node->strings('labels'),
            $node->strings('when'), $node->string('set', ''), $node->float('cure', 0.0), $figure,
        );
    }

    public function count(): int
    {
        return $this->layout->count();
    }

    public function hasFigure(): bool
    {
        return null !== $this->figure;
    }

    /** The first of the stated figures. */
    public function figure(): Figure
    {
        return $this->figure ?? throw new \LogicException('This joint has no figure; ask hasFigure() first.');
    }

    /** Torque of a pass in N·m; passes count from 0. */
    public function passTorque(int $pass): float
    {
        return $this->figure()->value() * ($this->passes[$pass] ?? 100.0) / 100;
    }

    public function boltLabel(int $bolt): string
    {
        return $this->labels[$bolt - 1] ?? '';
    }

    public function isNew(): bool
    {
        return 'new' === $this->reuse;
    }
}
