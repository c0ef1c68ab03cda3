<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Law;

use NimbleKnuckle\Core\Curve\CurveKind;
use NimbleKnuckle\Core\Fluids\Fill\FillRoutine;
use NimbleKnuckle\Core\Plan\Position;
use NimbleKnuckle\Core\Procedure\Guard;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Safety\Atom;
use NimbleKnuckle\Core\Safety\Term;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sheet\Tag;
use NimbleKnuckle\Core\Vehicle\Body;
use NimbleKnuckle\Core\Vehicle\ItemKind;
use NimbleKnuckle\Core\Vehicle\Joint;
use NimbleKnuckle\Core\Vehicle\Protects;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** What a step is by nature: whether the engine runs at it, whether something under pressure is opened, whether it is under the vehicle. */
final readonly class Nature
{
    /** °C at which bare metal burns within ten seconds (ISO 13732-1, uncoated metal). */
    private const BURNS = 55.0;
    /** Deeds that leave the vehicle otherwise than they found it. */
    private const WORK = [
        StepKind::Undo, StepKind::Remove, StepKind::Refit, StepKind::Install, StepKind::Tighten, StepKind::Drain, StepKind::Open,
        StepKind::Fill, StepKind::Bleed, StepKind::Hold,
        StepKind::HandOver, StepKind::Release, StepKind::Move,
        StepKind::BatteryOff, StepKind::BatteryOn,
    ];

    public static function runsEngine(Step $step): bool
    {
        if (StepKind::Start === $step->deed || StepKind::Drive === $step->deed || CurveKind::WarmUp->value === $step->asking->sum) {
            return true;
        }
        foreach (FillRoutine::named($step->asking->routine)->stages ?? [] as $stage) {
            if ($stage->does('runs')) {
                return true;
            }
        }

        return false;
    }

    /** Takes off or undoes what gets hot: a shield from heat, a turbo, an exhaust, a joint that is said to. */
    public static function handlesHot(Step $step, VehicleSheet $vehicle): bool
    {
        $item = in_array($step->deed, [StepKind::Remove, StepKind::Undo], true) ? $vehicle->items[$step->itemOn($vehicle)] ?? null : null;
        if (null === $item) {
            return false;
        }
        $hottest = max([0.0, ...array_map(static fn (Joint $one): float => $one->seat->heat, $vehicle->jointsOf($item->id))]);

        return $hottest > self::BURNS || Protects::Heat === $item->parting->protects || in_array('turbo', $item->parting->opens, true)
            || $item->parting->between->holds(Body::Exhaust);
    }

    /** Runs by itself, and something flows or turns: a drain, a fill, an engine that warms up. A soak, a cure, a cooling down do not. */
    public static function streams(Step $step): bool
    {
        return $step->slot->passive
            && (in_array($step->deed, [StepKind::Drain, StepKind::Fill, StepKind::Bleed], true) || self::runsEngine($step));
    }

    /** The vehicle, or something heavy on it, changes its place. */
    public static function moves(Step $step): bool
    {
        return in_array($step->deed, [StepKind::Raise, StepKind::Lower, StepKind::Move], true);
    }

    /** Whether it does: a vehicle that is up already is not raised, and one on the floor not lowered. */
    public static function movesNow(Step $step): Term
    {
        return match ($step->deed) {
            StepKind::Raise => Term::not(Term::ask(Atom::Raised)),
            StepKind::Lower => Term::ask(Atom::Raised),
            default => Term::always(),
        };
    }

    public static function isUnder(Step $step): bool
    {
        return Position::Raised === $step->slot->position || Position::WheelOff === $step->slot->position;
    }

    /** Opens something under pressure, or takes off a part of it while the sheet has it open. */
    public static function opens(Ground $ground, Step $step): bool
    {
        if (StepKind::Open === $step->deed || StepKind::Drain === $step->deed) {
            return self::isPressurised($ground, $step->target->circuit);
        }
        if (StepKind::Remove !== $step->deed || ItemKind::Part !== ($ground->vehicle->items[$step->target->item]->kind ?? null)) {
            return false;
        }
        foreach (array_keys($ground->planned($step)->open) as $circuit) {
            if (self::isPressurised($ground, (string) $circuit)) {
                return true;
            }
        }

        return false;
    }

    /** A slip clutch is put together, pulled and taken apart there until it slips where it should. */
    public static function triesClutch(Step $step): bool
    {
        return 'disc-stack' === $step->asking->sum && StepKind::Measure === $step->deed;
    }

    /** Whether the lock is in at a step, from whether it was in before it. */
    public static function isLocked(Step $step, bool $wasLocked): bool
    {
        return !in_array(Tag::UNLOCKED, $step->tags, true) && ($wasLocked || in_array(Tag::LOCKED, $step->tags, true));
    }

    public static function isWork(Step $step): bool
    {
        return in_array($step->deed, self::WORK, true);
    }

    public static function isGuardedBy(Ground $ground, Step $step, Guard $guard): bool
    {
        return match ($guard) {
            Guard::Opening => self::opens($ground, $step),
            Guard::Start => self::runsEngine($step),
            Guard::Under => self::isUnder($step),
            Guard::SignOff => false,
        };
    }

    /** What nobody but a lead leaves out: others rely on it. */
    public static function protects(Step $step): bool
    {
        $deeds = [
            StepKind::Raise, StepKind::Lower, StepKind::Hold, StepKind::HandOver, StepKind::Release, StepKind::Cold, StepKind::BatteryOff,
            StepKind::BatteryOn,
            StepKind::CoolDown,
        ];

        return in_array($step->deed, $deeds, true) || [] !== array_filter($step->asking->asks, static fn ($ask): bool => $ask->isSafety());
    }

    private static function isPressurised(Ground $ground, string $circuit): bool
    {
        return ($ground->vehicle->circuits[$circuit]->plumbing->cap ?? 0.0) > 0.0;
    }
}
