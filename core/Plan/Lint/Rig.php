<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint;

use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Procedure\Load;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Support\Support;
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
            Deed::Hold => $this->heldBy($on->load, $step->id),
            Deed::HandOver => null === $on->load->from ? $this->heldBy($on->load, $step->id) : $this->heldBy(
                $on->load, $step->id,
            )->released(new Load($on->load->body, support: $on->load->from)),
            Deed::Release => $this->released($on->load),
            Deed::Move => $this->with(moved: [$on->load->body.' '.$on->load->way => $on->load->mm] + $this->moved),
            Deed::Start, Deed::Drive => $this->with(cold: false, ran: true),
            Deed::CoolDown => $this->with(cold: true),
            Deed::Undo => $this->with(loose: [$on->joint => $step->id] + $this->loose),
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

    private function heldBy(Load $load, string $step): self
    {
        $supports = $this->supports;
        $supports[$load->body][($load->support ?? Support::Jack)->value] = $step;

        return $this->with(supports: $supports, held: $this->held + [$load->body => $step]);
    }

    /** Gone is what the step names, or all; what was moved is down again once nothing holds it. */
    private function released(Load $load): self
    {
        $left = null === $load->support ? [] : array_diff_key($this->supports[$load->body] ?? [], [$load->support->value => true]);
        $supports = [$load->body => $left] + $this->supports;
        $held = array_diff_key($this->held, [$load->body => true]);
        if ([] !== $left) {
            return $this->with(supports: $supports, held: [$load->body => (string) reset($left)] + $held);
        }
        $moved = array_filter(
            $this->moved, static fn (string $what): bool => !str_starts_with($what, $load->body.' '), \ARRAY_FILTER_USE_KEY,
        );

        return $this->with(supports: array_filter($supports), held: $held, moved: $moved);
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
