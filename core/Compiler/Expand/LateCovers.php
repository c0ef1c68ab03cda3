<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Expand;

use NimbleKnuckle\Core\Compiler\Bind\BoundOperation;
use NimbleKnuckle\Core\Plan\Phase;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Vehicle\Protects;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * Drip covers, and what goes on over them: where a fluid was opened they go back after the first look for leaks, or the first start where
 * nothing is looked at before the drive. Where a job says itself when covers go back, that holds for all.
 */
final readonly class LateCovers
{
    private function __construct(private ?BoundOperation $look, private bool $goBackLater, private VehicleSheet $vehicle)
    {
    }

    /** @param list<BoundOperation> $all */
    public static function of(array $all, VehicleSheet $vehicle): self
    {
        $opens = self::some(
            $all, static fn (BoundOperation $b): bool => in_array($b->operation->deed, [StepKind::Drain, StepKind::Open], true)
        );
        $early = self::some($all, static fn (BoundOperation $b): bool => (
            !self::isProved($b) && StepKind::Rebuild === $b->operation->deed && 'covers' === $b->operation->aim->on
        ));
        $late = self::some($all, static fn (BoundOperation $b): bool => self::isProved($b) && StepKind::Rebuild === $b->operation->deed);

        return new self($opens && !$early ? self::look($all) : null, $late, $vehicle);
    }

    /**
     * @param list<string> $removed
     *
     * @return list<string> what does not go back yet, where an operation rebuilds
     */
    public function waitingAt(BoundOperation $b, array $removed): array
    {
        return null === $this->look || Phase::Rebuild !== $b->operation->slot->phase ? [] : $this->covers($removed);
    }

    /**
     * @param list<string> $removed
     *
     * @return list<string>
     */
    public function goingBackAfter(BoundOperation $b, array $removed): array
    {
        return $b !== $this->look || $this->goBackLater ? [] : $this->covers($removed);
    }

    /** @param list<BoundOperation> $all */
    private static function look(array $all): ?BoundOperation
    {
        $start = null;
        foreach ($all as $b) {
            if (StepKind::Leaks === $b->operation->deed) {
                return $b;
            }
            if (self::isProved($b) && StepKind::Drive === $b->operation->deed) {
                return $start;
            }
            $start ??= self::isProved($b) && StepKind::Start === $b->operation->deed ? $b : null;
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

    private static function isProved(BoundOperation $b): bool
    {
        return Phase::Prove === $b->operation->slot->phase;
    }

    /**
     * @param list<BoundOperation> $all
     * @param callable(BoundOperation): bool $is
     */
    private static function some(array $all, callable $is): bool
    {
        return [] !== array_filter($all, $is);
    }
}
