<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lifting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Torque;

/**
 * How mounts share a torque: a rigid engine on springs in the plane, turned by a couple. It turns about the elastic centre;
 * each mount takes what its stiffness and its distance make of the turn.
 */
final readonly class MountShare
{
    /**
     * @param array{float, float} $centre mm, the elastic centre
     * @param float $stiffness N·m/rad about it
     * @param list<array{float, float}> $forces N on each mount, forward and up
     * @param list<float> $shares of one
     */
    private function __construct(
        public Angle $roll, public array $centre, public float $stiffness, public array $forces, public array $shares,
        public float $damping,
    ) {
    }

    /** @param non-empty-list<EngineMount> $mounts with some stiffness each way, not all at one place */
    public static function of(array $mounts, Torque $torque): self
    {
        [$cx, $cy] = $centre = self::centreOf($mounts);
        $parts = self::parts($mounts, $centre);
        $whole = array_sum($parts);
        $turn = 1000 * $torque->newtonMetres / $whole;
        $forces = array_map(
            static fn (EngineMount $m): array => [-$m->kx * ($m->y - $cy) * $turn, $m->ky * ($m->x - $cx) * $turn], $mounts,
        );
        $damping = array_sum(array_map(static fn (EngineMount $m, float $part): float => $m->damping() * $part, $mounts, $parts)) / $whole;

        return new self(
            Angle::degrees(rad2deg($turn)), $centre, $whole / 1000, $forces,
            array_map(static fn (float $part): float => $part / $whole, $parts), $damping,
        );
    }

    /**
     * About the elastic centre, in N·mm/rad; nothing where the mounts hold no torque.
     *
     * @param non-empty-list<EngineMount> $mounts
     */
    public static function stiffnessOf(array $mounts): float
    {
        return array_sum(self::parts($mounts, self::centreOf($mounts)));
    }

    /**
     * What each mount gives the whole, N·mm/rad.
     *
     * @param non-empty-list<EngineMount> $mounts
     * @param array{float, float} $centre
     *
     * @return non-empty-list<float>
     */
    private static function parts(array $mounts, array $centre): array
    {
        [$cx, $cy] = $centre;

        return array_map(static fn (EngineMount $m): float => $m->kx * ($m->y - $cy) ** 2 + $m->ky * ($m->x - $cx) ** 2, $mounts);
    }

    /**
     * @param non-empty-list<EngineMount> $mounts
     *
     * @return array{float, float}
     */
    private static function centreOf(array $mounts): array
    {
        $sum = static fn (\Closure $of): float => array_sum(array_map($of, $mounts));
        $kx = $sum(static fn (EngineMount $m): float => $m->kx);
        $ky = $sum(static fn (EngineMount $m): float => $m->ky);

        return [
            $ky > 0.0 ? $sum(static fn (EngineMount $m): float => $m->ky * $m->x) / $ky : 0.0,
            $kx > 0.0 ? $sum(static fn (EngineMount $m): float => $m->kx * $m->y) / $kx : 0.0,
        ];
    }

    /** @param float $inertia kg m² about the roll axis; Hz */
    public function frequency(float $inertia): float
    {
        return $this->frequencyFormula($inertia)->value;
    }

    /** Hz. @param float $inertia kg m² */
    public function frequencyFormula(float $inertia): Formula
    {
        return Formula::of('fn = √(Kθ/I) / (2π)', ['Kθ' => $this->stiffness, 'I' => $inertia]);
    }

    /** How much of a shake at a frequency comes through to the body. */
    public function transmissibility(float $frequency, float $inertia): float
    {
        return $this->throughFormula($frequency, $inertia)->value;
    }

    /** Of one. @param float $frequency Hz; @param float $inertia kg m² */
    public function throughFormula(float $frequency, float $inertia): Formula
    {
        return Formula::of('√((1 + (2ζr)²)/((1 − r²)² + (2ζr)²))', [
            'ζ' => $this->damping, 'r' => $frequency / $this->frequency($inertia),
        ]);
    }
}
