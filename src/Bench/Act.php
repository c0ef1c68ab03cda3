<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Bench;

/** The one thing to do next, as the big button says it: marks to make, a field to fill, or a step to go to. */
final readonly class Act
{
    public const SIGN_OFF = '@sign-off';

    /** @param list<array<string, string|int|float>> $marks */
    private function __construct(public string $label, public array $marks, public string $focus, public string $step, public string $hint, public float $until = 0.0)
    {
    }

    /** @param array<string, string|int|float> ...$marks */
    public static function marks(string $label, array ...$marks): self
    {
        return new self($label, array_values($marks), '', '', '');
    }

    public static function fill(string $label, string $fieldId): self
    {
        return new self($label, [], $fieldId, '', '');
    }

    public static function goOn(string $stepId): self
    {
        return new self('Go on', [], '', $stepId, '');
    }

    public static function signOff(): self
    {
        return new self('Loose ends, sign off', [], '', self::SIGN_OFF, '');
    }

    /** Not before an instant, in seconds since 1970; the page counts down to it. */
    public static function timer(string $label, float $until): self
    {
        return new self($label, [], '', '', '', $until);
    }

    public static function blocked(string $label, string $hint): self
    {
        return new self($label, [], '', '', $hint);
    }
}
