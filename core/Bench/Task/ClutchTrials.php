<?php

declare(strict_types=1);

namespace NimbleKnuckle\Core\Bench\Task;

use NimbleKnuckle\Core\Bench\Event\FitEvent;
use NimbleKnuckle\Core\Bench\Fact\TrialKept;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Clutch\Clutch;
use NimbleKnuckle\Core\Clutch\DiscSpring;
use NimbleKnuckle\Core\Clutch\FrictionFit;
use NimbleKnuckle\Core\Clutch\FrictionRing;
use NimbleKnuckle\Core\Clutch\NextStack;
use NimbleKnuckle\Core\Clutch\SlipTrial;
use NimbleKnuckle\Core\Clutch\SpringStack;
use NimbleKnuckle\Core\Law\Nature;
use NimbleKnuckle\Core\Sheet\Step;

/**
 * The trials of a slip clutch on a fit: what its discs and linings are, what was tried, whether the last of it lies in its band, and
 * what to try next. N·m and mm. New linings bed in: a tenth less, a working value.
 */
final readonly class ClutchTrials
{
    public const LEAST_PULLS = 3;
    private const BEDS_IN = 0.9;
    private const FRICTION = 0.12;
    private const MOST_DISCS = 12;

    /**
     * @param list<SlipTrial> $trials
     * @param list<FitEvent> $events one each
     * @param float $wanted N·m it is to slip at in the end
     * @param float $band of one
     * @param float $beds what is left of it once it is bedded in, of one
     */
    private function __construct(
        public Clutch $clutch, public array $trials, public array $events, public float $wanted, public float $band, public float $beds,
        private int $discs,
    ) {
    }

    /** Null while discs, linings or what is wanted are not known. */
    public static function of(Fit $fit): ?self
    {
        $value = static fn (string $field): float => $fit->state->readingOf($field)->value ?? 0.0;
        [$outside, $inside, $thick, $free] = array_map($value, ['disc_outside', 'disc_inside', 'disc_thick', 'disc_free']);
        [$outer, $inner, $faces, $wanted] = array_map($value, ['lining_outside', 'lining_inside', 'lining_faces', 'slip_wanted']);
        if ($inside <= 0.0 || $outside <= 1.05 * $inside || $thick <= 0.0 || $free <= $thick || $inner <= 0.0 || $outer <= $inner
            || $faces < 1.0 || $wanted <= 0.0) {
            return null;
        }
        $spring = new DiscSpring($outside, $inside, $thick, $free);
        $ring = new FrictionRing($outer, $inner, $faces);
        [$trials, $events] = self::kept($fit, $spring);
        $friction = [] === $trials ? FrictionFit::given(self::FRICTION) : FrictionFit::of($trials, $spring, $ring);

        return new self(
            new Clutch($spring, $ring, $friction), $trials, $events, $wanted, max(0.01, ($value('slip_band') ?: 10.0) / 100),
            'bedded' === $fit->readings()->answer('linings_are') ? 1.0 : self::BEDS_IN, (int) min(
                self::MOST_DISCS, max(1.0, $value('discs_at_hand'))
            ),
        );
    }

    /** Whether a step is the one that tries them. */
    public static function areTriedAt(Step $step): bool
    {
        return Nature::triesClutch($step);
    }

    /** What a trial has to come to fresh, so that it is right once it is bedded in. */
    public function aim(): float
    {
        return $this->wanted / $this->beds;
    }

    public function last(): ?SlipTrial
    {
        return $this->trials[count($this->trials) - 1] ?? null;
    }

    /** What a trial comes to once it is bedded in. */
    public function bedded(SlipTrial $trial): float
    {
        return $this->beds * $trial->mean();
    }

    /** Pulled often enough, and within its band once it is bedded in. */
    public function isInBand(SlipTrial $trial): bool
    {
        return count($trial->pulls) >= self::LEAST_PULLS && abs($this->bedded($trial) / $this->wanted - 1) <= $this->band + 1e-9;
    }

    /** What to try next, from what is in the box; null where nothing of it comes near. */
    public function next(): ?NextStack
    {
        $last = $this->last();
        $event = $this->events[count($this->events) - 1] ?? null;
        if (null === $last || null === $event) {
            return null;
        }

        return NextStack::toward(
            $this->aim(), $this->band, $this->clutch, $last->stack, $this->room(), $this->discs,
            self::numbers($event->as(TrialKept::class)->box),
        );
    }

    /** mm there is for stack and shims. */
    public function room(): float
    {
        $event = $this->events[count($this->events) - 1] ?? null;

        return ($this->last()->height ?? 0.0) + ($event?->as(TrialKept::class)->shims ?? 0.0);
    }

    /** @return list<float> those over nothing */
    public static function numbers(string $text): array
    {
        $parts = preg_split('~[\s;/]+~u', str_replace(',', '.', trim($text)), -1, \PREG_SPLIT_NO_EMPTY) ?: [];

        return array_values(array_filter(array_map(static fn (string $one): float => is_numeric($one) ? (float) $one : 0.0, $parts)));
    }

    /** @return array{list<SlipTrial>, list<FitEvent>} */
    private static function kept(Fit $fit, DiscSpring $spring): array
    {
        $trials = $events = [];
        foreach (array_merge([], ...array_values($fit->state->trials)) as $event) {
            $fact = $event->as(TrialKept::class);
            $stack = SpringStack::read($fact->stack);
            $pulls = self::numbers($fact->pulls);
            if (null !== $stack && [] !== $pulls && $fact->height < $stack->free($spring)) {
                $trials[] = new SlipTrial($stack, $fact->height, $pulls);
                $events[] = $event;
            }
        }

        return [$trials, $events];
    }
}
