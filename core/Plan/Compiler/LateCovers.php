<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Compiler;

use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Vehicle\Protects;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/**
 * Drip covers, and what goes on over them: where a fluid was opened they go back after the first look for leaks, or the first start where
 * nothing is looked at before the drive. Where a job says itself when covers go back, that holds for all.
 */
final readonly class LateCovers
{
    private function __construct(private ?Bound $look, private bool $goBackLater, private VehicleSheet $vehicle)
    {
    }

    /** @param list<Bound> $all */
    public static function of(array $all, VehicleSheet $vehicle): self
    {
        $opens = self::some($all, static fn (Bound $b): bool => in_array($b->operation->deed, [Deed::Drain, Deed::Open], true));
        $early = self::some($all, static fn (Bound $b): bool => (
            !self::isProved($b) && Deed::Rebuild === $b->operation->deed && 'covers' === $b->operation->aim->on
        ));
        $late = self::some($all, static fn (Bound $b): bool => self::isProved($b) && Deed::Rebuild === $b->operation->deed);

        return new self($opens && !$early ? self::look($all) : null, $late, $vehicle);
    }

    /**
     * @param list<string> $removed
     *
     * @return list<string> what does not go back yet, where an operation rebuilds
     */
    public function waitingAt(Bound $b, array $removed): array
    {
        return null === $this->look || Phase::Rebuild !== $b->operation->slot->phase ? [] : $this->covers($removed);
    }

    /**
     * @param list<string> $removed
     *
     * @return list<string>
     */
    public function goingBackAfter(Bound $b, array $removed): array
    {
        return $b !== $this->look || $this->goBackLater ? [] : $this->covers($removed);
    }

    /** @param list<Bound> $all */
    private static function look(array $all): ?Bound
    {
        $start = null;
        foreach ($all as $b) {
            if (Deed::Leaks === $b->operation->deed) {
                return $b;
            }
            if (self::isProved($b) && Deed::Drive === $b->operation->deed) {
                return $start;
            }
            $start ??= self::isProved($b) && Deed::Start === $b->operation->deed ? $b : null;
        }

        return $start;
    }

    /**
     * @param list<string> $removed
     *
     * @return list<string>
     */
    private function covers(array $removed): array
    {
        $drips = array_values(array_filter(
            $removed, fn (string $item): bool => Protects::Drip === $this->vehicle->items[$item]->parting->protects,
        ));
        $over = [] === $drips ? [] : $this->vehicle->allToReach(...$drips);

        return array_values(array_filter($removed, static fn (string $item): bool => isset($over[$item])));
    }

    private static function isProved(Bound $b): bool
    {
        return Phase::Prove === $b->operation->slot->phase;
    }

    /**
     * @param list<Bound> $all
     * @param callable(Bound): bool $is
     */
    private static function some(array $all, callable $is): bool
    {
        return [] !== array_filter($all, $is);
    }
}
