<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Lint;

/** What each finding's code means and why it matters, for whoever asks. */
final readonly class Explanations
{
    private const TEXTS = [
        'cover-left-off' => 'Something is taken off and no later step puts it back. Forgotten shields let water and dirt at the '
            .'belt side and rattle themselves loose.',
        'tray-miscount' => 'A removal and its refit list different numbers of pieces, so the count at the bench can never come out right.',
        'joint-left-loose' => 'A joint is undone by a removal and no step tightens it.',
        'joint-no-figure' => 'A joint is tightened and nobody entered a figure. Habit is no figure.',
        'figure-conflict' => 'The two units of one figure disagree by more than their rounding. One was converted wrongly or '
            .'misread; it must not be chosen silently.',
        'figure-past-thread' => 'The figure is more than the bolt, or the thread it screws into, can stand at the low end of friction.',
        'figure-near-yield' => 'The figure takes more than 80 % of what the thread can stand at the low end of friction: '
            .'condition and wrench have to be right.',
        'figure-too-low' => 'The figure is under 8 % of what brings the bolt to yield; such a bolt clamps nothing. Usually a '
            .'unit was misread or the thread is another.',
        'no-wrench' => 'No torque wrench of the kit works at this figure: its range, or 20 % of its full scale, is missed.',
        'wrench-past-calibration' => 'The only wrench that reaches the figure is more than twelve months past its calibration.',
        'wrench-too-coarse' => 'What the wrench may read off is more than the range of the figure, or passes its ceiling: the '
            .'bolt may get too little or too much.',
        'yield-bolt-reused' => 'Figure and angle take the bolt past yield. It is longer for good and will not clamp the same '
            .'again; only a new one does, or one measured under the maker’s limit.',
        'single-use-not-listed' => 'The joint asks for new fasteners and the parts list has none.',
        'circuit-not-filled' => 'A circuit is drained and no later step fills it.',
        'started-before-filled' => 'The engine runs while a circuit is still open: minutes without coolant or seconds without '
            .'oil are enough.',
        'hot-circuit' => 'A circuit under cap pressure is opened and nothing before it makes sure the engine is cold.',
        'not-level' => 'What is read or set with the vehicle level on the floor is done while it stands on stands.',
        'not-drained' => 'A circuit is filled by the step before anything has drained it.',
        'left-inside' => 'The engine runs while a rag, plug, pin or bar that was put in on purpose is still in.',
        'no-stands' => 'Work is done under the vehicle or with a wheel off, and no step has put it on stands.',
        'no-morning-check' => 'The procedure calls for a look at the cold level next morning and no step books it.',
        'no-retorque' => 'The procedure calls for the fasteners to be tightened again after the first heat and no step books it.',
        'no-follow-up' => 'The procedure calls for another look later and no step books it.',
        'tool-missing' => 'A step names a tool that is not in the kit.',
        'left-on-stands' => 'The last step leaves the vehicle on stands.',
        'not-checked' => 'The step works with something taken over from a starter sheet or from another vehicle, and nobody has looked '
            .'whether it is so on this one.',
        'empty-sheet' => 'No step came out.',
        'removed-twice' => 'The same thing is taken off a second time with nothing putting it back between. One of the two counts is '
            .'bound to be wrong.',
        'refit-not-off' => 'Something is put back that no step has taken off: a tray is asked for that was never filled.',
        'tightened-before-in' => 'A joint is tightened while the part it clamps is still off the vehicle.',
        'off-before-drained' => 'A hose, plug or housing of a circuit comes off while that is full: what is in it runs over whoever lies '
            .'below, and none of it is measured.',
        'filled-with-part-off' => 'A circuit is filled while a part of it is off the vehicle.',
        'driven-on-stands' => 'It is driven while it stands on stands.',
        'battery-on-early' => 'The battery is connected while a part it feeds is off, or held by loose fasteners: a spanner across '
            .'it burns, and it may turn.',
        'battery-live' => 'A part fed straight from the battery is touched with the battery connected; a spanner across it welds.',
        'battery-left-off' => 'The battery is still disconnected when the engine is to run, or at the end.',
        'weight-unsupported' => 'A mount that carries engine or gearbox is undone and nothing holds the weight.',
        'support-left-in' => 'A jack or bar is still in when the vehicle comes down, is driven, or at the end.',
        'movement-limit' => 'Engine, gearbox or crossmember is moved past a limit of the vehicle sheet while what it would hit '
            .'or strain is still fitted.',
        'raised-on-jack' => 'A jack stands on the floor. When the vehicle goes up or down, what the jack holds stays where it is, '
            .'and tears its hoses or comes off the jack.',
        'raised-unmounted' => 'The vehicle goes up or down while engine or gearbox hangs on a bar or stands loose on its mounts: '
            .'it swings.',
        'support-too-weak' => 'What takes the engine is rated for less than one and a half times its weight: chains jerk and an '
            .'engine tips.',
        'support-gone' => 'The last support of a body is taken away while one of its mounts is off.',
        'moved-while-mounted' => 'Something is moved by a support while its mounts are bolted: the support lifts the vehicle, or a '
            .'mount tears.',
        'two-hanging' => 'Two bodies are off their mounts at once. What holds the one was never meant to hold both.',
        'mounts-both-out' => 'Two mounts of one body are out at once, and nothing but the support keeps it in its place.',
        'started-on-stands' => 'The engine is started while the vehicle stands on stands and nobody is told to stay clear and out of gear.',
        'moved-unheld' => 'Something heavy is moved by a step before any step has taken its weight.',
        'bush-before-load' => 'A rubber-bushed joint is tightened while the weight still hangs on the support; the rubber is '
            .'twisted for the rest of its life.',
        'room-is-gone' => 'A joint a wrench reaches only while the part is held clear is tightened after it came down.',
        'load-and-room' => 'One joint is marked both “only under load” and “only while there is room”; both cannot be.',
        'set-not-complete' => 'Joints marked as one loosely fitted set: one is tightened while the item of another is not in.',
        'cure-too-short' => 'Sealant or locker meets load, fluid or heat before its cure time is over on the time lane.',
        'paste-and-locker' => 'One thread is given anti-seize and threadlocker.',
        'clamps-not-rechecked' => 'Charge pipes are opened and no step looks at their clamps after the first heat.',
        'gate-locked' => 'The internal wastegate is locked and nothing else in the plan limits boost.',
        'belt-not-listed' => 'A pulley of another size needs another belt, and none is on the parts list.',
        'flash-without-wait' => 'A control unit is written without the key-off wait before it.',
        'no-cool-down' => 'The cold level is booked or looked at while the engine is still hot on the sheet.',
        'level-not-checked' => 'A circuit is filled and no later step looks at its level.',
        'runs-with-parts-off' => 'The engine runs, or the vehicle is driven, while a part or a plug is still off. Covers may stay off.',
        'runs-with-joints-loose' => 'The engine runs, or the vehicle is driven, while an item is back on and its joint is not tightened.',
        'wait-without-end' => 'A wait that runs by itself names a step that is missing or comes before it.',
        'step-twice' => 'Two steps carry the same id; marks of one would count for the other.',
        'mix-without-reading' => 'The coolant mix is worked out before what was drained and its strength are measured.',
        'raised-without-caution' => 'A step that raises the vehicle, holds a weight or disconnects the battery carries no '
            .'caution to acknowledge.',
        'unknown-binding' => 'A step acts on an item, joint or circuit that is not on the vehicle sheet.',
        'cover-before-look' => 'A fluid was opened and the cover that would catch its drip goes back before anybody has looked: a weep '
            .'shows late, and on the wrong side of the cover.',
        'impact-on-lock' => 'An impact tool works against a flywheel lock or timing pins: lock, ring gear or pins break before the bolt '
            .'gives.',
        'needs-second' => 'A step speaks of a second person, the sheet is for one, and nothing says how it is done alone.',
        'hot-hands' => 'Hands go to a turbo, an exhaust, a shield from heat or a joint that gets hot, and nothing before it makes sure '
            .'that it is cold.',
        'unplugged-unnamed' => 'A step asks to unplug whatever is in the way. What is not named cannot be counted, nor looked over before '
            .'the start.',
        'ends-below-not-looked' => 'What was plugged in from below is looked over while the vehicle is still up and nothing covers '
            .'it. From the floor nobody reaches it again, and the next to notice is the first start.',
        'ends-not-looked' => 'The engine runs before what was unplugged and guards something has been looked over by its name.',
        'guard-off' => 'Something that keeps off heat or what turns is off when the engine runs, holds the structure and is off when it '
            .'comes down, or would come loose and is off when it is driven.',
        'locker-in-heat' => 'Threadlocker is asked for where it gets hotter than a locker holds: it lets go. A locking nut, wire or paste '
            .'for heat.',
        'oiled-thread' => 'A thread is oiled by a step, and its figure is meant for dry or locked ones: it gets far more clamp than meant, '
            .'or the locker does not cure.',
        'still-tied' => 'A beam, gearbox or engine is moved while a mount, rod, shaft or line still ties it to what stays, or goes '
            .'further than a hose gives: it tears, or the support lifts the vehicle.',
        'under-while-it-runs' => 'Somebody is under the vehicle while the engine runs: exhaust, belts, a hot drip, a vehicle that may move '
            .'on its stands. From under a locked lift one may look, hands away.',
        'moves-while-it-runs' => 'The vehicle, the engine or a beam is moved while a drain or a fill flows or the engine runs: it '
            .'spills, and whoever watches it is not at the jack.',
        'wheel-not-held' => 'A wheel has to be off, and the vehicle sheet does not say which one and what holds it: nobody would count '
            .'its nuts, or know their figure.',
        'wheel-no-figure' => 'A wheel is tightened to the vehicle maker’s or the wheel maker’s figure. It is never estimated: too little '
            .'works loose, too much stretches studs and cracks seats.',
        'wheel-not-loosened' => 'Wheel nuts or bolts are broken loose with the vehicle up: the pull on the bar takes it off its stands.',
        'wheel-in-the-air' => 'A wheel is tightened to its figure while it hangs: it turns with the wrench, and its seats are not loaded.',
        'wheel-off' => 'The vehicle comes down while a wheel is off.',
        'wheel-not-rechecked' => 'A wheel was off and nobody is made to look at it again. Paint and dirt under a seat settle in the first '
            .'50 to 100 km.',
        'refit-out-of-order' => 'Something goes back while what lies behind it is still off; it would have to come off again.',
        'strip-out-of-order' => 'Something comes off while what lies in front of it is still on.',
    ];

    public static function of(string $code): ?string
    {
        return self::TEXTS[$code] ?? null;
    }

    /** @return array<string, string> */
    public static function all(): array
    {
        return self::TEXTS;
    }
}
