<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Act;

/** The one thing to do next, as the big button says it: marks to make, a reading to save, or a step to go to. */
final readonly class Act
{
    public const SIGN_OFF = '@sign-off';

    /**
     * @param list<array<string, string|int|float>> $marks
     * @param string $ask the field of the reading the button saves
     * @param string $step where the button leads
     * @param float $until not before this instant, in s since 1970; 0 for at once
     * @param float $seconds how long that is from when it is begun, for a tablet without a connection
     */
    private function __construct(
        public Turn $turn,
        public string $label,
        public array $marks = [],
        public string $ask = '',
        public string $step = '',
        public float $until = 0.0,
        public float $seconds = 0.0,
    ) {
    }

    /** @param array<string, string|int|float> ...$marks */
    public static function marks(Turn $turn, string $label, array ...$marks): self
    {
        return new self($turn, $label, array_values($marks));
    }

    public static function reading(string $label, string $field, Turn $turn = Turn::Reading): self
    {
        return new self($turn, $label, ask: $field);
    }

    public static function goTo(Turn $turn, string $label, string $stepId): self
    {
        return new self($turn, $label, step: $stepId);
    }

    public static function signOff(): self
    {
        return new self(Turn::Closed, 'Loose ends, sign off', step: self::SIGN_OFF);
    }

    /** Not before an instant; the page counts down to it. */
    /** @param float $until s since 1970. @param float $seconds s from when it is begun */
    public static function timer(string $label, float $until, float $seconds): self
    {
        return new self(Turn::Stage, $label, until: $until, seconds: $seconds);
    }

    /** Nothing the button can do now: what there is to do stands on the screen. */
    public static function none(Turn $turn, string $label): self
    {
        return new self($turn, $label);
    }

    /** @return array<string, mixed> for a tablet that goes on by itself */
    public function toArray(): array
    {
        return array_filter(
            [
                'turn' => $this->turn->value, 'label' => $this->label, 'marks' => $this->marks, 'ask' => $this->ask,
                'seconds' => $this->seconds,
            ],
            static fn (mixed $value): bool => !in_array($value, ['', [], 0.0], true),
        );
    }
}
