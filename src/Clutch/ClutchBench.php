<?php

declare(strict_types=1);

namespace NimbleKnuckle\App\Clutch;

use NimbleKnuckle\App\Devices\DeviceAtHand;
use NimbleKnuckle\App\Devices\DeviceKind;
use NimbleKnuckle\App\Devices\DevicesAtHand;
use NimbleKnuckle\App\Devices\Slip;
use NimbleKnuckle\App\Web\KeptInput;
use NimbleKnuckle\Core\Bench\Fit;
use NimbleKnuckle\Core\Bench\Task\ClutchTrials;
use NimbleKnuckle\Core\Clutch\SlipModel;
use NimbleKnuckle\Core\Clutch\SlipTrial;
use NimbleKnuckle\Core\Clutch\SpringStack;
use NimbleKnuckle\Core\Clutch\StackDrawing;
use NimbleKnuckle\Core\Sheet\Step;
use NimbleKnuckle\Core\Sum\InvalidInput;

/** The logbook of a slip clutch at the step that tries it: each trial with its stack, what it came to, what to try next. */
final readonly class ClutchBench
{
    public function __construct(private DevicesAtHand $devices, private KeptInput $typed, private Slip $slip)
    {
    }

    public static function form(string $fitId, string $step): string
    {
        return 'trial.'.$fitId.'.'.$step;
    }

    /** Null at other steps. */
    public function view(Fit $fit, Step $step, string $fitId): ?ClutchView
    {
        if (!ClutchTrials::areTriedAt($step)) {
            return null;
        }
        $known = ClutchTrials::of($fit);
        $wrenches = $this->devices->of(DeviceKind::Wrench, $fitId, $step->id);
        $simulated = [] !== array_filter($wrenches, static fn (DeviceAtHand $one): bool => $one->simulated);
        $real = array_values(array_filter($wrenches, static fn (DeviceAtHand $one): bool => !$one->simulated));
        if (null === $known) {
            return new ClutchView(null, [], null, [], $real, $simulated);
        }
        $last = $known->events[count($known->events) - 1] ?? null;
        $pulled = $this->slip->since($fitId, $step->id, $last?->receipt->at);

        return new ClutchView(
            $known, array_map(static fn (SlipTrial $one, int $i): array => self::row($known, $one, $i), $known->trials,
                array_keys($known->trials)),
            $known->next(), $this->typed->of(self::form($fitId, $step->id)) + $this->proposed($known, $pulled), $real, $simulated,
        );
    }

    /**
     * Three pulls of the simulated clutch, whose linings have a friction of their own for each fit.
     *
     * @return non-empty-list<float>
     *
     * @throws InvalidInput where the stack cannot be
     */
    public function simulated(Fit $fit, string $fitId, string $stack, float $height): array
    {
        $known = ClutchTrials::of($fit) ?? throw InvalidInput::in('stack', 'Disc and linings are not measured yet.');
        $read = SpringStack::read($stack) ?? throw InvalidInput::in('stack', 'Each disc from below as u or d: u u d d, or 2p 3s.');
        $spring = $known->clutch->spring;
        $height > 0.0 && $height < $read->free($spring) && $read->deepest($spring, $height) < 1.0 || throw InvalidInput::in(
            'height', sprintf('This stack is %s mm high when nothing presses it; set it lower, and not flat.',
                round($read->free($spring), 2)),
        );

        return (new SlipModel(crc32($fitId)))->pulls($read, $height, $spring, $known->clutch->ring, count($known->trials));
    }

    /**
     * @return array{n: int, said: string, drawing: StackDrawing, height: float, shims: float, thread: ?float, pulls: string, mean: float,
     *     spread: float, bedded: float, isIn: bool, by: string, isOdd: bool, disc: ?int}
     */
    private static function row(ClutchTrials $known, SlipTrial $trial, int $i): array
    {
        $event = $known->events[$i];
        $mean = $trial->mean();

        return [
            'n' => $i + 1, 'said' => $trial->stack->said(), 'drawing' => StackDrawing::of($trial->stack, $known->clutch->spring),
            'height' => $trial->height, 'shims' => $event->float('shims'),
            'thread' => isset($event->payload['thread_left']) ? $event->float('thread_left') : null,
            'pulls' => implode(' ', $trial->pulls), 'mean' => $mean, 'spread' => 100 * (max($trial->pulls) - min($trial->pulls)) / $mean,
            'bedded' => $known->bedded($trial), 'isIn' => $known->isInBand($trial), 'by' => $event->by,
            'isOdd' => $known->clutch->fit->odd === $i,
            'disc' => $known->clutch->fit->odd === $i && null !== $known->clutch->fit->disc ? $known->clutch->fit->disc + 1 : null,
        ];
    }

    /**
     * What stands in the form at first: the stack that is proposed, what is in the box, what was just pulled.
     *
     * @param list<float> $pulled
     *
     * @return array<string, string>
     */
    private function proposed(ClutchTrials $known, array $pulled): array
    {
        $next = $known->next();
        $last = $known->last();
        $event = $known->events[count($known->events) - 1] ?? null;

        return [
            'stack' => $next?->stack->said() ?? ($last?->stack->said() ?? ''),
            'height' => null === $next ? '' : (string) round($known->room() - $next->shims, 3),
            'shims' => null === $next ? '' : (string) round($next->shims, 3), 'box' => $event?->string('box') ?? '', 'thread_left' => '',
            'pulls' => implode(' ', $pulled),
        ];
    }
}
