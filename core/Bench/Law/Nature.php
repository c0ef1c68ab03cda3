<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Law;

use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Procedure\Guard;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\ItemKind;

/** What a step is by nature: whether the engine runs at it, whether something under pressure is opened, whether it is under the vehicle. */
final readonly class Nature
{
    /** Deeds that leave the vehicle otherwise than they found it. */
    private const WORK = [
        Deed::Undo, Deed::Remove, Deed::Refit, Deed::Install, Deed::Tighten, Deed::Drain, Deed::Open, Deed::Fill, Deed::Bleed, Deed::Hold,
        Deed::HandOver, Deed::Release, Deed::Move,
        Deed::BatteryOff, Deed::BatteryOn,
    ];

    public static function runsEngine(Step $step): bool
    {
        if (Deed::Start === $step->deed || Deed::Drive === $step->deed || 'warm-up' === $step->asking->sum) {
            return true;
        }
        foreach (FillRoutine::named($step->asking->routine)->stages ?? [] as $stage) {
            if ($stage->does('runs')) {
                return true;
            }
        }

        return false;
    }

    public static function isUnder(Step $step): bool
    {
        return Position::Raised === $step->slot->position || Position::WheelOff === $step->slot->position;
    }

    /** Opens something under pressure, or takes off a part of it while the sheet has it open. */
    public static function opens(Fit $fit, Step $step): bool
    {
        if (Deed::Open === $step->deed || Deed::Drain === $step->deed) {
            return self::isPressurised($fit, $step->target->circuit);
        }
        if (Deed::Remove !== $step->deed || ItemKind::Part !== ($fit->vehicle->items[$step->target->item]->kind ?? null)) {
            return false;
        }
        foreach (array_keys($fit->rigs()->planned($step)->open) as $circuit) {
            if (self::isPressurised($fit, (string) $circuit)) {
                return true;
            }
        }

        return false;
    }

    public static function isWork(Step $step): bool
    {
        return in_array($step->deed, self::WORK, true);
    }

    public static function isGuardedBy(Fit $fit, Step $step, Guard $guard): bool
    {
        return match ($guard) {
            Guard::Opening => self::opens($fit, $step),
            Guard::Start => self::runsEngine($step),
            Guard::Under => self::isUnder($step),
            Guard::SignOff => false,
        };
    }

    /** What nobody but a lead leaves out: others rely on it. */
    public static function protects(Step $step): bool
    {
        $deeds = [
            Deed::Raise, Deed::Lower, Deed::Hold, Deed::HandOver, Deed::Release, Deed::Cold, Deed::BatteryOff, Deed::BatteryOn,
            Deed::CoolDown,
        ];

        return in_array($step->deed, $deeds, true) || [] !== array_filter($step->asking->asks, static fn ($ask): bool => $ask->isSafety());
    }

    private static function isPressurised(Fit $fit, string $circuit): bool
    {
        return ($fit->vehicle->circuits[$circuit]->plumbing->cap ?? 0.0) > 0.0;
    }
}
