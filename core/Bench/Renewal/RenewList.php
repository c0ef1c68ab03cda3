<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Renewal;

use NimbleKnuckle\Core\Bench\Fact\PartJudged;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Vehicle\ItemKind;

/** Reuse or renew: everything that comes off in a fit, and what was decided of it. */
final readonly class RenewList
{
    /**
     * @param array<string, Came> $came in the order it comes off, then what the sheet does not name
     * @param array<string, Worn> $judged
     */
    private function __construct(public array $came, public array $judged)
    {
    }

    public static function of(Fit $fit): self
    {
        $came = self::comesOff($fit);
        $judged = [];
        foreach ($fit->state->judged as $part => $event) {
            $came[$part] ??= Came::other($event->as(PartJudged::class)->name);
            $judged[$part] = Worn::of($came[$part], $event);
        }

        return new self($came, $judged);
    }

    /** @return list<Came> nobody has said of yet */
    public function open(): array
    {
        return array_values(array_diff_key($this->came, $this->judged));
    }

    /** @return list<Worn> */
    public function renewed(): array
    {
        return array_values(array_filter($this->judged, static fn (Worn $one): bool => $one->isRenewed()));
    }

    /** @return list<Worn> what goes back in against what it was judged by */
    public function against(): array
    {
        return array_values(array_filter($this->judged, static fn (Worn $one): bool => $one->isAgainst()));
    }

    /** @return array<string, Came> */
    private static function comesOff(Fit $fit): array
    {
        $came = [];
        foreach ($fit->sheet->steps as $step) {
            $item = StepKind::Remove === $step->deed ? $fit->vehicle->items[$step->target->item] ?? null : null;
            if (null !== $item) {
                if (ItemKind::Cover !== $item->kind) {
                    $came['item '.$item->id] ??= Came::ofItem($item);
                }
                foreach ($fit->vehicle->joints as $joint) {
                    $joint->item === $item->id && $came['joint '.$joint->id] ??= Came::ofJoint($joint);
                }
            }
            $isAJoint = StepKind::Undo === $step->deed || StepKind::Tighten === $step->deed;
            $joint = $isAJoint ? $fit->vehicle->joints[$step->target->joint] ?? null : null;
            null === $joint || $came['joint '.$joint->id] ??= Came::ofJoint($joint);
        }

        return $came;
    }
}
