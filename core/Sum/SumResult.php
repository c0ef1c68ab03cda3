<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Sum;

/** What a sum concluded; each number in the unit its value names. The verdict is the gravest level among its checks. */
final readonly class SumResult
{
    public Level $verdict;

    /**
     * @param array<string, mixed> $inputs
     * @param array<string, Value> $values
     * @param list<Check> $checks
     * @param list<Working> $working
     */
    public function __construct(
        public string $sum,
        public array $inputs,
        public array $values,
        public array $checks,
        public array $working,
    ) {
        $this->verdict = array_reduce($checks, static fn (Level $worst, Check $check): Level => $worst->worse($check->level), Level::Ok);
    }

    /** In the base unit its value names. */
    public function number(string $name): float
    {
        return ($this->values[$name] ?? throw new \OutOfBoundsException(sprintf('%s gives no “%s”.', $this->sum, $name)))->number();
    }

    /** @return list<float|string> */
    public function entries(string $name): array
    {
        return isset($this->values[$name]) ? $this->values[$name]->entries() : [];
    }

    public function has(string $name): bool
    {
        return isset($this->values[$name]);
    }

    public function hasCheck(string $code): bool
    {
        return [] !== array_filter($this->checks, static fn (Check $check): bool => $check->code === $code);
    }

    /** The sentence to show first: the gravest check. */
    public function headline(): string
    {
        $sorted = $this->checks;
        usort($sorted, static fn (Check $a, Check $b): int => $b->level->rank() <=> $a->level->rank());

        return $sorted[0]->text ?? '';
    }

    /** @return array<string, mixed> the shape of the headless contract */
    public function toArray(): array
    {
        return [
            'sum' => $this->sum,
            'inputs' => [] === $this->inputs ? new \stdClass() : $this->inputs,
            'values' => array_map(static fn (Value $value): array => ['value' => $value->value, 'unit' => $value->unit], $this->values),
            'verdict' => $this->verdict->value,
            'checks' => array_map(
                static fn (Check $check): array => ['code' => $check->code, 'level' => $check->level->value, 'text' => $check->text],
                $this->checks,
            ),
            'working' => array_map(static fn (Working $line): array => get_object_vars($line), $this->working),
        ];
    }
}
