<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Gate;

/** What can be wrong with boost; each has the finding a judge should come to. */
enum BoostFault: string
{
    case None = 'none';
    case Spike = 'spike';
    case Creep = 'creep';
    case Short = 'short';
    case Taper = 'taper';
    case Hunting = 'hunting';
    case Leak = 'leak';

    public function finding(): BoostFinding
    {
        return match ($this) {
            self::None => BoostFinding::Sound,
            self::Spike => BoostFinding::Spike,
            self::Creep => BoostFinding::Creep,
            self::Short, self::Leak => BoostFinding::Short,
            self::Taper => BoostFinding::Tapers,
            self::Hunting => BoostFinding::Hunting,
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::None => 'sound',
            self::Spike => 'it shoots over',
            self::Creep => 'it creeps up',
            self::Short => 'it falls short',
            self::Taper => 'it tapers',
            self::Hunting => 'it hunts',
            self::Leak => 'a pipe leaks',
        };
    }
}
