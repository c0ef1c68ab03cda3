<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\State;

use NimbleKnuckle\Core\Plan\Stance;
use NimbleKnuckle\Core\Procedure\Load;
use NimbleKnuckle\Core\Procedure\StepKind;
use NimbleKnuckle\Core\Procedure\Support;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Vehicle\VehicleSheet;

/** The model of the vehicle that a sheet is run on: a step makes another of it, the rules only look at it. What came last stands first. */
final class VehicleState
{
    /** Stands for the step that took a wheel off, where somebody only said so. */
    private const SAID = '@said';

    public bool $raised = false;
    public Stance $stance = Stance::Floor;
    /** @var list<string> corners that were said to be without their wheel */
    public array $bare = [];
    public bool $cold = false;
    public bool $battery = true;
    public bool $ran = false;
    /** @var array<string, string> item => step that took it off */
    public array $off = [];
    /** @var array<string, string> joint => step that undid it */
    public array $loose = [];
    /** @var array<string, string> circuit => step that opened it */
    public array $open = [];
    /** @var array<string, true> circuits filled since they were opened */
    public array $filled = [];
    /** @var array<string, string> body => the first step that took its weight and still has it */
    public array $held = [];
    /** @var array<string, array<string, string>> body => support => step that put it there, in that order */
    public array $supports = [];
    /** @var array<string, float> “body way” => mm it has been moved */
    public array $moved = [];
    /** @var array<string, string> tag => the first step that carries it */
    public array $tagged = [];

    private function __construct(private readonly VehicleSheet $vehicle)
    {
    }

    public static function standing(VehicleSheet $vehicle): self
    {
        return new self($vehicle);
    }

    public function after(Step $step): self
    {
        $rig = clone $this;
        foreach ($step->tags as $tag) {
            $rig->tagged[$tag] ??= $step->id;
        }
        $rig->take($step);

        return $rig;
    }

    private function take(Step $step): void
    {
        match ($step->deed) {
            StepKind::Undo => $this->loose = [$step->target->joint => $step->id] + $this->loose,
            StepKind::Remove => $this->remove($step),
            StepKind::Refit => $this->refit($step),
            StepKind::Tighten => $this->tighten($step),
            StepKind::Drain, StepKind::Open, StepKind::Fill => $this->wet($step),
            StepKind::Hold, StepKind::HandOver, StepKind::Release, StepKind::Move => $this->carry($step),
            default => $this->stand($step->deed),
        };
    }

    /**
     * As somebody says that it stands. A wheel that a step took off is on again by a step, not by a word.
     *
     * @param list<string> $bare corners without their wheel
     */
    public function stoodOn(Stance $stance, array $bare): self
    {
        $rig = clone $this;
        $rig->standOn($stance);
        $rig->bare = $bare;
        foreach ($rig->vehicle->items as $id => $item) {
            if (in_array($item->access->wheel?->value, $bare, true)) {
                $rig->off[$id] ??= self::SAID;
            } elseif ($item->isWheel() && self::SAID === ($rig->off[$id] ?? '')) {
                unset($rig->off[$id]);
            }
        }

        return $rig;
    }

    private function standOn(Stance $stance): void
    {
        [$this->stance, $this->raised] = [$stance, $stance->isUp()];
    }

    /** What the vehicle itself is like: on stands, cold, live. */
    private function stand(StepKind $deed): void
    {
        match ($deed) {
            StepKind::Raise => $this->standOn($this->raised ? $this->stance : Stance::Stands),
            StepKind::Lower => $this->standOn(Stance::Floor),
            StepKind::BatteryOff, StepKind::BatteryOn => $this->battery = StepKind::BatteryOn === $deed,
            StepKind::Cold, StepKind::CoolDown => $this->cold = true,
            StepKind::Start, StepKind::Drive => [$this->cold, $this->ran] = [false, true],
            default => null,
        };
    }

    private function remove(Step $step): void
    {
        foreach ($this->vehicle->jointsOf($step->target->item) as $joint) {
            $this->loose[$joint->id] = $step->id;
        }
        $this->off = [$step->target->item => $step->id] + $this->off;
    }

    private function refit(Step $step): void
    {
        unset($this->off[$step->target->item]);
    }

    private function tighten(Step $step): void
    {
        unset($this->loose[$step->target->joint]);
    }

    private function wet(Step $step): void
    {
        $circuit = $step->target->circuit;
        if (StepKind::Fill === $step->deed) {
            $this->filled = [$circuit => true] + $this->filled;
            unset($this->open[$circuit]);
        } elseif ('' !== $circuit) {
            $this->open = [$circuit => $step->id] + $this->open;
            unset($this->filled[$circuit]);
        }
    }

    private function carry(Step $step): void
    {
        $load = $step->target->load;
        if (StepKind::Move === $step->deed) {
            $this->moved = [$load->body.' '.$load->way => $load->mm] + $this->moved;
        } elseif (StepKind::Release === $step->deed) {
            $this->release($load);
        } else {
            $this->supports[$load->body][($load->support ?? Support::Jack)->value] = $step->id;
            $this->held[$load->body] ??= $step->id;
        }
        if (StepKind::HandOver === $step->deed && null !== $load->from) {
            $this->release(new Load($load->body, support: $load->from));
        }
    }

    /** Gone is what the step names, or all; what was moved is down again once nothing holds it. */
    private function release(Load $load): void
    {
        if (null !== $load->support) {
            unset($this->supports[$load->body][$load->support->value]);
        }
        $left = null === $load->support ? [] : $this->supports[$load->body] ?? [];
        if ([] !== $left) {
            $this->held[$load->body] = (string) reset($left);

            return;
        }
        unset($this->supports[$load->body], $this->held[$load->body]);
        foreach (array_keys($this->moved) as $what) {
            if (str_starts_with($what, $load->body.' ')) {
                unset($this->moved[$what]);
            }
        }
    }
}
