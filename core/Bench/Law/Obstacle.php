<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

/** One thing that stands in the way of a step: a stable code, a sentence for a person, how hard, and the step where it is mended. */
final readonly class Obstacle
{
    private function __construct(public string $code, public string $text, public Bar $bar, public string $step)
    {
    }

    public static function noted(string $code, string $text, string $step): self
    {
        return new self($code, $text, Bar::Note, $step);
    }

    public static function reason(string $code, string $text, string $step): self
    {
        return new self($code, $text, Bar::Reason, $step);
    }

    public static function lead(string $code, string $text, string $step): self
    {
        return new self($code, $text, Bar::Lead, $step);
    }

    public static function never(string $code, string $text, string $step): self
    {
        return new self($code, $text, Bar::Never, $step);
    }
}
