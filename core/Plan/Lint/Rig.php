<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint;

use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** The model of the vehicle that a sheet is run on: a step makes another of it, the rules only look at it. */
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
    /** @var array<string, string> body => step that took its weight */
    public array $held = [];
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
        $new = array_diff_key(array_fill_keys($step->tags, $step->id), $this->tagged);

        return ([] === $new ? $this : $this->with(tagged: $this->tagged + $new))->moved($step);
    }

    private function moved(Step $step): self
    {
        $on = $step->target;

        return match ($step->deed) {
            Deed::Raise => $this->with(raised: true),
            Deed::Lower => $this->with(raised: false),
            Deed::Cold => $this->with(cold: true),
            Deed::BatteryOff => $this->with(battery: false),
            Deed::BatteryOn => $this->with(battery: true),
            Deed::Hold => $this->with(held: [$on->load->body => $step->id] + $this->held),
            Deed::Release => $this->with(held: array_diff_key($this->held, [$on->load->body => true])),
            Deed::Move => $this->with(moved: [$on->load->body.' '.$on->load->way => $on->load->mm] + $this->moved),
            Deed::Start, Deed::Drive => $this->with(cold: false, ran: true),
            Deed::CoolDown => $this->with(cold: true),
            Deed::Remove => $this->removed($step),
            Deed::Refit => $this->with(off: array_diff_key($this->off, [$on->item => true])),
            Deed::Tighten => $this->with(loose: array_diff_key($this->loose, [$on->joint => true])),
            Deed::Drain, Deed::Open => '' === $on->circuit ? $this : $this->with(
                open: [$on->circuit => $step->id] + $this->open, filled: array_diff_key($this->filled, [$on->circuit => true]),
            ),
            Deed::Fill => $this->with(
                filled: [$on->circuit => true] + $this->filled, open: array_diff_key($this->open, [$on->circuit => true]),
            ),
            default => $this,
        };
    }

    private function removed(Step $step): self
    {
        $loose = $this->loose;
        foreach ($this->vehicle->jointsOf($step->target->item) as $joint) {
            $loose[$joint->id] = $step->id;
        }

        return $this->with(off: [$step->target->item => $step->id] + $this->off, loose: $loose);
    }

    private function with(mixed ...$changes): self
    {
        $rig = clone $this;
        foreach ($changes as $name => $value) {
            $rig->{$name} = $value;
        }

        return $rig;
    }
}
