<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

use NimbleKnuckle\Core\Document\Node;

/**
 * What a reading is held against: low and high in the base unit of its kind, another reading, or the answers that may be chosen.
 * None of them where a reading is only written down. The value of an answer is its place in the list, from 1.
 */
final readonly class Limits
{
    /**
     * @param list<Choice> $choices
     * @param string $near another reading that low and high are counted from; not set until that has been read
     */
    private function __construct(
        public bool $isSet, public float $low, public float $high, public array $choices = [], public string $near = '',
    ) {
    }

    public static function none(): self
    {
        return new self(false, 0.0, 0.0);
    }

    public static function between(float $low, float $high): self
    {
        return new self(true, $low, $high);
    }

    /** @param list<Choice> $choices */
    public static function choices(array $choices): self
    {
        return new self(false, 0.0, 0.0, $choices);
    }

    public static function read(Node $node): self
    {
        $choices = $node->each('choices', Choice::read(...));
        $limits = $node->floats('limits');
        if ([] !== $choices) {
            [] === $limits || throw $node->refuse('limits', 'a reading with choices has no limits: mark a choice as bad.');
            count(array_unique(array_column($choices, 'id'))) === count($choices)
                || throw $node->refuse('choices', 'two of them have one id: each needs its own.');

            return self::choices(array_values($choices));
        }
        if ($node->has('near')) {
            $within = $node->floats('within');
            2 === count($within) && $within[0] <= $within[1] && [] === $limits || throw $node->refuse(
                'within', 'a reading near another needs two numbers, so much below and above it, and no limits.',
            );

            return self::near($node->string('near'), ...$within);
        }
        if ([] !== $limits && (2 !== count($limits) || $limits[0] > $limits[1])) {
            throw $node->refuse('limits', 'two numbers are needed, low then high.');
        }

        return 2 === count($limits) ? self::between(...$limits) : self::none();
    }

    /** Held against another reading: this much below and above it, in the base unit. */
    public static function near(string $field, float $low, float $high): self
    {
        return new self(false, $low, $high, near: $field);
    }

    /** @param ?float $other what the other reading came to; null where it has not been read, then nothing is held */
    public function resolved(?float $other): self
    {
        return null === $other ? $this : self::between($other + $this->low, $other + $this->high);
    }

    /** What lies inside both; the first where nothing does. */
    public function and(self $other): self
    {
        if (!$this->isSet || !$other->isSet) {
            return $this->isSomething() ? $this : $other;
        }
        [$low, $high] = [max($this->low, $other->low), min($this->high, $other->high)];

        return $low <= $high ? self::between($low, $high) : $this;
    }

    public function isPast(float $value): bool
    {
        if ([] !== $this->choices) {
            return !(($this->choices[(int) round($value) - 1] ?? null)->isGood ?? false);
        }

        return $this->isSet && ($value < $this->low || $value > $this->high);
    }

    /** A value inside them: the middle, or the first good answer; 1 where nothing holds it. */
    public function usual(): float
    {
        foreach ($this->choices as $i => $choice) {
            if ($choice->isGood) {
                return $i + 1.0;
            }
        }

        return $this->isSet ? ($this->low + $this->high) / 2 : 1.0;
    }

    private function isSomething(): bool
    {
        return $this->isSet || [] !== $this->choices || '' !== $this->near;
    }

    /** Whether any value lies outside. */
    public function hold(): bool
    {
        return $this->isSet || '' !== $this->near || [] !== array_filter($this->choices, static fn (Choice $one): bool => !$one->isGood);
    }

    /** The value of an answer by its id or its words; null where it is none of these. */
    public function valueOf(string $said): ?int
    {
        foreach ($this->choices as $i => $choice) {
            if (in_array(mb_strtolower(trim($said)), [$choice->id, mb_strtolower($choice->label)], true)) {
                return $i + 1;
            }
        }

        return null;
    }
}
