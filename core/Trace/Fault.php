<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Trace;

/** What can be wrong with a joint, or with the hand that tightens it; each has the finding a judge should come to. */
enum Fault: string
{
    case None = 'none';
    case Soft = 'soft';
    case CrossThreaded = 'cross-threaded';
    case Bottomed = 'bottomed';
    case Stripped = 'stripped';
    case Jerky = 'jerky';
    case Short = 'short';
    case Over = 'over';

    public function finding(): string
    {
        return match ($this) {
            self::None => 'sound',
            self::Soft => 'yielding',
            self::CrossThreaded => 'cross-threaded',
            self::Bottomed => 'bottomed',
            self::Stripped => 'stripping',
            self::Jerky => 'jerked',
            self::Short => 'short',
            self::Over => 'over',
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::None => 'sound',
            self::Soft => 'yields too early',
            self::CrossThreaded => 'cross-threaded',
            self::Bottomed => 'bottomed in its hole',
            self::Stripped => 'thread strips',
            self::Jerky => 'jerked',
            self::Short => 'stopped short',
            self::Over => 'pulled past',
        };
    }

    /** Of the joint itself; the rest are of the hand. */
    public function isOfTheJoint(): bool
    {
        return in_array($this, [self::Soft, self::CrossThreaded, self::Bottomed, self::Stripped], true);
    }
}
