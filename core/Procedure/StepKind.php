<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Procedure;

/** What a step does to the vehicle. The linter's model of the vehicle moves by these. */
enum StepKind: string
{
    case Act = 'act';
    case Check = 'check';
    case Measure = 'measure';
    case Cold = 'cold';
    case BatteryOff = 'battery-off';
    case BatteryOn = 'battery-on';
    case Hold = 'hold';
    case HandOver = 'hand-over';
    case Release = 'release';
    case Move = 'move';
    case Raise = 'raise';
    case Lower = 'lower';
    case Drain = 'drain';
    case Open = 'open';
    case Undo = 'undo';
    case Remove = 'remove';
    case Refit = 'refit';
    case Install = 'install';
    case Tighten = 'tighten';
    case Rebuild = 'rebuild';
    case Fill = 'fill';
    case Bleed = 'bleed';
    case Wait = 'wait';
    case Start = 'start';
    case Leaks = 'leaks';
    case Drive = 'drive';
    case CoolDown = 'cool-down';
    case Book = 'book';
}
