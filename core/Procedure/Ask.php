<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;
use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Quantity\Quantity;
use NimbleKnuckle\Core\Quantity\Unit;

/** A measurement or an answer a step wants, with what it is held against, in the base unit of its kind. */
final readonly class Ask
{
    /** @param list<Guard> $guards what must not be done while this reading is missing or outside its limits */
    public function __construct(
        public string $field,
        public string $label,
        public Kind $kind,
        public string $unit,
        public Limits $limits,
        public string $past,
        public array $guards = [],
        public Flow $flow = Flow::None,
    ) {
    }

    public static function read(Node $node): self
    {
        $limits = Limits::read($node);
        $kind = [] === $limits->choices ? $node->enum('kind', Kind::class) : Kind::Number;
        $guards = array_map(
            static fn (string $name): Guard => Guard::tryFrom($name) ?? throw $node->refuse('guards', Guard::remedy()),
            $node->strings('guards'),
        );
        [] === $guards || $limits->hold() || [Guard::SignOff] === $guards
            || throw $node->refuse('limits', 'a reading that guards something needs limits.');

        return new self(
            $node->string('field'), $node->string('label'), $kind, $node->string('unit', $kind->baseUnit()->symbol()), $limits,
            $node->string('past', ''), $guards, $node->enum('flow', Flow::class, Flow::ofField($node->string('field'))),
        );
    }

    /** Whether a picture can tell it: a length or an angle. */
    public function isSeenInPicture(): bool
    {
        return [] === $this->limits->choices && in_array($this->kind, [Kind::Length, Kind::Angle], true);
    }

    /** This one of many: the field numbered, the label with its number. */
    public function numbered(int $one): self
    {
        return new self(
            $this->field.'_'.$one, sprintf('%s %d', $this->label, $one), $this->kind, $this->unit, $this->limits, $this->past,
            $this->guards, $this->flow,
        );
    }

    /** @param \Closure(string): ?float $value of another reading, by its field */
    public function resolved(\Closure $value): self
    {
        return '' === $this->limits->near ? $this : new self(
            $this->field, $this->label, $this->kind, $this->unit, $this->limits->resolved($value($this->limits->near)), $this->past,
            $this->guards, $this->flow,
        );
    }

    /** The same reading for two: held to the narrower limits, and guarding what either guards. */
    public function and(self $other): self
    {
        $guards = array_values(array_unique([...$this->guards, ...$other->guards], \SORT_REGULAR));
        $limits = $this->limits->and($other->limits);
        $past = $limits->isSet && !$this->limits->isSet ? $other->past : Words::joined($this->past, $other->past);

        return new self($this->field, $this->label, $this->kind, $this->unit, $limits, $past, $guards, $this->flow);
    }

    /** The unit it is asked in, named by its sign, “°C”, or as it is kept, “kPa”; the base unit where none is named. */
    public function unit(): Unit
    {
        $isNamed = fn (Unit $one): bool => in_array($this->unit, [$one->value, $one->symbol()], true);

        return array_values(array_filter($this->kind->units(), $isNamed))[0] ?? $this->kind->baseUnit();
    }

    /** A value of its base unit in the unit that is asked. */
    public function inUnit(float $value): float
    {
        return Quantity::of($value, $this->kind->baseUnit())->in($this->unit());
    }

    /** Whether somebody can be hurt when it is wrong. */
    public function isSafety(): bool
    {
        return [] !== $this->guards;
    }

    /** Whether no fit is signed before it is answered. */
    public function standsBeforeSigning(): bool
    {
        return in_array(Guard::SignOff, $this->guards, true);
    }

    public function isOutside(float $value): bool
    {
        return $this->limits->isPast($value);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'field' => $this->field, 'label' => $this->label, 'kind' => $this->kind->value, 'unit' => $this->unit,
            'past' => $this->past,
        ]
            + ($this->limits->isSet ? ['limits' => [$this->limits->low, $this->limits->high]] : [])
            + ('' === $this->limits->near ? [] : [
                'near' => $this->limits->near, 'within' => [$this->limits->low, $this->limits->high],
            ])
            + ([] === $this->limits->choices ? [] : ['choices' => array_map(
                static fn (Choice $one): array => $one->toArray(), $this->limits->choices,
            )])
            + ([] === $this->guards ? [] : ['guards' => array_map(static fn (Guard $guard): string => $guard->value, $this->guards)])
            + (Flow::None === $this->flow ? [] : ['flow' => $this->flow->value]);
    }
}
