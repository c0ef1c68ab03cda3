<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

/** What a bolt is made of, as far as its thread cares. */
enum BoltMetal: string
{
    case Steel = 'steel';
    case Stainless = 'stainless';
    case Aluminium = 'aluminium';

    /** Friction of its thread with nothing on it. */
    public function dry(): Friction
    {
        return Friction::condition(self::Stainless === $this ? ThreadCondition::StainlessDry : ThreadCondition::Dry);
    }
}
