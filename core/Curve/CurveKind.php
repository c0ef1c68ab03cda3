<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Curve;

/** A kind of curve a step is judged by, called by the sum of its steps. What all doors say of it stands here and nowhere else. */
enum CurveKind: string
{
    case Press = 'press-fit';
    case Leak = 'leak-decay';
    case Actuator = 'actuator-test';
    case Boost = 'boost-run';
    case Crank = 'volt-drop';
    case WarmUp = 'warm-up';

    public function title(): string
    {
        return match ($this) {
            self::Press => 'Pressed on',
            self::Leak => 'Leak test',
            self::Actuator => 'Gate actuator',
            self::Boost => 'Boost run',
            self::Crank => 'Cranking test',
            self::WarmUp => 'Warm-up',
        };
    }

    /** What mends a stop, up to the curve that has to show it. */
    public function mend(): string
    {
        return match ($this) {
            self::Press => 'draw it off, look, measure, press it once more.',
            self::Leak => 'let it down, find it, mend it, test it once more.',
            self::Actuator => 'put it right, or another one, and pump it up once more.',
            self::Boost => 'find why, put it right, then a gentler run.',
            self::Crank => 'fuel off, put it right, crank it once more.',
            self::WarmUp => 'let it cool, put it right, warm it up once more.',
        };
    }
}
