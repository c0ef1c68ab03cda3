<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Document;

/** A mapping out of decoded JSON or YAML, read with types; every error names its path. */
final readonly class Node
{
    /** @param array<array-key, mixed> $data */
    private function __construct(private array $data, private string $path)
    {
    }

    public static function of(mixed $data, string $path = ''): self
    {
        return is_array($data) ? new self($data, $path) : throw InvalidDocument::at($path, 'a mapping is needed here.');
    }

    public function has(string $key): bool
    {
        return isset($this->data[$key]);
    }

    /** The same with one more entry; its place in the document stays. */
    public function with(string $key, mixed $value): self
    {
        return new self([$key => $value] + $this->data, $this->path);
    }

    /** @return list<string> */
    public function keys(): array
    {
        return array_map(strval(...), array_keys($this->data));
    }

    public function string(string $key, ?string $default = null): string
    {
        $value = $this->data[$key] ?? $default;

        return match (true) {
            is_string($value) => trim($value),
            is_int($value), is_float($value) => (string) $value,
            null === $value => throw InvalidDocument::at($this->at($key), 'a text is needed and there is none.'),
            default => throw InvalidDocument::at($this->at($key), 'a text is needed.'),
        };
    }

    public function int(string $key, ?int $default = null): int
    {
        $value = $this->data[$key] ?? $default;

        return is_int($value) ? $value : throw InvalidDocument::at($this->at($key), 'a whole number is needed.');
    }

    public function float(string $key, ?float $default = null): float
    {
        $value = $this->data[$key] ?? $default;

        return (is_int($value) || is_float($value)) && is_finite((float) $value)
            ? (float) $value
            : throw InvalidDocument::at($this->at($key), 'a number is needed.');
    }

    public function bool(string $key, bool $default = false): bool
    {
        $value = $this->data[$key] ?? $default;

        return is_bool($value) ? $value : throw InvalidDocument::at($this->at($key), 'true or false is needed.');
    }

    public function node(string $key): self
    {
        return self::of($this->data[$key] ?? [], $this->at($key));
    }

    /** @return list<self> */
    public function nodes(string $key): array
    {
        if (!isset($this->data[$key])) {
            return [];
        }
        $nodes = [];
        foreach ($this->list($key) as $i => $value) {
            $nodes[] = self::of($value, $this->at($key).'.'.$i);
        }

        return $nodes;
    }

    /**
     * @template T
     *
     * @param \Closure(self): T $read
     *
     * @return list<T>
     */
    public function each(string $key, \Closure $read): array
    {
        return isset($this->data[$key]) ? array_map($read, $this->nodes($key)) : [];
    }

    /** @return list<string> a single text counts as a list of one */
    public function strings(string $key): array
    {
        $value = $this->data[$key] ?? null;
        if (null === $value || is_string($value)) {
            return null === $value ? [] : [$value];
        }
        $texts = [];
        foreach ($this->list($key) as $i => $text) {
            $texts[] = is_scalar($text)
                ? (is_bool($text) ? ($text ? 'yes' : 'no') : (string) $text)
                : throw InvalidDocument::at($this->at($key).'.'.$i, 'a text is needed.');
        }

        return $texts;
    }

    /** @return list<float> */
    public function floats(string $key): array
    {
        $numbers = [];
        foreach ($this->list($key) as $i => $number) {
            $numbers[] = is_int($number) || is_float($number) ? (float) $number : throw InvalidDocument::at(
                $this->at($key).'.'.$i, 'a number is needed.',
            );
        }

        return $numbers;
    }

    /** @return list<mixed> */
    public function list(string $key): array
    {
        $value = $this->data[$key] ?? [];

        return is_array($value) && array_is_list($value) ? $value : throw InvalidDocument::at($this->at($key), 'a list is needed.');
    }

    /** @return array<array-key, mixed> */
    public function raw(): array
    {
        return $this->data;
    }

    /** @return array<string, mixed> */
    public function map(): array
    {
        return array_combine($this->keys(), array_values($this->data));
    }

    /**
     * One of a closed set.
     *
     * @template T of \BackedEnum
     *
     * @param class-string<T> $enum
     *
     * @return T
     */
    public function enum(string $key, string $enum, ?\BackedEnum $default = null): \BackedEnum
    {
        $value = $this->data[$key] ?? null;
        if (null === $value && $default instanceof $enum) {
            return $default;
        }
        $case = is_string($value) ? $enum::tryFrom($value) : null;

        return $case ?? throw InvalidDocument::at(
            $this->at($key),
            sprintf(
                '“%s” is not one of %s.', is_scalar($value) ? mb_substr((string) $value, 0, 40) : gettype($value),
                implode(', ', array_map(static fn (\BackedEnum $c): string => (string) $c->value, $enum::cases())),
            ),
        );
    }

    public function refuse(string $key, string $message): InvalidDocument
    {
        return InvalidDocument::at($this->at($key), $message);
    }

    private function at(string $key): string
    {
        return '' === $this->path ? $key : $this->path.'.'.$key;
    }
}
