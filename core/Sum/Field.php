<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

use NimbleKnuckle\Core\Quantity\Kind;

/** An input of a sum: its name, what it holds, and what a person sees beside it. */
final readonly class Field
{
    /** @param array<string, string> $choices value => label, for fields with a closed set */
    private function __construct(
        public string $name,
        public string $label,
        public ?Kind $kind,
        public bool $required,
        public string $example,
        public string $help,
        public array $choices,
        public Ranges $ranges = new Ranges(),
    ) {
    }

    public static function quantity(string $name, string $label, Kind $kind, string $example, string $help = ''): self
    {
        return new self($name, $label, $kind, true, $example, $help, []);
    }

    /** Words, or a list of them: JSON, or entries with semicolons between. */
    public static function text(string $name, string $label, string $example, string $help = ''): self
    {
        return new self($name, $label, null, true, $example, $help, []);
    }

    /** @param array<string, string> $choices */
    public static function choice(string $name, string $label, array $choices, string $help = ''): self
    {
        return new self($name, $label, null, true, (string) array_key_first($choices), $help, $choices);
    }

    public static function flag(string $name, string $label, string $help = ''): self
    {
        return new self($name, $label, null, false, 'true', $help, ['' => 'no', 'true' => 'yes']);
    }

    public function optional(): self
    {
        return new self($this->name, $this->label, $this->kind, false, $this->example, $this->help, $this->choices, $this->ranges);
    }

    /** Outside of these it is refused: no such thing, or a slip of the pen. In the base unit of the kind. */
    public function within(float $low, float $high): self
    {
        return $this->ranged(new Ranges(new Bounds($low, $high), $this->ranges->typical));
    }

    /** Where it usually lies, in the base unit of the kind. */
    public function usually(float $low, float $high): self
    {
        return $this->ranged(new Ranges($this->ranges->physical, new Bounds($low, $high)));
    }

    private function ranged(Ranges $ranges): self
    {
        return new self($this->name, $this->label, $this->kind, $this->required, $this->example, $this->help, $this->choices, $ranges);
    }
}
