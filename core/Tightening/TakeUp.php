<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Tightening;

use NimbleKnuckle\Core\Bolting\Thread;
use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Quantity\Angle;
use NimbleKnuckle\Core\Quantity\Length;

/** A part drawn down against a gap by its own screws, taken in rotation so that it comes down level. */
final readonly class TakeUp
{
    /** Degrees at a time, unless the part is brittle. */
    public const STEP = 180.0;

    /**
     * @param Formula $formula turns each
     * @param Length $uneven the most that neighbours stand apart on the way
     */
    private function __construct(
        public Formula $formula, public Angle $step, public Pulls $rounds, public Length $uneven,
    ) {
    }

    public static function of(Thread $thread, Length $gap, Angle $step): self
    {
        $turns = Formula::of('n = gap / P', ['gap' => $gap->millimetres, 'P' => $thread->pitch]);

        return new self(
            $turns, $step, Pulls::of(Angle::degrees(360 * $turns->value), $step),
            Length::millimetres(min($gap->millimetres, $thread->pitch * $step->degrees / 360)),
        );
    }

    public function turns(): float
    {
        return $this->formula->value;
    }
}
