<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint;

use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Procedure\Load;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Support\Support;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** The model of the vehicle that a sheet is run on: a step makes another of it, the rules only look at it. What came last stands first. */
final class Rig
{
    public bool $raised = false;
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
            Deed::Undo => $this->loose = [$step->target->joint => $step->id] + $this->loose,
            Deed::Remove => $this->remove($step),
            Deed::Refit => $this->refit($step),
            Deed::Tighten => $this->tighten($step),
            Deed::Drain, Deed::Open, Deed::Fill => $this->wet($step),
            Deed::Hold, Deed::HandOver, Deed::Release, Deed::Move => $this->carry($step),
            default => $this->stand($step->deed),
        };
    }

    /** What the vehicle itself is like: on stands, cold, live. */
    private function stand(Deed $deed): void
    {
        match ($deed) {
            Deed::Raise, Deed::Lower => $this->raised = Deed::Raise === $deed,
            Deed::BatteryOff, Deed::BatteryOn => $this->battery = Deed::BatteryOn === $deed,
            Deed::Cold, Deed::CoolDown => $this->cold = true,
            Deed::Start, Deed::Drive => [$this->cold, $this->ran] = [false, true],
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
        if (Deed::Fill === $step->deed) {
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
        if (Deed::Move === $step->deed) {
            $this->moved = [$load->body.' '.$load->way => $load->mm] + $this->moved;
        } elseif (Deed::Release === $step->deed) {
            $this->release($load);
        } else {
            $this->supports[$load->body][($load->support ?? Support::Jack)->value] = $step->id;
            $this->held[$load->body] ??= $step->id;
        }
        if (Deed::HandOver === $step->deed && null !== $load->from) {
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
