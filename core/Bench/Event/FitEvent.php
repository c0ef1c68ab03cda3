<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Event;

use NimbleKnuckle\Core\Bench\Fact\Fact;
use NimbleKnuckle\Core\Bench\Fact\Shape;

/**
 * One fact about a fit. The id is made by the client (ULID), so the same fact sent twice is one fact.
 */
final readonly class FitEvent
{
    private const MAX_TEXT = 500;

    /** Seconds on the tablet from which on an event counts as queued: it is dated by the tablet's own clock. */
    private const QUEUED = 15.0;

    /** @param array<string, string|int|float> $payload */
    private function __construct(
        public string $id,
        public EventType $type,
        public array $payload,
        public string $by,
        public \DateTimeImmutable $at,
        public Receipt $receipt,
    ) {
    }

    /**
     * @param array<array-key, mixed> $payload
     *
     * @throws InvalidEvent when a field is missing, of the wrong kind, or too long
     */
    public static function of(
        string $id, EventType $type, array $payload, string $by, \DateTimeImmutable $at, ?Receipt $receipt = null,
    ): self {
        1 === preg_match('/\A[0-7][0-9A-HJKMNP-TV-Z]{25}\z/', $id) || throw InvalidEvent::in('id', 'An event needs a ULID as its id.');
        $clean = [];
        foreach ($type->fields() as $field => $kind) {
            $value = $payload[$field] ?? null;
            if (null === $value || '' === $value || (is_string($value) && '' === trim($value))) {
                str_ends_with($kind, '?') || throw InvalidEvent::in(
                    $field, sprintf('“%s” is needed: %s.', $field, 'reason' === $field ? 'say why' : 'fill it in'),
                );
                continue;
            }
            $clean[$field] = self::typed($field, rtrim($kind, '?'), $value);
        }
        $unknown = array_diff(array_map(strval(...), array_keys($payload)), array_keys($type->fields()));
        [] === $unknown || throw InvalidEvent::in(
            implode(', ', $unknown), sprintf('“%s” has no field “%s”.', $type->value, mb_substr(implode(', ', $unknown), 0, 40)),
        );

        return new self($id, $type, $clean, $by, $at, $receipt ?? new Receipt($at));
    }

    /** The same fact, as the server has it. */
    public function received(Receipt $receipt): self
    {
        return new self($this->id, $this->type, $this->payload, $this->by, $this->at, $receipt);
    }

    /** Whether it is the same mark, sent twice. */
    public function saysTheSame(self $other): bool
    {
        $said = static function (self $one): array {
            $plain = static fn (string|int|float $value): string|float => is_string($value) ? $value : (float) $value;
            $said = array_map($plain, array_diff_key($one->payload, array_flip($one->type->fieldsOfServer())));
            ksort($said);

            return $said;
        };

        return $this->type === $other->type && $said($this) === $said($other);
    }

    /** When it happened by the server's clock: when it came in, less the time it lay on the tablet. */
    public function happened(): \DateTimeImmutable
    {
        return $this->receipt->happened();
    }

    /** Whether only the tablet's clock says when it happened. */
    public function wasQueued(): bool
    {
        return $this->receipt->waited > self::QUEUED;
    }

    /** Whose word it is: the maker’s own, or a file’s that somebody brought. */
    public function said(): string
    {
        return '' === $this->receipt->via ? $this->by : sprintf('%s, stated in a file brought by %s', $this->by, $this->receipt->via);
    }

    /** Whose word it is, and of a tablet’s that came back later when it came in: the other of its two times. */
    public function witness(): string
    {
        return '' === $this->receipt->via && $this->wasQueued()
            ? sprintf('%s, marked off line, in at %s', $this->by, $this->receipt->at->format('j M, H:i')) : $this->said();
    }

    public function hasReason(): bool
    {
        return '' !== $this->reason();
    }

    /**
     * A fact that was checked when it was kept, read back from the log.
     *
     * @param array<string, string|int|float> $payload
     */
    public static function restored(string $id, EventType $type, array $payload, string $by, \DateTimeImmutable $at, Receipt $receipt): self
    {
        return new self($id, $type, $payload, $by, $at, $receipt);
    }

    /** What it says, as its own class. */
    public function fact(): Fact
    {
        return Shape::of($this->type->fact())->fact($this->payload);
    }

    /**
     * What it says, where that is known to be of one kind.
     *
     * @template T of Fact
     *
     * @param class-string<T> $class
     *
     * @return T
     *
     * @throws \LogicException where it is of another
     */
    public function as(string $class): Fact
    {
        $fact = $this->fact();

        return $fact instanceof $class ? $fact : throw new \LogicException(sprintf('This event is no %s: %s.', $class, $this->type->value));
    }

    /** The same, kept over what stood against it. */
    public function over(string $against): self
    {
        return new self($this->id, $this->type, $this->payload, $this->by, $this->at, $this->receipt->over($against));
    }

    /** The same, kept beside a reading its tablet had not seen. */
    public function beside(string $event): self
    {
        return new self($this->id, $this->type, $this->payload, $this->by, $this->at, $this->receipt->beside($event));
    }

    /** The step it happened at; empty where it was at none. */
    public function step(): string
    {
        return $this->string('step');
    }

    /** The reason that was given; empty where none was. */
    public function reason(): string
    {
        return $this->string('reason');
    }

    public function string(string $field): string
    {
        $value = $this->payload[$field] ?? '';

        return is_string($value) ? $value : (string) $value;
    }

    public function int(string $field): int
    {
        return (int) ($this->payload[$field] ?? 0);
    }

    /** In the base unit of what it is: s, mm, N·m, °C …; 0 where it is not said. */
    public function float(string $field): float
    {
        return (float) ($this->payload[$field] ?? 0.0);
    }

    /** @return array{id: string, type: string, payload: array<string, string|int|float>, by: string, at: string} */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'type' => $this->type->value, 'payload' => $this->payload, 'by' => $this->by,
            'at' => $this->at->format('Y-m-d\TH:i:s.vP'),
        ];
    }

    private static function typed(string $field, string $kind, mixed $value): string|int|float
    {
        return match (true) {
            'int' === $kind && is_int($value) && abs($value) <= 10_000 => $value,
            'float' === $kind && (is_int($value) || is_float($value)) && abs((float) $value) <= 1.0e9 => (float) $value,
            'string' === $kind
                && is_string($value)
                && mb_strlen($value) <= self::MAX_TEXT
                && mb_check_encoding($value, 'UTF-8') => trim($value),
            default => throw InvalidEvent::in(
                $field,
                sprintf(
                    '“%s” must be a %s%s.', $field,
                    ['int' => 'whole number', 'float' => 'number', 'string' => 'text'][$kind] ?? $kind,
                    'string' === $kind ? sprintf(' of at most %d characters', self::MAX_TEXT) : '',
                ),
            ),
        };
    }
}
