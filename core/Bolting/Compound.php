<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bolting;

use NimbleKnuckle\Core\Formula\Formula;
use NimbleKnuckle\Core\Formula\Term;
use NimbleKnuckle\Core\Quantity\Duration;
use NimbleKnuckle\Core\Quantity\Temperature;

/**
 * What may go on a thread. Lockers hold to about 150 °C; cure doubles for each 10 K
 * below 22 °C (Arrhenius rule of thumb), and is threefold on passive metal.
 */
enum Compound: string
{
    case Dry = 'dry';
    case Oil = 'oil';
    case AntiSeize = 'anti-seize';
    case Sealant = 'thread sealant';
    case MediumLocker = 'medium threadlocker';
    case StrongLocker = 'high-strength threadlocker';

    /** °C past which a locker lets go. */
    public const LOCKER_HEAT = 150.0;
    /** °C at which the usual cure is meant. */
    public const WARM = 22.0;
    /** Passive surfaces cure this much slower. */
    private const PASSIVE = 3.0;

    /** As a sheet may write it; null for what is not known here. */
    public static function named(string $name): ?self
    {
        return self::tryFrom(str_replace('high strength', 'high-strength', $name));
    }

    public function isLocker(): bool
    {
        return self::MediumLocker === $this || self::StrongLocker === $this;
    }

    /** Locker and sealant sit in the thread alone; oil and paste get under the head as well. */
    public function staysInThread(): bool
    {
        return $this->isLocker() || self::Sealant === $this;
    }

    /** What a thread is like with it on. */
    public function condition(): ThreadCondition
    {
        return ThreadCondition::PUT_ON[$this->value];
    }

    public function friction(Friction $dry): Friction
    {
        return self::Dry === $this ? $dry : Friction::condition($this->condition());
    }

    /** Times this a figure for a dry thread clamps as before: k = lever with it on / lever dry. */
    public function factor(Thread $thread, Friction $dry): float
    {
        $preload = new Preload($thread, Grade::C88, BearingFace::hexagon($thread));
        $wet = $this->friction($dry);
        $head = $this->staysInThread() ? $dry->typical : $wet->typical;

        return $preload->lever($wet->typical, $head) / $preload->lever($dry->typical, $dry->typical);
    }

    /** Functional cure at 22 °C on steel, a working value for anaerobic lockers; nothing for what does not cure. */
    public function usualCure(): Duration
    {
        return Duration::minutes(match ($this) {
            self::MediumLocker => 60.0,
            self::StrongLocker => 120.0,
            default => 0.0,
        });
    }

    /** Until it may be loaded. */
    public function cure(Temperature $ambient, bool $onPassive): Duration
    {
        return Duration::minutes($this->cureFormula($ambient, $onPassive)->value);
    }

    /** Minutes; colder than −10 °C is reckoned as that. */
    public function cureFormula(Temperature $ambient, bool $onPassive): Formula
    {
        return Formula::of($onPassive ? 't = slower t22 × 2^((warm − T)/10)' : 't = t22 × 2^((warm − T)/10)', [
            'slower' => Term::fixed(self::PASSIVE), 't22' => Term::of($this->usualCure()->minutes, 'min'),
            'warm' => Term::fixed(self::WARM), 'T' => Term::of(max(-10.0, $ambient->celsius), '°C'),
        ]);
    }
}
