<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Signing;

/** Why something is a loose end; each kind has its own mark on screen. */
enum LooseEndKind: string
{
    case Removed = 'removed';
    case Tray = 'tray';
    case Joint = 'joint';
    case Twice = 'twice';
    case Circuit = 'circuit';
    case Flow = 'flow';
    case Support = 'support';
    case Battery = 'battery';
    case Raised = 'raised';
    case Inside = 'inside';
    case Tool = 'tool';
    case Dropped = 'dropped';
    case Broken = 'broken';
    case Mishap = 'mishap';
    case Waiting = 'waiting';
    case Due = 'due';
    case Reading = 'reading';
    case Rivals = 'rivals';
    case Safety = 'safety';
    case Curve = 'curve';
    case Step = 'step';

    public function label(): string
    {
        return match ($this) {
            self::Removed => 'off the vehicle',
            self::Tray => 'tray does not add up',
            self::Joint => 'not tight yet',
            self::Twice => 'marked twice, off line',
            self::Circuit => 'circuit open',
            self::Flow => 'out and in do not match',
            self::Support => 'hangs on its support',
            self::Battery => 'battery disconnected',
            self::Raised => 'not down yet',
            self::Inside => 'left inside',
            self::Tool => 'tool not accounted for',
            self::Dropped => 'dropped',
            self::Broken => 'broken, no new one yet',
            self::Mishap => 'not mended yet',
            self::Waiting => 'waiting',
            self::Due => 'to be booked',
            self::Rivals => 'read twice, off line',
            self::Reading => 'reading outside its limits',
            self::Safety => 'safety reading outside its limits',
            self::Curve => 'a curve says stop',
            self::Step => 'step not in order',
        };
    }

    /** Whether leaving it open can hurt somebody: a helper does not waive such a one. */
    public function canHurt(): bool
    {
        return in_array(
            $this,
            [self::Joint, self::Twice, self::Circuit, self::Flow, self::Support, self::Battery, self::Raised, self::Inside, self::Safety,
                self::Rivals,
                self::Curve, self::Mishap],
            true,
        );
    }
}
