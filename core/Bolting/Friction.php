<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** Friction in the thread and under the head: low, typical and high, each a ratio. */
final readonly class Friction
{
    private function __construct(
        public string $name, public float $low, public float $typical, public float $high, private ?float $head = null,
    ) {
    }

    public static function assumed(): self
    {
        return self::condition(ThreadCondition::Oiled);
    }

    public static function condition(ThreadCondition $condition): self
    {
        [$low, $typical, $high] = $condition->friction();

        return new self($condition->value, $low, $typical, $high);
    }

    /**
     * A condition by name, one number for thread and head, or two (“0.12 / 0.14”: thread, then head).
     *
     * @throws InvalidInput
     */
    public static function parse(string|int|float $input): self
    {
        $condition = ThreadCondition::named((string) $input);
        if (null !== $condition) {
            return self::condition($condition);
        }
        if (1 === preg_match(
            '~\A(?<g>[01]?[.,]\d{1,4})(?:\s*[/;\s]\s*(?<k>[01]?[.,]\d{1,4}))?\z~', str_replace(' ', ' ', trim((string) $input)), $m,
        )) {
            $thread = self::bounded((float) str_replace(',', '.', $m['g']));

            return new self(
                'μ '.$m['g'], $thread, $thread, $thread,
                isset($m['k']) ? self::bounded((float) str_replace(',', '.', $m['k'])) : null,
            );
        }
        throw InvalidInput::in(
            'friction',
            sprintf(
                '“%s” is not a friction: use %s, or a number such as 0.14.', InvalidQuantity::quote((string) $input),
                implode(', ', array_column(ThreadCondition::cases(), 'value')),
            ),
        );
    }

    /** Under the head, for a given thread friction of the same condition. */
    public function head(float $thread): float
    {
        return $this->head ?? $thread;
    }

    /** @return array<string, string> */
    public static function choices(): array
    {
        $choices = [];
        foreach (ThreadCondition::cases() as $one) {
            [$low, , $high] = $one->friction();
            $choices[$one->value] = sprintf('%s (%.2f to %.2f)', $one->value, $low, $high);
        }

        return $choices;
    }

    private static function bounded(float $mu): float
    {
        return $mu >= 0.03 && $mu <= 0.6 ? $mu : throw InvalidInput::in(
            'friction', sprintf('A friction of %s is not met on bolts: give 0.03 to 0.6.', $mu),
        );
    }
}
