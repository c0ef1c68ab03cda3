<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Safety;

/** What a rule can ask. Nothing else of a fit or a sheet is seen by the law; the tablet answers the same by the same names. */
enum Atom: string
{
    /** of a step: its mark is set; set or skipped; skipped, or set with a reason */
    case Done = 'done';
    case Closed = 'closed';
    case Overruled = 'overruled';
    /** of a step: its title; the first before it that is open and does not run by itself, empty where there is none */
    case Title = 'title';
    case FirstOpen = 'first-open';
    /** of a step and the place of a caution: it was acknowledged */
    case Seen = 'seen';
    /** of a step and a field: it has been read; it lies outside its limits; it lies inside, and its doubt reaches out */
    case Read = 'read';
    case Outside = 'outside';
    case Doubtful = 'doubtful';
    /** of a step and a field: as written; by how much it may be wrong, in digits, where it was read off a picture */
    case Written = 'written';
    case Doubt = 'doubt';
    /** the vehicle, by what was done: on its stands; cold; battery on */
    case Raised = 'raised';
    case Cold = 'cold';
    case Battery = 'battery';
    /** of an item, a joint, a circuit, a body: off; undone; open or empty; held by something that is not its own */
    case Off = 'off';
    case Undone = 'undone';
    case Open = 'open';
    case Held = 'held';
    /** of a body and a support: it stands under it or over it */
    case Support = 'support';
    /** of a joint: how many fasteners are short of their final mark; whether any was marked; [what was out of order] */
    case Left = 'left';
    case Touched = 'touched';
    case Faults = 'faults';
    /** of a step and a thing: it is in; it was put in at some time */
    case Inside = 'inside';
    case WasInside = 'was-inside';
    /** [step, thing] of all that is in */
    case AllInside = 'all-inside';
    /** of a step and a tool: it was counted */
    case Tool = 'tool';
    /** of a step and what a picture is for: one was taken */
    case Pictured = 'pictured';
    /** of a step and a thing: how many came off; all did; all went back; the count in words */
    case CameOff = 'came-off';
    case AllOff = 'all-off';
    case AllBack = 'all-back';
    case PiecesSaid = 'pieces-said';
    /** of a step: minutes until a wait has had its time */
    case WaitLeft = 'wait-left';
    /** of a step: its fill routine is begun; is at its last stage; the title of the stage it is at */
    case RoutineBegun = 'routine-begun';
    case RoutineDone = 'routine-done';
    case Stage = 'stage';
    /** of a step, for each stage cut short: [title, stood in words, what it would have read in its time or empty, unit] */
    case ShortHolds = 'short-holds';
    /** of a step: the verdict on its last curve, and the finding in words; empty where there is none */
    case Verdict = 'verdict';
    case Finding = 'finding';
    /** [event, step, item, joint, what happened, step that mends it next, its title] of mishaps that are not mended */
    case Mishaps = 'mishaps';
    /** of a step: whether a slip clutch was tried there; whether its last trial is in its band; what it came to. The server's alone. */
    case Tried = 'tried';
    case InBand = 'in-band';
    case Trial = 'trial';
}
