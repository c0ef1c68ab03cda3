<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Quantity\Kind;
use NimbleKnuckle\Core\Sum\Field;
use NimbleKnuckle\Core\Sum\Inputs;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** Bolt and clamped parts as two springs in a row. Lengths in mm, stiffness in N/mm, angles in degrees, forces in N. */
final readonly class Springs
{
    /** @param float $modulus Young's modulus of the bolt, MPa */
    private function __construct(
        public Thread $thread, public float $shank, public float $threaded, public Member $member, public float $modulus,
    ) {
    }

    /** @throws InvalidInput when nothing lies in the grip */
    public static function of(Thread $thread, float $shank, float $threaded, Member $member, Grade $grade = Grade::C88): self
    {
        $shank + $threaded > 0.2 * $thread->diameter || throw InvalidInput::in(
            'threaded', 'The grip is nothing: shank and thread in the grip together must be longer than that.',
        );

        return new self($thread, $shank, $threaded, $member, $grade->modulus());
    }

    /** @throws InvalidInput */
    public static function read(Inputs $in, Bolt $bolt): self
    {
        $member = $in->has('member') ? Member::parse($in->text('member')) : Member::Steel;

        return self::of(
            $bolt->thread, $in->between('shank', Kind::Length, 0.0, 1000.0), $in->between('threaded', Kind::Length, 0.0, 1000.0),
            $member, $bolt->grade,
        );
    }

    /** @return list<Field> */
    public static function fields(): array
    {
        return [
            Field::quantity('shank', 'Plain shank in the grip', Kind::Length, '30 mm', '0 for a bolt threaded to the head.'),
            Field::quantity('threaded', 'Thread in the grip', Kind::Length, '16 mm', 'From the shank to where the hole’s thread begins.'),
            Field::choice('member', 'Clamps', Member::choices())->optional(),
        ];
    }

    public function grip(): float
    {
        return $this->shank + $this->threaded;
    }

    /** kb = Ad AS E / (Ad lt + AS ld). */
    public function bolt(): float
    {
        [$plain, $stressed] = [\M_PI * $this->thread->diameter ** 2 / 4, $this->thread->stressArea()];

        return $plain * $stressed * $this->modulus / ($plain * $this->threaded + $stressed * $this->shank);
    }

    public function members(): float
    {
        return $this->member->stiffness($this->thread->diameter, $this->grip());
    }

    /** N of preload a degree: P / 360 / (1/kb + 1/km). */
    public function perDegree(): float
    {
        return $this->thread->pitch / 360 / (1 / $this->bolt() + 1 / $this->members());
    }
}
