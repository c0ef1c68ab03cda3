<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\State;

use NimbleKnuckle\Core\Procedure\Support;

/** Who carries one body: its own mounts, and what was put under or over it. */
final readonly class Bearing
{
    /**
     * @param list<Mount> $mounts
     * @param list<Support> $supports in the order they took the weight
     * @param float $raised mm it was moved up; down is negative
     */
    public function __construct(public string $body, public array $mounts, public array $supports, public float $raised = 0.0)
    {
    }

    /** A mount is off: what is left of them does not hold it alone. */
    public function hasMountOff(): bool
    {
        return $this->offMounts() > 0;
    }

    public function offMounts(): int
    {
        return count(array_filter($this->mounts, static fn (Mount $one): bool => MountState::Off === $one->state));
    }

    /** Some mount still holds it to the vehicle by its fasteners. */
    public function isBolted(): bool
    {
        return [] !== array_filter($this->mounts, static fn (Mount $one): bool => MountState::Bolted === $one->state);
    }

    /** It does not sit on all its own mounts any more, or was moved off them. */
    public function hangs(): bool
    {
        return $this->hasMountOff() || 0.0 !== $this->raised;
    }

    public function onTheFloor(): ?Support
    {
        foreach ($this->supports as $support) {
            if ($support->standsOnTheFloor()) {
                return $support;
            }
        }

        return null;
    }

    /** In words: “support bar, 40 mm up; left engine mount off”, “own mounts”, “own mounts, undone”. */
    public function said(): string
    {
        $bolted = $this->named(MountState::Bolted);
        $undone = $this->named(MountState::Undone);
        $own = match (true) {
            count($bolted) === count($this->mounts) => [] === $bolted ? [] : ['own mounts'],
            [] === $this->supports && [] === $bolted && [] !== $undone => ['own mounts, undone'],
            default => $bolted,
        };
        $held = implode(' and ', [...$own, ...array_map(static fn (Support $one): string => $one->label(), $this->supports)]);
        $moved = 0.0 === $this->raised ? '' : sprintf(', %s mm %s', abs($this->raised), $this->raised > 0.0 ? 'up' : 'down');
        $said = [('' === $held ? 'nothing holds it' : $held).$moved];
        [] === $undone || ['own mounts, undone'] === $own || $said[] = implode(', ', $undone).' undone';
        [] === $this->named(MountState::Off) || $said[] = implode(', ', $this->named(MountState::Off)).' off';

        return implode('; ', $said);
    }

    /** @return list<string> */
    private function named(MountState $state): array
    {
        $these = array_filter($this->mounts, static fn (Mount $one): bool => $one->state === $state);

        return array_values(array_map(static fn (Mount $one): string => $one->name, $these));
    }
}
