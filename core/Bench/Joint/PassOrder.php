<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Joint;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\FastenerMarked;
use NimbleKnuckle\Core\Vehicle\Joint;

/**
 * Whether the fasteners of a joint were pulled in its order, pass by pass. Starting and running down are free; of a pass
 * that was done again the last pull of each fastener counts, and a fastener that was loosened begins anew.
 */
final readonly class PassOrder
{
    /** @param array<int, array<int, int>> $pulls go => bolt => place in the joint's marks of the last pull that ended it */
    private function __construct(private Joint $joint, private TighteningStages $ladder, private array $pulls)
    {
    }

    /** @param list<FitEvent> $marks every mark of the joint, in order */
    public static function of(Joint $joint, array $marks): self
    {
        $ladder = TighteningStages::of($joint);
        $pulls = [];
        foreach ($marks as $place => $mark) {
            $fact = $mark->as(FastenerMarked::class);
            [$bolt, $stage] = [$fact->bolt, $fact->stage];
            if (TighteningStages::OFF === $stage) {
                $pulls = array_map(static fn (array $go): array => array_diff_key($go, [$bolt => 0]), $pulls);
            } elseif ($stage > $ladder->snug() && $ladder->has($stage)) {
                $pulls[$ladder->rung($stage)->group][$bolt] = $place;
            }
        }
        ksort($pulls);

        return new self($joint, $ladder, $pulls);
    }

    /** @return list<string> what was out of order, in words; empty where nothing was */
    public function faults(): array
    {
        $faults = [];
        $before = null;
        foreach ($this->pulls as $go => $bolts) {
            array_push($faults, ...$this->outOfOrder($go, $bolts));
            if (null !== $before) {
                array_push($faults, ...$this->tooSoon($go, $bolts, $before));
            }
            $before = $bolts;
        }

        return $faults;
    }

    /**
     * @param array<int, int> $bolts
     *
     * @return list<string>
     */
    private function outOfOrder(int $go, array $bolts): array
    {
        asort($bolts);
        $done = array_keys($bolts);
        foreach (array_values(array_filter(
            $this->joint->pattern->order(), static fn (int $bolt): bool => isset($bolts[$bolt]),
        )) as $i => $bolt) {
            if ($done[$i] !== $bolt) {
                return [sprintf('Bolt %d was pulled before bolt %d (%s).', $done[$i], $bolt, $this->name($go))];
            }
        }
        $first = array_slice($this->joint->pattern->order(), 0, count($bolts));
        $skipped = array_diff($first, $done);

        return [] === $skipped ? [] : [sprintf('Bolt %d was left out (%s).', reset($skipped), $this->name($go))];
    }

    /**
     * @param array<int, int> $bolts
     * @param array<int, int> $before the go before
     *
     * @return list<string>
     */
    private function tooSoon(int $go, array $bolts, array $before): array
    {
        $first = [] === $bolts ? \PHP_INT_MAX : min($bolts);
        $late = array_filter($before, static fn (int $place): bool => $place > $first);
        $missing = $this->joint->count() - count($before);
        if ([] === $late && 0 === $missing) {
            return [];
        }
        $bolt = (int) array_search($first, $bolts, true);

        return [sprintf('Bolt %d was on to %s before all were through the one before.', $bolt, $this->name($go))];
    }

    private function name(int $go): string
    {
        foreach ($this->ladder->rungs as $rung) {
            if ($rung->group === $go) {
                return StageKind::Angle === $rung->kind ? 'the angle' : $rung->label;
            }
        }

        return 'a pass';
    }
}
