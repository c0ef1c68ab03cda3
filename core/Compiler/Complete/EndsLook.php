<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Compiler\Complete;

use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\CommonParts;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Tag;
use NimbleKnuckle\Core\Vehicle\Item;
use NimbleKnuckle\Core\Vehicle\ItemKind;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/**
 * Before the engine runs for the first time all that was unplugged and that guards something is looked over once more, by its name:
 * what hangs below while the vehicle is still up and nothing covers it yet, the rest just before the start.
 */
final readonly class EndsLook
{
    private const BELOW = 'ends-look-below';

    public function __construct(private CommonParts $common, private VehicleSheet $vehicle)
    {
    }

    /**
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    public function into(array $steps): array
    {
        $runs = array_keys(
            array_filter($steps, static fn (Step $one): bool => in_array($one->deed, [StepKind::Start, StepKind::Drive], true))
        );
        $first = $runs[0] ?? 0;
        $before = array_slice($steps, 0, $first);
        $off = $this->unplugged($before);
        $looks = $this->whileItIsUp($before, $off);
        $rest = array_diff_key($off, ...array_values($looks));
        $looks = [] === $rest ? $looks : $looks + [$first => $rest];
        $below = 0;
        $all = [];
        foreach ($steps as $i => $step) {
            if (isset($looks[$i])) {
                $id = $rest === $looks[$i] ? 'ends-look' : self::BELOW.(++$below > 1 ? '-'.$below : '');
                $all[] = $this->look($looks[$i], 'ends-look' === $id ? $step : $steps[$i - 1], $id, $before);
            }
            $all[] = $step;
        }

        return $this->coveredAfter($all);
    }

    /**
     * @param list<Step> $steps
     *
     * @return array<string, Item> what came off and is plugged in again, by id
     */
    private function unplugged(array $steps): array
    {
        $off = [];
        foreach ($steps as $step) {
            $item = StepKind::Remove === $step->deed ? $this->vehicle->items[$step->target->item] ?? null : null;
            if (null !== $item && [] !== $item->parting->guards()) {
                $off[$item->id] = $item;
            }
        }

        return $off;
    }

    /**
     * Where what hangs below is looked at, as few times as may be: it is back, and neither does anything cover it nor is the vehicle
     * wanted on the floor.
     *
     * @param list<Step> $steps
     * @param array<string, Item> $off
     *
     * @return array<int, array<string, Item>> place => what is looked at just before that
     */
    private function whileItIsUp(array $steps, array $off): array
    {
        $windows = [];
        foreach ($off as $id => $item) {
            $isBelow = in_array($item->access->position, [Position::Raised, Position::WheelOff], true);
            $window = $isBelow ? $this->window($steps, $item) : null;
            $windows += null === $window ? [] : [$id => $window];
        }
        uasort($windows, static fn (array $a, array $b): int => $a[1] <=> $b[1]);
        $looks = [];
        $at = -1;
        foreach ($windows as $id => [$from, $until]) {
            $at = $from <= $at ? $at : $until;
            $looks[$at][$id] = $off[$id];
        }

        return $looks;
    }

    /**
     * @param list<Step> $steps
     *
     * @return ?array{int, int} the first and the last place before which it is back and can be seen; null where it does not come back
     */
    private function window(array $steps, Item $item): ?array
    {
        $back = array_keys(array_filter($steps, static fn (Step $one): bool => (
            StepKind::Refit === $one->deed && $item->id === $one->target->item
        )));
        if ([] === $back) {
            return null;
        }
        $covers = $this->covers($item, []);
        $from = $at = end($back) + 1;
        foreach (array_slice($steps, $from, null, true) as $i => $step) {
            $isCovered = StepKind::Refit === $step->deed && in_array($step->target->item, $covers, true);
            if ($isCovered || Position::Ground === $step->slot->position) {
                break;
            }
            $at = Position::Any === $step->slot->position ? $at : $i + 1;
        }

        return [$from, $at];
    }

    /**
     * What lies in front of what is looked at from below goes on once that is done, whoever has hands free.
     *
     * @param list<Step> $steps
     *
     * @return list<Step>
     */
    private function coveredAfter(array $steps): array
    {
        $waits = [];
        foreach ($steps as $i => $step) {
            foreach (str_starts_with($step->id, self::BELOW) ? Tag::lookedAt($step->tags) : [] as $item) {
                $waits = array_fill_keys($this->covers($this->vehicle->items[$item], []), $step->id) + $waits;
            }
            $look = StepKind::Refit === $step->deed ? $waits[$step->target->item] ?? '' : '';
            $steps[$i] = '' === $look ? $step : $step->with(after: [...$step->slot->after, $look]);
        }

        return $steps;
    }

    /**
     * @param list<string> $known
     *
     * @return list<string> covers and wheels in front of it, and in front of what is; a part in front may be what it sits on
     */
    private function covers(Item $item, array $known): array
    {
        $covers = [];
        foreach (array_diff($item->access->behind, $known) as $id) {
            $one = $this->vehicle->items[$id] ?? null;
            if (null !== $one) {
                $isCover = ItemKind::Cover === $one->kind || $one->isWheel();
                array_push($covers, ...($isCover ? [$id] : []), ...$this->covers($one, [...$known, $id]));
            }
        }

        return $covers;
    }

    /**
     * @param array<string, Item> $items
     * @param list<Step> $steps
     */
    private function look(array $items, Step $beside, string $id, array $steps): Step
    {
        $back = array_filter($steps, static fn (Step $one): bool => StepKind::Refit === $one->deed && isset($items[$one->target->item]));
        $named = [];
        foreach ($items as $item) {
            foreach ($item->parting->guards() as $end) {
                $named[] = ucfirst($end->count > 1 ? $end->count.' '.$end->name : $end->name);
            }
        }
        $op = $this->common->move(str_starts_with($id, self::BELOW) ? self::BELOW : $id);

        return Step::fromOperation($op)->with(
            id: $id,
            phase: $beside->slot->phase, position: $beside->slot->position,
            after: array_values(array_map(static fn (Step $one): string => $one->id, $back)),
            tags: [Tag::ENDS_LOOK, ...array_map(Tag::looksAt(...), array_keys($items))],
            text: trim($op->words->text.' '.implode('. ', array_unique($named)).'.'),
        );
    }
}
