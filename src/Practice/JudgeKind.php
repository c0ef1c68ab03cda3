<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Practice;

/** What is practised by looking: a curve, or a row of trials. */
enum JudgeKind: string
{
    case Leak = 'leak';
    case Actuator = 'actuator';
    case Boost = 'boost';
    case Stack = 'stack';
    case Crank = 'crank';
    case Plugs = 'plugs';

    public function label(): string
    {
        return match ($this) {
            self::Leak => 'A leak test',
            self::Actuator => 'A gate actuator',
            self::Boost => 'A boost run',
            self::Stack => 'A clutch stack',
            self::Crank => 'A starter that cranks',
            self::Plugs => 'A set of plugs',
        };
    }

    public function asks(): string
    {
        return match ($this) {
            self::Leak => 'The path was pumped up and shut. What does the gauge say?',
            self::Actuator => 'Pumped up by hand and let down. What is it?',
            self::Boost => 'One run at full throttle against its target. What is it?',
            self::Stack => 'Three trials of one clutch. Do they agree?',
            self::Crank => 'Three leads, a few seconds on the key. What is it?',
            self::Plugs => 'They came out in this order. Is one unlike the others?',
        };
    }
}
