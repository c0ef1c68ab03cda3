<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Plan\Lint;

use NimbleKnuckle\Core\Plan\Procedure\Deed;
use NimbleKnuckle\Core\Plan\Sheet\Step;
use NimbleKnuckle\Core\Plan\Vehicle\VehicleSheet;

/** The model of the vehicle that a sheet is run on: each step changes it, the rules look at it. */
final readonly class Rig
{
    /**
     * @param array<string, string> $off item => step that took it off
     * @param array<string, string> $loose joint => step that undid it
     * @param array<string, string> $open circuit => step that opened it
     * @param array<string, true> $filled circuits filled since they were opened
     * @param array<string, string> $held body => step that took its weight
     * @param array<string, float> $moved “body way” => mm it has been moved
     * @param array<string, string> $tagged tag => the first step that carries it
     */
    private function __construct(
        private VehicleSheet $vehicle,
        public bool $raised,
        public bool $cold,
        public bool $battery,
        public array $off,
        public array $loose,
        public array $open,
        public array $filled,
        public array $held = [],
        public array $moved = [],
        public array $tagged = [],
        public bool $ran = false,
    ) {
    }

    public static function standing(VehicleSheet $vehicle): self
    {
        return new self($vehicle, false, false, true, [], [], [], []);
    }

    public function after(Step $step): self
    {
        $tagged = $this->tagged + array_fill_keys($step->tags, $step->id);

        return ($tagged === $this->tagged ? $this : $this->with(tagged: $tagged))->moved($step);
    }

    private function moved(Step $step): self
    {
        return match ($step->deed) {
            Deed::Raise => $this->with(raised: true),
            Deed::Lower => $this->with(raised: false),
            Deed::Cold => $this->with(cold: true),
            Deed::BatteryOff => $this->with(battery: false),
            Deed::BatteryOn => $this->with(battery: true),
            Deed::Hold => $this->with(held: [$step->body => $step->id] + $this->held),
            Deed::Release => $this->with(held: array_diff_key($this->held, [$step->body => true])),
            Deed::Move => $this->with(moved: [$step->body.' '.$step->moveWay => $step->moveMm] + $this->moved),
            Deed::Start, Deed::Drive => $this->with(cold: false, ran: true),
            Deed::CoolDown => $this->with(cold: true),
            Deed::Remove => $this->removed($step),
            Deed::Refit => $this->with(off: array_diff_key($this->off, [$step->item => true])),
            Deed::Tighten => $this->with(loose: array_diff_key($this->loose, [$step->joint => true])),
            Deed::Drain, Deed::Open => '' === $step->circuit ? $this : $this->with(
                open: [$step->circuit => $step->id] + $this->open, filled: array_diff_key($this->filled, [$step->circuit => true]),
            ),
            Deed::Fill => $this->with(
                filled: [$step->circuit => true] + $this->filled, open: array_diff_key($this->open, [$step->circuit => true]),
            ),
            default => $this,
        };
    }

    private function removed(Step $step): self
    {
        $loose = $this->loose;
        foreach ($this->vehicle->jointsOf($step->item) as $joint) {
            $loose[$joint->id] = $step->id;
        }

        return $this->with(off: [$step->item => $step->id] + $this->off, loose: $loose);
    }

    private function with(mixed ...$changes): self
    {
        // The parts in the order of the constructor: matching thirty names costs more than all else here.
        return new self(...array_values(array_replace(get_object_vars($this), $changes))); // @phpstan-ignore argument.type
    }
}
