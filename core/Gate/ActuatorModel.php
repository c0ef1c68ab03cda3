<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

use NimbleKnuckle\Core\Luck;

/** A diaphragm on a spring, its arm with friction, pumped up by hand and let down: kPa and mm, read off with a rule. */
final readonly class ActuatorModel
{
    public float $cracks;
    public float $label;
    public float $rate;
    public float $full;

    /** @param ?float $label kPa it should crack at; by chance where nobody says */
    public function __construct(private ActuatorFault $fault, private int $seed, ?float $label = null)
    {
        $luck = new Luck($seed);
        $chance = $luck->between(35.0, 95.0);
        $this->label = $label ?? $chance;
        $off = ActuatorFault::OtherSpring === $fault ? $luck->oneOf([-1.0, 1.0]) * $luck->between(0.16, 0.4) : $luck->between(-0.05, 0.05);
        $this->cracks = $this->label * (1 + $off);
        $this->rate = $luck->between(3.5, 12.0);
        $this->full = $luck->between(8.0, 16.0);
    }

    /** @return array{samples: non-empty-list<array{float, float}>, hold: array{float, float, float}} */
    public function test(): array
    {
        $luck = new Luck($this->seed + 7919);
        $sticks = $this->cracks * (ActuatorFault::Sticking === $this->fault ? $luck->between(0.11, 0.22) : $luck->between(0.005, 0.04));
        $stop = $this->full * (ActuatorFault::Bent === $this->fault ? $luck->between(0.45, 0.82) : 1.0);
        $top = $this->cracks + $this->rate * $this->full * $luck->between(1.1, 1.35);
        [$rule, $gauge, $steps] = [$luck->between(0.02, 0.12), $luck->between(0.1, 0.6), (int) $luck->between(16, 40)];
        $rod = 0.0;
        $samples = [[0.0, 0.0]];
        for ($i = 1; $i <= 2 * $steps; ++$i) {
            $p = $top * ($i <= $steps ? $i / $steps : 2 - $i / $steps);
            // Friction holds it until the spring is over or under what pushes.
            [$most, $least] = [($p - $this->cracks + $sticks) / $this->rate, ($p - $this->cracks - $sticks) / $this->rate];
            $rod = ActuatorFault::Seized === $this->fault ? 0.0 : max(0.0, min($stop, max($least, min($most, $rod))));
            $samples[] = [max(0.0, $p + $gauge * $luck->normal()), $rod + $rule * $luck->normal()];
        }
        $seconds = $luck->between(8.0, 30.0);
        $half = ActuatorFault::Leaking === $this->fault ? $luck->between(4.0, 40.0) : $luck->between(200.0, 2000.0);

        return ['samples' => $samples, 'hold' => [$top, $top * 0.5 ** ($seconds / $half), $seconds]];
    }
}
