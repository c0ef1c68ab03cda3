<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\State;

/**
 * Readings of one field at one step that do not agree, from tablets that had not seen each other’s. Nothing is computed from any of them
 * until a person says which is so. The same tablet again corrects its own.
 */
final readonly class Rivals
{
    /** @param non-empty-list<Reading> $readings the newest of each tablet */
    private function __construct(public array $readings)
    {
    }

    /**
     * What stands of a field, of any other tablet than this, newest first.
     *
     * @return list<Reading>
     */
    public static function ofOthers(?self $known, ?Reading $last, string $device): array
    {
        $all = $known->readings ?? (null === $last ? [] : [$last]);

        return array_reverse(array_values(array_filter($all, static fn (Reading $one): bool => $device !== $one->event->receipt->device)));
    }

    /** What stands once a reading comes in: one that had seen the others takes their place. */
    public static function after(?self $known, ?Reading $last, Reading $new): self
    {
        $before = $known->readings ?? (null === $last ? [] : [$last]);
        $others = '' === $new->event->receipt->beside ? [] : array_filter(
            $before, static fn (Reading $one): bool => $one->event->id === $new->event->receipt->beside
                || $one->event->receipt->device !== $new->event->receipt->device,
        );

        return new self([...array_values($others), $new]);
    }

    public function agree(): bool
    {
        return 1 === count(array_unique(array_map(static fn (Reading $one): string => sprintf('%.9g', $one->value), $this->readings)));
    }

    /** The one that came with this event; null where none did. */
    public function from(string $event): ?Reading
    {
        return array_values(array_filter($this->readings, static fn (Reading $one): bool => $one->event->id === $event))[0] ?? null;
    }

    public function last(): Reading
    {
        return $this->readings[count($this->readings) - 1];
    }

    /** Each with who took it and when, in words. */
    public function inWords(): string
    {
        return implode(', ', array_map(static fn (Reading $one): string => sprintf(
            '%s by %s at %s', $one->said(), $one->by, $one->at->format('H:i'),
        ), $this->readings));
    }
}
