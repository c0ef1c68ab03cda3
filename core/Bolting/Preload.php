<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Share;
use NimbleKnuckle\Core\Quantity\Torque;

/** Torque, preload and yield of one bolt (VDI 2230-1). */
final readonly class Preload
{
    /** mm: pitch, thread and head each take their part of the torque. */
    public const LEVER = '0.16 P + 0.58 d2 μG + DKm/2 μK';
    private const TWISTED = 'Rp AS / √(1 + 3 [1.5 (d2/dS)(P/(π d2) + 1.155 μG)]²)';
    private const AT_YIELD = 'F = '.self::TWISTED;
    private const AT_SHARE = 'F = ν '.self::TWISTED;

    public function __construct(private Thread $thread, private Grade $grade, private BearingFace $face)
    {
    }

    /** Preload at a share of yield under combined tension and twist. */
    public function atShareOfYield(Share $share, float $threadFriction): Force
    {
        return Force::newtons($this->shareFormula($share, $threadFriction)->value);
    }

    /** N. */
    public function shareFormula(Share $share, float $threadFriction): Formula
    {
        return Formula::of(
            self::AT_SHARE, ['ν' => Term::readAs($share->ofOne, $share->percent(), '%')] + $this->twist($threadFriction)
        );
    }

    /** N, at the whole of yield. */
    public function yieldFormula(float $threadFriction): Formula
    {
        return Formula::of(self::AT_YIELD, $this->twist($threadFriction));
    }

    /** @return array<string, float> */
    private function twist(float $threadFriction): array
    {
        return [
            'Rp' => $this->grade->yieldStress(), 'AS' => $this->thread->stressArea(), 'd2' => $this->thread->pitchDiameter(),
            'dS' => $this->thread->stressDiameter(), 'P' => $this->thread->pitch, 'μG' => $threadFriction,
        ];
    }

    /** Lever of the friction chain in mm, M = F · lever. */
    public function lever(float $threadFriction, float $headFriction): float
    {
        return Formula::of(self::LEVER, $this->chain($threadFriction, $headFriction))->value;
    }

    /** @return array<string, float> */
    private function chain(float $threadFriction, float $headFriction): array
    {
        return [
            'P' => $this->thread->pitch, 'd2' => $this->thread->pitchDiameter(), 'μG' => $threadFriction,
            'DKm' => $this->face->meanDiameter(), 'μK' => $headFriction,
        ];
    }

    public function torqueFor(Force $preload, float $threadFriction, float $headFriction): Torque
    {
        return Torque::newtonMetres($this->torqueFormula($preload, $threadFriction, $headFriction)->value);
    }

    /** N·m. */
    public function torqueFormula(Force $preload, float $threadFriction, float $headFriction): Formula
    {
        $force = Term::readAs($preload->kilonewtons(), $preload->newtons, 'N');

        return Formula::of('M = F ('.self::LEVER.')', ['F' => $force] + $this->chain($threadFriction, $headFriction));
    }

    public function fromTorque(Torque $torque, float $threadFriction, float $headFriction): Force
    {
        return Force::newtons($this->preloadFormula($torque, $threadFriction, $headFriction)->value);
    }

    /** N. */
    public function preloadFormula(Torque $torque, float $threadFriction, float $headFriction): Formula
    {
        $moment = Term::readAs($torque->newtonMetres * 1000, $torque->newtonMetres, 'N·m');

        return Formula::of('F = M / ('.self::LEVER.')', ['M' => $moment] + $this->chain($threadFriction, $headFriction));
    }

    public function yieldTorque(float $threadFriction, float $headFriction): Torque
    {
        return $this->torqueFor($this->atShareOfYield(Share::whole(), $threadFriction), $threadFriction, $headFriction);
    }
}
