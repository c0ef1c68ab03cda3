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
    /** of a step and a field: it was read on two tablets, and the two do not agree; of an event beside: it is one of these */
    case Rivals = 'rivals';
    case IsRival = 'is-rival';
    /** of a step and a field: as written; by how much it may be wrong, in digits, where it was read off a picture */
    case Written = 'written';
    case Doubt = 'doubt';
    /** the vehicle, by what was done: on its stands; cold; battery on */
    case Raised = 'raised';
    /** what it stands on: floor, stands, ramps, lift; the same in words */
    case Stance = 'stance';
    case StandsOn = 'stands-on';
    /** whether somebody said of a wheel that it is off */
    case Bare = 'bare';
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
    /** of a mark, by a field: what it says, empty where nothing; it says something; how many words its reason has; it is the last again */
    case Given = 'given';
    case IsGiven = 'is-given';
    case ReasonWords = 'reason-words';
    case ReasonAgain = 'reason-again';
    /** who makes it: a lead; the server itself. Its clock is ahead. */
    case Lead = 'lead';
    case Server = 'server';
    case ClockAhead = 'clock-ahead';
    /** the fit: signed; stopped as, in words, empty where it is not; the reading of a curve that asks for all to stop, or empty */
    case Signed = 'signed';
    case StoppedAs = 'stopped-as';
    case EngineStop = 'engine-stop';
    /** of an id: there is such a step, joint, picture, thing that fell */
    case IsStep = 'is-step';
    case IsJoint = 'is-joint';
    case IsPhoto = 'is-photo';
    case IsDropped = 'is-dropped';
    /** of a step: who closed it, empty where it is open; when, as a clock says it; runs by itself; is running; others rely on it */
    case ClosedBy = 'closed-by';
    case ClosedAt = 'closed-at';
    case Passive = 'passive';
    case Started = 'started';
    case Protects = 'protects';
    /** of a step: whether it takes off; has something to count; has a fill routine; the stage that comes next there; its stage cut short */
    case TakesOff = 'takes-off';
    case HasTray = 'has-tray';
    case HasRoutine = 'has-routine';
    case NextStage = 'next-stage';
    case CutShort = 'cut-short';
    /** of a step and another: it has that caution, that tool on its list, that field; the stage may be begun there, is there */
    case HasCaution = 'has-caution';
    case HasTool = 'has-tool';
    case Asks = 'asks';
    case HasStage = 'has-stage';
    case MayBegin = 'may-begin';
    /** of a step and a thing: it lies in its tray; how many should; counted out, counted back; new; to go back; to be lost or broken */
    case InTray = 'in-tray';
    case Expected = 'expected';
    case Tray = 'tray';
    case Back = 'back';
    case Fresh = 'fresh';
    case AtHand = 'at-hand';
    case ToLose = 'to-lose';
    /** of a step and a thing: it is an end that was parted, no loose piece; something relies on its being back */
    case IsEnd = 'is-end';
    case EndGuards = 'end-guards';
    /** of a step: [thing, the count in words] of what there is too little of to count all */
    case TooFew = 'too-few';
    /** of a step and a thing: once out it stays out; the name of a joint that must be tight before it comes out, empty where none */
    case ForGood = 'for-good';
    case LooseUnder = 'loose-under';
    /** of a joint: its fasteners; its last stage. Of it and a bolt: the stage it has. Of it and a stage: what that is called */
    case Fasteners = 'fasteners';
    case LastStage = 'last-stage';
    case BoltStage = 'bolt-stage';
    case Rung = 'rung';
    /** of a step and a field: its label; the most that can have flowed, 0 where nothing does; of the step: its circuit, what that holds */
    case Label = 'label';
    case FlowMost = 'flow-most';
    case Circuit = 'circuit';
    case Capacity = 'capacity';
    /** of a picture: the step it was taken at, empty where there is none. Of a step and a field: a picture can tell it */
    case PhotoStep = 'photo-step';
    case SeenInPicture = 'seen-in-picture';
    /** of a picture: how many marks are on it. Of a text: how long it is; it is a SHA-256. */
    case PhotoMarks = 'photo-marks';
    case Length = 'length';
    case IsHash = 'is-hash';
    /** of a text: wheels of a vehicle, fl,fr,rl,rr, each once, or none */
    case IsCorners = 'is-corners';
    /** of an event: there is one; it can be taken back, and was not; it is a mishap; it booked a check that has been done */
    case IsEvent = 'is-event';
    case MayUndo = 'may-undo';
    case IsMishap = 'is-mishap';
    case BookedDone = 'booked-done';
    /** of a step: whether a slip clutch was tried there; whether its last trial is in its band; what it came to. The server's alone. */
    case Tried = 'tried';
    case InBand = 'in-band';
    case Trial = 'trial';
}
