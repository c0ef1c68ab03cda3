<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

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

    /** N/mm: kb = Ad AS E / (Ad lt + AS ld). */
    public function bolt(): float
    {
        [$plain, $stressed] = [\M_PI * $this->thread->diameter ** 2 / 4, $this->thread->stressArea()];

        return $plain * $stressed * $this->modulus / ($plain * $this->threaded->millimetres + $stressed * $this->shank->millimetres);
    }

    /** N/mm. */
    public function members(): float
    {
        return $this->member->stiffness($this->thread->diameter, $this->grip()->millimetres);
    }

    /** Preload for each degree: P / 360 / (1/kb + 1/km). */
    public function perDegree(): Force
    {
        return Force::newtons($this->thread->pitch / 360 / (1 / $this->bolt() + 1 / $this->members()));
    }

    /** How far the bolt stretches under a preload: f = F / kb. */
    public function stretch(Force $preload): Length
    {
        return Length::millimetres($preload->newtons / $this->bolt());
    }
}
