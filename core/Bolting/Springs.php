<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Force;
use NimbleKnuckle\Core\Quantity\Length;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** Bolt and clamped parts as two springs in a row; stiffness in N/mm. Source: two lengths in a row, and see Member. */
final readonly class Springs
{
    /** @param float $modulus Young's modulus of the bolt, MPa */
    private function __construct(
        public Thread $thread, public Length $shank, public Length $threaded, public Member $member, public float $modulus,
    ) {
    }

    /** @throws InvalidInput when nothing lies in the grip */
    public static function of(Thread $thread, Length $shank, Length $threaded, Member $member, Grade $grade = Grade::C88): self
    {
        $shank->plus($threaded)->millimetres > 0.2 * $thread->diameter || throw InvalidInput::in(
            'threaded', 'The grip is nothing: shank and thread in the grip together must be longer than that.',
        );

        return new self($thread, $shank, $threaded, $member, $grade->modulus());
    }

    public function grip(): Length
    {
        return $this->shank->plus($this->threaded);
    }

    /** N/mm. */
    public function bolt(): float
    {
        return $this->boltFormula()->value;
    }

    /** N/mm. */
    public function boltFormula(): Formula
    {
        return Formula::of('kb = Ad AS E / (Ad lt + AS ld)', [
            'Ad' => \M_PI * $this->thread->diameter ** 2 / 4, 'AS' => $this->thread->stressArea(), 'E' => $this->modulus,
            'lt' => $this->threaded->millimetres, 'ld' => $this->shank->millimetres,
        ]);
    }

    /** N/mm. */
    public function members(): float
    {
        return $this->membersFormula()->value;
    }

    /** N/mm. */
    public function membersFormula(): Formula
    {
        return $this->member->stiffness($this->thread->diameter, $this->grip()->millimetres);
    }

    /** Preload for each degree. */
    public function perDegree(): Force
    {
        return Force::newtons($this->angleFormula(1.0)->value);
    }

    /**
     * N of preload.
     *
     * @param float $degrees it is turned
     */
    public function angleFormula(float $degrees): Formula
    {
        return Formula::of('ΔF = θ/360 P / (1/kb + 1/km)', [
            'θ' => Term::of($degrees, '°'), 'P' => $this->thread->pitch, 'kb' => $this->bolt(), 'km' => $this->members(),
        ]);
    }

    /** How far the bolt stretches under a preload. */
    public function stretch(Force $preload): Length
    {
        return Length::millimetres($this->stretchFormula($preload)->value);
    }

    /** mm. */
    public function stretchFormula(Force $preload): Formula
    {
        return Formula::of('f = F / kb', ['F' => $preload->newtons, 'kb' => $this->bolt()]);
    }
}
