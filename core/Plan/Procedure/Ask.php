<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Procedure;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Quantity\Kind;

/** A measurement a step wants, with the limits it is held against, in the base unit of its kind. */
final readonly class Ask
{
    public function __construct(
        public string $field,
        public string $label,
        public Kind $kind,
        public string $unit,
        public bool $hasLimits,
        public float $low,
        public float $high,
        public string $past,
    ) {
    }

    public static function read(Node $node): self
    {
        $kind = $node->enum('kind', Kind::class);
        $limits = $node->floats('limits');
        if ([] !== $limits && (2 !== count($limits) || $limits[0] > $limits[1])) {
            throw $node->refuse('limits', 'two numbers are needed, low then high.');
        }

        return new self($node->string('field'), $node->string('label'), $kind, $node->string('unit', $kind->baseUnit()->symbol()), [] !== $limits, $limits[0] ?? 0.0, $limits[1] ?? 0.0, $node->string('past', ''));
    }

    public function isOutside(float $value): bool
    {
        return $this->hasLimits && ($value < $this->low || $value > $this->high);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['field' => $this->field, 'label' => $this->label, 'kind' => $this->kind->value, 'unit' => $this->unit, 'past' => $this->past]
            + ($this->hasLimits ? ['limits' => [$this->low, $this->high]] : []);
    }
}
