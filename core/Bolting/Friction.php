<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Quantity\InvalidQuantity;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** Friction in the thread and under the head: low, typical and high. Working values after VDI 2230's friction classes. */
final readonly class Friction
{
    private const CONDITIONS = [
        'oiled' => [0.10, 0.12, 0.16],
        'as supplied' => [0.08, 0.12, 0.16],
        'dry zinc' => [0.14, 0.18, 0.24],
        'anti-seize' => [0.08, 0.10, 0.12],
        'threadlocker wet' => [0.10, 0.14, 0.16],
        'waxed aluminium' => [0.10, 0.12, 0.14],
        'stainless dry' => [0.20, 0.25, 0.35],
    ];
    private const OTHER_NAMES = [
        'oil' => 'oiled', 'dry' => 'dry zinc', 'zinc' => 'dry zinc', 'antiseize' => 'anti-seize',
        'threadlocker' => 'threadlocker wet', 'threadlock' => 'threadlocker wet', 'locker' => 'threadlocker wet',
        'waxed aluminum' => 'waxed aluminium', 'waxed' => 'waxed aluminium', 'stainless' => 'stainless dry',
    ];

    private function __construct(
        public string $name, public float $low, public float $typical, public float $high, private ?float $head = null,
    ) {
    }

    public static function assumed(): self
    {
        return self::condition('oiled');
    }

    public static function condition(string $name): self
    {
        [$low, $typical, $high] = self::CONDITIONS[$name];

        return new self($name, $low, $typical, $high);
    }

    /**
     * A condition by name, one number for thread and head, or two (“0.12 / 0.14”: thread, then head).
     *
     * @throws InvalidInput
     */
    public static function parse(string|int|float $input): self
    {
        $clean = str_replace(['_', '-'], [' ', ' '], mb_strtolower(trim((string) $input)));
        $name = self::OTHER_NAMES[$clean] ?? $clean;
        foreach (array_keys(self::CONDITIONS) as $known) {
            if (str_replace('-', ' ', $known) === str_replace('-', ' ', $name)) {
                return self::condition($known);
            }
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
                implode(', ', array_keys(self::CONDITIONS)),
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
        return array_combine(
            array_keys(self::CONDITIONS),
            array_map(
                static fn (string $name, array $mu): string => sprintf('%s (%.2f to %.2f)', $name, $mu[0], $mu[2]),
                array_keys(self::CONDITIONS), self::CONDITIONS,
            ),
        );
    }

    private static function bounded(float $mu): float
    {
        return $mu >= 0.03 && $mu <= 0.6 ? $mu : throw InvalidInput::in(
            'friction', sprintf('A friction of %s is not met on bolts: give 0.03 to 0.6.', $mu),
        );
    }
}
