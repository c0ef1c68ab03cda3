<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

/** All the sums there are, by name. */
final readonly class SumBook
{
    /** @var array<string, Sum> */
    private array $sums;

    public function __construct(Sum ...$sums)
    {
        $this->sums = array_combine(array_map(static fn (Sum $sum): string => $sum->about()->name, $sums), $sums);
    }

    /** @return array<string, Sum> */
    public function all(): array
    {
        return $this->sums;
    }

    /** @throws InvalidInput when there is no such sum */
    public function named(string $name): Sum
    {
        return $this->sums[$name] ?? throw InvalidInput::in(
            'sum',
            sprintf('There is no sum “%s”: the sums are %s.', mb_substr($name, 0, 40), implode(', ', array_keys($this->sums))),
        );
    }

    /**
     * @param array<array-key, mixed> $raw
     *
     * @throws InvalidInput
     */
    public function run(string $name, array $raw): SumResult
    {
        $sum = $this->named($name);

        return $sum->compute(Inputs::of($raw, $sum->about()->fields()));
    }
}
